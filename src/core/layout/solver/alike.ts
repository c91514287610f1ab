import type { Energy } from './minimise';
import { PER_BEAD } from './state';

type Quaternion = readonly [w: number, x: number, y: number, z: number];

/** What moves the place and turn of a bead's like to where the bead itself is: a mirror or a turn about x. */
interface Like {
  readonly bead: number;
  /** How y and z of the like become the bead's own. */
  readonly yy: number;
  readonly yz: number;
  readonly zy: number;
  readonly zz: number;
  /** How its turn does, a quaternion: four numbers by four, row by row. */
  readonly turn: Float64Array;
}

/** As near as this two beads lie alike, mm; and as near to no turn at all, for the rest of a turn. */
const NEAR_MM = 1e-6;
const NEAR = 1e-6;

const times = ([a, b, c, d]: Quaternion, [w, x, y, z]: Quaternion): Quaternion => [
  a * w - b * x - c * y - d * z,
  a * x + b * w + c * z - d * y,
  a * y - b * z + c * w + d * x,
  a * z + b * y - c * x + d * w,
];

/** The mirror image in y of a turn. */
const over = ([w, x, y, z]: Quaternion): Quaternion => [w, -x, y, -z];
const back = ([w, x, y, z]: Quaternion): Quaternion => [w, -x, -y, -z];
const lengthOf = (q: Quaternion) => Math.hypot(...q);

const turnOf = (state: Float64Array, bead: number): Quaternion => {
  const o = bead * PER_BEAD + 3;
  return [state[o] as number, state[o + 1] as number, state[o + 2] as number, state[o + 3] as number];
};
const placeOf = (state: Float64Array, bead: number): readonly [number, number, number] => {
  const o = bead * PER_BEAD;
  return [state[o] as number, state[o + 1] as number, state[o + 2] as number];
};

/**
 * A hand draws both edges of a strip alike. Where an arrangement is the same on either side of its middle line, keeps every
 * state so: returns the energy with each bead and its like across the line held to be mirror images. Null where the
 * arrangement is not the same on both sides.
 */
export function alikeAcross(energy: Energy, start: Float64Array, roles: readonly string[]): Energy | null {
  const likes = roles.map((role, i): Like[] => {
    const [x, y, z] = placeOf(start, i);
    const bead = roles.findIndex((other, j) => {
      const [ox, oy, oz] = placeOf(start, j);
      return other === role && Math.hypot(ox - x, oy + y, oz - z) < NEAR_MM;
    });
    if (bead < 0) return [];
    const after = rest(over(turnOf(start, bead)), turnOf(start, i));
    const turn = linear((of) => times(over(of), after));
    return [itself(i), { bead, yy: -1, yz: 0, zy: 0, zz: 1, turn }];
  });
  return likes.every((of) => of.length > 0) ? keptAlike(energy, likes) : null;
}

/**
 * On a former all columns of a tube are alike: returns the energy with the beads of a round that are strung the same way held
 * to be each other turned about the tube. Null where no round has two such beads.
 */
export function alikeAround(energy: Energy, start: Float64Array, roles: readonly string[]): Energy | null {
  const likes = roles.map((role, i) =>
    roles.flatMap((other, j): Like[] => (other === role ? turnedTo(start, i, j) : [])),
  );
  const [least, most] = [
    Math.min(...likes.map((of) => of.length)),
    Math.max(...likes.map((of) => of.length)),
  ];
  return least > 1 && least === most ? keptAlike(energy, likes) : null;
}

/** One bead of a round as the image of another, where it is one. */
function turnedTo(start: Float64Array, i: number, j: number): Like[] {
  const [[x, y, z], [ox, oy, oz]] = [placeOf(start, i), placeOf(start, j)];
  const far = Math.hypot(y, z);
  if (Math.abs(x - ox) > NEAR_MM || Math.abs(far - Math.hypot(oy, oz)) > NEAR_MM || far < NEAR_MM) return [];
  const angle = Math.atan2(z, y) - Math.atan2(oz, oy);
  const [c, s] = [Math.cos(angle), Math.sin(angle)];
  const before: Quaternion = [Math.cos(angle / 2), Math.sin(angle / 2), 0, 0];
  const after = rest(times(before, turnOf(start, j)), turnOf(start, i));
  // Strung the other way it is another bead.
  if (Math.hypot(after[1], after[2], after[3]) > NEAR) return [];
  const turn = linear((of) => times(times(before, of), after));
  return [{ bead: j, yy: c, yz: -s, zy: s, zz: c, turn }];
}

const itself = (bead: number): Like => ({ bead, yy: 1, yz: 0, zy: 0, zz: 1, turn: linear((of) => of) });

/** What is linear in a quaternion, as numbers to multiply with. */
function linear(map: (of: Quaternion) => Quaternion): Float64Array {
  const columns = [0, 1, 2, 3].map((k) => map([0, 1, 2, 3].map((i) => Number(i === k)) as never));
  return Float64Array.from([0, 1, 2, 3].flatMap((row) => columns.map((column) => column[row] as number)));
}

/** What is left to turn, of length 1, from one turn to another. */
const rest = (from: Quaternion, to: Quaternion): Quaternion => {
  const size = lengthOf(from) * lengthOf(to);
  return times(back(from), to).map((v) => v / size) as unknown as Quaternion;
};

function keptAlike(energy: Energy, likes: readonly (readonly Like[])[]): Energy {
  let [kept, slope] = [new Float64Array(0), new Float64Array(0)];
  return (state, gradient) => {
    if (kept.length !== state.length)
      [kept, slope] = [new Float64Array(state.length), new Float64Array(state.length)];
    project(state, kept, likes);
    const value = energy(kept, slope);
    project(slope, gradient, likes);
    return value;
  };
}

/** The same state with beads alike: each the mean of the images of its likes. A projection, and its own transpose. */
function project(from: Float64Array, to: Float64Array, likes: readonly (readonly Like[])[]): void {
  to.set(from);
  for (let i = 0; i < likes.length; i++) {
    const of = likes[i] as readonly Like[];
    const o = i * PER_BEAD;
    to.fill(0, o, o + PER_BEAD);
    for (const { bead, yy, yz, zy, zz, turn } of of) {
      const f = bead * PER_BEAD;
      const y = from[f + 1] as number;
      const z = from[f + 2] as number;
      to[o] = (to[o] as number) + (from[f] as number);
      to[o + 1] = (to[o + 1] as number) + yy * y + yz * z;
      to[o + 2] = (to[o + 2] as number) + zy * y + zz * z;
      for (let k = 0; k < 16; k++) {
        const q = o + 3 + (k >> 2);
        to[q] = (to[q] as number) + (turn[k] as number) * (from[f + 3 + (k & 3)] as number);
      }
    }
    for (let k = o; k < o + PER_BEAD; k++) to[k] = (to[k] as number) / of.length;
  }
}
