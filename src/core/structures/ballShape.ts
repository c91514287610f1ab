// The bodies that a ball of beads takes after: three edges meet at each corner, and every edge is one bead.
import type { Point } from '../layout/layout';
import { cross, dot, mean, mul, sub, unit } from '../layout/solver/vectors';
import { given } from '../tools/given';
import { at } from './structure';

/** Beads of a ball: the edges of a cube, a dodecahedron, and a truncated icosahedron. */
export const BALL_BEADS = [12, 30, 90] as const;
export type BallBeads = (typeof BALL_BEADS)[number];

/** A bead of a ball: the corners that it leads from and to. */
export type Edge = readonly [from: number, to: number];

/** A ball by its corners and its circles of beads. */
export interface BallShape {
  /** About the middle, all equally far out; the first circle lies across the way of x, against it. */
  readonly corners: readonly Point[];
  /**
   * Corners of each circle, round to the left as they are seen from outside, in the order in which they are woven: each has
   * a bead of the one before. The first and the last lie opposite each other.
   */
  readonly circles: readonly (readonly number[])[];
}

/** The beads of a circle, each from corner to corner as it goes round. */
export const edgesOf = (circle: readonly number[]): Edge[] =>
  circle.map((corner, i) => [corner, at(circle, (i + 1) % circle.length)]);

/** A bead by its corners, whichever way it is gone through. */
export const edgeKey = ([a, b]: Edge): string => (a < b ? `${a} ${b}` : `${b} ${a}`);

const PHI = (1 + Math.sqrt(5)) / 2;
const signs = (p: Point): Point[] =>
  [1, -1].flatMap((a) => [1, -1].flatMap((b) => [1, -1].map((c): Point => [a * p[0], b * p[1], c * p[2]])));
const turns = ([x, y, z]: Point): Point[] => [
  [x, y, z],
  [y, z, x],
  [z, x, y],
];

/** Corners as mathematics has them (standard coordinates of these solids), some of them told twice. */
const CORNERS: Readonly<Record<BallBeads, readonly Point[]>> = {
  12: signs([1, 1, 1]),
  30: [...signs([1, 1, 1]), ...turns([0, 1 / PHI, PHI]).flatMap(signs)],
  90: [
    [0, 1, 3 * PHI],
    [1, 2 + PHI, 2 * PHI],
    [PHI, 2, 2 * PHI + 1],
  ].flatMap((p) => turns(p as unknown as Point).flatMap(signs)),
};

const apart = (a: Point, b: Point) => Math.hypot(...sub(a, b));
/** Two places are one that lie nearer to each other than this part of an edge. */
const SAME = 1e-6;

/** Corners once each, with the three that each is joined to. */
function graphOf(told: readonly Point[]): { corners: Point[]; beside: number[][] } {
  const corners = told.filter((p, i) => told.findIndex((q) => apart(p, q) < SAME) === i);
  const edge = Math.min(...corners.slice(1).map((p) => apart(p, at(corners, 0))));
  const beside = corners.map((p) =>
    corners.flatMap((q, j) => {
      const far = apart(p, q);
      return far > SAME && far < edge * (1 + SAME) ? [j] : [];
    }),
  );
  return { corners, beside };
}

/** The circles of a body: along each edge, turning as far to the left as can be at every corner. */
function circlesOf(corners: readonly Point[], beside: readonly (readonly number[])[]): number[][] {
  const leftmost = (from: number, here: number): number => {
    const [out, back] = [at(corners, here), sub(at(corners, from), at(corners, here))];
    const others = at(beside, here).filter((to) => to !== from);
    const left = cross(unit(out), back);
    // Of the two ways on, the left one lies against the left of the way back.
    return others.reduce((best, to) =>
      dot(left, sub(at(corners, to), out)) < dot(left, sub(at(corners, best), out)) ? to : best,
    );
  };
  const seen = new Set<string>();
  return beside.flatMap((all, from) =>
    all.flatMap((to) => {
      if (seen.has(`${from} ${to}`)) return [];
      const circle: number[] = [];
      let [a, b] = [from, to];
      while (!seen.has(`${a} ${b}`)) {
        seen.add(`${a} ${b}`);
        circle.push(a);
        [a, b] = [b, leftmost(a, b)];
      }
      return [circle];
    }),
  );
}

/**
 * Circles in the order in which they can be woven: round about the first and so down to the one opposite, each beside the one before
 * it. Throws where there is no such order.
 */
function inOrder(corners: readonly Point[], circles: readonly (readonly number[])[]): number[][] {
  const keys = circles.map((circle) => new Set(edgesOf(circle).map(edgeKey)));
  const beside = circles.map((_, a) =>
    circles.flatMap((__, b) => (a !== b && [...at(keys, a)].some((key) => at(keys, b).has(key)) ? [b] : [])),
  );
  const middles = circles.map((circle) => mean(circle.map((i) => at(corners, i))));
  const fewest = Math.min(...circles.map(({ length }) => length));
  const first = circles.findIndex(({ length }) => length === fewest);
  const down = (one: number) => -dot(at(middles, one), at(middles, first));
  const last = circles.map((_, i) => i).reduce((most, one) => (down(one) > down(most) ? one : most));
  const on = (order: readonly number[]): readonly number[] | null => {
    if (order.length === circles.length) return order;
    const done = (one: number) => at(beside, one).filter((other) => order.includes(other)).length;
    const next = at(beside, at(order, -1))
      .filter((one) => !order.includes(one) && (one !== last || order.length === circles.length - 1))
      .sort((a, b) => (Math.abs(down(a) - down(b)) > SAME ? down(a) - down(b) : done(b) - done(a)));
    for (const one of next) {
      const found = on([...order, one]);
      if (found) return found;
    }
    return null;
  };
  return given(on([first]), 'order of circles').map((i) => [...at(circles, i)]);
}

/** Turned so that a way leads against x. */
function facing(way: Point, corners: readonly Point[]): Point[] {
  const x = mul(unit(way), -1);
  const y = unit(cross(Math.abs(x[2]) < 0.9 ? [0, 0, 1] : [0, 1, 0], x));
  const z = cross(x, y);
  return corners.map((p) => [dot(x, p), dot(y, p), dot(z, p)]);
}

const made = new Map<BallBeads, BallShape>();

/** The body of a ball of so many beads, whose edges are about 1 long. */
export function ballShape(beads: BallBeads): BallShape {
  const before = made.get(beads);
  if (before) return before;
  const { corners, beside } = graphOf(CORNERS[beads]);
  const circles = inOrder(corners, circlesOf(corners, beside));
  const first = at(circles, 0).map((i) => at(corners, i));
  const edge = apart(at(first, 0), at(first, 1));
  const shape = { corners: facing(mean(first), corners).map((p) => mul(p, 1 / edge)), circles };
  made.set(beads, shape);
  return shape;
}

/** The most rounds in which corners are moved, until every edge is as long as it is to be but for this part of one. */
const ROUNDS = 600;
const NEAR = 1e-4;

/**
 * The corners with edges of these lengths, as near to the even body as can be: each end of an edge that is too long or too
 * short is moved by its share of what is wrong, all at once, so that what is alike stays alike.
 */
export function withEdges({ corners, circles }: BallShape, lengthOf: (edge: Edge) => number): Point[] {
  const edges = [...new Map(circles.flatMap(edgesOf).map((edge) => [edgeKey(edge), edge])).values()];
  const lengths = edges.map(lengthOf);
  const mid = lengths.reduce((sum, mm) => sum + mm, 0) / lengths.length;
  const now = Float64Array.from(corners.flatMap((p) => mul(p, mid)));
  const moves = new Float64Array(now.length);
  for (let round = 0; round < ROUNDS; round++) {
    let wrong = 0;
    moves.fill(0);
    edges.forEach(([a, b], i) => {
      const between = [0, 1, 2].map((k) => at3(now, b, k) - at3(now, a, k));
      const long = Math.hypot(...between);
      const off = long - at(lengths, i);
      wrong = Math.max(wrong, Math.abs(off));
      between.forEach((mm, k) => {
        // Three edges meet at a corner, and each is moved at both of its ends.
        const share = (mm * off) / long / 6;
        moves[3 * a + k] = at3(moves, a, k) + share;
        moves[3 * b + k] = at3(moves, b, k) - share;
      });
    });
    if (wrong < NEAR * mid) break;
    moves.forEach((mm, i) => (now[i] = (now[i] ?? 0) + mm));
  }
  const placed = corners.map((_, i): Point => [at3(now, i, 0), at3(now, i, 1), at3(now, i, 2)]);
  const middle = mean(placed);
  return placed.map((p) => sub(p, middle));
}

/** A number of a point, of points one after another. */
const at3 = (all: Float64Array, point: number, k: number): number => all[3 * point + k] ?? 0;

/** The angle of a circle at one of its corners, radians. */
export function angleAt(
  corners: readonly Point[],
  [before, here, behind]: readonly [number, number, number],
): number {
  const way = (to: number) => unit(sub(at(corners, to), at(corners, here)));
  return Math.acos(Math.max(-1, Math.min(1, dot(way(before), way(behind)))));
}
