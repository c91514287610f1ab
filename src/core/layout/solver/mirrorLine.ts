import type { Energy } from './minimise';
import { PER_BEAD } from './state';

type Quaternion = readonly [w: number, x: number, y: number, z: number];

/** A bead's like across the middle line: which it is, and the turn that makes its mirror image the bead's own. */
interface Like {
  readonly bead: number;
  readonly turn: Quaternion;
}

/** As near as this two beads lie across the line from each other, mm. */
const ACROSS_MM = 1e-6;

const times = ([a, b, c, d]: Quaternion, [w, x, y, z]: Quaternion): Quaternion => [
  a * w - b * x - c * y - d * z,
  a * x + b * w + c * z - d * y,
  a * y - b * z + c * w + d * x,
  a * z + b * y - c * x + d * w,
];

/** The mirror image in y of a turn. */
const over = ([w, x, y, z]: Quaternion): Quaternion => [w, -x, y, -z];
const back = ([w, x, y, z]: Quaternion): Quaternion => [w, -x, -y, -z];

const turnOf = (state: Float64Array, bead: number): Quaternion => {
  const o = bead * PER_BEAD + 3;
  return [state[o] as number, state[o + 1] as number, state[o + 2] as number, state[o + 3] as number];
};

/**
 * A hand draws both edges of a strip alike. Where an arrangement is the same on either side of its middle line, keeps every
 * state so: returns the energy with each bead and its like across the line held to be mirror images. Null where the
 * arrangement is not the same on both sides.
 */
export function alikeAcross(energy: Energy, start: Float64Array, roles: readonly string[]): Energy | null {
  const likes = likesOf(start, roles);
  if (!likes) return null;
  const kept = new Float64Array(start.length);
  const slope = new Float64Array(start.length);
  return (state, gradient) => {
    project(state, kept, likes);
    const value = energy(kept, slope);
    project(slope, gradient, likes);
    return value;
  };
}

/** The same state with both sides alike: the mean of it and its mirror image. A projection, and its own transpose. */
function project(from: Float64Array, to: Float64Array, likes: readonly Like[]): void {
  to.set(from);
  likes.forEach(({ bead, turn }, i) => {
    const [o, p] = [i * PER_BEAD, bead * PER_BEAD];
    const half = (k: number, way: 1 | -1) =>
      (to[o + k] = ((from[o + k] as number) + way * (from[p + k] as number)) / 2);
    half(0, 1);
    half(1, -1);
    half(2, 1);
    const image = times(over(turnOf(from, bead)), turn);
    image.forEach((v, k) => (to[o + 3 + k] = ((from[o + 3 + k] as number) + v) / 2));
  });
}

function likesOf(start: Float64Array, roles: readonly string[]): Like[] | null {
  const place = (i: number) =>
    [0, 1, 2].map((k) => start[i * PER_BEAD + k] as number) as [number, number, number];
  const likes = roles.flatMap((role, i): Like[] => {
    const [x, y, z] = place(i);
    const bead = roles.findIndex((other, j) => {
      const [ox, oy, oz] = place(j);
      return other === role && Math.hypot(ox - x, oy + y, oz - z) < ACROSS_MM;
    });
    if (bead < 0) return [];
    const image = over(turnOf(start, bead));
    const size = image.reduce((sum, v) => sum + v * v, 0);
    const turn = times(back(image), turnOf(start, i)).map((v) => v / size) as unknown as Quaternion;
    return [{ bead, turn }];
  });
  return likes.length === roles.length ? likes : null;
}
