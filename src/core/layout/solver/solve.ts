import { isBeside } from '../../weave/path';
import type { RepeatCell } from './cell';
import { CellEnergy } from './energy';
import { AT_EASE, TAUT } from './stage';
import { pitchIndex, PER_BEAD } from './state';
import { dock, widened } from './dock';
import { only, placeLater } from './grow';
import { measure } from './measure';
import { minimise } from './minimise';
import { seeded } from './random';
import type { Solid } from './solid';
import type { Settled, Twist } from './settled';
import { startState } from './start';

export interface SolveOptions {
  /** Independent starts. */
  readonly starts?: number;
  /** The pull that lays the work straight, in threads' pull. */
  readonly pull?: number;
  /** Slack in bare thread, mm. */
  readonly slack?: number;
  /** Radius of the thread that lies on beads, mm. */
  readonly threadMm?: number;
  readonly seed?: number;
  /** Told after each start or stage; throw from it to stop. */
  readonly onProgress?: ((done: number, of: number) => void) | undefined;
}

/** The pull that lays the work straight: as hard as one smooths a strip on a ruler. */
export const PULL = 0.05;
export const STARTS = 5;
/**
 * Bare thread may not pass through beads, but takes next to no room on them: it beds into the dimples of their
 * holes. Its whole thickness would make herringbone 5 % longer, which practice knows as shorter.
 */
export const THREAD = 0.002;
/** The push that opens a closed form, in threads' pull for each bead. */
export const OPEN = 0.02;
const GROWING = 8;
const SMALLEST = 0.3;
const STIFFNESS = [100, 400, 1600] as const;

/**
 * Lays out a repeat cell at rest from starts that know nothing of the stitch. Returns every state found, the
 * snuggest first, those alike told once.
 */
export function solveCell(cell: RepeatCell, solids: readonly Solid[], options: SolveOptions = {}): Settled[] {
  const { starts = STARTS, pull = PULL, seed = 1, onProgress } = options;
  const found: Settled[] = [];
  // A pitch that has turned inside out is no layout; where all have, a few more starts are tried.
  for (let i = 0; i < starts || (found.length === 0 && i < 3 * starts); i++) {
    const one = settle(cell, solids, seeded(seed * 1000 + i), options);
    if (one.periodMm > 0 || !cell.periodic) found.push(one);
    onProgress?.(Math.min(i + 1, starts), starts);
  }
  const order = found.sort((a, b) => effort(a, pull) - effort(b, pull));
  return order.filter((one, i) => !order.slice(0, i).some((other) => alike(one, other)));
}

/** What the minimum is compared by: thread drawn in, less what the pull along the piece gains. */
export const effort = ({ threadMm, periodMm }: Settled, pull: number) => threadMm - pull * periodMm;

const alike = (a: Settled, b: Settled) =>
  Math.abs(a.periodMm - b.periodMm) < 0.005 * a.periodMm &&
  Math.abs(a.threadMm - b.threadMm) < 0.02 * (a.threadMm + 1);

function settle(
  cell: RepeatCell,
  solids: readonly Solid[],
  random: () => number,
  options: SolveOptions,
): Settled {
  const first = laidDown(cell, foundation(cell, solids, random, options));
  const rested = growStages(cell, solids, first, random, options);
  return rested.mode === 'free' && cell.periodic ? laidFlat(cell, solids, rested, options) : rested;
}

/** What hangs from a line hangs on one side all along: the line does not turn. */
function laidDown({ beads }: RepeatCell, settled: Settled): Settled {
  if (!beads.some(({ face }) => isBeside(face))) return settled;
  settled.state[settled.state.length - 1] = 0;
  return { ...settled, twist: 0, mode: 'straight' };
}

/** Grows the beads of every later stage onto a foundation at rest, in the order they are strung. */
export function growStages(
  cell: RepeatCell,
  solids: readonly Solid[],
  foundation: Settled,
  random: () => number,
  options: SolveOptions,
): Settled {
  const last = Math.max(...cell.beads.map((bead) => bead.stage));
  let rested = foundation;
  for (let stage = 1; stage <= last; stage++) {
    options.onProgress?.(stage, last + 1);
    rested = grown(cell, solids, rested, stage, random, options);
  }
  return rested;
}

/** The beads of one stage alone, from a start that knows nothing of the stitch. */
function foundation(
  whole: RepeatCell,
  allSolids: readonly Solid[],
  random: () => number,
  options: SolveOptions,
  stage = 0,
): Settled {
  const { cell, kept } = only(whole, (bead) => bead.stage === stage);
  const solids = kept.map((i) => allSolids[i] as Solid);
  const start = startState(cell, solids, random);
  const mode = modeOf(start.twist, start.flatness);
  const n = cell.beads.length;
  const { state } = start;
  if (mode !== 'free') state[pitchIndex(n) + 1] = mode === 'straight' ? 0 : Math.PI;
  shrink(state, n, SMALLEST);
  growSizes(
    new CellEnergy(cell, solids),
    state,
    mode,
    kept.map(() => true),
    options,
  );
  return relax(cell, solids, state, mode, options);
}

/** What rests, with the beads of the next stage grown onto it, or docked where they were made apart. */
function grown(
  whole: RepeatCell,
  allSolids: readonly Solid[],
  before: Settled,
  stage: number,
  random: () => number,
  options: SolveOptions,
): Settled {
  const { cell, kept } = only(whole, (bead) => bead.stage <= stage);
  const solids = kept.map((i) => allSolids[i] as Solid);
  const placed = kept.map((i) => (whole.beads[i]?.stage ?? 0) < stage);
  const earlier = placed.flatMap((is, k) => (is ? [k] : []));
  const fresh = placed.flatMap((is, k) => (is ? [] : [k]));
  if (fresh.length === 0) return before;
  const state = widened(before.state, earlier, kept.length);
  const energy = new CellEnergy(cell, solids);
  if (fresh.every((k) => cell.beads[k]?.apart)) {
    const joined = dock(
      cell,
      solids,
      state,
      fresh,
      foundation(whole, allSolids, random, options, stage).state,
    );
    // What no thread holds yet waits beside the rest.
    return joined ? relax(cell, solids, state, 'free', options) : { ...before, state, mode: 'free' };
  }
  const last = kept.length === whole.beads.length;
  placeLater(cell, solids, state, placed, random);
  growSizes(
    energy,
    state,
    before.mode,
    placed.map((is) => !is),
    options,
  );
  return relax(cell, solids, state, before.mode, options, last ? STIFFNESS : STIFFNESS.slice(0, 1));
}

/** One ring or motif is opened as one shapes it; parts made apart would be driven from each other. */
const opening = ({ periodic, beads }: RepeatCell): number =>
  periodic || beads.some((bead) => bead.apart && bead.stage > 0) ? 0 : OPEN;

/** Grows the beads that `grows` names from small to full size, each size nearly at rest. */
function growSizes(
  energy: CellEnergy,
  state: Float64Array,
  mode: Twist,
  grows: readonly boolean[],
  { pull = PULL, slack = TAUT }: SolveOptions,
): void {
  const n = grows.length;
  // What is woven already holds still while the next pass is strung onto it.
  energy.frozen = grows.every(Boolean) ? null : grows.map((is) => !is);
  for (let grow = 0; grow <= GROWING; grow++) {
    const part = grow / GROWING;
    grows.forEach((is, i) => (energy.bodies.scales[i] = is ? SMALLEST + (1 - SMALLEST) * part : 1));
    const flat = mode === 'free' ? 0 : 0.5 * (1 - part) + 0.02;
    const open = opening(energy.cell);
    energy.stage = { ...AT_EASE, stiffness: 50, flat, pull, twistFree: mode === 'free', slack, open };
    normalise(state, n);
    minimise(energy.evaluate, state, { steps: 60, stillAt: 1e-2 });
  }
}

/** Work that turns by so little, or by so nearly a half turn, can be laid flat: radians. */
const NEARLY_FLAT = 0.4;
/** Ropes and tubes are nearly as high as wide; they are not laid flat. What has a face lies on the other. */
const ROUNDISH = 0.6;
/** What laying flat may cost in thread, as a part of a period's bare thread. */
const FLAT_COST = 0.02;

/** Work that nearly lies flat is laid flat, as on a mat, where that costs next to no thread. */
function laidFlat(
  cell: RepeatCell,
  solids: readonly Solid[],
  rested: Settled,
  options: SolveOptions,
): Settled {
  const turn = Math.abs(Math.atan2(Math.sin(rested.twist), Math.cos(rested.twist)));
  const mode = turn < NEARLY_FLAT ? 'straight' : turn > Math.PI - NEARLY_FLAT ? 'half turn' : null;
  if (!mode) return rested;
  const twist = mode === 'straight' ? 0 : Math.PI;
  const { widthMm, thicknessMm } = measure(cell, solids, { ...rested, twist });
  const faced = cell.beads.some(({ face }) => face !== null);
  if (!faced && thicknessMm > ROUNDISH * widthMm) return rested;
  const state = rested.state.slice();
  state[pitchIndex(cell.beads.length) + 1] = twist;
  const flat = relax(cell, solids, state, mode, options);
  return flat.threadMm <= rested.threadMm + FLAT_COST * (rested.threadMm + 1) ? flat : rested;
}

/**
 * From full-grown beads to rest, in beads that are harder and harder.
 * @param hardness threads' pull a millimetre of overlap, one after another; what is grown on again needs the first only
 */
export function relax(
  cell: RepeatCell,
  solids: readonly Solid[],
  state: Float64Array,
  mode: Twist,
  { pull = PULL, slack = TAUT, threadMm = THREAD }: SolveOptions,
  hardness: readonly number[] = STIFFNESS,
): Settled {
  const n = cell.beads.length;
  const energy = new CellEnergy(cell, solids);
  const periods: number[] = [];
  let residual = 0;
  for (const [k, stiffness] of hardness.entries()) {
    const flat = mode === 'free' ? 0 : 0.02;
    const open = opening(cell);
    energy.stage = {
      ...AT_EASE,
      stiffness,
      pull,
      flat,
      twistFree: mode === 'free',
      slack,
      open,
      threadMm: k > 0 ? threadMm : 0,
    };
    normalise(state, n);
    residual = minimise(energy.evaluate, state, {
      steps: cell.periodic ? Math.max(600, 80 * n) : 2000,
      stillAt: 1e-4,
    }).residual;
    periods.push(state[pitchIndex(n)] as number);
  }
  return settledAt(energy, state, mode, periods, residual);
}

/** What is told of a state at rest. Overlap shrinks with 1/k, and the period with it: extrapolated to hard beads. */
export function settledAt(
  { threadMm, deepestMm, longestMm, cell }: CellEnergy,
  state: Float64Array,
  mode: Twist,
  periods: readonly number[],
  residual: number,
): Settled {
  const [soft = 0, hard = 0] = periods.slice(-2);
  const periodMm = hard + (hard - soft) / 3;
  const twist = state[pitchIndex(cell.beads.length) + 1] as number;
  return { state, periodMm, twist, mode, threadMm, deepestMm, longestMm, residual };
}

function modeOf(twist: number, flatness: number): Twist {
  const turn = Math.abs(Math.atan2(Math.sin(twist), Math.cos(twist)));
  if (flatness > 0.55) return 'free';
  if (turn < 0.5) return 'straight';
  return turn > Math.PI - 0.5 ? 'half turn' : 'free';
}

/** Draws everything together about the middle, for small beads to begin with. */
function shrink(state: Float64Array, n: number, scale: number): void {
  for (let i = 0; i < n; i++)
    for (let axis = 0; axis < 3; axis++)
      state[i * PER_BEAD + axis] = (state[i * PER_BEAD + axis] as number) * scale;
  state[pitchIndex(n)] = (state[pitchIndex(n)] as number) * scale;
}

/** Quaternions of length 1, so that a step turns every bead alike. */
export function normalise(state: Float64Array, n: number): void {
  for (let i = 0; i < n; i++) {
    const q = state.subarray(i * PER_BEAD + 3, i * PER_BEAD + 7);
    const length = Math.hypot(...q);
    for (let k = 0; k < 4; k++) q[k] = (q[k] as number) / length;
  }
}
