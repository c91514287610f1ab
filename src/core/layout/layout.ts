import type { HeldInside } from '../materials/material';
import type { Spot } from '../weave/follow';
import type { Bead, End, Path } from '../weave/path';

/**
 * Millimetres: x along the piece, to the right as it is drawn; y across it, downwards; z into the work, away from
 * whoever looks at its front.
 */
export type Point = readonly [x: number, y: number, z: number];

/** Where a bead lies: its centre and the direction of its hole, from end 0 to end 1. */
export interface Pose {
  readonly centre: Point;
  readonly axis: Point;
  /** The direction across its holes, from the first to the next; needed where it has several. */
  readonly across?: Point;
  /** Where its end farther along the piece leans to, by the tangent of the angle: it is drawn so. */
  readonly lean?: Point;
}

/** What a layout must know of a bead's body, mm. */
export interface Body {
  readonly lengthMm: number;
  readonly diameterMm: number;
  readonly widthMm?: number | null;
  readonly holes?: number;
  readonly apartMm?: number | null;
  readonly inside?: HeldInside;
}

/** Every bead and finding of a path in its place. Closed forms fill it; so will the solver. */
export interface Layout {
  readonly poses: readonly Pose[];
  /** Where the thread meets each finding. */
  readonly findings: readonly Point[];
  /** The body of a bead of that role. */
  readonly body: (role: string) => Body;
  /** A ring laid out flat: after so many millimetres along x it meets its beginning. */
  readonly aroundMm?: number;
}

export const distance = (a: Point, b: Point): number => Math.hypot(a[0] - b[0], a[1] - b[1], a[2] - b[2]);

/** Across a hole, in the plane of the work: how the holes of a bead lie where a layout does not say. */
export const beside = ([x, y]: Point): Point => {
  const flat = Math.hypot(x, y);
  return flat < 1e-9 ? [0, 1, 0] : [-y / flat, x / flat, 0];
};

/** The point of a bead's hole end in the layout. Throws when the layout does not know the bead. */
export function holeEnd(layout: Layout, bead: Bead, end: End, hole = 0): Point {
  const pose = layout.poses[bead.id];
  if (!pose) throw new Error(`The layout has no place for bead ${bead.id} (${bead.role}, ${bead.name}).`);
  const { lengthMm, holes = 1, apartMm, inside } = layout.body(bead.role);
  const half = ((inside?.post.lengthMm ?? lengthMm) / 2) * (end === 0 ? -1 : 1);
  const aside = (hole - (holes - 1) / 2) * (apartMm ?? 0);
  const [x, y, z] = pose.centre;
  const [ax, ay, az] = pose.axis;
  const across = pose.across ?? beside(pose.axis);
  return [
    x + ax * half + across[0] * aside,
    y + ay * half + across[1] * aside,
    z + az * half + across[2] * aside,
  ];
}

/** Where a finding lies in the layout. Throws when the layout does not know it. */
export function findingPoint(layout: Layout, path: Path, id: number): Point {
  const point = layout.findings[id];
  if (!point) throw new Error(`The layout has no place for ${path.findings[id]?.name ?? `finding ${id}`}.`);
  return point;
}

/** The point of a spot that thread comes to. Throws when the layout does not know its bead or finding. */
export function spotPoint(layout: Layout, path: Path, spot: Spot): Point {
  if (spot.at === 'hole') return holeEnd(layout, spot.bead, spot.end, spot.hole);
  if (spot.at === 'finding') return findingPoint(layout, path, spot.finding.id);
  const points = spot.ends.map(({ bead, end, hole }) => holeEnd(layout, bead, end, hole));
  const middle = (axis: 0 | 1 | 2) => points.reduce((sum, p) => sum + p[axis], 0) / points.length;
  return [middle(0), middle(1), middle(2)];
}
