import type { Point, Pose } from './layout';
import { turnOf } from './pose';
import { add, apply } from './solver/vectors';

/** A bead that stands within another: the role by which its size and look are known, and where it lies from the middle. */
export interface Inner {
  readonly role: string;
  /** Which of the role's colours it takes, where it has several. */
  readonly shade?: number;
  readonly pose: Pose;
}

/**
 * A bead of a flat strip, on the strip bent round into a ring: in the ring's own axes, whose x leads through its beginning,
 * and whose z is the axis that it turns about. The front of the strip is the outside of the ring.
 * @param girthMm length of the strip along its middle line
 * @param radius of the ring's middle line, mm: more than the girth alone makes where beads meet at their inner edges
 */
export function bent({ centre: [x, y, z], axis, across }: Pose, girthMm: number, radius: number): Pose {
  const angle = (2 * Math.PI * x) / girthMm;
  const [cos, sin] = [Math.cos(angle), Math.sin(angle)];
  // Along → round, across → along the ring's axis, into the work → inward.
  const turned = ([a, b, c]: Point): Point => [-sin * a - cos * c, cos * a - sin * c, -b];
  return {
    centre: [(radius - z) * cos, (radius - z) * sin, -y],
    axis: turned(axis),
    ...(across && { across: turned(across) }),
  };
}

/** A pose told in the axes of a bead, as it lies where that bead does. */
export function within(outer: Pose, { centre, axis, across }: Pose): Pose {
  const turn = turnOf(outer);
  return {
    centre: add(outer.centre, apply(turn, centre)),
    axis: apply(turn, axis),
    ...(across && { across: apply(turn, across) }),
  };
}
