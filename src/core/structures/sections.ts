import * as z from 'zod';
import type { CountRule } from '../fit/rules';
import type { Closing } from '../body/kinds';
import { remembered } from '../tools/remember';
import { composedForm, rowsEach, rowsOfRun } from './composedForm';
import {
  at,
  distinct,
  sequenceSchema,
  type Form,
  type RoleLetter,
  type Structure,
  type Unit,
  type Weaveable,
  type SectionRun,
} from './structure';

/** Beads of one unit of a section, rows or beads; a stitch may take fewer. */
const MOST = 24;
export const MOST_TIMES = 500;
/** More sections than a piece has on either side of what is fitted. */
export const MOST_SECTIONS = 8;

/** So many units of other beads in the same stitch. */
const sectionSchema = z.object({
  sequence: sequenceSchema(MOST),
  times: z.number().int().min(1, 'A section has one unit at least.').max(MOST_TIMES),
});
export type SectionChoice = z.infer<typeof sectionSchema>;

/** What lies along a piece before and after the units of its own, which take up what is left of the length. */
export const sectionsSchema = z.object({
  before: z.array(sectionSchema).max(MOST_SECTIONS),
  after: z.array(sectionSchema).max(MOST_SECTIONS),
  /** Once more in the opposite order, from the middle of the last of them on. */
  mirrored: z.boolean(),
});
export type Sections = z.infer<typeof sectionsSchema>;

export const NO_SECTIONS: Sections = { before: [], after: [], mirrored: false };

export const hasSections = (sections: Sections | undefined): sections is Sections =>
  sections !== undefined && sections.before.length + sections.after.length > 0;

/** A stitch with sections, or what stands against it. */
export type Sectioned =
  | { readonly ok: true; readonly weaveable: Weaveable }
  | { readonly ok: false; readonly messages: readonly string[] };

/** Binds a stitch whose own units lie between sections of others. Its own parameters must stand. */
export function bindSections(
  structure: Structure,
  given: Readonly<Record<string, unknown>>,
  sections: Sections,
): Sectioned {
  // Only what the stitch knows of: a stray word for rows beyond its units is none of it.
  const params = Object.fromEntries(
    Object.entries(structure.defaults).map(([key, usual]) => [key, given[key] ?? usual]),
  );
  const { unlike } = structure;
  const stands = unlike ? unlike.not(params) : `${structure.name} has no sections: all its units are alike.`;
  if (!unlike || stands !== null) return { ok: false, messages: [stands ?? ''] };
  const listed = [...sections.before, ...sections.after];
  const faults = listed.flatMap(({ sequence }, i) =>
    structure
      .check({ ...params, sequence })
      .map((fault) => `Section ${i + 1 + Number(i >= sections.before.length)}: ${fault}`),
  );
  if (faults.length > 0) return { ok: false, messages: faults };

  const stitchOf = remembered((word: string) => {
    const own = { ...params, sequence: word.split(''), extra: 0 };
    return { params: own, stitch: structure.bind(own) };
  });
  const runs = remembered((units: number) =>
    runsOf(params, sections, units, (sequence) => stitchOf(sequence.join(''))),
  );
  const copies = runs(1).filter(({ fitted }) => fitted).length;
  const whole = remembered((units: number) => unlike.bind(params, runs(units).flatMap(unitsIn)));
  const rows = (units: number) => runs(units).reduce((sum, run) => sum + rowsOfRun(run), 0);

  const least = structure.bind({ ...params, sequence: ['A'], extra: 0 });
  const leastRows = least.minimumUnits * rowsEach(least);
  const perUnit = rows(2) - rows(1);
  const minimumUnits = Math.max(1, Math.ceil((leastRows - (rows(1) - perUnit)) / perUnit));
  const first = whole(minimumUnits);
  return {
    ok: true,
    weaveable: {
      ...first,
      minimumUnits,
      closing: closingWords(sections),
      sections: { copies, runs },
      rules: (closing) => evenRules(first, closing, perUnit, rows(1) - perUnit),
      weave: (units, request) => whole(units).weave(1, request),
      weaveInto: (path, part, units, request) => whole(units).weaveInto(path, part, 1, request),
      advise: (body) => [
        ...(first.advise?.(body) ?? []),
        ...(unlike.inColumns ? seams(runs(1), (run) => run.stitch.form(body, new Set()).widthMm) : []),
      ],
      form: (body, without) => {
        const formOf = remembered((word: string) => stitchOf(word).stitch.form(body, without));
        return composedForm(runs, (run): Form => formOf(run.unit.join('')));
      },
    },
  };
}

/** Each unit of a run. */
const unitsIn = ({ unit, times }: SectionRun): Unit[] => Array<Unit>(times).fill(unit);

/** Sections in the order worked. */
function runsOf(
  params: Readonly<Record<string, unknown>>,
  { before, after, mirrored }: Sections,
  units: number,
  stitchOf: (sequence: readonly RoleLetter[]) => Pick<SectionRun, 'stitch' | 'params'>,
): SectionRun[] {
  const own = sequenceSchema(MOST).parse(params.sequence);
  const extra = typeof params.extra === 'number' ? params.extra : 0;
  const run = (of: number, sequence: readonly RoleLetter[], times: number, fitted = false): SectionRun => ({
    of,
    back: false,
    fitted,
    ...unitOf(sequence, stitchOf),
    times,
  });
  const fitted = [
    run(before.length, own, units, true),
    ...(extra > 0
      ? [
          run(
            before.length,
            Array.from({ length: extra }, (_, i) => at(own, i % own.length)),
            1,
          ),
        ]
      : []),
  ];
  const head = before.map(({ sequence, times }, i) => run(i, sequence, times));
  const tail = after.map(({ sequence, times }, i) => run(before.length + 1 + i, sequence, times));
  if (!mirrored) return [...head, ...fitted, ...tail];
  // What stands in the middle is its own mirror image.
  const half = tail.length > 0 ? [...head, ...fitted, ...tail.slice(0, -1)] : head;
  const middle = tail.length > 0 ? tail.slice(-1) : fitted;
  const back = half.toReversed().map((one): SectionRun => ({
    ...one,
    back: true,
    ...unitOf(one.unit.toReversed(), stitchOf),
  }));
  return [...half, ...middle, ...back];
}

/** A unit as long as the stitch needs it: an odd strip of peyote repeats after an even number of rows. */
function unitOf(
  sequence: readonly RoleLetter[],
  stitchOf: (sequence: readonly RoleLetter[]) => Pick<SectionRun, 'stitch' | 'params'>,
): Pick<SectionRun, 'unit' | 'stitch' | 'params'> {
  const bound = stitchOf(sequence);
  const often = Math.max(1, Math.floor(rowsEach(bound.stitch) / sequence.length));
  return { ...bound, unit: Array.from({ length: often }, () => sequence).flat() };
}

/** Rows in columns may be so much wider than their neighbours (from memory: 11/0 and 10/0 seeds still lie together). */
const UNEVEN = 1.15;

/** What is to be said of sections that are much wider than those beside them: each pair once. */
function seams(runs: readonly SectionRun[], widthOf: (run: SectionRun) => number): string[] {
  const said = runs.slice(1).flatMap((run, i) => {
    const pair = [at(runs, i), run].sort((a, b) => widthOf(b) - widthOf(a)) as [SectionRun, SectionRun];
    const [wide, narrow] = pair;
    return widthOf(wide) <= UNEVEN * widthOf(narrow)
      ? []
      : [
          `Section ${wide.of + 1} is much wider than section ${narrow.of + 1}: put a row or two of a middle size between them, or thread shows at the seam.`,
        ];
  });
  return distinct(said);
}

/** How it ends, in words: on the section that comes last. */
const closingWords = ({ before, after, mirrored }: Sections): string | null => {
  const last = mirrored ? 1 : before.length + 1 + after.length;
  return before.length + after.length === 0 ? null : `it ends on section ${last}`;
};

/** What the count of its own units must keep to where the piece is joined by an even number of rows. */
function evenRules(
  { evenToJoin: why }: Weaveable,
  closing: Closing,
  perUnit: number,
  others: number,
): CountRule[] {
  if (closing !== 'joined' || why === undefined) return [];
  if (perUnit % 2 === 1) return [{ of: 2, rest: others % 2, must: true, why }];
  // Whatever the count, the rows come to an odd number.
  const never = `${why}: make a section one row longer or shorter`;
  return others % 2 === 0 ? [] : [0, 1].map((rest) => ({ of: 2, rest, must: true, why: never }));
}
