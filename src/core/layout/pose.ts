import { beside, type Pose } from './layout';
import type { Resting } from './solver/resting';
import type { Matrix } from './solver/turns';
import { across as rest, cross, ofColumns, unit } from './solver/vectors';

/** The turn of a bead that lies so: its axes along the hole, across the holes, and out, as the matrix's columns. */
export function turnOf({ axis, across }: Pose): Matrix {
  const x = unit(axis);
  const y = unit(rest(across ?? beside(axis), x));
  return ofColumns(x, y, cross(x, y));
}

/** How a bead lies that rests so: turnOf, the other way. */
export const poseAt = ({ centre, turn: r }: Resting): Pose => ({
  centre,
  axis: [r[0], r[3], r[6]],
  across: [r[1], r[4], r[7]],
});

/** How a bead rests that lies so. */
export const restingAt = (pose: Pose): Resting => ({ centre: pose.centre, turn: turnOf(pose) });
