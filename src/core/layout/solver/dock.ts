import type { Point } from '../layout';
import type { Anchor, RepeatCell } from './cell';
import { PER_BEAD, stateOf } from './state';
import { restingOf, type Resting } from './resting';
import type { Solid } from './solid';
import { quaternionOf, type Matrix } from './turns';
import { add, apply, mean, mul, sub, times, unit } from './vectors';
import { given } from '../../tools/given';

/** How far from the rest a part made apart is held before thread draws it in, mm. */
const APART = 3;
/** Turns that are tried about each axis. */
const TURNS = 12;

/**
 * Sets a part that was made apart beside what is there: turned so that the ends of the thread between
 * them face each other, the nearest of a set of turns, and a little away. Where no thread joins them yet, it
 * lies beside, along x.
 * @param state holds the beads at rest; the part's are filled in
 * @param part the numbers of the part's beads in `cell`
 * @param own the part's own state, in the same order
 * Returns whether thread joins the part to the rest.
 */
export function dock(
  cell: RepeatCell,
  solids: readonly Solid[],
  state: Float64Array,
  part: readonly number[],
  own: Float64Array,
): boolean {
  const inPart = new Map(part.map((i, k) => [i, k]));
  const placed = cell.beads.flatMap((_, i) => (inPart.has(i) ? [] : [i]));
  const joints = cell.spans.flatMap(({ from, to }): [Anchor, Anchor][] => {
    const [a, b] = [from[0], to[0]];
    if (!a || !b) return [];
    if (inPart.has(a.bead) && !inPart.has(b.bead)) return [[a, b]];
    return inPart.has(b.bead) && !inPart.has(a.bead) ? [[b, a]] : [];
  });
  const end = (at: Resting, { bead, hole, end }: Anchor): Point => {
    return add(at.centre, apply(at.turn, given(solids[bead]?.holes[hole]?.[end], 'end of a hole')));
  };
  const pairs = joints.map(([a, b]): [Point, Point] => [
    end(restingOf(own, given(inPart.get(a.bead), 'bead of the part')), a),
    end(restingOf(state, b.bead), b),
  ]);
  const reach = (of: Float64Array, beads: readonly number[], sign: 1 | -1) =>
    Math.max(...beads.map((i, k) => sign * (of[(of === own ? k : i) * PER_BEAD] as number)));

  let turn: Matrix = [1, 0, 0, 0, 1, 0, 0, 0, 1];
  let to: Point = [reach(state, placed, 1) + reach(own, part, -1) + APART, 0, 0];
  if (pairs.length > 0) {
    const best = bestTurn(pairs);
    turn = best.turn;
    const middle = mean(placed.map((i) => restingOf(state, i).centre));
    const ownMiddle = apply(turn, mean(part.map((_, k) => restingOf(own, k).centre)));
    const there = add(best.to, ownMiddle);
    // Away from the middle of the rest; straight above it where the two would lie in each other.
    const out = sub(there, middle);
    const away: Point = Math.hypot(...out) > 1 ? unit(out) : [0, 0, 1];
    to = add(best.to, mul(away, APART));
  }
  part.forEach((i, k) => {
    const at = restingOf(own, k);
    state.set(add(apply(turn, at.centre), to), i * PER_BEAD);
    state.set(quaternionOf(times(turn, at.turn)), i * PER_BEAD + 3);
  });
  return pairs.length > 0;
}

/** The turn, of a set about all axes, and the shift after it that bring the pairs nearest together. */
function bestTurn(pairs: readonly (readonly [Point, Point])[]): { turn: Matrix; to: Point } {
  let best: { turn: Matrix; to: Point; off: number } | null = null;
  const goal = mean(pairs.map(([, b]) => b));
  for (const over of [false, true])
    for (let k = 0; k < TURNS; k++) {
      const angle = (2 * Math.PI * k) / TURNS;
      const [c, s] = [Math.cos(angle), Math.sin(angle)];
      const turn: Matrix = over ? [c, s, 0, s, -c, 0, 0, 0, -1] : [c, -s, 0, s, c, 0, 0, 0, 1];
      const ends = pairs.map(([a]) => apply(turn, a));
      const from = mean(ends);
      const to = sub(goal, from);
      const off = pairs.reduce((sum, [, b], i) => {
        return sum + Math.hypot(...sub(add(ends[i] as Point, to), b)) ** 2;
      }, 0);
      if (!best || off < best.off) best = { turn, to, off };
    }
  return best ?? { turn: [1, 0, 0, 0, 1, 0, 0, 0, 1], to: [0, 0, 0] };
}

/** A state with room for so many beads more, those before kept. */
export function widened(before: Float64Array, kept: readonly number[], count: number): Float64Array {
  const state = stateOf(count);
  kept.forEach((to, from) =>
    state.set(before.subarray(from * PER_BEAD, (from + 1) * PER_BEAD), to * PER_BEAD),
  );
  state.set(before.subarray(before.length - 2), count * PER_BEAD);
  return state;
}
