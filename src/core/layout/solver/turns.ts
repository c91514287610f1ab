import { given } from '../../tools/given';
import type { Point } from '../layout';

/** A rotation, row by row. */
export type Matrix = readonly [number, number, number, number, number, number, number, number, number];

/** The rotation matrix of a quaternion of any length. */
export function matrixOf(w: number, x: number, y: number, z: number): Matrix {
  const s = 2 / (w * w + x * x + y * y + z * z);
  return [
    1 - s * (y * y + z * z),
    s * (x * y - w * z),
    s * (x * z + w * y),
    s * (x * y + w * z),
    1 - s * (x * x + z * z),
    s * (y * z - w * x),
    s * (x * z - w * y),
    s * (y * z + w * x),
    1 - s * (x * x + y * y),
  ];
}

/** The same, written among other numbers from `o` on: the solver does so for every bead at every step. */
export function setMatrix(out: Float64Array, o: number, w: number, x: number, y: number, z: number): void {
  const s = 2 / (w * w + x * x + y * y + z * z);
  out[o] = 1 - s * (y * y + z * z);
  out[o + 1] = s * (x * y - w * z);
  out[o + 2] = s * (x * z + w * y);
  out[o + 3] = s * (x * y + w * z);
  out[o + 4] = 1 - s * (x * x + z * z);
  out[o + 5] = s * (y * z - w * x);
  out[o + 6] = s * (x * z - w * y);
  out[o + 7] = s * (y * z + w * x);
  out[o + 8] = 1 - s * (x * x + y * y);
}

/** A quaternion (w, x, y, z) of that rotation (Shepperd's method); its length is not 1. */
export function quaternionOf([a, b, c, d, e, f, g, h, i]: Matrix): [number, number, number, number] {
  const trace = a + e + i;
  const most = Math.max(trace, a, e, i);
  if (most === trace) return [1 + trace, h - f, c - g, d - b];
  if (most === a) return [h - f, 1 + a - e - i, b + d, c + g];
  if (most === e) return [c - g, b + d, 1 - a + e - i, f + h];
  return [d - b, c + g, f + h, 1 - a - e + i];
}

/** By how much points must be turned about the x axis to lie on others as nearly as can be (least squares), radians. */
export function turnOnto(points: readonly Point[], wanted: readonly Point[]): number {
  let [along, across] = [0, 0];
  points.forEach(([, y, z], i) => {
    const [, v, w] = given(wanted[i], 'place that is wanted');
    along += y * v + z * w;
    across += y * w - z * v;
  });
  return Math.atan2(across, along);
}
