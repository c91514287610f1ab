import type { Bead, End, Path } from '../weave/path';

/** Millimetres: x along the piece, y across it, z out of the work. */
export type Point = readonly [x: number, y: number, z: number];

/** Where a bead lies: its centre and the direction of its hole, from end 0 to end 1. */
export interface Pose {
  readonly centre: Point;
  readonly axis: Point;
}

/** What a layout must know of a bead's body, mm. */
export interface Body {
  readonly lengthMm: number;
  readonly diameterMm: number;
}

/** Every bead and finding of a path in its place. Closed forms fill it; so will the solver. */
export interface Layout {
  readonly poses: readonly Pose[];
  /** Where the thread meets each finding. */
  readonly findings: readonly Point[];
  /** The body of a bead of that role. */
  readonly body: (role: string) => Body;
}

export const distance = (a: Point, b: Point): number => Math.hypot(a[0] - b[0], a[1] - b[1], a[2] - b[2]);

export const midway = (a: Point, b: Point): Point => [
  (a[0] + b[0]) / 2,
  (a[1] + b[1]) / 2,
  (a[2] + b[2]) / 2,
];

/**
 * The point of a bead's hole end in the layout. Closed forms lay out beads of one hole, along their axis.
 * Throws when the layout does not know the bead, or not that hole of it.
 */
export function holeEnd(layout: Layout, bead: Bead, end: End, hole = 0): Point {
  if (hole !== 0) throw new Error(`The layout knows one hole of ${bead.role}, not number ${hole + 1}.`);
  const pose = layout.poses[bead.id];
  if (!pose) throw new Error(`The layout has no place for bead ${bead.id} (${bead.role}, ${bead.name}).`);
  const half = (layout.body(bead.role).lengthMm / 2) * (end === 0 ? -1 : 1);
  const [x, y, z] = pose.centre;
  const [ax, ay, az] = pose.axis;
  return [x + ax * half, y + ay * half, z + az * half];
}

/** Where a finding lies in the layout. Throws when the layout does not know it. */
export function findingPoint(layout: Layout, path: Path, id: number): Point {
  const point = layout.findings[id];
  if (!point) throw new Error(`The layout has no place for ${path.findings[id]?.name ?? `finding ${id}`}.`);
  return point;
}
