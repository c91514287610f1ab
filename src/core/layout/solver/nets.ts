import type { RepeatCell } from './cell';
import { only } from './grow';
import type { HandStart } from './held';
import { inOneUnit, type Part } from './likeUnits';
import { seeded } from './random';
import { restingOf } from './resting';
import type { Settled } from './settled';
import { normalise } from './solve';
import { beadsOf, partOf, pitchIndex, PER_BEAD } from './state';
import { quaternionOf, type Matrix } from './turns';

/**
 * A perfect square is a false balance: sides and rungs of single beads are turned by so much against each other, radians.
 * 15°: from 5° some sizes slide past each other instead (tried on 13 beads; docs/layout.md).
 */
const AKILTER = Math.PI / 12;
/** Sides of several beads are drawn together to such a part, to bow outward; from 0.8 they come to the same. */
const DRAWN = 0.9;

/** The arrangement as it is first taken in hand. */
export function nudged({ beads }: RepeatCell, { net, state: arranged, again = 0 }: HandStart): Float64Array {
  const state = arranged.slice();
  if (!net) {
    unsettle(state, beads.length, again);
    return state;
  }
  const n = beads.length;
  // A net repeats under a half turn; told in two circles, the second is turned the other way.
  const turnedOver = state[pitchIndex(n) + 1] === 0;
  for (const [i, { unit }] of beads.entries()) {
    const o = i * PER_BEAD;
    const way = turnedOver && unit % 2 === 1 ? -1 : 1;
    if (net === 'square') state.set(quaternionOf(akilter(restingOf(state, i).turn, way)), o + 3);
    else for (const axis of [0, 1]) state[o + axis] = DRAWN * (state[o + axis] as number);
  }
  if (net === 'round') state[pitchIndex(n)] = DRAWN * (state[pitchIndex(n)] as number);
  return state;
}

/** By how much a hand is off along the work, mm, and across it, as a part of how far out a bead lies (from memory: unseen). */
const OFF_MM = 0.01;
const OFF_ACROSS = 0.005;

/**
 * No hand sets beads down exactly; point to point they would balance where they cannot stay. Across it goes by the bead's
 * own distance, so that the other hand's arrangement is off as the mirror image of this one is.
 */
function unsettle(state: Float64Array, n: number, again: number): void {
  const random = seeded(n + again);
  for (let i = 0; i < n; i++) {
    const o = i * PER_BEAD;
    state[o] = (state[o] as number) + OFF_MM * (2 * random() - 1);
    state[o + 1] = (state[o + 1] as number) * (1 + OFF_ACROSS * (2 * random() - 1));
  }
}

/** A bead turned in the plane of the work: what runs along the piece one way, what runs across it the other. */
function akilter(r: Matrix, way: 1 | -1): Matrix {
  const angle = way * (Math.abs(r[0]) > Math.abs(r[3]) ? AKILTER : -AKILTER);
  const [c, s] = [Math.cos(angle), Math.sin(angle)];
  const row = (a: number, b: number) => [0, 1, 2].map((k) => a * (r[k] as number) + b * (r[3 + k] as number));
  return [...row(c, -s), ...row(s, c), r[6], r[7], r[8]] as unknown as Matrix;
}

/** Halfway from where the work was first drawn to where it rests. */
export function midway(first: Float64Array, settled: Settled): Settled {
  const n = beadsOf(first);
  const between = (a: number, b: number) => (a + b) / 2;
  const state = settled.state.map((v, i) => between(v, first[i] as number));
  for (let i = 0; i < n; i++) {
    const [o, to] = [i * PER_BEAD + 3, i * PER_BEAD + 7];
    const [p, q] = [first.subarray(o, to), settled.state.subarray(o, to)];
    // A turn and its negative are the same: the nearer of the two is meant.
    const way = p.reduce((sum, v, k) => sum + v * (q[k] as number), 0) < 0 ? -1 : 1;
    state.set(
      p.map((v, k) => between(v, way * (q[k] as number))),
      o,
    );
  }
  normalise(state, n);
  state[pitchIndex(n)] = between(first[pitchIndex(n)] as number, settled.periodMm);
  return { ...settled, state, periodMm: state[pitchIndex(n)] as number };
}

/** The first of several rows of a net by itself, about its own middle line; null where there is one row only. */
export function firstRow(cell: RepeatCell, state: Float64Array): Part | null {
  if (cell.beads.every(({ stage }) => stage === 0)) return null;
  const row = only(cell, ({ stage }) => stage === 0);
  const rowState = partOf(state, row.kept);
  const n = row.kept.length;
  const middle = row.kept.reduce((sum, _, k) => sum + (rowState[k * PER_BEAD + 1] as number), 0) / n;
  for (let k = 0; k < n; k++) rowState[k * PER_BEAD + 1] = (rowState[k * PER_BEAD + 1] as number) - middle;
  return circleByCircle({ ...row, state: rowState });
}

/** A row told in two circles, told in one where the second is the first turned over: as one row alone is told. */
function circleByCircle(row: Part): Part {
  const turnedOver = row.cell.units === 2 && row.state.at(-1) === 0;
  return (turnedOver && inOneUnit(row, Math.PI)) || row;
}
