import type { Point } from '../layout';
import type { Anchor, RepeatCell } from './cell';
import { PER_BEAD, stateOf } from './energy';
import { restingOf, type Resting } from './measure';
import type { Solid } from './solid';
import { quaternionOf, type Matrix } from './turns';

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
    const [x, y, z] = solids[bead]?.holes[hole]?.[end] ?? [0, 0, 0];
    const r = at.turn;
    return [
      at.centre[0] + r[0] * x + r[1] * y + r[2] * z,
      at.centre[1] + r[3] * x + r[4] * y + r[5] * z,
      at.centre[2] + r[6] * x + r[7] * y + r[8] * z,
    ];
  };
  const pairs = joints.map(([a, b]): [Point, Point] => [
    end(restingOf(own, inPart.get(a.bead) ?? 0), a),
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
    const there: Point = [best.to[0] + ownMiddle[0], best.to[1] + ownMiddle[1], best.to[2] + ownMiddle[2]];
    // Away from the middle of the rest; straight above it where the two would lie in each other.
    const out: Point = [there[0] - middle[0], there[1] - middle[1], there[2] - middle[2]];
    const far = Math.hypot(...out);
    const away: Point = far > 1 ? [out[0] / far, out[1] / far, out[2] / far] : [0, 0, 1];
    to = [best.to[0] + APART * away[0], best.to[1] + APART * away[1], best.to[2] + APART * away[2]];
  }
  part.forEach((i, k) => {
    const at = restingOf(own, k);
    const [x, y, z] = apply(turn, at.centre);
    state.set([x + to[0], y + to[1], z + to[2]], i * PER_BEAD);
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
      const to: Point = [goal[0] - from[0], goal[1] - from[1], goal[2] - from[2]];
      const off = pairs.reduce((sum, [, b], i) => {
        const a = ends[i] as Point;
        return sum + Math.hypot(a[0] + to[0] - b[0], a[1] + to[1] - b[1], a[2] + to[2] - b[2]) ** 2;
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

const apply = (r: Matrix, [x, y, z]: Point): Point => [
  r[0] * x + r[1] * y + r[2] * z,
  r[3] * x + r[4] * y + r[5] * z,
  r[6] * x + r[7] * y + r[8] * z,
];

function times(a: Matrix, b: Matrix): Matrix {
  const column = (k: 0 | 1 | 2): Point => apply(a, [b[k], b[3 + k] as number, b[6 + k] as number]);
  const [p, q, r] = [column(0), column(1), column(2)];
  return [p[0], q[0], r[0], p[1], q[1], r[1], p[2], q[2], r[2]];
}

const mean = (points: readonly Point[]): Point => {
  const sum = points.reduce((s, p): Point => [s[0] + p[0], s[1] + p[1], s[2] + p[2]], [0, 0, 0] as Point);
  return [sum[0] / points.length, sum[1] / points.length, sum[2] / points.length];
};
