/** Steps from one format of a piece document to the next. Each takes what the one before it returns. */

type Doc = Readonly<Record<string, unknown>>;

const isDoc = (value: unknown): value is Doc => typeof value === 'object' && value !== null;

/** A strip that ended with its first row again has one row extra. */
function extraInsteadOfAlike(params: unknown): unknown {
  if (!isDoc(params) || typeof params.alike !== 'boolean') return params;
  const { alike, ...rest } = params;
  return { ...rest, extra: alike ? 1 : 0 };
}

/** The usual ease of a bracelet in the days of format 1, mm. A step stays as it was, whatever is usual now. */
const EASE_OF_ONE = { snug: 6, comfortable: 13, loose: 25 };

/** Format 1 knew bracelets only: a wrist instead of girths, usual ease, both ends alike. */
function fromOne(doc: Doc): Doc {
  const { wearer, wear, ends, structure } = doc;
  const end = isDoc(ends) ? { seedsEachSide: ends.seedsEachSide, passes: ends.passes, rings: null } : null;
  return {
    ...doc,
    format: 2,
    wearer: isDoc(wearer)
      ? { personId: wearer.personId, name: wearer.name, girths: { wrist: wearer.wristMm }, typical: null }
      : wearer,
    wear: isDoc(wear) && wear.school === 'ease' ? { ...wear, easeMm: EASE_OF_ONE } : wear,
    ends: isDoc(ends)
      ? {
          closing: 'clasp',
          clasp: ends.clasp,
          start: end,
          end,
          loopSeeds: null,
          extender: null,
          chain: null,
        }
      : ends,
    structure: isDoc(structure) ? { ...structure, params: extraInsteadOfAlike(structure.params) } : structure,
    rules: { parity: 'any', multipleOf: 1 },
    gauge: null,
  };
}

/** What format 3 tells of a part, and format 2 told of the piece. */
const OF_PART: ReadonlySet<string> = new Set([
  'structure',
  'beads',
  'colourings',
  'threadChanges',
  'without',
  'rules',
  'gauge',
  'units',
]);

/** Format 2 knew pieces in one part only, and told of the piece what is its part's. */
function fromTwo(doc: Doc): Doc {
  const entries = Object.entries(doc);
  const own = entries.filter(([key]) => OF_PART.has(key));
  const shared = entries.filter(([key]) => !OF_PART.has(key));
  return { ...Object.fromEntries(shared), format: 3, parts: [{ id: 'main', ...Object.fromEntries(own) }] };
}

const STEPS: Readonly<Record<number, (doc: Doc) => Doc>> = { 1: fromOne, 2: fromTwo };

/** A document of any format so far, told in the newest; anything else comes back as it is. */
export function migrateDocument(raw: unknown): unknown {
  let doc = raw;
  // Each step raises the format, so this ends.
  for (let step = stepOf(doc); step && isDoc(doc); step = stepOf(doc)) doc = step(doc);
  return doc;
}

const stepOf = (doc: unknown) =>
  isDoc(doc) && typeof doc.format === 'number' ? STEPS[doc.format] : undefined;
