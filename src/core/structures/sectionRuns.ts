import { NO_LOOP } from '../closures/sewnLoop';
import { Weave } from '../weave/builder';
import { remembered, rememberedWeakly } from '../tools/remember';
import type { EdgeName } from '../weave/edge';
import { WOVEN } from '../weave/path';
import { rowsEach } from './composedForm';
import { endingSchema, extraOf } from './extra';
import { USUAL_SEAM, type Seam } from './seam';
import type { OtherStitch, SectionChoice, Sections } from './sections';
import { at, type SectionRun, type Structure, type Unit, type Weaveable } from './structure';

type Params = Readonly<Record<string, unknown>>;

/** A stitch with parameters, bound. */
export interface BoundRun {
  readonly structure: string;
  readonly params: Params;
  readonly stitch: Weaveable;
}

const OPEN = { start: NO_LOOP, end: NO_LOOP };

/** Rows that a stitch has before its whole units, such as a first rung, and beyond them. */
const rowsBeside = rememberedWeakly((stitch: Weaveable): { readonly lead: number; readonly tail: number } => {
  const { beads } = stitch.weave(stitch.minimumUnits, OPEN);
  const rows = beads.flatMap(({ place }) => (place.section === WOVEN ? [place.row] : []));
  const [first, last] = [Math.min(...rows), Math.max(...rows)];
  return { lead: Math.max(0, -first), tail: Math.max(0, last + 1 - stitch.minimumUnits * rowsEach(stitch)) };
});

/** Posts that an edge of a stitch has to be joined by, and beads to be zipped by. */
export const edgeOf = rememberedWeakly(
  (stitch: Weaveable): Readonly<Record<EdgeName, { readonly posts: number; readonly zips: number }>> => {
    const { edges } = stitch.weaveInto(new Weave({}, 'edges'), 'edge', stitch.minimumUnits, OPEN);
    const count = (name: EdgeName) => ({
      posts: edges[name].posts.length,
      zips: edges[name].zips?.length ?? 0,
    });
    return { start: count('start'), end: count('end') };
  },
);

/** What a run is known by: the stitch, and all of its parameters. */
export const runKey = ({ structure, params }: BoundRun): string => `${structure} ${JSON.stringify(params)}`;

/** The same unit worked back to front. */
const reversed = (params: Params): Params =>
  Array.isArray(params.sequence) ? { ...params, sequence: params.sequence.toReversed() } : params;

/** Whether two runs are of the same unit, worked forth or back. */
export const isLike = (one: BoundRun, other: BoundRun): boolean =>
  runKey(one) === runKey(other) || runKey({ ...one, params: reversed(one.params) }) === runKey(other);

/** How the runs of a stitch with sections are told. */
export interface RunsQuestion {
  readonly structure: Structure;
  readonly params: Params;
  readonly sections: Sections;
  /** The stitch of a section in another, bound. */
  readonly bound: (other: OtherStitch) => BoundRun;
  /** Any stitch bound with parameters that stand. */
  readonly bind: (id: string, params: Params) => Weaveable;
}

/** Sections in the order worked, for so many units of the fitted one. */
export function runsOf({
  structure,
  params,
  sections,
  bound,
  bind,
}: RunsQuestion): (units: number) => SectionRun[] {
  const { before, after, mirrored } = sections;
  const inRows = structure.unlike !== undefined;
  const own = unitOfParams(params);
  const ends = endingSchema.safeParse(params.extra);
  const extra = inRows && ends.success ? extraOf({ sequence: own, extra: ends.data }) : 0;
  const ownStitch = remembered((word: string): BoundRun => {
    const its = inRows ? { ...params, sequence: word.split(''), extra: 0 } : params;
    return { structure: structure.id, params: its, stitch: structure.bind(its) };
  });
  const ofOwn = (of: number, sequence: Unit, times: number, fitted = false): SectionRun => {
    const run = ownStitch(sequence.join(''));
    const often = Math.max(1, Math.floor(rowsEach(run.stitch) / Math.max(sequence.length, 1)));
    return asRun(run, { of, fitted, times, unit: Array.from({ length: often }, () => sequence).flat() });
  };
  const ofSection = (of: number, { sequence, times, other }: SectionChoice): SectionRun =>
    other ? asRun(bound(other), { of, times, fitted: false, unit: [] }) : ofOwn(of, sequence, times);
  const seamOf = (one: SectionChoice | undefined) => one?.other?.seam ?? null;

  const head = before.map((one, i) => ofSection(i, one));
  const tail = after.map((one, i) => ofSection(before.length + 1 + i, one));
  /** What joins the section of one number to that of the next: whatever is farther from the part's own units says so. */
  const seam = (of: number): Seam | null => {
    const k = of - before.length - 1;
    const [here, next] = of < before.length ? [before[of], before[of + 1]] : [after[k], after[k - 1]];
    return seamOf(here) ?? seamOf(next);
  };
  return (units) => {
    const fitted = [
      ofOwn(before.length, own, units, true),
      ...(extra > 0
        ? [
            ofOwn(
              before.length,
              Array.from({ length: extra }, (_, i) => at(own, i % own.length)),
              1,
            ),
          ]
        : []),
    ];
    if (!mirrored) return joined([...head, ...fitted, ...tail], seam);
    // What stands in the middle is its own mirror image.
    const half = tail.length > 0 ? [...head, ...fitted, ...tail.slice(0, -1)] : head;
    const middle = tail.length > 0 ? tail.slice(-1) : fitted;
    const back = half.toReversed().map((one): SectionRun => ({ ...worked(one), back: true }));
    return joined([...half, ...middle, ...back], seam);
  };

  /** A run worked back to front. */
  function worked(run: SectionRun): SectionRun {
    if (run.unit.length > 0) return ofOwn(run.of, run.unit.toReversed(), run.times, run.fitted);
    const params = reversed(run.params);
    return { ...run, params, stitch: params === run.params ? run.stitch : bind(run.structure, params) };
  }
}

/** The sequence of a part's own unit; none where its stitch is told otherwise. */
const unitOfParams = ({ sequence }: Params): Unit => (Array.isArray(sequence) ? (sequence as Unit) : []);

function asRun(run: BoundRun, rest: Pick<SectionRun, 'of' | 'times' | 'fitted' | 'unit'>): SectionRun {
  const { lead, tail } = rest.unit.length > 0 ? { lead: 0, tail: 0 } : rowsBeside(run.stitch);
  const rows = lead + rest.times * rowsEach(run.stitch) + tail;
  return { ...run, ...rest, rows, lead, back: false, seam: null };
}

/** Units of the path that come before the whole ones of a run. */
export const leadUnits = ({ lead, stitch }: Pick<SectionRun, 'lead' | 'stitch'>): number =>
  Math.ceil(lead / rowsEach(stitch));

/** Units of the path that a run takes: rows before and beyond its whole ones are units of their own. */
export const unitsOfRun = (run: Pick<SectionRun, 'rows' | 'lead' | 'stitch'>): number =>
  leadUnits(run) + Math.ceil((run.rows - run.lead) / rowsEach(run.stitch));

/** Whether a run is worked on from the one before: both are of the part's own stitch, which grows row by row. */
const growsOn = (before: SectionRun, run: SectionRun): boolean =>
  before.unit.length > 0 && run.unit.length > 0;

/** Runs with what joins each to the one before. */
const joined = (runs: readonly SectionRun[], seamFor: (of: number) => Seam | null): SectionRun[] =>
  runs.map((run, i) => {
    const before = runs[i - 1];
    if (!before || growsOn(before, run)) return run;
    const farther = distanceOf(before) > distanceOf(run) ? before : run;
    return { ...run, seam: seamFor(farther.of) ?? USUAL_SEAM };

    /** How far a run lies from the fitted ones. */
    function distanceOf({ of }: SectionRun): number {
      return Math.abs(of - fittedOf(runs));
    }
  });

const fittedOf = (runs: readonly SectionRun[]): number => runs.find(({ fitted }) => fitted)?.of ?? 0;
