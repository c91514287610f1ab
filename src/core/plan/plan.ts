import type { Kind } from '../body/kinds';
import { shading, type Shading } from '../colour/shades';
import { tinted } from '../colour/tint';
import { coloursOf, quantities, type RoleQuantity } from './quantities';
import { sit, wear, type Sit, type Wear } from '../body/wear';
import { cautionsFor, type Caution } from './cautions';
import { closureDoubts, closureOf, type Closure } from '../closures/closure';
import { LOOP_ROLE, type PieceEnd } from '../closures/sewnLoop';
import { endStage, type EndStage } from './endStage';
import { arrange, arrangements, type ArrangeQuestion } from '../fit/arrange';
import type { Candidate, FitQuestion } from '../fit/candidates';
import { fitted, type Arranged } from '../fit/fitted';
import type { CountRule } from '../fit/rules';
import { NO_SWATCHES, type SwatchBook } from '../fit/swatchBook';
import type { Gauge } from '../gauge/gauge';
import type { LayoutRequest, Layouts } from '../layout/cellLayout';
import { leanOf } from '../layout/lean';
import { wholeSketch, type Sketch } from '../layout/sketch';
import type { View } from '../layout/drawing';
import { layOutPiece, stations, type PieceParts, type Stations } from '../layout/pieceLayout';
import { needsNeedle } from '../materials/material';
import { beadGrams } from '../materials/weight';
import { beadOf, bodiesOf, MOST_UNITS, type Piece } from '../piece/piece';
import { formed } from './form';
import { sketchOf, withoutThread, workOf, type Work } from './work';
import { rulesOf, standsInTheWay, type Problem } from './problems';
import { tally } from '../read/tally';
import { exposedThread, threadMoves, type ExposedThread } from '../read/thread';
import { reading, totals, type Built } from '../read/totals';
import { findingPasses } from '../read/traversals';
import { weight, type Weight } from '../read/weight';
import { once, remembered } from '../tools/remember';
import { structureById } from '../structures/registry';
import { unsuited } from '../structures/parts';
import { rolesOf, type Graduation, type Structure, type Weaveable } from '../structures/structure';
import { USUAL_SETTINGS } from '../records/settings';
import { holeFill, tripsThatGo, type Gear, type HoleReading } from '../supplies/holeFill';
import { threadPlan, type ThreadHabits, type ThreadPlan } from '../supplies/threadPlan';
import { threadQuestion } from '../supplies/threadQuestion';
import { threadDoubts } from '../supplies/threadSense';
import { warningsOf, type Warning } from './warnings';
import type { PassInfo, Path } from '../weave/path';
import { worked } from '../weave/worked';

export type { EndStage } from './endStage';
export type { Gauge } from '../gauge/gauge';
export type { Problem } from './problems';
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
  readonly finalAt: Readonly<Record<PieceEnd, EndStage>>;
}

export interface Plan {
  readonly ok: true;
  readonly structure: Structure;
  readonly weaveable: Weaveable;
  readonly kind: Kind;
  readonly hand: Piece['hand'];
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
  /** Where clasp, loops and woven part lie along the piece. */
  readonly stations: Stations;
  /** How many of each step a graduated piece has on one half; null where units are counted. */
  readonly arrangement: { readonly steps: readonly string[]; readonly counts: readonly number[] } | null;
  /** What the count keeps to: the stitch's own rules and the maker's. */
  readonly rules: readonly CountRule[];
  readonly widthMm: number;
  readonly thicknessMm: number;
  readonly quantities: readonly RoleQuantity[];
  readonly thread: ThreadPlan;
  /** How full holes get, on a stretch of the work that holds its start, a few units and its end; by the gear of it. */
  readonly holes: HoleReading;
  readonly gear: Gear;
  readonly weight: Weight;
  /** Bare thread that shows, on a stretch of the work that holds its start, a few units and its end. */
  readonly exposed: ExposedThread;
  /** Passes that can be switched off, whether they are or not. */
  readonly optionalPasses: readonly OptionalPass[];
  /** The whole path and its layout: built when first asked for, to be worded. */
  readonly work: () => Work;
  /** The colour of every bead whose role has several, over the whole path. */
  readonly shades: () => Shading;
  /** The piece as it is seen; what repeats is drawn once. */
  readonly sketch: (view: View) => Sketch;
  readonly warnings: readonly Warning[];
  readonly cautions: readonly Caution[];
}

export interface NoPlan {
  readonly ok: false;
  readonly problem: Problem;
}

/** What is known beside the choices of a piece. */
export interface Known {
  /** Finds what the solver has laid out; what it has not stands on the closed form, and is named. */
  readonly layouts: Layouts;
  readonly swatches: SwatchBook;
  readonly habits: ThreadHabits;
}

const NOTHING: Known = { layouts: () => undefined, swatches: NO_SWATCHES, habits: USUAL_SETTINGS };

/**
 * From the choices of a piece to everything a maker needs before she starts. Pure, and quick enough to
 * run on every keystroke: wear → closure → gauge → fit → path → counts, thread, warnings.
 */
export function planPiece(piece: Piece, known: Partial<Known> = NOTHING): Plan | NoPlan {
  const all = { ...NOTHING, ...known };
  const structure = structureById(piece.structure.id);
  const graduated = structure?.check(piece.structure.params).length === 0;
  const graduation = graduated ? structure?.bind(piece.structure.params).arrangement : undefined;
  return graduation ? planGraduated(piece, graduation, all) : planCounted(piece, all, null);
}

/** The same for a screen: where planning itself breaks, that is a problem to be told, and the choices can be changed. */
export function planOrFault(piece: Piece, known?: Partial<Known>): Plan | NoPlan {
  try {
    return planPiece(piece, known);
  } catch (error) {
    return {
      ok: false,
      problem: { code: 'fault', why: error instanceof Error ? error.message : String(error) },
    };
  }
}

/** A graduated piece is one unit; what is chosen is how many of each step it has. */
function planGraduated(piece: Piece, graduation: Graduation, known: Known): Plan | NoPlan {
  // It is one unit: rules on a number of units and a measured number of them mean nothing here.
  const withCounts = (counts: readonly number[]): Piece => ({
    ...piece,
    units: 1,
    gauge: null,
    rules: { parity: 'any', multipleOf: 1 },
    structure: { ...piece.structure, params: { ...graduation.withCounts(counts) } },
  });
  const asked = graduation.question(bodiesOf(piece));
  const first = planCounted(withCounts(graduation.steps.map(() => asked.least)), known, null);
  if (!first.ok) return first;
  const question: ArrangeQuestion = {
    ...asked,
    fixedMm: asked.fixedMm + first.closure.allowanceMm,
    wishMm: first.wear.wishMm,
  };
  const best = arrange(question);
  const counts = graduation.counts ?? best.counts;
  const around = arrangements(question, counts);
  return planCounted(withCounts(counts), known, { best, around, beads: graduation.beads });
}

/** Fewer units do not go round. */
const LEAST_IN_RING = 3;

/** A piece of so many units. */
function planCounted(piece: Piece, known: Known, arranged: Arranged | null): Plan | NoPlan {
  const { habits } = known;
  const structure = structureById(piece.structure.id);
  const messages = structure
    ? structure.check(piece.structure.params)
    : ['This version knows no such structure.'];
  if (!structure || messages.length > 0) return { ok: false, problem: { code: 'structure', messages } };

  const weaveable = structure.bind(piece.structure.params);
  const doubtful = unsuited(weaveable.parts, (role) => beadOf(piece, role));
  const standing = standsInTheWay(piece, weaveable, doubtful);
  if (standing) return { ok: false, problem: standing };
  const rules = rulesOf(piece, weaveable);
  const body = bodiesOf(piece);
  const without = new Set(piece.without);
  const { mostLoops = 1 } = weaveable;
  const closure = closureOf(piece.ends, body(LOOP_ROLE), mostLoops);
  const ends = closure.loops;
  const gear: Gear = {
    threadMm: piece.thread.diameterMm,
    needleMm: needsNeedle(piece.thread) ? piece.needle.diameterMm : null,
    factor: habits.holeFactor,
  };
  const holeMm = (role: string) => beadOf(piece, role).holeMm;
  const room = remembered((role: string) => tripsThatGo(holeMm(role), gear, piece.doubled ? 2 : 1));
  const build = remembered((n: number) =>
    worked((roomy) => weaveable.weave(n, { ...ends, without, ...roomy }), { room, doubled: piece.doubled }),
  );
  const { form, gauge, toLayOut } = formed({ piece, structure, weaveable, body, ends }, known);
  const { thicknessMm, widthMm } = form;
  const wished = wear({
    kind: piece.kind,
    girths: piece.wearer?.girths ?? {},
    choice: piece.wear,
    targetMm: piece.targetMm,
    thicknessMm,
    widthMm,
  });
  if (closure.allowanceMm >= wished.wishMm)
    return {
      ok: false,
      problem: {
        code: 'clasp-longer-than-piece',
        allowanceMm: closure.allowanceMm,
        wishMm: wished.wishMm,
      },
    };

  const question: FitQuestion = {
    fixedMm: closure.allowanceMm + form.extraMm,
    pitchMm: form.pitchMm,
    spread: gauge.spread,
    fixedSdMm: closure.sdMm,
    wishMm: wished.wishMm,
    band: wished.band,
    minimum: arranged ? 1 : Math.max(weaveable.minimumUnits, ends.joined ? LEAST_IN_RING : 1),
    rules,
    chain: piece.ends.closing === 'clasp' ? piece.ends.chain : null,
  };
  const { units, chosen, best, candidates } = fitted(question, piece.units, arranged);
  if (units > MOST_UNITS) return { ok: false, problem: { code: 'too-many-units', units, most: MOST_UNITS } };
  const chainMm = chosen.links * (question.chain?.linkMm ?? 0);
  const outside = { startMm: closure.startMm + chainMm, endMm: closure.endMm + chainMm };
  const leans = (role: string) => leanOf(beadOf(piece, role), piece.thread, piece.doubled);
  const parts = (n: number): PieceParts => ({ form, units: n, ends, clasp: outside, body, leanOf: leans });
  const layOut = (built: Built) => layOutPiece(built.path, parts(built.units));
  const from = reading(build, units, weaveable.minimumUnits);
  const threadOf = remembered((built: Built) => threadMoves(built.path, layOut(built)));
  const { pathless } = weaveable;
  const holes = holeFill(from.at.path, holeMm, gear);
  const asked = threadQuestion({
    piece,
    from,
    units,
    movesOf: threadOf,
    holes,
    gear,
    pathless: pathless ?? null,
  });
  const thread = threadPlan(asked, habits);
  const workOfAll = (built: Built) => (pathless ? withoutThread : workOf)(built, layOut);
  const work = once(() => workOfAll({ path: build(units), units }));
  const shaded = rolesOf(weaveable).some((role) => piece.colourings[role]);
  const shades = once(() => shading(build(units), units, piece.colourings));
  const sewn = [...findingPasses(from.at.path).values()];
  const passes = sewn.length > 0 ? Math.min(...sewn) : 0;
  const sits = sit(chosen.finishedMm, wished, piece.wear);
  const extender = piece.ends.closing === 'clasp' ? piece.ends.extender : null;
  const closurePlan: ClosurePlan = {
    ...closure,
    passes,
    chainMm,
    longestMm: chosen.finishedMm + (extender ? extender.links * extender.linkMm : 0),
    finalAt: { start: endStage(from.at.path, 'start'), end: endStage(from.at.path, 'end') },
  };

  const counted = quantities({ piece, weaveable, from, pitchMm: form.pitchMm }, (role) =>
    shaded ? coloursOf(piece, role, build(units), shades()) : [],
  );
  const exposed = exposedThread(pathless ? [] : threadOf(from.at));

  return {
    ok: true,
    structure,
    weaveable,
    kind: piece.kind,
    hand: piece.hand,
    wear: wished,
    sit: sits,
    closure: closurePlan,
    gauge,
    toLayOut,
    chosen,
    best,
    candidates,
    stations: stations(parts(units)),
    arrangement:
      weaveable.arrangement && chosen.counts
        ? { steps: weaveable.arrangement.steps, counts: chosen.counts }
        : null,
    rules,
    widthMm,
    thicknessMm,
    quantities: counted,
    weight: weight(totals(from, tally), (role) => beadGrams(beadOf(piece, role))),
    thread,
    holes,
    gear,
    exposed,
    optionalPasses: optionalPasses(from.at.path),
    work,
    shades,
    // Where colours change along the piece nothing repeats: it is drawn whole.
    sketch: remembered((view) =>
      shaded
        ? tinted(wholeSketch(work(), body, view), shades())
        : sketchOf(from, form, workOfAll, work, body, view),
    ),
    warnings: warningsOf({
      piece,
      structure,
      chosen,
      best,
      sit: sits,
      wear: wished,
      closure: closurePlan,
      closureDoubts: closureDoubts(piece.ends, closure, {
        widthMm,
        thicknessMm,
        threadMm: piece.thread.diameterMm,
        mostLoops,
        seed: { ...body(LOOP_ROLE), holeMm: beadOf(piece, LOOP_ROLE).holeMm },
      }),
      thread,
      threadDoubts: pathless
        ? []
        : threadDoubts({
            piece,
            structure,
            roles: rolesOf(weaveable),
            holes,
            thread,
            quantities: counted,
            exposed,
          }),
      gauge,
      unsuited: doubtful,
      advice: weaveable.advise?.(body) ?? [],
      pathless: weaveable.pathless ?? null,
    }),
    cautions: cautionsFor(piece, rolesOf(weaveable)),
  };
}

export interface OptionalPass {
  readonly name: string;
  readonly info: PassInfo;
}

const optionalPasses = (path: Path): OptionalPass[] =>
  [...path.passes].flatMap(([name, info]) => (info.optional ? [{ name, info }] : []));
