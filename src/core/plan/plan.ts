import type { Kind } from '../body/kinds';
import { sit, type Sit, type Wear } from '../body/wear';
import { closureDoubts, type Closure } from '../closures/closure';
import { LOOP_ROLE } from '../closures/sewnLoop';
import type { EdgeName } from '../weave/edge';
import { arrange, arrangements, type ArrangeQuestion } from '../fit/arrange';
import type { Candidate } from '../fit/candidates';
import type { Arranged } from '../fit/fitOf';
import type { CountRule } from '../fit/rules';
import type { Gauge } from '../gauge/gauge';
import type { LayoutRequest } from '../layout/cellLayout';
import { beadGrams } from '../materials/weight';
import { beadOf, bodiesOf } from '../piece/part';
import { partOf, type PartOfPiece } from '../piece/partOfPiece';
import type { Piece } from '../piece/piece';
import { tally } from '../read/tally';
import { totals } from '../read/totals';
import { findingPasses } from '../read/traversals';
import { weight, type Weight } from '../read/weight';
import { rolesOf, type Graduation, type Structure, type Weaveable } from '../structures/structure';
import type { Gear } from '../supplies/holeFill';
import { threadPlan, type ThreadPlan } from '../supplies/threadPlan';
import { threadQuestion } from '../supplies/threadQuestion';
import { threadDoubts } from '../supplies/threadSense';
import type { PassInfo, Path } from '../weave/path';
import { bindPart } from './bindPart';
import { cautionsFor, type Caution } from './cautions';
import { endStage, type EndStage } from './endStage';
import { fitPart, type FittedPart } from './fitPart';
import { NO_LOOKUPS, type Lookups } from './lookups';
import type { NoPlan } from './problems';
import { warningsOf, type Warning } from './warnings';
import { weavePart, type WovenReadings } from './weavePart';

export type { EndStage } from './endStage';
export type { Gauge } from '../gauge/gauge';
export type { Lookups } from './lookups';
export type { NoPlan, Problem } from './problems';
export type { Warning } from './warnings';

/** What closes the piece, worked out for the chosen count. */
export interface ClosurePlan extends Closure {
  /** Threads through each half, read off the path; the least of them, 0 where nothing is sewn on. */
  readonly passes: number;
  /** Chain on each side, mm, in whole links. */
  readonly chainMm: number;
  /** The piece let out to its last link; the finished length itself where there is no extender. */
  readonly longestMm: number;
  /** When the clasp half of each end is sewn on: from then on that end cannot be fitted any more. */
  readonly finalAt: Readonly<Record<EdgeName, EndStage>>;
}

export interface Plan extends WovenReadings {
  readonly ok: true;
  readonly structure: Structure;
  readonly weaveable: Weaveable;
  readonly kind: Kind;
  readonly hand: PartOfPiece['hand'];
  readonly wear: Wear;
  readonly sit: Sit | null;
  readonly closure: ClosurePlan;
  readonly gauge: Gauge;
  /** What is still to be laid out; until then the closed form stands. */
  readonly toLayOut: LayoutRequest | null;
  readonly chosen: Candidate;
  /** The count to propose: the nearest to the wish that fits, or simply the nearest. */
  readonly best: Candidate;
  readonly candidates: readonly Candidate[];
  /** How many of each step a graduated piece has on one half; null where units are counted. */
  readonly arrangement: { readonly steps: readonly string[]; readonly counts: readonly number[] } | null;
  /** What the count keeps to: the stitch's own rules and the maker's. */
  readonly rules: readonly CountRule[];
  readonly widthMm: number;
  readonly thicknessMm: number;
  readonly thread: ThreadPlan;
  readonly gear: Gear;
  readonly weight: Weight;
  /** Passes that can be switched off, whether they are or not. */
  readonly optionalPasses: readonly OptionalPass[];
  readonly warnings: readonly Warning[];
  readonly cautions: readonly Caution[];
}

/** From the choices of a piece to everything a maker needs before she starts: part by part, of which it has one. */
export const planPiece = (piece: Piece, lookups?: Partial<Lookups>): Plan | NoPlan =>
  planPart(partOf(piece), lookups);

/**
 * The plan of a part, stage by stage: bind → fit → weave → tell. Pure, and quick enough to run on every keystroke.
 */
export function planPart(part: PartOfPiece, lookups: Partial<Lookups> = NO_LOOKUPS): Plan | NoPlan {
  const all = { ...NO_LOOKUPS, ...lookups };
  const bound = bindPart(part, all.habits);
  if (!bound.ok) return bound;
  const { arrangement } = bound.weaveable;
  return arrangement ? planGraduated(part, arrangement, all) : planFitted(fitPart(bound, all, null), all);
}

/** A plan for a screen: where planning itself breaks, that is a problem to be told, and the choices can be changed. */
function orFault(plan: () => Plan | NoPlan): Plan | NoPlan {
  try {
    return plan();
  } catch (error) {
    return {
      ok: false,
      problem: { code: 'fault', why: error instanceof Error ? error.message : String(error) },
    };
  }
}

/** As `planPiece`, and never throws. */
export const planOrFault = (piece: Piece, lookups?: Partial<Lookups>): Plan | NoPlan =>
  orFault(() => planPiece(piece, lookups));
/** As `planPart`, and never throws. */
export const planPartOrFault = (part: PartOfPiece, lookups?: Partial<Lookups>): Plan | NoPlan =>
  orFault(() => planPart(part, lookups));

/** A graduated piece is one unit; what is chosen is how many of each step it has. */
function planGraduated(piece: PartOfPiece, graduation: Graduation, lookups: Lookups): Plan | NoPlan {
  // It is one unit: a measured number of them means nothing here.
  const withCounts = (counts: readonly number[], arranged: Arranged | null): FittedPart | NoPlan => {
    const part = bindPart(
      {
        ...piece,
        units: 1,
        gauge: null,
        structure: { ...piece.structure, params: { ...graduation.withCounts(counts) } },
      },
      lookups.habits,
    );
    return part.ok ? fitPart(part, lookups, arranged) : part;
  };
  const ofSteps = graduation.question(bodiesOf(piece));
  const first = withCounts(
    graduation.steps.map(() => ofSteps.least),
    null,
  );
  if (!first.ok) return first;
  const question: ArrangeQuestion = {
    ...ofSteps,
    fixedMm: ofSteps.fixedMm + first.closure.allowanceMm,
    wishMm: first.wear.wishMm,
  };
  const best = arrange(question);
  const counts = graduation.counts ?? best.counts;
  const around = arrangements(question, counts);
  return planFitted(withCounts(counts, { best, around, beads: graduation.beads }), lookups);
}

/** Weaves what has been fitted, and tells everything of it. */
function planFitted(part: FittedPart | NoPlan, { habits }: Lookups): Plan | NoPlan {
  if (!part.ok) return part;
  const { piece, structure, weaveable, form, gauge, chosen, closure } = part;
  const { from, threadOf, ...readings } = weavePart(part);
  const { holes, exposed, quantities } = readings;
  const { pathless = null } = weaveable;
  const thread = threadPlan(
    threadQuestion({
      piece,
      from,
      units: part.units,
      movesOf: threadOf,
      holes,
      gear: part.gear,
      pathless,
    }),
    habits,
  );
  const { widthMm, thicknessMm } = form;
  const facts = {
    structure,
    wear: part.wear,
    sit: sit(chosen.finishedMm, part.wear, piece.wear),
    closure: closurePlan(part, from.at.path),
    gauge,
    chosen,
    best: part.best,
    thread,
  };
  const roles = rolesOf(weaveable);
  return {
    ok: true,
    ...facts,
    ...readings,
    weaveable,
    kind: piece.kind,
    hand: piece.hand,
    toLayOut: part.toLayOut,
    candidates: part.candidates,
    arrangement:
      weaveable.arrangement && chosen.counts
        ? { steps: weaveable.arrangement.steps, counts: chosen.counts }
        : null,
    rules: part.rules,
    widthMm,
    thicknessMm,
    weight: weight(totals(from, tally), (role) => beadGrams(beadOf(piece, role))),
    gear: part.gear,
    optionalPasses: optionalPasses(from.at.path),
    warnings: warningsOf({
      ...facts,
      piece,
      closureDoubts: closureDoubts(piece.ends, closure, {
        widthMm,
        thicknessMm,
        threadMm: piece.thread.diameterMm,
        mostLoops: part.mostLoops,
        seed: { ...part.body(LOOP_ROLE), holeMm: part.holeMm(LOOP_ROLE) },
      }),
      threadDoubts: pathless
        ? []
        : threadDoubts({ piece, structure, roles, holes, thread, quantities, exposed }),
      unsuited: part.doubtful,
      advice: weaveable.advise?.(part.body) ?? [],
      pathless,
    }),
    cautions: cautionsFor(piece, roles),
  };
}

/** What closes the piece, with what only the path and the count can say of it. */
function closurePlan({ piece, closure, chosen, chainMm }: FittedPart, path: Path): ClosurePlan {
  const sewn = [...findingPasses(path).values()];
  const extender = piece.ends.closing === 'clasp' ? piece.ends.extender : null;
  return {
    ...closure,
    passes: sewn.length > 0 ? Math.min(...sewn) : 0,
    chainMm,
    longestMm: chosen.finishedMm + (extender ? extender.links * extender.linkMm : 0),
    finalAt: { start: endStage(path, 'start'), end: endStage(path, 'end') },
  };
}

export interface OptionalPass {
  readonly name: string;
  readonly info: PassInfo;
}

const optionalPasses = (path: Path): OptionalPass[] =>
  [...path.passes].flatMap(([name, info]) => (info.optional ? [{ name, info }] : []));
