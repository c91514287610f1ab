import type { Pose } from '../layout/layout';

/**
 * How a bead lies on a tube of a radius, mm: so far along, round by such an angle, its hole rising by so much for so much of its way
 * round.
 */
export const tubePose =
  (radiusMm: number) =>
  (x: number, angle: number, rise: number, round: number): Pose => {
    const size = Math.hypot(rise, round);
    const [c, s] = [Math.cos(angle), Math.sin(angle)];
    const on = round / size;
    return {
      centre: [x, radiusMm * c, radiusMm * s],
      axis: [rise / size, -on * s, on * c],
      across: [0, c, s],
    };
  };
