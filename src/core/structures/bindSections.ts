import type { Closing } from '../body/kinds';
import { LOOP_ROLE, NO_LOOP, type SewnLoop } from '../closures/sewnLoop';
import type { CountRule } from '../fit/rules';
import { sewSeam } from '../joints/seam';
import type { FindingMaterial } from '../materials/material';
import { counted } from '../words/figures';
import { given } from '../tools/given';
import { remembered } from '../tools/remember';
import { Weave } from '../weave/builder';
import type { Edge, EdgeName, Made } from '../weave/edge';
import type { Bead } from '../weave/path';
import { composedForm, rowsEach } from './composedForm';
import {
  edgeOf,
  leadUnits,
  runKey,
  runsOf,
  unitsOfRun,
  type BoundRun,
  type RunsQuestion,
} from './sectionRuns';
import { findingOf, seamLoop } from './seam';
import { listed, type OtherStitch, type SectionChoice, type Sections } from './sections';
import {
  at,
  distinct,
  type Form,
  type SectionRun,
  type Structure,
  type Unit,
  type Weaveable,
  type WeaveRequest,
} from './structure';
import { UNEVEN } from './uneven';

/** A stitch with sections, or what stands against it. */
export type Sectioned =
  | { readonly ok: true; readonly weaveable: Weaveable }
  | { readonly ok: false; readonly messages: readonly string[] };

type Params = Readonly<Record<string, unknown>>;

/** Binds a stitch whose own units lie between sections of others. Its own parameters must stand. */
export function bindSections(
  structure: Structure,
  asked: Params,
  sections: Sections,
  structureById: (id: string) => Structure | undefined,
): Sectioned {
  const params = known(structure, asked);
  const cannot = unfit(structure, structure.bind(params));
  if (cannot) return { ok: false, messages: [cannot] };
  const others = othersOf({ structure, params, sections }, structureById);
  const faults = [...grownFaults(structure, params, sections), ...others.faults];
  if (faults.length > 0) return { ok: false, messages: faults };

  const bind = (id: string, its: Params) => given(structureById(id), 'stitch of a section').bind(its);
  const runs = remembered(runsOf({ structure, params, sections, bound: others.bound, bind }));
  const seams = seamFaults(runs(1));
  if (seams.length > 0) return { ok: false, messages: seams };

  const groups = remembered((units: number) => groupsOf(structure, params, runs(units)));
  const rows = (units: number) =>
    at(
      groups(units).filter(({ fitted }) => fitted),
      0,
    ).rows;
  const perUnit = rows(2) - rows(1);
  const fixed = rows(1) - perUnit;
  const minimumUnits = leastUnits(structure, params, perUnit, fixed);
  const parts = groups(minimumUnits);
  const [first, last] = [at(parts, 0).stitch, at(parts, -1).stitch];
  const alone = parts.length === 1;
  const weaveOn: Weaveable['weaveOn'] = (w, units, request) => weaveGroups(w, groups(units), request);
  return {
    ok: true,
    weaveable: {
      ...first,
      parts: [
        ...new Map(
          parts
            .flatMap(({ stitch }) => stitch.parts)
            .map((one) => [`${one.role} ${one.holes} ${one.part}`, one]),
        ).values(),
      ],
      minimumUnits,
      mostUnits: undefined,
      mostLoops: Math.min(first.mostLoops ?? 1, last.mostLoops ?? 1),
      closings: alone ? first.closings : ['clasp'],
      notJoined: alone
        ? first.notJoined
        : 'Sections in other stitches are joined end to end, and close with a clasp.',
      closing: closingWords(sections),
      // A slot of one stitch may be called as that of another, and be something else.
      slots: alone ? first.slots : undefined,
      beadsBack: alone ? first.beadsBack : undefined,
      sections: { copies: runs(1).filter(({ fitted }) => fitted).length, runs },
      rules: (closing) =>
        alone ? evenRules(first, closing, perUnit, fixed) : zipRules(parts, perUnit, fixed),
      weave: (units, request) => {
        const w = new Weave(at(groups(units), 0).stitch.options(request));
        weaveOn(w, units, request);
        return w.path();
      },
      weaveInto: (path, part, units, request) => {
        const w = path.scope(part, at(groups(units), 0).stitch.options(request));
        return { w, edges: weaveOn(w, units, request) };
      },
      weaveOn,
      advise: (body) => [
        ...distinct(parts.flatMap(({ stitch }) => stitch.advise?.(body) ?? [])),
        ...(structure.unlike?.inColumns
          ? unevenSeams(runs(1), (run) => run.stitch.form(body, new Set()).widthMm)
          : []),
      ],
      form: (body, without) => {
        const forms = new Map(runs(1).map((run) => [runKey(run), run.stitch.form(body, without)]));
        return composedForm(runs, (run): Form => forms.get(runKey(run)) as Form, body(LOOP_ROLE));
      },
    },
  };
}

/** Only what the stitch knows of: a stray word for rows beyond its units is none of it. */
const known = ({ defaults }: Structure, asked: Params): Params =>
  Object.fromEntries(Object.entries(defaults).map(([key, usual]) => [key, asked[key] ?? usual]));

/** Sections with the numbers that the maker has for them. */
const numbered = (sections: Sections): { readonly number: number; readonly section: SectionChoice }[] =>
  listed(sections).flatMap((one, i) => (one.own ? [] : [{ number: i + 1, section: one }]));

/** What stands against sections in the part's own stitch. */
function grownFaults(structure: Structure, params: Params, sections: Sections): string[] {
  const grown = numbered(sections).filter(({ section }) => !section.other);
  if (grown.length === 0) return [];
  const not = structure.unlike
    ? structure.unlike.not(params)
    : `${structure.name} has no sections in its own stitch: all its units are alike. Take another stitch for them.`;
  if (not !== null) return [not];
  return grown.flatMap(({ number, section: { sequence } }) =>
    structure.check({ ...params, sequence }).map((fault) => `Section ${number}: ${fault}`),
  );
}

/** Why a stitch can neither have sections nor be one; null where it can. */
export function unfit(
  { name }: Structure,
  { arrangement, points, corner, byMeasure, strands }: Weaveable,
): string | null {
  if (arrangement || points !== undefined || corner || strands)
    return `${name} is a piece of its own: it has no sections, and is none.`;
  return byMeasure ? 'Of a stitch of your own no edge is known that it could be joined by.' : null;
}

interface Others {
  readonly faults: readonly string[];
  /** A section's stitch, as broad as it is to be. */
  readonly bound: (other: OtherStitch) => BoundRun;
}

/** Sections in other stitches, each as broad as its neighbour where it is to be so, from the part's own units outwards. */
function othersOf(
  { structure, params, sections }: Pick<RunsQuestion, 'structure' | 'params' | 'sections'>,
  structureById: (id: string) => Structure | undefined,
): Others {
  const faults: string[] = [];
  const bound = new Map<OtherStitch, BoundRun>();
  const own = structure.bind(params);
  const all = numbered(sections);
  const before = all.slice(0, sections.before.length);
  for (const side of [before.toReversed(), all.slice(before.length)]) {
    let beside = own;
    for (const { number, section } of side) {
      if (!section.other) {
        beside = own;
        continue;
      }
      const its = structureById(section.other.id);
      const found = its
        ? inOther(its, section.other, section.times, beside)
        : ['This version knows no such structure.'];
      if (Array.isArray(found)) {
        faults.push(...found.map((fault) => `Section ${number}: ${fault}`));
        continue;
      }
      bound.set(section.other, found);
      beside = found.stitch;
    }
  }
  return { faults, bound: (other) => given(bound.get(other), 'stitch of a section') };
}

/** The stitch of a section, bound beside another, or what stands against it. */
function inOther(
  structure: Structure,
  { params, matched, seam }: OtherStitch,
  times: number,
  beside: Weaveable,
): BoundRun | string[] {
  const asTold = known(structure, params);
  const wrong = structure.check(asTold);
  if (wrong.length > 0) return wrong;
  const cannot = unfit(structure, structure.bind(asTold));
  if (cannot) return [cannot];
  // Loops to a finding need not be as many as the places of either edge.
  const asItIs = !matched || findingOf(seam) ? asTold : null;
  const wanted = (matched && asBroadAs(beside, structure, asTold)) || asItIs;
  if (!wanted)
    return [
      `${structure.name} has no breadth with ${counted(edgeOf(beside).end.posts, 'place')} to join it by, as its neighbour has.`,
    ];
  const stitch = structure.bind(wanted);
  return times < stitch.minimumUnits
    ? [`${structure.name} has ${stitch.minimumUnits} units at least.`]
    : { structure: structure.id, params: wanted, stitch };
}

/** Parameters with which a stitch has as many posts at its edge as its neighbour; its own where they do; null where none has. */
function asBroadAs(beside: Weaveable, structure: Structure, params: Params): Params | null {
  const { posts } = edgeOf(beside).end;
  const fits = (its: Params) =>
    structure.check(its).length === 0 && edgeOf(structure.bind(its)).start.posts === posts;
  if (fits(params)) return params;
  const options = structure.fields.flatMap((field) =>
    field.kind === 'choice' ? field.options.map(({ value }) => ({ ...params, [field.key]: value })) : [],
  );
  return options.find(fits) ?? null;
}

/** Edges that cannot be joined. */
const seamFaults = (runs: readonly SectionRun[]): string[] =>
  distinct(
    runs.flatMap((run, i) => {
      const before = runs[i - 1];
      if (!before || !run.seam) return [];
      const [here, there] = [edgeOf(before.stitch).end, edgeOf(run.stitch).start];
      const pair = `Sections ${before.of + 1} and ${run.of + 1}`;
      const finding = findingOf(run.seam);
      if (finding) return looseLoops(finding.what, [before, here.posts], [run, there.posts]);
      if (run.seam.by === 'zip')
        return here.zips > 0 && here.zips === there.zips
          ? []
          : [
              `${pair} cannot be zipped: both must be even flat peyote of the same breadth. Join them by beads, or edge to edge.`,
            ];
      return here.posts === there.posts
        ? []
        : [
            `${pair} have ${here.posts} and ${there.posts} places to join them by: make one as broad as the other.`,
          ];
    }),
  );

/** Edges with fewer places than a finding has loops. */
const looseLoops = (
  { name, loops }: FindingMaterial,
  ...edges: readonly (readonly [run: SectionRun, posts: number])[]
): string[] =>
  edges.flatMap(([{ of }, posts]) =>
    posts >= loops
      ? []
      : [
          `The ${name} has ${loops} loops on either side, and section ${of + 1} ${counted(posts, 'place')} to sew them to: take one of fewer, or make the section broader.`,
        ],
  );

/** Runs that are woven in one go. */
interface Group {
  readonly stitch: Weaveable;
  /** Units that it is woven of. */
  readonly units: number;
  readonly rows: number;
  readonly fitted: boolean;
  /** Where its first unit is in the whole. */
  readonly fromRow: number;
  readonly fromUnit: number;
  readonly runs: readonly SectionRun[];
}

/** The fewest units of its own with which a stitch has as many rows as it needs, beside so many fixed ones. */
function leastUnits(structure: Structure, params: Params, perUnit: number, fixed: number): number {
  if (!structure.unlike) return structure.bind(params).minimumUnits;
  const least = structure.bind({ ...params, sequence: ['A'], extra: 0 });
  return Math.max(1, Math.ceil((least.minimumUnits * rowsEach(least) - fixed) / perUnit));
}

/** Runs that grow on from each other are one group, whose beginning is a seam or the start. */
function groupsOf(structure: Structure, params: Params, runs: readonly SectionRun[]): Group[] {
  const starts = runs.flatMap(({ seam }, i) => (i === 0 || seam ? [i] : []));
  // What comes before the first unit of all is counted down from it.
  let [fromRow, fromUnit] = [-at(runs, 0).lead, -leadUnits(at(runs, 0))];
  return starts.map((start, k) => {
    const own = runs.slice(start, starts[k + 1]);
    const [first] = own as [SectionRun];
    const rows = own.reduce((sum, run) => sum + run.rows, 0);
    const grown = structure.unlike && first.unit.length > 0;
    const group: Group = {
      stitch: grown && structure.unlike ? structure.unlike.bind(params, own.flatMap(unitsIn)) : first.stitch,
      units: grown ? 1 : first.times,
      rows,
      fitted: own.some(({ fitted }) => fitted),
      fromRow: fromRow + first.lead,
      fromUnit: fromUnit + leadUnits(first),
      runs: own,
    };
    fromRow += rows;
    fromUnit += own.reduce((sum, run) => sum + unitsOfRun(run), 0);
    return group;
  });
}

/** Each unit of a run. */
const unitsIn = ({ unit, times }: SectionRun): Unit[] => Array<Unit>(times).fill(unit);

/** Rows on either side of a seam in whose beads its thread is fastened off (common practice: a few beads into the work). */
const NEAR_ROWS = 3;

/** Weaves groups one after another, each with thread of its own, and sews them to each other. */
function weaveGroups(w: Weave, groups: readonly Group[], request: WeaveRequest): Made['edges'] {
  const one = groups[0];
  if (groups.length === 1 && one) return one.stitch.weaveOn(w, one.units, request);
  const made = groups.map(({ stitch, units, fromRow, fromUnit, runs }, k) => {
    const [first] = runs as [SectionRun];
    const name = `section ${first.of + 1}${first.back ? ', again' : ''}`;
    const scope = k === 0 ? w : w.stretch(name, { row: fromRow, unit: fromUnit }, stitch.options(request));
    const next = groups[k + 1]?.runs[0];
    return stitch.weaveOn(scope, units, {
      start: k === 0 ? request.start : loopAt(first, k - 1, 'start'),
      end: next ? loopAt(next, k, 'end') : request.end,
    });
  });
  groups.slice(1).forEach(({ fromRow, runs: [first] }, k) => {
    const [here, there] = [at(made, k).end, at(made, k + 1).start] as readonly [Edge, Edge];
    const near = ({ place: { section, row } }: Bead) =>
      section === w.woven && row >= fromRow - NEAR_ROWS && row < fromRow + NEAR_ROWS;
    if (first?.seam && !findingOf(first.seam))
      sewSeam(w, k, [here, there], first.seam, w.path().beads.filter(near));
  });
  return { start: at(made, 0).start, end: at(made, -1).end };
}

/** What is sewn to an edge at the seam before a run: the loop that holds its finding, by the thread of the edge itself. */
const loopAt = ({ seam }: SectionRun, nth: number, edge: EdgeName): SewnLoop =>
  (seam && seamLoop(seam, nth, edge)) ?? NO_LOOP;

/** What is to be said of sections in one stitch that are much wider than those beside them: each pair once. */
function unevenSeams(runs: readonly SectionRun[], widthOf: (run: SectionRun) => number): string[] {
  const said = runs.slice(1).flatMap((run, i) => {
    if (run.seam) return [];
    const [wide, narrow] = [at(runs, i), run].sort((a, b) => widthOf(b) - widthOf(a)) as [
      SectionRun,
      SectionRun,
    ];
    return widthOf(wide) <= UNEVEN * widthOf(narrow)
      ? []
      : [
          `Section ${wide.of + 1} is much wider than section ${narrow.of + 1}: put a row or two of a middle size between them, or thread shows at the seam.`,
        ];
  });
  return distinct(said);
}

/** How it ends, in words: on the section that comes last. */
const closingWords = ({ before, after, mirrored }: Sections): string =>
  `it ends on section ${mirrored ? 1 : before.length + 1 + after.length}`;

/** What the count must keep to where rows must come to an even number: `fixed` of them, and so many for each unit. */
function evenRows(perUnit: number, fixed: number, why: string): CountRule[] {
  if (perUnit % 2 === 1) return [{ of: 2, rest: fixed % 2, must: true, why }];
  // Whatever the count, the rows come to an odd number.
  const never = `${why}: make a section one row longer or shorter`;
  return fixed % 2 === 0 ? [] : [0, 1].map((rest) => ({ of: 2, rest, must: true, why: never }));
}

const evenRules = (
  { evenToJoin: why }: Weaveable,
  closing: Closing,
  perUnit: number,
  fixed: number,
): CountRule[] => (closing === 'joined' && why !== undefined ? evenRows(perUnit, fixed, why) : []);

/** A zipped edge is that of an even number of rows. */
function zipRules(groups: readonly Group[], perUnit: number, fixed: number): CountRule[] {
  const why = 'zipped, the last row must stand in the gaps of the next';
  return groups.flatMap((group, k) => {
    const zipped = [group.runs[0], groups[k + 1]?.runs[0]].some((run) => run?.seam?.by === 'zip');
    if (!zipped) return [];
    return group.fitted ? evenRows(perUnit, fixed, why) : evenRows(0, group.rows, why);
  });
}
