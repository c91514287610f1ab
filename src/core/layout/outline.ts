import type { Solid } from './solver/solid';
import { Support } from './solver/support';
import type { Matrix } from './solver/turns';

/** A point in the plane of the picture, mm. */
export type Flat = readonly [x: number, y: number];

/** Directions in which the edge is looked for. */
const LOOKS = 40;
const support = new Support();

/**
 * The outline of a body turned by `turn`, seen along the third axis: the points of its edge that reach farthest
 * in each of so many directions. It is the body that the solver lays out, so the picture is as true as the layout.
 */
export function outline(solid: Solid, turn: Matrix): Flat[] {
  const [r0, r1, r2, r3, r4, r5] = turn;
  return Array.from({ length: LOOKS }, (_, k): Flat => {
    const angle = (2 * Math.PI * k) / LOOKS;
    const [c, s] = [Math.cos(angle), Math.sin(angle)];
    const { x, y, z } = support.at(
      solid,
      1,
      r0 * c + r3 * s,
      r1 * c + r4 * s,
      r2 * c + r5 * s,
      0,
      0,
      0,
      0,
      0,
      0,
    );
    return [r0 * x + r1 * y + r2 * z, r3 * x + r4 * y + r5 * z];
  });
}

/** Whether a body is round about its hole, so that only the hole's direction matters. */
export const isRound = ({ terms }: Solid): boolean =>
  terms.every((term) =>
    term.kind === 'ellipsoid'
      ? term.axes[1] === term.axes[2]
      : term.one[1] === term.one[2] && term.other[1] === term.other[2],
  );
