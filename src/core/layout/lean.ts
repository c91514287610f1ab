import type { BeadMaterial, ThreadMaterial } from '../materials/material';
import type { Pose } from './layout';
import { add, mul, unit } from './solver/vectors';

/** Trips through a bead of herringbone while its neighbours are drawn to it. */
const TRIPS = 2;

/**
 * How far a bead leans on thread that runs slantwise through its hole, in on one side and out on the other, radians: the
 * thread lies up to half of the room that is left from the middle, at either end. atan(2 s / L), s = (hole − thread in it) / 2;
 * fitted to layouts with such holes.
 */
export function leanOf(
  { holeMm, lengthMm }: Pick<BeadMaterial, 'holeMm' | 'lengthMm'>,
  { diameterMm }: Pick<ThreadMaterial, 'diameterMm'>,
  doubled: boolean,
): number {
  const lyingMm = TRIPS * (doubled ? 2 : 1) * diameterMm;
  return Math.atan(Math.max(0, holeMm - lyingMm) / lengthMm);
}

/**
 * The pose as the bead is seen: leaning, so that its end farther along the piece points where `lean` does. Pitch and thread
 * are read off the pose as it is: thread that runs slantwise stays inside.
 */
export function leaning(pose: Pose): Pose {
  const { axis, lean } = pose;
  if (!lean) return pose;
  const way = axis[0] < 0 ? -1 : 1;
  return { ...pose, axis: unit(add(axis, mul(lean, way))) };
}
