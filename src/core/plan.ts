import type { Kind } from './body/kinds';
import { rowLists, type RowList } from './colour/rowList';
import { namesIn, shading, type Shading } from './colour/shades';
import { tinted } from './colour/tint';
import { coloursOf, quantities, type RoleQuantity } from './quantities';
import { sit, wear, type Sit, type Wear } from './body/wear';
import { cautionsFor, type Caution } from './cautions';
import { closureDoubts, closureOf, type Closure } from './closures/closure';
import { LOOP_ROLE, type PieceEnd } from './closures/sewnLoop';
import { endStage, type EndStage } from './endStage';
import { arrange, arrangements, type Arrangement, type ArrangeQuestion } from './fit/arrange';
import { bestUnits, candidate, neighbours, type Candidate, type FitQuestion } from './fit/candidates';
import type { CountRule } from './fit/rules';
import { NO_SWATCHES, type StitchKey, type SwatchBook } from './fit/swatchBook';
import { atPitch, gaugeOf, shorteningOf, type Gauge } from './gauge';
import type { LayoutRequest, Layouts } from './layout/cellLayout';
import { repeatedSketch, wholeSketch, type Sketch } from './layout/sketch';
import type { View } from './layout/drawing';
import { mirroredForm } from './layout/solvedForm';
import {
  layOutPiece,
  stations,
  type PieceLayout,
  type PieceParts,
  type Stations,
} from './layout/pieceLayout';
import { needsNeedle, type BeadSize } from './materials/material';
import { beadGrams } from './materials/weight';
import { beadOf, bodiesOf, MOST_UNITS, type Piece } from './piece';
import { rulesOf, standsInTheWay, type Problem } from './problems';
import type { StepWords } from './read/phrases';
import { steps, unitSteps, type StepGroup, type ToldUnit } from './read/steps';
import { tally } from './read/tally';
import { strokes } from './read/strokes';
import { exposedThread, threadMoves, type ExposedThread, type ThreadMove } from './read/thread';
import { reading, totals, type Built, type Reading } from './read/totals';
import { findingPasses } from './read/traversals';
import { weight, type Weight } from './read/weight';
import { stitchKey, stitchOf } from './stitch';
import { structureById } from './structures/registry';
import { unsuited } from './structures/parts';
import {
  rolesOf,
  type EndLoops,
  type Form,
  type Graduation,
  type Structure,
  type Weaveable,
} from './structures/structure';
import { USUAL_SETTINGS } from './settings';
import { holeFill, tripsThatGo, type Gear, type HoleReading } from './supplies/holeFill';
import { threadPlan, type ThreadHabits, type ThreadPlan } from './supplies/threadPlan';
import { threadQuestion } from './supplies/threadQuestion';
import { threadDoubts } from './supplies/threadSense';
import { warningsOf, type Warning } from './warnings';
import type { PassInfo, Path } from './weave/path';
import { worked } from './weave/worked';

export type { EndStage } from './endStage';
export type { Gauge } from './gauge';
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

/** How a graduated piece is fitted: its counts, and the others to choose from. */
interface Arranged {
  readonly best: Arrangement;
  readonly around: readonly Arrangement[];
  readonly beads: (counts: readonly number[]) => number;
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

/** The candidates of a graduated piece: each is one unit of its own length. */
function arrangedCandidates(question: FitQuestion, { best, around, beads }: Arranged, woven: number) {
  const told = ({ counts, finishedMm }: Arrangement): Candidate => ({
    ...candidate(1, { ...question, pitchMm: finishedMm - woven }),
    units: beads(counts),
    counts,
  });
  return { best: told(best), candidates: around.map(told) };
}

/** Fewer units do not go round. */
const LEAST_IN_RING = 3;

/** A piece of so many units. */
function planCounted(piece: Piece, known: Known, arranged: Arranged | null): Plan | NoPlan {
  const { layouts, swatches, habits } = known;
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
  const { params } = piece.structure;
  const stitch = stitchOf({ structure, params, weaveable, body, ends, without: piece.without });
  const { sample, request } = stitch;
  const layout = (request && layouts(request.key)) ?? null;
  const solved = layout && stitch.solved(layout);
  const laidOut = joinedForm(solved ?? stitch.closed, ends);
  const shortening = shorteningOf(sample.path.passes, without);
  const swatchesOf = (key: StitchKey | null) => key && swatches(key, piece.thread.id);
  const gauge = gaugeOf({
    form: laidOut,
    request,
    layout: solved && layout,
    shortening,
    // Figures that nobody has measured are no better than a chart.
    own: piece.gauge ?? (weaveable.pathless?.example ? { source: 'table', pitchMm: laidOut.pitchMm } : null),
    swatches:
      weaveable.pathless && !weaveable.pathless.example
        ? { readings: [weaveable.pathless.measured], sameThread: true }
        : swatchesOf(request),
    baseSwatches:
      shortening &&
      swatchesOf(
        stitchKey({ structure, params, weaveable, body, without: [...piece.without, ...shortening.passes] }),
      ),
  });
  const flat = atPitch(laidOut, gauge.pitchMm);
  const form = piece.hand === 'left' ? mirroredForm(flat) : flat;
  const { thicknessMm, widthMm } = form;
  const wished = wear({
    kind: piece.kind,
    girths: piece.wearer?.girths ?? {},
    choice: piece.wear,
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

  const minimum = arranged ? 1 : Math.max(weaveable.minimumUnits, ends.joined ? LEAST_IN_RING : 1);
  const question: FitQuestion = {
    fixedMm: closure.allowanceMm + form.extraMm,
    pitchMm: form.pitchMm,
    spread: gauge.spread,
    fixedSdMm: closure.sdMm,
    wishMm: wished.wishMm,
    band: wished.band,
    minimum,
    rules,
    chain: piece.ends.closing === 'clasp' ? piece.ends.chain : null,
  };
  const told = arranged && arrangedCandidates(question, arranged, question.fixedMm);
  const best = told?.best ?? candidate(bestUnits(question), question);
  const units = arranged ? 1 : Math.max(piece.units ?? best.units, minimum);
  if (units > MOST_UNITS) return { ok: false, problem: { code: 'too-many-units', units, most: MOST_UNITS } };
  const chosen = chosenOf(candidate(units, question), told?.candidates ?? null);
  const chainMm = chosen.links * (question.chain?.linkMm ?? 0);

  const outside = { startMm: closure.startMm + chainMm, endMm: closure.endMm + chainMm };
  const parts = (n: number): PieceParts => ({ form, units: n, ends, clasp: outside, body });
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
    toLayOut: layout ? null : request,
    chosen,
    best,
    candidates: told?.candidates ?? neighbours(units, question),
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

/** The candidate that is woven: among arrangements the one of its length. */
function chosenOf(woven: Candidate, arranged: readonly Candidate[] | null): Candidate {
  const same = (c: Candidate) => Math.abs(c.finishedMm - woven.finishedMm) < 1e-6;
  return arranged?.find(same) ?? woven;
}

/** Joined into a ring, the work ends where it begins: nothing of it lies beyond its whole units. */
const joinedForm = (form: Form, { joined }: EndLoops): Form => (joined ? { ...form, extraMm: 0 } : form);

/** A piece worked out bead by bead. */
export interface Work {
  readonly path: Path;
  readonly layout: PieceLayout;
  readonly thread: readonly ThreadMove[];
}

function workOf(built: Built, layOut: (built: Built) => PieceLayout): Work {
  const layout = layOut(built);
  return { path: built.path, layout, thread: threadMoves(built.path, layout) };
}

/** The same where nobody has told the path: only what sews the clasps on is known of its thread. */
function withoutThread(built: Built, layOut: (built: Built) => PieceLayout): Work {
  const work = workOf(built, layOut);
  const known = ({ move: { place } }: ThreadMove) => /^(start|end) loop$/.test(place.section);
  return { ...work, thread: work.thread.filter(known) };
}

/** A piece as it is seen: from a short one where its middle looks alike, from all of it where it does not. */
function sketchOf(
  from: Reading,
  { pitchMm }: Form,
  workOfShort: (built: Built) => Work,
  work: () => Work,
  sizeOf: (role: string) => BeadSize,
  view: View,
): Sketch {
  if (from.kind === 'short') {
    const total = from.at.units + from.periods * (from.longer.units - from.at.units);
    // What alternates from unit to unit is drawn from the one that lacks an even number.
    for (const short of [from.at, from.longer]) {
      const missing = total - short.units;
      const told =
        missing > 0 &&
        repeatedSketch({ short: workOfShort(short), units: short.units, missing, pitchMm }, sizeOf, view);
      if (told) return told;
    }
  }
  return wholeSketch(work(), sizeOf, view);
}

/** A function that works each answer out once. */
function remembered<K, T>(make: (key: K) => T): (key: K) => T {
  const made = new Map<K, T>();
  return (key) => {
    const known = made.get(key);
    if (known !== undefined) return known;
    const value = make(key);
    made.set(key, value);
    return value;
  };
}

/** Calls `make` the first time, and hands back the same ever after. */
function once<T>(make: () => T): () => T {
  let made: { value: T } | null = null;
  return () => (made ??= { value: make() }).value;
}

export interface OptionalPass {
  readonly name: string;
  readonly info: PassInfo;
}

const optionalPasses = (path: Path): OptionalPass[] =>
  [...path.passes].flatMap(([name, info]) => (info.optional ? [{ name, info }] : []));

const stepWords = ({ hand, weaveable }: Plan, { path, layout }: Work): StepWords => ({
  hand,
  row: weaveable.rowWord,
  role: (role) => (role === LOOP_ROLE ? 'loop seed' : role),
  strokes: strokes(path, layout),
});

/** The worded steps of a plan; worked out only when somebody reads them. */
export const planSteps = (plan: Plan): StepGroup[] =>
  plan.weaveable.pathless ? [] : steps(plan.work().path, stepWords(plan, plan.work()));

/** Its rows as lists to read beads off, by their letters and colours; none where nobody has told the path. */
export function planRows(plan: Plan): RowList[] {
  if (plan.weaveable.pathless) return [];
  const { path } = plan.work();
  const rowsOfUnit = path.beads.reduce((most, { place }) => Math.max(most, place.rowInUnit + 1), 1);
  return rowLists(path, namesIn(plan.shades()), rowsOfUnit);
}

/** The same, every unit on its own: to be watched move by move. */
export const planUnits = (plan: Plan): ToldUnit[] =>
  unitSteps(plan.work().path, stepWords(plan, plan.work()));
