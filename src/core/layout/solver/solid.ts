import type { BeadShape, BeadSize } from '../../materials/material';
import { rememberedWeakly } from '../../tools/remember';
import type { Point } from '../layout';

/**
 * A bead's body by its support function h(n): how far it reaches in each direction n. The function is a sum
 * of smooth terms, so every face is very slightly domed and every edge rounded, as beads are; contact
 * between two bodies then moves smoothly.
 */
export interface Solid {
  readonly terms: readonly Term[];
  /** The ends of each hole in the bead's own frame: [end 0, end 1]. */
  readonly holes: readonly (readonly [Point, Point])[];
  /** Radius of a ball that holds the body. */
  readonly boundMm: number;
}

/** One part of a support function. */
export type Term =
  /** √(Σ (aᵢ nᵢ)²): an ellipsoid. */
  | { readonly kind: 'ellipsoid'; readonly axes: Point }
  /** (uᵏ + vᵏ)^(1/k): the hull of two ellipsoids, its crease softened. */
  | { readonly kind: 'hull'; readonly one: Point; readonly other: Point };

/** Power of the softened hull: high enough that the flank of a cone bulges by less than 3 %. */
export const HULL_POWER = 24;

/** How domed a flat face is: the slope that turns a face by one radian of its half width. */
const DOME = 0.02;

/** Rounding of edges, as a part of the smallest half size (from memory, by looking at beads). */
export const ROUNDING: Readonly<Record<BeadShape, number>> = {
  seed: 0.5,
  cylinder: 0.2,
  bugle: 0.1,
  'twisted bugle': 0.1,
  cube: 0.25,
  ball: 1,
  bicone: 0.1,
  rondelle: 1,
  drop: 1,
  oval: 1,
  lens: 0.5,
  tile: 0.25,
  'half tile': 0.25,
  bar: 0.3,
  brick: 0.25,
  wedge: 0.3,
  triangle: 0.2,
  'set stone': 0.2,
  stone: 0.5,
};

const halfOf = (bead: BeadSize): Point => [
  bead.lengthMm / 2,
  (bead.widthMm ?? bead.diameterMm) / 2,
  bead.diameterMm / 2,
];

/** How far the edges of a bead are rounded, mm. */
export const roundingMm = (bead: BeadSize): number => ROUNDING[bead.shape] * Math.min(...halfOf(bead));

/**
 * The body of a bead: x along the (first) hole, y across the holes, z its height.
 * @param rounding multiplies the usual rounding of the edges
 */
export const solidOf = (bead: BeadSize, rounding = 1): Solid =>
  rounding === 1 ? usualSolid(bead) : roundedSolid(bead, rounding);

/** Asked of the same bead over and over, wherever its fellows touch it. */
const usualSolid = rememberedWeakly((bead: BeadSize) => roundedSolid(bead, 1));

function roundedSolid(bead: BeadSize, rounding: number): Solid {
  const half = halfOf(bead);
  const part = Math.min(1, ROUNDING[bead.shape] * rounding);
  const terms = termsOf(bead.shape, half, part);
  return { terms, holes: holesOf(bead, half), boundMm: Math.hypot(...half) };
}

function termsOf(shape: BeadShape, half: Point, rounding: number): Term[] {
  switch (shape) {
    case 'ball':
    case 'rondelle':
    case 'oval':
    case 'drop':
      return [{ kind: 'ellipsoid', axes: half }];
    case 'bicone': {
      // Tips as wide as the hole's rim, the girdle in the middle.
      const rim = 0.2 * half[1];
      return [{ kind: 'hull', one: [half[0], rim, rim], other: [0.02 * half[0], half[1], half[2]] }];
    }
    case 'seed':
    case 'cylinder':
    case 'bugle':
    case 'twisted bugle':
      return summed([['x'], ['y', 'z']], half, rounding);
    case 'lens':
      // As wide as long in its plane of holes, thin at the rim: an ellipsoid, a little squared.
      return summed([['x'], ['y'], ['z']], half, 0.7, true);
    default:
      return summed([['x'], ['y'], ['z']], half, rounding);
  }
}

type Axis = 'x' | 'y' | 'z';
const AXES: readonly Axis[] = ['x', 'y', 'z'];

/**
 * A sum of flat or round plates, one for each group of axes, and a ball for the rounding: a cylinder is a
 * disc and a stick, a box is three sticks. Sizes are chosen so that the body is exactly as large as asked
 * along each axis, doming included.
 */
function summed(groups: readonly (readonly Axis[])[], half: Point, rounding: number, oval = false): Term[] {
  const smallest = Math.min(...half);
  const ball: Point = oval
    ? (half.map((h) => h * rounding) as unknown as Point)
    : [rounding * smallest, rounding * smallest, rounding * smallest];
  const left = half.map((h, i) => h - (ball[i] as number));
  // Each group reaches its own axis by √(1 + dome²) and the others by dome: solve for the sizes by iteration.
  const sizes = groups.map((group) => left[AXES.indexOf(group[0] as Axis)] as number);
  const total = () => sizes.reduce((sum, s) => sum + s, 0);
  for (let round = 0; round < 40; round++)
    groups.forEach((group, g) => {
      const wish = left[AXES.indexOf(group[0] as Axis)] as number;
      const others = DOME * (total() - (sizes[g] as number));
      sizes[g] = Math.max(0, (wish - others) / Math.hypot(1, DOME));
    });
  const plates = groups.map((group, g): Term => {
    const size = sizes[g] as number;
    const axes = AXES.map((axis) => size * (group.includes(axis) ? Math.hypot(1, DOME) : DOME));
    return { kind: 'ellipsoid', axes: axes as unknown as Point };
  });
  return [...plates, { kind: 'ellipsoid', axes: ball }];
}

function holesOf(bead: BeadSize, [halfLength, halfWidth]: Point): Solid['holes'] {
  if (bead.holes === 0) return [];
  const along = (y: number): readonly [Point, Point] => [
    [-halfLength, y, 0],
    [halfLength, y, 0],
  ];
  if (bead.holes === 1) return [along(0)];
  if (bead.crossing)
    return [
      along(0),
      [
        [0, -halfWidth, 0],
        [0, halfWidth, 0],
      ],
    ];
  const apart = bead.apartMm ?? halfWidth;
  return Array.from({ length: bead.holes }, (_, i) => along((i - (bead.holes - 1) / 2) * apart));
}
