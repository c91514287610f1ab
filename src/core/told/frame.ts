import { holeEnd, type Layout, type Point } from '../layout/layout';
import { cross, dot, mul, sub, unit } from '../layout/solver/vectors';
import type { Bead } from '../weave/path';
import { DIRECTIONS, type Direction, type Held } from './told';

/** The ways of the hand at a place of the work, each of length 1 in the layout's axes. */
export type Frame = Readonly<Record<Direction, Point>>;

const frameOf = (up: Point, right: Point): Frame => {
  // Out of the picture, towards whoever looks: the layout's axes are right, down, into the work.
  const away = cross(up, right);
  return { up, down: mul(up, -1), right, left: mul(right, -1), towards: mul(away, -1), away };
};

/** Held flat: as it is drawn, turned a quarter so that its start is below, or turned end for end, as a left hand works. */
const FLAT: Readonly<Record<NonNullable<Held['grows']>, Frame>> = {
  right: frameOf([0, -1, 0], [1, 0, 0]),
  left: frameOf([0, 1, 0], [-1, 0, 0]),
  up: frameOf([1, 0, 0], [0, 1, 0]),
};

/** A place as it is turned about the middle of the work: in the plane across that it is turned in; null where nothing turns. */
export const aboutMiddle = ({ round }: Held, [x, y, z]: Point): readonly [number, number] | null =>
  round === null ? null : round === 'tube' ? [y, z] : [x - round.aboutMm, y];

/** The ways at a place of the work, as it has been turned. */
export function frameAt(held: Held, place: Point): Frame {
  const begun = frameAsBegun(held, place);
  const { over = false, ends = false } = held.turned ?? {};
  if (!over && !ends) return begun;
  const up = ends ? begun.down : begun.up;
  return frameOf(up, over === ends ? begun.right : begun.left);
}

function frameAsBegun(held: Held, place: Point): Frame {
  const about = aboutMiddle(held, place);
  if (!about) return FLAT[held.grows ?? 'right'];
  const [a, b] = about;
  const far = Math.hypot(a, b);
  if (held.round === 'tube') {
    const out: Point = far < 1e-9 ? [0, 0, -1] : [0, a / far, b / far];
    const up: Point = [1, 0, 0];
    return frameOf(up, cross(up, out));
  }
  const up: Point = far < 1e-9 ? [1, 0, 0] : [a / far, b / far, 0];
  return frameOf(up, cross([0, 0, 1], up));
}

/** The way that leads round the middle by a growing angle, at a place off it. */
export function onRound({ round }: Held, [a, b]: readonly [number, number]): Point {
  return round === 'tube' ? [0, -b, a] : [-b, a, 0];
}

/** The way that a stretch leads, as near as one of them comes. */
export function wayOf(frame: Frame, along: Point): Direction {
  return DIRECTIONS.reduce((best, one) =>
    dot(frame[one], along) > dot(frame[best], along) + 1e-9 ? one : best,
  );
}

/** A hole's ends in the layout, and which way it leads. */
export function holeIn(layout: Layout, bead: Bead, hole: number): { from: Point; to: Point; along: Point } {
  const [from, to] = [holeEnd(layout, bead, 0, hole), holeEnd(layout, bead, 1, hole)];
  return { from, to, along: unit(sub(to, from)) };
}
