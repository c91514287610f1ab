import { standard, type Anchor, type CellBead, type RepeatCell, type Span } from './cell';
import type { HandStart } from './held';
import { seeded } from './random';
import { restingOf } from './resting';
import type { Settled } from './settled';
import { normalise } from './solve';
import { beadsOf, pitchIndex, PER_BEAD, stateOf } from './state';
import { quaternionOf, type Matrix } from './turns';

/** A perfect square is a false balance: sides and rungs of single beads are turned by so much against each other. */
const AKILTER = Math.PI / 12;
/** Sides of several beads are drawn together by so much, to bow outward and not to buckle. */
const DRAWN = 0.9;

/** The arrangement as it is first taken in hand. */
export function nudged({ beads }: RepeatCell, { net, state: arranged }: HandStart): Float64Array {
  const state = arranged.slice();
  if (!net) {
    unsettle(state, beads.length);
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

/** No hand sets beads down exactly: point to point they would balance where they cannot stay. So much off along, mm. */
const OFF_MM = 0.01;
/** And across by such a part of how far out they lie: the other hand's mirror image is off as its mirror image is. */
const OFF_ACROSS = 0.005;

function unsettle(state: Float64Array, n: number): void {
  const random = seeded(n);
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

/** The first row of a net told circle by circle, each the one before turned over; null where it does not repeat so. */
export function firstCircle(
  cell: RepeatCell,
  state: Float64Array,
): { cell: RepeatCell; state: Float64Array; kept: readonly number[] } | null {
  const n = cell.beads.length;
  if (cell.units !== 2 || state[pitchIndex(n) + 1] !== 0) return null;
  const isFirst = ({ unit, stage }: CellBead) => unit === 0 && stage === 0;
  const kept = cell.beads.flatMap((bead, i) => (isFirst(bead) ? [i] : []));
  const byWord = new Map(kept.map((i, k) => [cell.beads[i]?.word, k]));
  const told = (anchors: readonly Anchor[]) =>
    anchors.flatMap((anchor): Anchor[] => {
      const { unit, word, stage } = cell.beads[anchor.bead] as CellBead;
      const bead = stage === 0 ? byWord.get(word) : undefined;
      return bead === undefined ? [] : [{ ...anchor, bead, shift: 2 * anchor.shift + unit }];
    });
  const spans = cell.spans.flatMap((span): Span[] => {
    const [from, to] = [told(span.from), told(span.to)];
    const inRow = from.length === span.from.length && to.length === span.to.length;
    return inRow ? [{ ...span, ...standard(from, to) }] : [];
  });
  const once = [...new Map(spans.map((span) => [JSON.stringify([span.from, span.to]), span])).values()];
  const places = kept.map((i) => state.slice(i * PER_BEAD, (i + 1) * PER_BEAD));
  const middle = places.reduce((sum, place) => sum + (place[1] as number), 0) / kept.length;
  const one = stateOf(kept.length);
  places.forEach((place, k) => {
    place[1] = (place[1] as number) - middle;
    one.set(place, k * PER_BEAD);
  });
  one[pitchIndex(kept.length)] = (state[pitchIndex(n)] as number) / 2;
  one[pitchIndex(kept.length) + 1] = Math.PI;
  return {
    cell: { ...cell, beads: kept.map((i) => cell.beads[i] as CellBead), spans: once, units: 1 },
    state: one,
    kept,
  };
}
