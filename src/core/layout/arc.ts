import { halving } from '../tools/halving';
import type { Point } from './layout';

/** A place along an arc: beside the chord's start, and the way it runs there. */
export interface OnArc {
  readonly at: Point;
  readonly way: Point;
}

/**
 * Where beads of these lengths lie, end to end, on the arc of a circle that hangs between the points (0, 0) and
 * (`chordMm`, 0), towards +y. An arc no longer than its chord lies straight along it.
 */
export function hang(chordMm: number, lengthsMm: readonly number[]): OnArc[] {
  const arcMm = lengthsMm.reduce((sum, mm) => sum + mm, 0);
  const half = halfAngle(chordMm / arcMm);
  let walked = 0;
  return lengthsMm.map((mm): OnArc => {
    const middle = walked + mm / 2;
    walked += mm;
    if (half === 0) return { at: [middle + (chordMm - arcMm) / 2, 0, 0], way: [1, 0, 0] };
    const radius = arcMm / (2 * half);
    const angle = middle / radius - half;
    return {
      at: [chordMm / 2 + radius * Math.sin(angle), radius * (Math.cos(angle) - Math.cos(half)), 0],
      way: [Math.cos(angle), -Math.sin(angle), 0],
    };
  });
}

/** The same between two points of the plane: it hangs to the left of the way from the first to the second. */
export function hangBetween(
  [fromX, fromY]: readonly [number, number],
  [toX, toY]: readonly [number, number],
  lengthsMm: readonly number[],
): OnArc[] {
  const [dx, dy] = [toX - fromX, toY - fromY];
  const chord = Math.hypot(dx, dy);
  const turned = ([along, out]: Point): [number, number] => [
    (along * dx - out * dy) / chord,
    (along * dy + out * dx) / chord,
  ];
  return hang(chord, lengthsMm).map(({ at, way }) => {
    const [x, y] = turned(at);
    return { at: [fromX + x, fromY + y, 0], way: [...turned(way), 0] };
  });
}

/**
 * How far along such an arc the point lies that hangs under a point of its chord, and how the arc is turned there against the chord,
 * radians. The arc must not be so long that it bulges beyond its chord.
 */
export function alongArc(chordMm: number, arcMm: number, atMm: number): { alongMm: number; angle: number } {
  const half = halfAngle(chordMm / arcMm);
  if (half === 0) return { alongMm: atMm + (arcMm - chordMm) / 2, angle: 0 };
  const radius = arcMm / (2 * half);
  const angle = Math.asin(Math.max(-1, Math.min(1, (atMm - chordMm / 2) / radius)));
  return { alongMm: arcMm / 2 + radius * angle, angle: -angle };
}

/** Half the angle of an arc whose chord is this part of it: sin φ / φ, solved by halving. */
function halfAngle(part: number): number {
  if (part >= 1) return 0;
  return halving(0, Math.PI, (angle) => Math.sin(angle) / angle > part);
}
