import { sit, wear, type Sit, type Wear } from './body/wear';
import { cautionsFor, type Caution } from './cautions';
import { LOOP_ROLE, loopLengthMm, type SewnLoop } from './closures/sewnLoop';
import { candidate, bestUnits, neighbours, type Candidate, type FitQuestion } from './fit/candidates';
import { layoutRequest, solveLayout, type CellLayout, type LayoutRequest } from './layout/cellLayout';
import { repeatedSketch, wholeSketch, type Sketch } from './layout/sketch';
import type { View } from './layout/drawing';
import { shippedLayouts, type Layouts } from './layout/shipped';
import { mirroredForm, solvedForm } from './layout/solvedForm';
import type { RepeatCell } from './layout/solver/cell';
import type { Drape } from './layout/solver/measure';
import {
  layOutPiece,
  stations,
  type PieceLayout,
  type PieceParts,
  type Stations,
} from './layout/pieceLayout';
import { MM_PER_INCH } from './length/length';
import { LOT_SPREAD, claspClosedMm, sizeOf, type BeadMaterial, type BeadSize } from './materials/material';
import { beadGrams } from './materials/weight';
import { MOST_UNITS, type Piece } from './piece';
import type { StepWords } from './read/phrases';
import { steps, unitSteps, type StepGroup, type ToldUnit } from './read/steps';
import { tally, unitTally } from './read/tally';
import { strokes } from './read/strokes';
import { exposedThread, threadMm, threadMoves, type ExposedThread, type ThreadMove } from './read/thread';
import { reading, SAMPLE, total, totals, type Built, type Reading } from './read/totals';
import { busiestHoles, findingPasses } from './read/traversals';
import { weight, type Weight } from './read/weight';
import { structureById } from './structures/registry';
import { unsuited, type Unsuited } from './structures/parts';
import { rolesOf, type EndLoops, type Form, type Structure, type Weaveable } from './structures/structure';
import { threadPlan, type ThreadPlan } from './supplies/threadPlan';
import { cellOf } from './weave/cell';
import { TAIL, type Move, type PassInfo, type Path } from './weave/path';

/** What the clasp takes of the finished length. */
export interface ClosurePlan {
  readonly claspMm: number;
  readonly loopsMm: number;
  readonly allowanceMm: number;
  /** Threads through each half, read off the path; the least of them. */
  readonly passes: number;
}

/** How long a unit is, how that is known and how sure it is. */
export interface Gauge {
  readonly pitchMm: number;
  readonly perInch: number;
  readonly source: 'solver' | 'closed form';
  /** One standard deviation, as a part of the length. */
  readonly spread: number;
  /** By what part the work may come out shorter than was worked out. */
  readonly mayShorten: number;
  /** Between these a unit is all but certain to lie, mm. */
  readonly lowMm: number;
  readonly highMm: number;
  /** Units of other states in which the stitch can rest, mm. */
  readonly othersMm: readonly number[];
  /** How it hangs, and the opening along its middle; null while it is not laid out. */
  readonly drape: Drape | null;
  /** How far the beads of each role stand out to the front and to the back, mm; empty while not laid out. */
  readonly faces: readonly { readonly role: string; readonly frontMm: number; readonly backMm: number }[];
  readonly insideMm: number | null;
  /** False where the layout did not come to rest: the figures are the best found. */
  readonly settled: boolean;
}

export interface RoleQuantity {
  readonly role: string;
  readonly bead: BeadMaterial;
  /** On average, where units take turns. */
  readonly perUnit: number;
  readonly perInch: number;
  readonly total: number;
  /** The most that any one hole of this role is gone through. */
  readonly mostTraversals: number;
}

export interface Plan {
  readonly ok: true;
  readonly structure: Structure;
  readonly weaveable: Weaveable;
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
  readonly widthMm: number;
  readonly thicknessMm: number;
  readonly quantities: readonly RoleQuantity[];
  readonly thread: ThreadPlan;
  readonly weight: Weight;
  /** Bare thread that shows, on a stretch of the work that holds its start, a few units and its end. */
  readonly exposed: ExposedThread;
  /** Passes that can be switched off, whether they are or not. */
  readonly optionalPasses: readonly OptionalPass[];
  /** The whole path and its layout: built when first asked for, to be worded. */
  readonly work: () => Work;
  /** The piece as it is seen; what repeats is drawn once. */
  readonly sketch: (view: View) => Sketch;
  readonly warnings: readonly Warning[];
  readonly cautions: readonly Caution[];
}

/** What stands in the way of a plan. The interface words it. */
export type Problem =
  | { readonly code: 'no-wearer' }
  | { readonly code: 'structure'; readonly messages: readonly string[] }
  | { readonly code: 'wrong-holes'; readonly beads: readonly Unsuited[] }
  | { readonly code: 'clasp-longer-than-piece'; readonly allowanceMm: number; readonly wishMm: number }
  | { readonly code: 'too-many-units'; readonly units: number; readonly most: number };

/** What a plan that stands should still be looked at for. */
export type Warning =
  | { readonly code: 'none-fits'; readonly nearest: Candidate }
  | {
      readonly code: 'chosen-does-not-fit';
      readonly sit: Sit | null;
      readonly offMm: number;
      readonly best: Candidate;
    }
  | { readonly code: 'one-pass-through-clasp' }
  | { readonly code: 'several-lengths'; readonly lengths: number; readonly eachMm: number }
  | { readonly code: 'two-states'; readonly othersMm: readonly number[] }
  | { readonly code: 'not-settled' }
  | { readonly code: 'odd-shape'; readonly bead: Unsuited }
  | { readonly code: 'sizes'; readonly advice: string }
  | { readonly code: 'make-a-swatch'; readonly spread: number; readonly mayShorten: number };

export interface NoPlan {
  readonly ok: false;
  readonly problem: Problem;
}

/**
 * From the choices of a piece to everything a maker needs before she starts. Pure, and quick enough to
 * run on every keystroke: wear → closure → gauge → fit → path → counts, thread, warnings.
 * @param layouts finds what the solver has laid out; what it has not stands on the closed form, and is named
 */
export function planPiece(piece: Piece, layouts: Layouts = shippedLayouts): Plan | NoPlan {
  const structure = structureById(piece.structure.id);
  const messages = structure
    ? structure.check(piece.structure.params)
    : ['This version knows no such structure.'];
  if (!structure || messages.length > 0) return { ok: false, problem: { code: 'structure', messages } };
  if (!piece.wearer && piece.wear.school === 'ease') return { ok: false, problem: { code: 'no-wearer' } };

  const weaveable = structure.bind(piece.structure.params);
  const doubtful = unsuited(weaveable.parts, (role) => beadOf(piece, role));
  const wrong = doubtful.filter((one) => one.why === 'holes');
  if (wrong.length > 0) return { ok: false, problem: { code: 'wrong-holes', beads: wrong } };
  const body = bodiesOf(piece);
  const without = new Set(piece.without);
  const ends = endLoops(piece);
  const build = remembered((n: number) => weaveable.weave(n, { ...ends, without }));
  const sample: Built = {
    units: SAMPLE + weaveable.minimumUnits,
    path: build(SAMPLE + weaveable.minimumUnits),
  };
  const closed = weaveable.form(body, without);
  const request = layoutRequest(sample.path, body);
  const layout = request ? layouts(request.key) : undefined;
  const solved = request && layout ? solvedForm(layout, request, sample, body, closed) : null;
  const form = piece.hand === 'left' ? mirroredForm(solved ?? closed) : (solved ?? closed);
  const wished = wear(piece.wearer?.wristMm ?? null, form.thicknessMm, piece.wear);
  const taken = allowance(piece, ends, body(LOOP_ROLE).lengthMm);
  if (taken.allowanceMm >= wished.wishMm)
    return {
      ok: false,
      problem: { code: 'clasp-longer-than-piece', allowanceMm: taken.allowanceMm, wishMm: wished.wishMm },
    };

  const gauge = gaugeOf(form, request, solved && layout ? layout : null);
  const question: FitQuestion = {
    fixedMm: taken.allowanceMm + form.extraMm,
    pitchMm: form.pitchMm,
    spread: gauge.spread,
    wishMm: wished.wishMm,
    band: wished.band,
    minimum: weaveable.minimumUnits,
  };
  const best = candidate(bestUnits(question), question);
  const units = Math.max(piece.units ?? best.units, weaveable.minimumUnits);
  if (units > MOST_UNITS) return { ok: false, problem: { code: 'too-many-units', units, most: MOST_UNITS } };
  const chosen = candidate(units, question);

  const parts = (n: number): PieceParts => ({ form, units: n, ends, clasp: piece.ends.clasp, body });
  const layOut = (built: Built) => layOutPiece(built.path, parts(built.units));
  const from = reading(build, units, weaveable.minimumUnits);
  const threadOf = remembered((built: Built) => threadMoves(built.path, layOut(built)));
  const woven = ({ place }: Move) => place.section === 'body';
  // Only the woven part grows with the count; how far a loop lies from a tube's edge changes with its turn.
  const inWork = (where: (move: Move) => boolean = () => true) =>
    total(from, (built) => threadMm(threadOf(built), (move) => woven(move) && where(move))) +
    threadMm(threadOf(from.at), (move) => !woven(move) && where(move));
  const thread = threadPlan(
    inWork(),
    inWork((move) => move.needle === TAIL),
  );
  const work = once(() => workOf({ path: build(units), units }, layOut));
  const passes = Math.min(...findingPasses(from.at.path).values());
  const sits = piece.wearer ? sit(chosen.finishedMm, piece.wearer.wristMm + wished.thicknessEffectMm) : null;

  return {
    ok: true,
    structure,
    weaveable,
    hand: piece.hand,
    wear: wished,
    sit: sits,
    closure: { ...taken, passes },
    gauge,
    toLayOut: layout ? null : request,
    chosen,
    best,
    candidates: neighbours(units, question),
    stations: stations(parts(units)),
    widthMm: form.widthMm,
    thicknessMm: form.thicknessMm,
    quantities: quantities(piece, weaveable, from, form.pitchMm),
    weight: weight(totals(from, tally), (role) => beadGrams(beadOf(piece, role))),
    thread,
    exposed: exposedThread(threadOf(from.at)),
    optionalPasses: optionalPasses(from.at.path),
    work,
    sketch: remembered((view) => sketchOf(from, form, layOut, work, body, view)),
    warnings: [
      ...fitWarnings(chosen, best, sits),
      ...doubtful.map((bead): Warning => ({ code: 'odd-shape', bead })),
      ...(weaveable.advise?.(body) ?? []).map((advice): Warning => ({ code: 'sizes', advice })),
      ...makingWarnings(passes, thread, gauge),
    ],
    cautions: cautionsFor(piece, rolesOf(weaveable)),
  };
}

/** The same, with whatever is not laid out yet solved on the spot: takes up to some seconds. */
export function planSolved(piece: Piece, layouts: Layouts = shippedLayouts): Plan | NoPlan {
  const plan = planPiece(piece, layouts);
  if (!plan.ok || !plan.toLayOut) return plan;
  const { key } = plan.toLayOut;
  const layout = solveLayout(plan.toLayOut);
  return planPiece(piece, (wanted) => (wanted === key ? layout : layouts(wanted)));
}

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

/** A piece as it is seen: from a short one where its middle looks alike, from all of it where it does not. */
function sketchOf(
  from: Reading,
  { pitchMm }: Form,
  layOut: (built: Built) => PieceLayout,
  work: () => Work,
  sizeOf: (role: string) => BeadSize,
  view: View,
): Sketch {
  const { units } = from.at;
  const missing = from.kind === 'short' ? from.periods * (from.longer.units - units) : 0;
  const told =
    missing > 0
      ? repeatedSketch({ short: workOf(from.at, layOut), units, missing, pitchMm }, sizeOf, view)
      : null;
  return told ?? wholeSketch(work(), sizeOf, view);
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
export const planSteps = (plan: Plan): StepGroup[] => steps(plan.work().path, stepWords(plan, plan.work()));

/** The same, every unit on its own: to be watched move by move. */
export const planUnits = (plan: Plan): ToldUnit[] =>
  unitSteps(plan.work().path, stepWords(plan, plan.work()));

const beadOf = (piece: Piece, role: string): BeadMaterial => piece.beads[role as keyof Piece['beads']];

function bodiesOf(piece: Piece): (role: string) => BeadSize {
  const bodies = new Map(Object.entries(piece.beads).map(([role, bead]) => [role, sizeOf(bead)]));
  return (role) => {
    const body = bodies.get(role);
    if (!body) throw new Error(`No bead is chosen for ${role}.`);
    return body;
  };
}

function endLoops(piece: Piece): EndLoops {
  const loop: SewnLoop = { seedsEachSide: piece.ends.seedsEachSide, passes: piece.ends.passes };
  return { start: loop, end: loop };
}

function allowance(piece: Piece, ends: EndLoops, seedMm: number): Omit<ClosurePlan, 'passes'> {
  const seed = { lengthMm: seedMm, diameterMm: 0 };
  const claspMm = claspClosedMm(piece.ends.clasp);
  const loopsMm = loopLengthMm(ends.start, seed) + loopLengthMm(ends.end, seed);
  return { claspMm, loopsMm, allowanceMm: claspMm + loopsMm };
}

/**
 * Lots of one size vary, edges are rounded more or less, and some structures may come out shorter than was
 * worked out. The last two are taken as equally likely anywhere between their limits: a uniform spread of
 * width w deviates by w/√12.
 */
function gaugeOf(
  { pitchMm, mayShorten }: Form,
  request: LayoutRequest | null,
  layout: CellLayout | null,
): Gauge {
  // The layout may be told in smaller units than the maker's.
  const times = request ? request.rowsOfUnit / request.rows : 1;
  const edges = layout?.roundingMm.map((mm) => mm * times) ?? [pitchMm, pitchMm];
  const least = Math.min(...edges, pitchMm);
  const most = Math.max(...edges, pitchMm);
  const rounding = (most - least) / pitchMm;
  return {
    pitchMm,
    perInch: MM_PER_INCH / pitchMm,
    source: layout ? 'solver' : 'closed form',
    spread: Math.hypot(LOT_SPREAD, rounding / Math.sqrt(12), mayShorten / Math.sqrt(12)),
    mayShorten,
    lowMm: least * (1 - 2 * LOT_SPREAD) * (1 - mayShorten),
    highMm: most * (1 + 2 * LOT_SPREAD),
    othersMm: layout?.othersMm.map((mm) => mm * times) ?? [],
    drape: layout?.drape ?? null,
    faces: request && layout ? faces(request.cell, layout) : [],
    insideMm: layout?.insideMm ?? null,
    settled: layout?.settled ?? true,
  };
}

function faces({ beads }: RepeatCell, { heightsMm }: CellLayout): Gauge['faces'] {
  const roles = new Map<string, [number, number]>();
  beads.forEach(({ role }, i) => {
    const [front, back] = heightsMm[i] ?? [0, 0];
    const [f, b] = roles.get(role) ?? [0, 0];
    roles.set(role, [Math.max(f, front), Math.max(b, back)]);
  });
  return [...roles].map(([role, [frontMm, backMm]]) => ({ role, frontMm, backMm }));
}

function quantities(piece: Piece, weaveable: Weaveable, from: Reading, pitchMm: number): RoleQuantity[] {
  const all = totals(from, tally);
  const { path, units } = from.at;
  const period = cellOf(path)?.period ?? 1;
  const middle = Array.from({ length: period }, (_, k) => unitTally(path, Math.floor(units / 2) + k));
  const busiest = busiestHoles(from.at.path);
  return [...rolesOf(weaveable), LOOP_ROLE].flatMap((role) => {
    const total = all.get(role) ?? 0;
    if (total === 0) return [];
    const perUnit = middle.reduce((sum, unit) => sum + (unit.get(role) ?? 0), 0) / period;
    const perInch = (perUnit * MM_PER_INCH) / pitchMm;
    const mostTraversals = busiest.get(role)?.traversals ?? 0;
    return [{ role, bead: beadOf(piece, role), perUnit, perInch, total, mostTraversals }];
  });
}

function fitWarnings(chosen: Candidate, best: Candidate, sits: Sit | null): Warning[] {
  if (!best.fits) return [{ code: 'none-fits', nearest: best }];
  return chosen.fits ? [] : [{ code: 'chosen-does-not-fit', sit: sits, offMm: chosen.offMm, best }];
}

function makingWarnings(passes: number, thread: ThreadPlan, gauge: Gauge): Warning[] {
  const warnings: Warning[] = [];
  if (passes < 2) warnings.push({ code: 'one-pass-through-clasp' });
  if (thread.lengths > 1)
    warnings.push({ code: 'several-lengths', lengths: thread.lengths, eachMm: thread.eachMm });
  if (gauge.othersMm.length > 0) warnings.push({ code: 'two-states', othersMm: gauge.othersMm });
  if (!gauge.settled) warnings.push({ code: 'not-settled' });
  warnings.push({ code: 'make-a-swatch', spread: gauge.spread, mayShorten: gauge.mayShorten });
  return warnings;
}
