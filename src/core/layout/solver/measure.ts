import type { Point } from '../layout';
import type { RepeatCell } from './cell';
import { CellEnergy } from './energy';
import { AT_EASE } from './stage';
import { only } from './grow';
import { partOf, pitchIndex, PER_BEAD, stateOf } from './state';
import { minimise } from './minimise';
import type { Solid } from './solid';
import { quaternionOf, type Matrix } from './turns';
import { reach, restingOf, shifted, type Resting } from './resting';
import type { Settled } from './settled';

/** How a strip gives way across: from a line that hangs to a rod. */
export type Drape = 'supple' | 'flexible' | 'firm' | 'stiff';

/** What a settled cell measures, mm. */
export interface Measures {
  readonly widthMm: number;
  readonly thicknessMm: number;
  /** Direction across the piece in which it is thinnest: an angle from y, radians. */
  readonly thinAt: number;
  /** Clear round opening along the middle of a tube; 0 where there is none. */
  readonly insideMm: number;
}

/** Directions across the piece that are looked along, over half a turn. */
const LOOKS = 90;
/** Periods looked at: enough for a rope to turn once, in most. */
const LENGTH = 8;

/** The beads of a few periods at rest. */
const stretch = ({ beads }: RepeatCell, solids: readonly Solid[], { state, periodMm, twist }: Settled) =>
  beads.flatMap((_, i) =>
    Array.from({ length: LENGTH }, (_, k) => ({
      solid: solids[i] as Solid,
      at: shifted(restingOf(state, i), periodMm, twist, k),
    })),
  );

/** How far beads reach across the piece in all, at an angle from y, mm. */
function acrossMm(resting: ReturnType<typeof stretch>, angle: number): number {
  const n: Point = [0, Math.cos(angle), Math.sin(angle)];
  const back: Point = [0, -n[1], -n[2]];
  let [most, least] = [-Infinity, -Infinity];
  for (const { solid, at } of resting) {
    most = Math.max(most, reach(solid, at, n));
    least = Math.max(least, reach(solid, at, back));
  }
  return most + least;
}

/** Width (along y) and thickness (along z) of a settled cell that lies as it is to be seen, mm. */
export function asItLies(
  cell: RepeatCell,
  solids: readonly Solid[],
  settled: Settled,
): Pick<Measures, 'widthMm' | 'thicknessMm'> {
  const resting = stretch(cell, solids, settled);
  return { widthMm: acrossMm(resting, 0), thicknessMm: acrossMm(resting, Math.PI / 2) };
}

/** The rod that just goes along the middle of a settled tube, mm across; 0 where none does. */
export const clearInside = (solids: readonly Solid[], { state }: Pick<Settled, 'state'>): number =>
  Math.max(0, 2 * Math.min(...solids.map((solid, i) => clearance(solid, restingOf(state, i)))));

/** Width, thickness and opening of a settled cell, from the outlines of a few periods. */
export function measure(cell: RepeatCell, solids: readonly Solid[], settled: Settled): Measures {
  const resting = stretch(cell, solids, settled);
  const across = Array.from({ length: LOOKS }, (_, k) => acrossMm(resting, (Math.PI * k) / LOOKS));
  return {
    widthMm: Math.max(...across),
    thicknessMm: Math.min(...across),
    thinAt: (Math.PI * across.indexOf(Math.min(...across))) / LOOKS,
    insideMm: clearInside(solids, settled),
  };
}

/** How far a bead keeps from the x or z axis: negative where it covers it. */
export function clearance(solid: Solid, at: Resting, axis: 'x' | 'z' = 'x'): number {
  let most = -Infinity;
  for (let k = 0; k < 2 * LOOKS; k++) {
    const angle = (Math.PI * k) / LOOKS;
    const [c, s] = [-Math.cos(angle), -Math.sin(angle)];
    most = Math.max(most, -reach(solid, at, axis === 'x' ? [0, c, s] : [c, s, 0]));
  }
  return most;
}

/** A cell repeated so many times, as an open strip without images. */
export function strip(cell: RepeatCell, settled: Settled, periods: number) {
  const n = cell.beads.length;
  const beads = Array.from({ length: periods }, () => cell.beads).flat();
  const inside = (shift: number) => shift >= 0 && shift < periods;
  const spans = Array.from({ length: periods }, (_, k) =>
    cell.spans.flatMap(({ from, to, ...rest }) => {
      const move = (anchors: typeof from) =>
        anchors.map((a) => ({ ...a, bead: a.bead + (a.shift + k) * n, shift: 0, period: a.shift + k }));
      const [a, b] = [move(from), move(to)];
      return [...a, ...b].every((one) => inside(one.period)) ? [{ ...rest, from: a, to: b }] : [];
    }),
  ).flat();
  const state = stateOf(beads.length);
  for (let k = 0; k < periods; k++)
    for (let i = 0; i < n; i++) {
      const { centre, turn } = shifted(restingOf(settled.state, i), settled.periodMm, settled.twist, k);
      state.set(centre, (k * n + i) * PER_BEAD);
      state.set(quaternionOf(turn), (k * n + i) * PER_BEAD + 3);
    }
  const open: RepeatCell = {
    beads,
    spans,
    units: cell.units * periods,
    phase: 0,
    periodic: false,
    folds: null,
  };
  return { cell: open, state };
}

/** Load in the middle of a strip held at its ends, in threads' pull: enough to open a hinge of flat faces. */
const LOAD = 0.1;
/** Sag as a part of the length, and what the hand calls it (from memory; the order is what tests hold). */
const SAGS: readonly (readonly [number, Drape])[] = [
  [0.02, 'stiff'],
  [0.1, 'firm'],
  [0.3, 'flexible'],
];
const LONGEST_STRIP = 40;
/** Soft beads and so many steps come within a few per cent of how a strip of hard ones sags in ten times as many. */
const YIELDING = 25;
const STEPS = 100;
/** The number of a bead's place across the face of the work. */
const ACROSS_FACE = 2;
/** How much thread of a hand's tension gives in each gap, mm (from memory). */
const GIVE = 0.3;

/**
 * How a short strip sags under a light load in its middle, across its face: that way it gives most, and tubes and lines
 * every way alike. Says how it drapes.
 */
export function drape(
  whole: RepeatCell,
  allSolids: readonly Solid[],
  rested: Settled,
): { sag: number; drape: Drape } {
  const { cell, solids, settled } = carrying(whole, allSolids, rested);
  const n = cell.beads.length;
  // A strip of about ten times a bead's size: short ones of long units are as stiff as their beads.
  const size = Math.max(...solids.map((s) => 2 * s.boundMm));
  const periods = Math.max(
    3,
    Math.min(Math.floor(LONGEST_STRIP / n), Math.ceil((5 * size) / settled.periodMm)),
  );
  const held = heldStrip(cell, solids, settled, periods);
  const sag = sagOf(held);
  return { sag, drape: SAGS.find(([most]) => sag < most)?.[1] ?? 'supple' };
}

/** What carries the rest: what lies on a face of the work, or hangs from it, stiffens it little. */
function carrying(whole: RepeatCell, allSolids: readonly Solid[], rested: Settled) {
  const { cell, kept } = only(whole, ({ face }) => face === null);
  const settled = { ...rested, state: partOf(rested.state, kept) };
  return { cell, solids: kept.map((i) => allSolids[i] as Solid), settled };
}

interface HeldStrip {
  readonly energy: CellEnergy;
  /** Its beads before it is loaded. */
  readonly state: Float64Array;
  readonly periods: number;
  /** Beads of a period, and its length. */
  readonly beads: number;
  readonly periodMm: number;
}

/** A short strip as it lies by itself. */
function heldStrip(cell: RepeatCell, solids: readonly Solid[], settled: Settled, periods: number): HeldStrip {
  const { cell: open, state } = strip(cell, settled, periods);
  const energy = new CellEnergy(open, Array.from({ length: periods }, () => solids).flat());
  energy.stage = { ...AT_EASE, stiffness: YIELDING, slack: GIVE };
  minimise(energy.evaluate, state, { steps: STEPS, stillAt: 1e-3 });
  return { energy, state, periods, beads: cell.beads.length, periodMm: settled.periodMm };
}

function sagOf({ energy, state: before, periods, beads: n, periodMm }: HeldStrip): number {
  const middle = (periods - 1) / 2;
  // Pulled down in the middle and up at both ends, in balance.
  const weights = Array.from({ length: periods }, (_, k) => {
    const t = Math.abs(k - middle) / Math.max(middle, 1);
    return 1 - 2 * t;
  });
  const off = weights.reduce((sum, w) => sum + w, 0) / periods;
  const load = (k: number) => ((weights[k] as number) - off) * LOAD;
  const heightOf = (state: Float64Array) => {
    const at = (k: number) => meanHeight(state, k * n, n);
    return at(Math.round(middle)) - (at(0) + at(periods - 1)) / 2;
  };
  const state = before.slice();
  const loaded = (state: Float64Array, gradient: Float64Array) => {
    let value = energy.evaluate(state, gradient);
    for (let k = 0; k < periods; k++)
      for (let i = 0; i < n; i++) {
        const o = (k * n + i) * PER_BEAD + ACROSS_FACE;
        value -= (load(k) / n) * (state[o] as number);
        gradient[o] = (gradient[o] as number) - load(k) / n;
      }
    return value;
  };
  minimise(loaded, state, { steps: STEPS, stillAt: 1e-3, mostMove: 0.1 });
  return Math.abs(heightOf(state) - heightOf(before)) / (periods * periodMm);
}

function meanHeight(state: Float64Array, from: number, count: number): number {
  let sum = 0;
  for (let i = from; i < from + count; i++) sum += state[i * PER_BEAD + ACROSS_FACE] as number;
  return sum / count;
}

/** A settled cell turned about its axis by an angle. */
export function turned(settled: Settled, angle: number): Settled {
  const state = settled.state.slice();
  for (let i = 0; i < (state.length - 2) / PER_BEAD; i++) {
    const { centre, turn } = shifted(restingOf(settled.state, i), 0, angle, 1);
    state.set(centre, i * PER_BEAD);
    state.set(quaternionOf(turn), i * PER_BEAD + 3);
  }
  return { ...settled, state };
}

/** The mirror image of a settled cell, for the other hand: twist and places the other way round. */
export function mirrored<S extends Pick<Settled, 'state' | 'periodMm' | 'twist'>>(settled: S): S {
  const state = settled.state.slice();
  const n = (state.length - 2) / PER_BEAD;
  for (let i = 0; i < n; i++) {
    const { centre, turn: r } = restingOf(settled.state, i);
    state.set([centre[0], -centre[1], centre[2]], i * PER_BEAD);
    // Mirrored in y, and the body itself in its height, in which it is symmetric: a rotation again.
    const turn: Matrix = [r[0], r[1], -r[2], -r[3], -r[4], r[5], r[6], r[7], -r[8]];
    state.set(quaternionOf(turn), i * PER_BEAD + 3);
  }
  const twist = -settled.twist;
  state[pitchIndex(n) + 1] = twist;
  return { ...settled, state, twist };
}
