import { only } from './grow';
import type { CellBead, RepeatCell } from './cell';
import { AT_EASE, CellEnergy, type Stage } from './energy';
import { clearance } from './measure';
import { minimise } from './minimise';

import type { HandStart } from './held';
import { alikeAcross, alikeAround } from './alike';
import { firstCircle, midway, nudged } from './nets';
import { restingOf } from './resting';
import { seat } from './seat';
import type { Settled, Twist } from './settled';
import type { Solid } from './solid';
import { normalise, PULL, settledAt, THREAD, type SolveOptions } from './solve';
import { PER_BEAD, stateOf, stretch } from './state';

/** What a hand comes to. */
export interface HandLaid {
  readonly settled: Settled;
  /** The snuggest that a soft net can be drawn from there, mm a period; the period itself where nothing is soft. */
  readonly snugMm: number;
}

/** From soft beads to hard ones; what more will be sewn onto need not be hard yet. */
const HARD = [50, 100, 400, 1600] as const;
const SOFT = [50, 100] as const;
const AGAIN = [400, 1600] as const;
const HARDEST = 1600;
/** The work keeps the way it was first drawn: no step is longer than this, of beads as large as an 11/0, mm. */
const MOST_MOVE = 0.08;
/** How hard work is held down on its mat, and a line on its middle line, in threads' pull a millimetre. */
const HOLD = 10;
/** Steps towards rest, and times that it sets out anew while more than so much of a thread's pull is out of balance. */
const STEPS = 500;
const AGAINS = 4;
const STILL = 0.005;
/** Beads of a later pass begin at half their size. */
const SMALLEST = 0.5;
const GROWING = 4;
/**
 * The state that a hand comes to from the structure's own arrangement: the first pass drawn snug, what is strung later
 * grown onto it, then all of it at rest, held as it is measured. A net of single beads lies midway between its circles as
 * first drawn and the snuggest that they can be. Sizes are near those of an 11/0 seed.
 */
export function handLaid(
  cell: RepeatCell,
  solids: readonly Solid[],
  start: HandStart,
  options: SolveOptions = {},
): HandLaid {
  const last = lastStage(cell);
  const state = nudged(cell, start);
  keepToFirstRow(cell, solids, start, state, options);
  // Rows of a net are drawn together: each circle holds its neighbours square.
  const first = start.net ? lastStage(cell, ({ drawsIn }) => !drawsIn) : 0;
  for (let stage = first; stage < last; stage++) {
    // What a later pass keeps to is known as well as what is told in the end.
    const hardness = keepsPitch(cell, start, stage + 1) ? HARD : SOFT;
    const { periodMm } = drawn(
      { cell, solids, start, stage, hardness, grown: stage === first },
      state,
      options,
    );
    if (hardness === HARD) stretch(state, periodMm / periodOf(state));
    // What is told at the end, edges rounded less and more, takes about as long as a stage.
    options.onProgress?.(stage + 1, last + 2);
  }
  const settled = drawn(
    { cell, solids, start, stage: last, hardness: HARD, grown: last === first },
    state,
    options,
  );
  options.onProgress?.(last + 1, last + 2);
  return {
    settled: start.net === 'square' ? midway(start.state, settled) : settled,
    snugMm: settled.periodMm,
  };
}

/** The same work in bodies that are nearly the same, from where it rests: the period that it comes to, mm. */
export function restedAgain(
  cell: RepeatCell,
  solids: readonly Solid[],
  start: HandStart,
  from: Float64Array,
  options: SolveOptions = {},
): number {
  const row = firstRow(cell, solids, start);
  if (row) return cell.units * handLaid(row.cell, row.solids, row.start, options).snugMm;
  // Sides of several beads are drawn anew; what rests by its beads alone has only a little way to go.
  if (start.net) return handLaid(cell, solids, start, options).snugMm;
  const state = from.slice();
  const again = { cell, solids, start, stage: lastStage(cell), hardness: AGAIN, grown: true };
  return drawn(again, state, options).periodMm;
}

const lastStage = ({ beads }: RepeatCell, wanted: (bead: CellBead) => boolean = () => true): number =>
  Math.max(...beads.flatMap((bead) => (wanted(bead) ? [bead.stage] : [])));

/**
 * Whether a stage leaves the pitch as it is: later rows of a net share the sides of the first, and what draws in by a part
 * that practice knows is not laid out to say otherwise.
 */
const keepsPitch = (cell: RepeatCell, { net }: HandStart, stage: number): boolean =>
  cell.beads.some((bead) => bead.stage === stage && bead.drawsIn) || (net !== null && lastStage(cell) > 0);

/**
 * Later rows of a net keep to the pitch of the first: that is what one row alone comes to, whose circles repeat under a half
 * turn. Draws `state` out to it, or together.
 */
function keepToFirstRow(
  cell: RepeatCell,
  solids: readonly Solid[],
  start: HandStart,
  state: Float64Array,
  options: SolveOptions,
): void {
  const row = firstRow(cell, solids, start);
  if (!row) return;
  const { snugMm } = handLaid(row.cell, row.solids, row.start, { ...options, onProgress: undefined });
  stretch(state, (cell.units * snugMm) / periodOf(state));
}

/** The first of several rows of a net, circle by circle; null where there are not several, or they do not repeat so. */
function firstRow(cell: RepeatCell, solids: readonly Solid[], start: HandStart) {
  const row = start.net && lastStage(cell) > 0 ? firstCircle(cell, start.state) : null;
  return (
    row && {
      cell: row.cell,
      solids: row.kept.map((i) => solids[i] as Solid),
      start: { ...start, state: row.state },
    }
  );
}

interface Draw {
  readonly cell: RepeatCell;
  readonly solids: readonly Solid[];
  readonly start: HandStart;
  /** The beads of all stages up to this one are drawn. */
  readonly stage: number;
  readonly hardness: readonly number[];
  /** Whether the beads of the stage lie where they belong, and are not to be strung onto the others. */
  readonly grown: boolean;
}

/** Draws beads to rest, those of the last stage strung onto what is there; `all` holds the whole cell and is moved along. */
function drawn(draw: Draw, all: Float64Array, options: SolveOptions): Settled {
  const { cell: whole, start, stage, hardness, grown } = draw;
  const { cell, kept } = only(whole, (bead) => bead.stage <= stage);
  const solids = kept.map((i) => draw.solids[i] as Solid);
  if (!grown) seat(whole, start.state, all, stage);
  const n = kept.length;
  const state = partOf(all, kept);
  const hold = holding(draw, options);
  // Where what is sewn on finds no room, the structure's own arrangement gives it.
  if (hold.pitchHeld && !start.net) stretch(state, Math.max(1, periodOf(start.state) / periodOf(state)));

  const energy = new CellEnergy(cell, solids);
  kept.forEach((i, k) => {
    if (whole.beads[i]?.face === 'below') energy.levels[k] = start.state[i * PER_BEAD + 2] as number;
  });
  if (!grown) {
    const fresh = kept.map((i) => whole.beads[i]?.stage === stage);
    energy.frozen = fresh.map((is) => !is);
    energy.stage = { ...hold, stiffness: HARD[0] };
    for (let grow = 0; grow <= GROWING; grow++) {
      const size = SMALLEST + ((1 - SMALLEST) * grow) / GROWING;
      fresh.forEach((is, i) => (energy.scales[i] = is ? size : 1));
      normalise(state, n);
      minimise(energy.evaluate, state, { steps: 60, stillAt: 1e-2, mostMove: MOST_MOVE });
    }
    energy.frozen = null;
    energy.scales.fill(1);
  }
  normalise(state, n);
  const roles = cell.beads.map(({ role }) => role);
  const arranged = partOf(start.state, kept);
  const evaluate =
    (start.net === 'round' && alikeAcross(energy.evaluate, arranged, roles)) ||
    (start.held === 'former' && alikeAround(energy.evaluate, arranged, roles)) ||
    energy.evaluate;
  const periods: number[] = [];
  let residual = 0;
  for (const stiffness of hardness) {
    energy.stage = { ...hold, stiffness, threadMm: stiffness === HARD[0] ? 0 : hold.threadMm };
    normalise(state, n);
    const rested = () =>
      minimise(evaluate, state, { steps: STEPS, stillAt: 1e-4, mostMove: MOST_MOVE }).residual;
    residual = rested();
    // Now and then it stops short of rest: set out again, it goes on.
    for (let again = 0; stiffness === HARDEST && again < AGAINS && residual > STILL; again++)
      residual = rested();
    periods.push(periodOf(state));
  }
  kept.forEach((i, k) => all.set(state.subarray(k * PER_BEAD, (k + 1) * PER_BEAD), i * PER_BEAD));
  all.set(state.subarray(-2), all.length - 2);
  const mode: Twist = Math.cos(state.at(-1) ?? 0) > 0 ? 'straight' : 'half turn';
  return settledAt(energy, state, mode, periods, residual);
}

/** Some beads of a state, in a state of their own. */
function partOf(all: Float64Array, kept: readonly number[]): Float64Array {
  const state = stateOf(kept.length);
  kept.forEach((i, k) => state.set(all.subarray(i * PER_BEAD, (i + 1) * PER_BEAD), k * PER_BEAD));
  state.set(all.subarray(-2), kept.length * PER_BEAD);
  return state;
}

const periodOf = (state: Float64Array): number => state.at(-2) ?? 0;

/** What holds the work while it is drawn. */
function holding(
  { cell, solids, start, stage }: Draw,
  { pull = PULL, slack = AT_EASE.slack, threadMm = THREAD }: SolveOptions,
): Stage {
  return {
    ...AT_EASE,
    pull,
    slack,
    threadMm,
    flat: start.held === 'mat' ? HOLD : 0,
    line: start.held === 'line' ? HOLD : 0,
    formerMm: start.held === 'former' ? insideOf(solids, start.state) : 0,
    pitchHeld: keepsPitch(cell, start, stage),
  };
}

/** Radius of the rod that just goes into a tube as it is arranged. */
const insideOf = (solids: readonly Solid[], state: Float64Array): number =>
  Math.max(0, Math.min(...solids.map((solid, i) => clearance(solid, restingOf(state, i)))));
