import type { Point } from '../layout';
import type { Matrix } from './turns';

/** Plain vector arithmetic on points, mm. */
export const sub = (a: Point, b: Point): Point => [a[0] - b[0], a[1] - b[1], a[2] - b[2]];
export const add = (a: Point, b: Point): Point => [a[0] + b[0], a[1] + b[1], a[2] + b[2]];
export const mul = (a: Point, s: number): Point => [a[0] * s, a[1] * s, a[2] * s];
export const dot = (a: Point, b: Point): number => a[0] * b[0] + a[1] * b[1] + a[2] * b[2];
export const cross = (a: Point, b: Point): Point => [
  a[1] * b[2] - a[2] * b[1],
  a[2] * b[0] - a[0] * b[2],
  a[0] * b[1] - a[1] * b[0],
];
/** Length 1, in the same direction; nothing stays nothing. */
export const unit = (a: Point): Point => mul(a, 1 / Math.max(Math.hypot(...a), 1e-12));
/** What is left of `a` across an axis of length 1. */
export const across = (a: Point, axis: Point): Point => sub(a, mul(axis, dot(a, axis)));
/** The middle of points, of which there must be one. */
export const mean = (points: readonly Point[]): Point =>
  mul(
    points.reduce((sum, p) => add(sum, p), [0, 0, 0] as Point),
    1 / points.length,
  );

/** A point turned by a rotation. */
export const apply = (r: Matrix, [x, y, z]: Point): Point => [
  r[0] * x + r[1] * y + r[2] * z,
  r[3] * x + r[4] * y + r[5] * z,
  r[6] * x + r[7] * y + r[8] * z,
];

/** The rotation whose columns are these. */
export const ofColumns = (p: Point, q: Point, r: Point): Matrix => [
  p[0],
  q[0],
  r[0],
  p[1],
  q[1],
  r[1],
  p[2],
  q[2],
  r[2],
];

/** One rotation after another: first `b`, then `a`. */
export const times = (a: Matrix, b: Matrix): Matrix =>
  ofColumns(apply(a, [b[0], b[3], b[6]]), apply(a, [b[1], b[4], b[7]]), apply(a, [b[2], b[5], b[8]]));
