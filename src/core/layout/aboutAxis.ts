import type { Form } from '../structures/structure';
import type { Point, Pose } from './layout';

/**
 * A motif is laid out as one of its equal parts, about the x axis of the solver: the others are its images, each a part of
 * the round on, and none along. So it is as even as a hand lays it, whose thread alone would draw its loops all ways.
 */

/** From a motif on its mat, its middle at a place along it, to work about the x axis; a turn, not a mirror image. */
const upright =
  (middleMm: number) =>
  ([x, y, z]: Point): Point => [z, x - middleMm, y];
/** And back again. */
export const flatOnMat =
  (middleMm: number) =>
  ([x, y, z]: Point): Point => [y + middleMm, z, x];

/** A form whose beads lie about the x axis. */
export const aboutAxis = (form: Form, { middleMm }: NonNullable<Form['round']>): Form => ({
  ...form,
  pose: (bead) => turnedOver(form.pose(bead), upright(middleMm), upright(0)),
});

/** A pose in another frame: its place, and its ways. */
export const turnedOver = (
  { centre, axis, across }: Pose,
  place: (p: Point) => Point,
  way: (p: Point) => Point,
): Pose => ({ centre: place(centre), axis: way(axis), ...(across && { across: way(across) }) });
