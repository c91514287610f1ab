import { KNOT_ROLE } from '../materials/knot';
import type { BeadSize } from '../materials/material';
import { HIDDEN_MM, type ThreadMove } from '../read/thread';
import type { Bead, Path, Section } from '../weave/path';
import { within, type Inner } from './bent';
import type { Layout, Point } from './layout';
import { isRound, outline, type Flat } from './outline';
import { leaning } from './lean';
import { turnOf } from './pose';
import { solidOf, type Solid } from './solver/solid';
import type { Matrix } from './solver/turns';
import { dot, ofColumns } from './solver/vectors';

/** From where a piece is looked at: its front, its edge, or along it. */
export type View = 'above' | 'side' | 'end';

/** To the right, down, and towards whoever looks, in the layout's own axes. */
export interface Eye {
  readonly right: Point;
  readonly down: Point;
  readonly near: Point;
}
const EYES: Readonly<Record<View, Eye>> = {
  above: { right: [1, 0, 0], down: [0, 1, 0], near: [0, 0, -1] },
  side: { right: [1, 0, 0], down: [0, 0, 1], near: [0, 1, 0] },
  end: { right: [0, -1, 0], down: [0, 0, 1], near: [1, 0, 0] },
};

/** How a bead of one role looks when it lies one way: drawn once, used for all that lie alike. */
export interface Shape {
  readonly role: string;
  /** Which of the role's colours it takes, where it has several. */
  readonly shade?: number;
  /** Its edge, mm, hole towards the right, centred. */
  readonly edge: readonly Flat[];
  /** Mouths of holes that can be seen: centre, and how far the hole leans towards the eye (0 to 1). */
  readonly mouths: readonly { readonly at: Flat; readonly open: number }[];
}

export interface DrawnBead {
  readonly bead: Bead;
  /** Key of its shape. */
  readonly shape: string;
  readonly at: Flat;
  /** Turn in the plane of the picture, degrees. */
  readonly angle: number;
  readonly depth: number;
  /** Which of those that stand in the place of one bead it is, from 0; absent where it is the bead itself. */
  readonly nth?: number;
}

/** A stretch of bare thread that shows. */
export interface DrawnThread {
  readonly from: Flat;
  readonly to: Flat;
  readonly depth: number;
  readonly section: Section;
  readonly unit: number;
  /** How thick a knot between two beads is in its middle, mm; 0 where there is none. */
  readonly knotMm: number;
}

export interface Drawing {
  readonly shapes: ReadonlyMap<string, Shape>;
  /** From the back to the front. */
  readonly beads: readonly DrawnBead[];
  readonly threads: readonly DrawnThread[];
}

/** What is drawn: a path, its layout, and its thread where that is to show. */
export interface Drawable {
  readonly path: Path;
  readonly layout: Layout;
  readonly thread?: readonly ThreadMove[];
  /** The beads that stand in the place of one, for roles that take parts made apart. */
  readonly inner?: (role: string) => readonly Inner[] | null;
}

/** Turns that look the same are drawn by one shape: parts of a half turn, and of a matrix's 1. */
const FINE = 24;

/** Where a point of the layout lies in the picture. */
export const flatFor =
  (view: View) =>
  (p: Point): Flat => [dot(EYES[view].right, p), dot(EYES[view].down, p)];

/** How a picture is looked at: where a place lies in it, and from where what is there is seen. */
export interface Viewing {
  readonly flat: (p: Point) => Flat;
  readonly eyeAt: (p: Point) => Eye;
}

const viewing = (view: View): Viewing => ({ flat: flatFor(view), eyeAt: () => EYES[view] });

/** The beads and bare thread of a layout, as they are seen. */
export function drawing(
  { path, layout, thread = [], inner = () => null }: Drawable,
  sizeOf: (role: string) => BeadSize,
  view: View | Viewing,
): Drawing {
  const { flat, eyeAt } = typeof view === 'string' ? viewing(view) : view;
  const shapes = new Map<string, Shape>();
  const solids = new Map<string, { solid: Solid; round: boolean }>();
  const solidFor = (role: string) => {
    const kept = solids.get(role);
    if (kept) return kept;
    const solid = solidOf(sizeOf(role));
    const made = { solid, round: isRound(solid) };
    solids.set(role, made);
    return made;
  };
  const drawn = (bead: Bead, { role, shade, pose }: Inner): DrawnBead => {
    const { solid, round } = solidFor(role);
    const eye = eyeAt(pose.centre);
    const seen = seenFrom(eye, turnOf(leaning(pose)));
    const { angle, turn } = uprighted(seen);
    const lies = round ? Math.round(FINE * turn[6]) : turn.map((v) => Math.round(FINE * v)).join();
    const key = `${role}/${lies}${shade === undefined ? '' : `~${shade}`}`;
    if (!shapes.has(key)) {
      const tint = shade === undefined ? {} : { shade };
      shapes.set(key, { role, ...tint, edge: outline(solid, turn), mouths: mouthsOf(solid, turn) });
    }
    return {
      bead,
      shape: key,
      at: flat(pose.centre),
      angle: (angle * 180) / Math.PI,
      depth: dot(eye.near, pose.centre),
    };
  };
  const beads = path.beads.flatMap((bead): DrawnBead[] => {
    const pose = layout.poses[bead.id];
    if (!pose) return [];
    const made = inner(bead.role);
    return made
      ? made.map((one, nth) => ({ ...drawn(bead, { ...one, pose: within(pose, one.pose) }), nth }))
      : [drawn(bead, { role: bead.role, pose })];
  });
  const once = new Map<string, DrawnThread>();
  const knotted = new Set<string>();
  for (const { move, gapMm, span } of thread) {
    if (move.kind === 'knot' && move.knot === 'between beads') knotted.add(move.needle);
    const knotMm = span && knotted.delete(move.needle) ? layout.body(KNOT_ROLE).diameterMm : 0;
    if (!span || (gapMm <= HIDDEN_MM && knotMm === 0)) continue;
    const [from, to] = span;
    const [a, b] = [flat(from), flat(to)];
    const { section, unit } = move.place;
    const depth = (dot(eyeAt(from).near, from) + dot(eyeAt(to).near, to)) / 2;
    const key = [...a, ...b].map((v) => v.toFixed(2)).join();
    // Thread that is led through the same gap later on does not undo its knot.
    if (!once.get(key)?.knotMm) once.set(key, { from: a, to: b, depth, section, unit, knotMm });
  }
  const fromBack = (a: { depth: number }, b: { depth: number }) => a.depth - b.depth;
  return { shapes, beads: beads.sort(fromBack), threads: [...once.values()].sort(fromBack) };
}

/** A turn as the eye sees it: right, down, and into the picture. */
function seenFrom({ right, down, near }: Eye, turn: Matrix): Matrix {
  const column = (k: 0 | 1 | 2): Point => {
    const axis: Point = [turn[k], turn[3 + k] as number, turn[6 + k] as number];
    return [dot(right, axis), dot(down, axis), -dot(near, axis)];
  };
  return ofColumns(column(0), column(1), column(2));
}

/**
 * A turn as one in the plane of the picture after one that keeps the hole to the right. Beads look the same end
 * for end, so the turn in the plane stays within a quarter, and light from above stays above.
 */
function uprighted(seen: Matrix): { angle: number; turn: Matrix } {
  const lying = Math.hypot(seen[0], seen[3]);
  const direct = lying > 1e-6 ? Math.atan2(seen[3], seen[0]) : 0;
  const flips = direct > Math.PI / 2 + 1e-9 || direct <= -Math.PI / 2 + 1e-9;
  const angle = flips ? direct - Math.sign(direct) * Math.PI : direct;
  const [c, s] = [Math.cos(angle), Math.sin(angle)];
  const way = flips ? -1 : 1;
  // Turned back by the angle; a flipped bead is turned end for end about the line of sight.
  const column = (k: 0 | 1 | 2): Point => {
    const [x, y, z] = [seen[k], seen[3 + k] as number, seen[6 + k] as number];
    const sign = k === 2 ? 1 : way;
    return [sign * (c * x + s * y), sign * (c * y - s * x), sign * z];
  };
  return { angle, turn: ofColumns(column(0), column(1), column(2)) };
}

/** The mouths of holes that lean towards the eye enough to be seen. */
function mouthsOf({ holes }: Solid, turn: Matrix): Shape['mouths'] {
  return holes.flatMap((ends) =>
    ends.flatMap((p, end) => {
      const towards = -(end === 0 ? -1 : 1) * mouthAxis(ends, turn);
      if (towards < 0.25) return [];
      return [
        { at: [turn[0] * p[0] + turn[1] * p[1], turn[3] * p[0] + turn[4] * p[1]] as Flat, open: towards },
      ];
    }),
  );
}

/** How far a hole leans into the picture, from its first end to its other. */
function mouthAxis([a, b]: readonly [Point, Point], turn: Matrix): number {
  const d: Point = [b[0] - a[0], b[1] - a[1], b[2] - a[2]];
  return (turn[6] * d[0] + turn[7] * d[1] + turn[8] * d[2]) / Math.hypot(...d);
}
