import type { Point } from '../layout';
import type { Anchor, RepeatCell } from './cell';
import { pitchIndex, PER_BEAD, stateOf } from './state';
import type { Solid } from './solid';
import { quaternionOf } from './turns';
import { across, add, cross, dot, mean, mul, ofColumns, sub, unit } from './vectors';
import { given } from '../../tools/given';

/** Periods that are laid out to see which way the piece runs. */
const PERIODS = 8;
/** Hole ends beyond which fewer periods are taken: the layout's cost grows with their square. */
const MOST_NODES = 260;
const ROUNDS = 60;

/**
 * A first layout that knows nothing of the stitch: hole ends of several periods are spread out by stress
 * majorisation (Gansner, Koren and North 2004: places that keep the distances along the thread), then
 * neighbouring periods give the screw. `random` makes each start a different one.
 */
export function startState(cell: RepeatCell, solids: readonly Solid[], random: () => number): Start {
  const graph = holeGraph(cell, solids);
  const places = spread(graph.distances, graph.count, random);
  const n = cell.beads.length;
  const state = stateOf(n);
  const middle = Math.floor(graph.periods / 2);
  const pointsOf = (period: number): Point[] => {
    const from = period * graph.perPeriod;
    return places.slice(from, from + graph.perPeriod);
  };
  const screw = cell.periodic
    ? screwOf(pointsOf(middle - 1), pointsOf(middle), pointsOf(middle + 1))
    : { axis: [1, 0, 0] as Point, centre: mean(places), twist: 0, pitch: 0 };
  const frame = frameOf(screw.axis, places, screw.centre);
  const inFrame = (p: Point): Point => {
    const d = sub(p, screw.centre);
    return [dot(d, frame[0]), dot(d, frame[1]), dot(d, frame[2])];
  };
  const here = pointsOf(middle).map(inFrame);
  for (let i = 0; i < n; i++) {
    const ends = (graph.endsOf[i] ?? []).map(([a, b]) => [here[a], here[b]] as [Point, Point]);
    placeBead(state, i, ends, solids[i] as Solid, random);
  }
  state[pitchIndex(n)] = screw.pitch;
  state[pitchIndex(n) + 1] = screw.twist;
  const all = places.map(inFrame);
  const extent = (axis: 1 | 2) => Math.max(...all.map((p) => p[axis])) - Math.min(...all.map((p) => p[axis]));
  return { state, twist: screw.twist, flatness: extent(2) / Math.max(extent(1), 1e-9) };
}

export interface Start {
  readonly state: Float64Array;
  readonly twist: number;
  /** Height over width of the first layout: near 0 for flat work, near 1 for ropes and tubes. */
  readonly flatness: number;
}

interface HoleGraph {
  readonly periods: number;
  readonly perPeriod: number;
  readonly count: number;
  readonly distances: Float64Array;
  /** For each bead the node numbers of both ends of each hole, within its period. */
  readonly endsOf: readonly (readonly (readonly [number, number])[])[];
}

/** Hole ends as nodes; distances along beads and thread between all of them. */
function holeGraph(cell: RepeatCell, solids: readonly Solid[]): HoleGraph {
  let node = 0;
  const endsOf = solids.map(({ holes }) =>
    holes.length > 0
      ? holes.map((): [number, number] => [node++, node++])
      : [[node++, node++] as [number, number]],
  );
  const perPeriod = node;
  const periods = cell.periodic ? Math.max(3, Math.min(PERIODS, Math.floor(MOST_NODES / perPeriod))) : 1;
  const count = periods * perPeriod;
  const distances = new Float64Array(count * count).fill(Infinity);
  const link = (a: number, b: number, mm: number) => {
    if (a === b) return;
    distances[a * count + b] = Math.min(distances[a * count + b] as number, mm);
    distances[b * count + a] = Math.min(distances[b * count + a] as number, mm);
  };
  const typical = solids.reduce((sum, s) => sum + s.boundMm, 0) / solids.length;
  const at = ({ bead, hole, end, shift }: Anchor, period: number) =>
    (period + shift) * perPeriod + given(endsOf[bead]?.[hole]?.[end], 'end of a hole');
  for (let period = 0; period < periods; period++) {
    solids.forEach(({ holes }, i) => {
      const points = holes.flat();
      const nodes = (endsOf[i] ?? []).flat().map((k) => period * perPeriod + k);
      nodes.forEach((a, k) =>
        nodes.forEach((b, l) => {
          const [p, q] = [points[k], points[l]];
          if (k < l) link(a, b, p && q ? Math.hypot(...sub(p, q)) : typical);
        }),
      );
    });
    for (const { from, to } of cell.spans)
      for (const a of from)
        for (const b of to) {
          if (period + b.shift < 0 || period + b.shift >= periods) continue;
          if (period + a.shift < 0 || period + a.shift >= periods) continue;
          link(at(a, period), at(b, period), 0.4 * typical);
        }
  }
  shortestPaths(distances, count);
  return { periods, perPeriod, count, distances, endsOf };
}

/** All shortest paths (Floyd and Warshall). */
function shortestPaths(d: Float64Array, n: number): void {
  for (let i = 0; i < n; i++) d[i * n + i] = 0;
  for (let k = 0; k < n; k++)
    for (let i = 0; i < n; i++) {
      const ik = d[i * n + k] as number;
      if (ik === Infinity) continue;
      for (let j = 0; j < n; j++) {
        const through = ik + (d[k * n + j] as number);
        if (through < (d[i * n + j] as number)) d[i * n + j] = through;
      }
    }
}

/** Places whose distances come as near as they can to those wished, weighted by 1/d². */
function spread(d: Float64Array, n: number, random: () => number): Point[] {
  const far = Math.max(...Array.from(d).filter(Number.isFinite));
  const at = Array.from({ length: n }, (_, i): [number, number, number] => {
    // Set out along the distance from the first node, so that the chain is not folded to begin with.
    const along = d[i] as number;
    return [Number.isFinite(along) ? along : far * random(), random() - 0.5, random() - 0.5];
  });
  for (let round = 0; round < ROUNDS; round++)
    for (let i = 0; i < n; i++) {
      let [x, y, z, weight] = [0, 0, 0, 0];
      const p = at[i] as [number, number, number];
      for (let j = 0; j < n; j++) {
        const wish = d[i * n + j] as number;
        if (i === j || !Number.isFinite(wish)) continue;
        const q = at[j] as [number, number, number];
        const w = 1 / Math.max(wish * wish, 1e-4);
        const [dx, dy, dz] = [p[0] - q[0], p[1] - q[1], p[2] - q[2]];
        const s = wish / Math.max(Math.hypot(dx, dy, dz), 1e-6);
        x += w * (q[0] + s * dx);
        y += w * (q[1] + s * dy);
        z += w * (q[2] + s * dz);
        weight += w;
      }
      if (weight > 0) at[i] = [x / weight, y / weight, z / weight];
    }
  return at;
}

/** The screw from one period to the next, from three neighbouring ones: its axis, twist and pitch. */
function screwOf(before: Point[], here: Point[], after: Point[]) {
  const [c0, c1, c2] = [mean(before), mean(here), mean(after)];
  const axis = unit(sub(c2, c0));
  const pitch = dot(sub(c2, c0), axis) / 2;
  // The axis goes through the middle of all three, which lie round it.
  const centre: Point = [
    (c0[0] + c1[0] + c2[0]) / 3,
    (c0[1] + c1[1] + c2[1]) / 3,
    (c0[2] + c1[2] + c2[2]) / 3,
  ];
  let [sin, cos] = [0, 0];
  here.forEach((p, i) => {
    const q = after[i] as Point;
    const a = across(sub(p, centre), axis);
    const b = across(sub(q, centre), axis);
    cos += dot(a, b);
    sin += dot(axis, cross(a, b));
  });
  return { axis, centre, twist: Math.atan2(sin, cos), pitch };
}

/** The axis, then the direction across it in which the places spread most, then the one they spread least in. */
function frameOf(axis: Point, places: readonly Point[], centre: Point): [Point, Point, Point] {
  const u = unit(Math.abs(axis[0]) < 0.9 ? across([1, 0, 0], axis) : across([0, 1, 0], axis));
  const v = cross(axis, u);
  let [uu, uv, vv] = [0, 0, 0];
  for (const p of places) {
    const d = sub(p, centre);
    const [a, b] = [dot(d, u), dot(d, v)];
    uu += a * a;
    uv += a * b;
    vv += b * b;
  }
  const turn = 0.5 * Math.atan2(2 * uv, uu - vv);
  const y: Point = unit(add(mul(u, Math.cos(turn)), mul(v, Math.sin(turn))));
  return [axis, y, cross(axis, y)];
}

/** Puts a bead where its hole ends are: its hole along them, its second hole beside the first. */
function placeBead(
  state: Float64Array,
  bead: number,
  ends: readonly (readonly [Point, Point])[],
  solid: Solid,
  random: () => number,
): void {
  const points = ends.flat();
  const centre = points.length > 0 ? mean(points) : ([0, 0, 0] as Point);
  const [first, second] = [ends[0], ends[1]];
  const jitter = (): Point => [random() - 0.5, random() - 0.5, random() - 0.5];
  let x = first ? sub(first[1], first[0]) : jitter();
  if (Math.hypot(...x) < 1e-6) x = jitter();
  x = unit(add(unit(x), mul(jitter(), 0.1)));
  const local = solid.holes[1];
  let y = first && second ? sub(mean([...second]), mean([...first])) : jitter();
  if (local && first && second && Math.abs(local[0][0]) < 1e-6) y = sub(second[1], second[0]);
  y = across(y, x);
  if (Math.hypot(...y) < 1e-6) y = across(jitter(), x);
  const [ex, ey] = [x, unit(y)];
  const ez = cross(ex, ey);
  const o = bead * PER_BEAD;
  state.set(centre, o);
  state.set(quaternionOf(ofColumns(ex, ey, ez)), o + 3);
}
