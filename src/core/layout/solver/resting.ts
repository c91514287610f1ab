import type { Point } from '../layout';
import type { Solid } from './solid';
import { PER_BEAD } from './state';
import { reachOf } from './support';
import { matrixOf, type Matrix } from './turns';
import { ofColumns } from './vectors';

/** One bead at rest: its centre and its turn, in the frame of its cell. */
export interface Resting {
  readonly centre: Point;
  readonly turn: Matrix;
}

export const restingOf = (state: Float64Array, bead: number): Resting => {
  const o = bead * PER_BEAD;
  return {
    centre: [state[o] as number, state[o + 1] as number, state[o + 2] as number],
    turn: matrixOf(
      state[o + 3] as number,
      state[o + 4] as number,
      state[o + 5] as number,
      state[o + 6] as number,
    ),
  };
};

/** The same bead so many periods on along the screw. */
export function shifted({ centre, turn }: Resting, periodMm: number, twist: number, shift: number): Resting {
  if (shift * twist === 0) return { centre: [centre[0] + shift * periodMm, centre[1], centre[2]], turn };
  const [cos, sin] = [Math.cos(shift * twist), Math.sin(shift * twist)];
  const about = (p: Point): Point => [p[0], cos * p[1] - sin * p[2], sin * p[1] + cos * p[2]];
  const [x, y, z] = about(centre);
  const row = (k: 0 | 1 | 2): Point => [turn[k], turn[3 + k], turn[6 + k]] as unknown as Point;
  const [a, b, c] = [about(row(0)), about(row(1)), about(row(2))];
  return {
    centre: [x + shift * periodMm, y, z],
    turn: ofColumns(a, b, c),
  };
}

/** How far a bead at rest reaches in a direction, from the origin. */
export function reach(solid: Solid, { centre, turn }: Resting, [nx, ny, nz]: Point): number {
  const own = reachOf(
    solid,
    turn[0] * nx + turn[3] * ny + turn[6] * nz,
    turn[1] * nx + turn[4] * ny + turn[7] * nz,
    turn[2] * nx + turn[5] * ny + turn[8] * nz,
  );
  return centre[0] * nx + centre[1] * ny + centre[2] * nz + own;
}
