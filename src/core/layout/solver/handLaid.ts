import { isBeside } from '../../weave/path';
import { alikeAcross, alikeAround } from './alike';
import type { CellBead, RepeatCell } from './cell';
import { CellEnergy } from './energy';
import { AT_EASE, type Stage } from './stage';
import { only } from './grow';
import type { HandStart } from './held';
import { clearInside } from './measure';
import { minimise, type MinimumOptions } from './minimise';
import { baseInOneUnit, spread } from './likeUnits';
import { firstRow, midway, nudged } from './nets';
import { seat } from './seat';
import type { Settled, Twist } from './settled';
import type { Solid } from './solid';
import { effort, normalise, PULL, settledAt, THREAD, type SolveOptions } from './solve';
import { partOf, PER_BEAD, stretch } from './state';
import { given } from '../../tools/given';

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
/** The work keeps the way it was first drawn: no step is longer than a twentieth of an 11/0's 1.775 mm, rounded down, mm. */
const MOST_MOVE = 0.08;
/**
 * How hard work is held down on its mat, and a line on its middle line, in threads' pull a millimetre. At 1 ladders of balls
 * two high still fold; from 3 they lie flat, and at 10 walls of balls do. Nothing that was right moves (docs/layout.md).
 */
const HOLD = 10;
/** A rope's core is what is arranged on its axis, to so much, mm: more threads lie in it than in any loop, and keep it straight. */
const ON_AXIS_MM = 1e-6;
/** Steps towards rest, while more than so much of a thread's pull is out of balance. */
const STEPS = 500;
const STILL = 0.005;
/** Steps that are remembered: with 24 an eighth fewer are needed than with 12, and half by the slowest (150 cells tried). */
const MEMORY = 24;
/**
 * What is not at rest then creeps: seeds slide along flat sides of bars. With so many remembered, bands of bars and flowers
 * come to rest within 8000; with 60, or within 4000, some did not.
 */
const LONG: MinimumOptions = { steps: 8000, memory: 100, noGain: 2e-9 };
/**
 * A base that more is sewn onto can rest in several ways, as seeds at the corners of bars: of so many tries the snuggest is kept
 * that more than one came to, within this part of its period. What one alone of twenty comes to is no way that hands lay it.
 */
const TRIES = 10;
const LIKE = 0.005;
/**
 * Bodies that are nearly the same show how much longer or shorter they lie long before they are at rest: of the 640 edges that
 * ship, 633 are within 0.2 % of what 500 steps came to, all within 1.1 %.
 */
const FEW_STEPS = 120;
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
  // Later rows of a net share the sides of the first, and keep to its pitch.
  const rowMm = firstRowMm(cell, solids, start, options);
  if (rowMm !== null) stretch(state, rowMm / periodOf(state));
  const oneUnit = start.net ? null : baseInOneUnit(cell, start.state);
  if (oneUnit) {
    const of = oneUnit.kept.map((i) => solids[i] as Solid);
    const tries = Array.from({ length: TRIES }, (_, again) => {
      const alone = { ...start, state: oneUnit.state, alike: true, again };
      return handLaid(oneUnit.cell, of, alone, { ...options, onProgress: undefined }).settled;
    });
    spread(cell, oneUnit, usualOf(tries, options).state, state);
  }
  // Rows of a net are drawn together: each circle holds its neighbours square.
  const first = start.net ? lastStage(cell, ({ drawsIn }) => !drawsIn) : 0;
  for (let stage = oneUnit ? first + 1 : first; stage < last; stage++) {
    // What a later pass keeps to is known as well as what is told in the end.
    const hardness = keepsPitch(cell, start, stage + 1) ? HARD : SOFT;
    // Between two passes that leave the pitch as it is, nothing is told of how what is there rests.
    const goesOn = !keepsPitch(cell, start, stage);
    const { periodMm } = drawn(
      { cell, solids, start, stage, hardness, grown: stage === first, goesOn },
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
  return { settled: start.net === 'square' ? between(settled) : settled, snugMm: settled.periodMm };

  /** Midway; what stands in three dimensions comes to rest there, for its beads would lie in each other. */
  function between(snug: Settled): Settled {
    const soft = midway(start.state, snug);
    if (start.held === 'mat') return soft;
    const there = { cell, solids, start, stage: last, hardness: AGAIN, grown: true, pitchHeld: true };
    return drawn(there, soft.state, options);
  }
}

/** The snuggest state that several tries came to; where each came to its own, the snuggest of all. */
function usualOf(tries: readonly Settled[], { pull = PULL }: SolveOptions): Settled {
  const alike = (a: Settled, b: Settled) => Math.abs(a.periodMm / b.periodMm - 1) < LIKE;
  const several = tries.filter((one) => tries.filter((other) => alike(one, other)).length > 1);
  const ordered = (several.length > 0 ? several : tries).toSorted(
    (a, b) => effort(a, pull) - effort(b, pull),
  );
  return given(ordered[0], 'try');
}

/** The same work in bodies that are nearly the same, from where it rests: the period that it comes to when drawn snug, mm. */
export function restedAgain(
  cell: RepeatCell,
  solids: readonly Solid[],
  start: HandStart,
  from: Float64Array,
  options: SolveOptions = {},
): number {
  // A net is drawn anew, by one row; what rests by its beads alone has only a little way to go.
  if (start.net)
    return firstRowMm(cell, solids, start, options) ?? handLaid(cell, solids, start, options).snugMm;
  const state = from.slice();
  const stage = lastStage(cell);
  const again = { cell, solids, start, stage, hardness: AGAIN, grown: true, steps: FEW_STEPS, goesOn: false };
  return keepsPitch(cell, start, stage) ? periodOf(from) : drawn(again, state, options).periodMm;
}

const lastStage = ({ beads }: RepeatCell, wanted: (bead: CellBead) => boolean = () => true): number =>
  Math.max(...beads.flatMap((bead) => (wanted(bead) ? [bead.stage] : [])));

/**
 * Whether a stage leaves the pitch as it is: later rows of a net share the sides of the first, and what draws in by a part
 * that practice knows is not laid out to say otherwise. What goes about an axis has none.
 */
const keepsPitch = (cell: RepeatCell, { net }: HandStart, stage: number): boolean =>
  cell.folds !== null ||
  cell.beads.some((bead) => bead.stage === stage && bead.drawsIn) ||
  (net !== null && lastStage(cell) > 0);

/** What one row alone of a net comes to, mm for a period of all of them; null where it is no net, or has one row. */
function firstRowMm(
  cell: RepeatCell,
  solids: readonly Solid[],
  start: HandStart,
  options: SolveOptions,
): number | null {
  const row = start.net && firstRow(cell, start.state);
  if (!row) return null;
  const of = row.kept.map((i) => solids[i] as Solid);
  const alone = handLaid(row.cell, of, { ...start, state: row.state }, { ...options, onProgress: undefined });
  return (alone.snugMm * cell.units) / row.cell.units;
}

interface Draw {
  readonly cell: RepeatCell;
  readonly solids: readonly Solid[];
  readonly start: HandStart;
  /** The beads of all stages up to this one are drawn. */
  readonly stage: number;
  readonly hardness: readonly number[];
  /** Steps towards rest, and whether it goes on while it is out of balance. */
  readonly steps?: number;
  readonly goesOn?: boolean;
  /** Whether the beads of the stage lie where they belong, and are not to be strung onto the others. */
  readonly grown: boolean;
  /** Whether the pitch stays as it is, whatever the stage. */
  readonly pitchHeld?: boolean;
}

/** Draws beads to rest, those of the last stage strung onto what is there; `all` holds the whole cell and is moved along. */
function drawn(draw: Draw, all: Float64Array, options: SolveOptions): Settled {
  const { cell: whole, start, stage, hardness, grown, steps = STEPS, goesOn = true } = draw;
  const { cell, kept } = only(whole, (bead) => bead.stage <= stage);
  const solids = kept.map((i) => draw.solids[i] as Solid);
  if (!grown) seat(whole, start.state, all, stage);
  const n = kept.length;
  const state = partOf(all, kept);
  const hold = holding(draw, options);
  // Where what is sewn on finds no room, the structure's own arrangement gives it.
  if (hold.pitchHeld && !start.net && cell.folds === null)
    stretch(state, Math.max(1, periodOf(start.state) / periodOf(state)));

  const energy = new CellEnergy(cell, solids);
  kept.forEach((i, k) => {
    if (isBeside(whole.beads[i]?.face ?? null)) energy.levels[k] = start.state[i * PER_BEAD + 2] as number;
  });
  kept.forEach((i, k) => {
    const [y, z] = [start.state[i * PER_BEAD + 1] as number, start.state[i * PER_BEAD + 2] as number];
    energy.core[k] = start.held === 'rope' && Math.hypot(y, z) < ON_AXIS_MM;
  });
  if (!grown) {
    const fresh = kept.map((i) => whole.beads[i]?.stage === stage);
    energy.frozen = fresh.map((is) => !is);
    energy.stage = { ...hold, stiffness: HARD[0] };
    for (let grow = 0; grow <= GROWING; grow++) {
      const size = SMALLEST + ((1 - SMALLEST) * grow) / GROWING;
      fresh.forEach((is, i) => (energy.bodies.scales[i] = is ? size : 1));
      normalise(state, n);
      minimise(energy.evaluate, state, { steps: 60, stillAt: 1e-2, mostMove: MOST_MOVE, memory: MEMORY });
    }
    energy.frozen = null;
    energy.bodies.scales.fill(1);
  }
  normalise(state, n);
  const roles = cell.beads.map(({ role }) => role);
  const arranged = partOf(start.state, kept);
  const evaluate =
    ((start.net === 'round' || start.alike) && alikeAcross(energy.evaluate, arranged, roles)) ||
    (start.held === 'former' && alikeAround(energy.evaluate, arranged, roles)) ||
    energy.evaluate;
  const periods: number[] = [];
  let residual = 0;
  for (const stiffness of hardness) {
    energy.stage = { ...hold, stiffness, threadMm: stiffness === HARD[0] ? 0 : hold.threadMm };
    normalise(state, n);
    const rested = (how: MinimumOptions) =>
      minimise(evaluate, state, { stillAt: 1e-4, mostMove: MOST_MOVE, ...how }).residual;
    residual = rested({ steps, memory: MEMORY });
    // What stops short of rest sets out once more, and remembers more.
    if (stiffness === HARDEST && goesOn && residual > STILL) residual = rested(LONG);
    periods.push(periodOf(state));
  }
  kept.forEach((i, k) => all.set(state.subarray(k * PER_BEAD, (k + 1) * PER_BEAD), i * PER_BEAD));
  all.set(state.subarray(-2), all.length - 2);
  const mode: Twist = Math.cos(given(state.at(-1), 'twist')) > 0 ? 'straight' : 'half turn';
  return settledAt(energy, state, mode, periods, residual);
}

const periodOf = (state: Float64Array): number => given(state.at(-2), 'pitch');

/** What holds the work while it is drawn. */
function holding(
  { cell, solids, start, stage, pitchHeld = keepsPitch(cell, start, stage) }: Draw,
  { pull = PULL, slack = AT_EASE.slack, threadMm = THREAD }: SolveOptions,
): Stage {
  return {
    ...AT_EASE,
    pull,
    slack,
    threadMm,
    flat: start.held === 'mat' && cell.folds === null ? HOLD : 0,
    disc: cell.folds === null ? 0 : HOLD,
    line: start.held === 'line' ? HOLD : 0,
    axis: start.held === 'rope' ? HOLD : 0,
    twistFree: start.held === 'rope' || start.held === 'twisting tube',
    formerMm: start.held === 'former' ? clearInside(solids, start) / 2 : 0,
    pitchHeld,
  };
}
