import {
  drawing,
  type Drawable,
  type Drawing,
  type DrawnBead,
  type Eye,
  type Viewing,
} from '../layout/drawing';
import type { Layout, Point } from '../layout/layout';
import type { Flat } from '../layout/outline';
import { cross, dot, mean, sub, unit } from '../layout/solver/vectors';
import type { BeadSize } from '../materials/material';
import { frames } from '../read/play';
import type { ThreadMove } from '../read/thread';
import { isTraversal, type Bead, type Move, type Path } from '../weave/path';
import { aboutMiddle, frameAt } from './frame';
import { smallestMm } from './sight';
import { heldAfter, type Held } from './told';

/** What a bead is to a step: picked up in it, gone through, or there already. */
export type BeadPart = 'new' | 'through' | 'there';

/** A step as it is drawn: the work so far, what is new in it, and the way of its thread, mm. */
export interface StepPicture {
  readonly shapes: Drawing['shapes'];
  /** From the back to the front. */
  readonly beads: readonly (DrawnBead & { readonly part: BeadPart })[];
  /** The thread of the step, from where it comes out to where it ends. */
  readonly ways: readonly (readonly Flat[])[];
  /** Where it goes on, in the order worked: through beads that are there or were picked up before, and what hangs at an end. */
  readonly marks: readonly { readonly at: Flat; readonly text: string }[];
  /** Findings that it goes through. */
  readonly findings: readonly Flat[];
  readonly from: Flat;
  readonly to: Flat;
  /** How large its smallest bead is. */
  readonly beadMm: number;
}

/** What is drawn of: the whole work, and how it is held. */
export interface Pictured {
  readonly path: Path;
  readonly layout: Layout;
  readonly thread: readonly ThreadMove[];
  readonly held: Held;
  readonly inner?: Drawable['inner'];
}

/** Beads beyond the step that are seen around it, as many times the smallest (by eye). */
const AROUND = 1.5;
/** A picture is no smaller than this either way, as many times the smallest (by eye). */
const LEAST = 5;

/**
 * Draws steps of a work, each by its moves: looked at as it is held, a tube from outside, unrolled. Null for a step in which no thread
 * goes anywhere.
 */
export function stepPictures(
  { path, layout, thread, held, inner }: Pictured,
  sizeOf: (role: string) => BeadSize,
): (moves: readonly Move[]) => StepPicture | null {
  const ways = new Map(frames(thread, layout).map((frame) => [frame.move, frame]));
  const order = new Map(path.moves.map((move, i) => [move, i]));
  const strungAt = new Map(
    path.moves.flatMap((move, i) =>
      move.kind === 'pick' || move.kind === 'enclose' ? [[move.bead, i] as const] : [],
    ),
  );
  const beadMm = smallestMm(path.beads, layout);
  const heldAt = turnsOf(path.moves, held);
  const middle = mean(placesOf(path.beads, layout));
  return (moves) => {
    const way = moves.map((move) => ways.get(move)?.way ?? []);
    const points = way.flat();
    if (points.length === 0) return null;
    const first = order.get(moves[0] as Move) ?? 0;
    const last = order.get(moves.at(-1) as Move) ?? first;
    // What hangs at the end of a tube stands in its mouth, and lies open nowhere.
    const onTube = held.round === 'tube' && moves.every(({ place }) => place.section.zone !== 'joint');
    const now = heldAt(last);
    const { viewing, hides, unrolledMm } = onTube ? unrolled(now, points) : viewOf(now, points, middle);
    const lines = followed(way, viewing.flat, unrolledMm);
    const touched = new Set(moves.filter(isTraversal).map(({ bead }) => bead));
    const [from, to] = box(
      [...lines.flat(), ...(onTube ? [] : cornersOf(touched, layout, viewing.flat))],
      beadMm,
    );
    const inBox = ([x, y]: Flat, more = 0) =>
      x >= from[0] - more && x <= to[0] + more && y >= from[1] - more && y <= to[1] + more;
    const reachMm = ({ role }: Bead): number => {
      const { lengthMm, diameterMm } = layout.body(role);
      return Math.max(lengthMm, diameterMm) / 2;
    };
    const within = path.beads.filter((bead) => {
      const at = strungAt.get(bead);
      const place = layout.poses[bead.id]?.centre;
      if (at === undefined || at > last || !place || hides(place)) return false;
      return turns(viewing.flat(place), unrolledMm).some((flat) => inBox(flat, reachMm(bead)));
    });
    const seen = { path: { ...path, beads: within }, layout, inner };
    const { shapes, beads } = drawing(seen, sizeOf, viewing);
    const partOf = (bead: Bead): BeadPart =>
      (strungAt.get(bead) ?? -1) >= first ? 'new' : touched.has(bead) ? 'through' : 'there';
    return {
      shapes,
      beads: beads.flatMap((bead) =>
        turns(bead.at, unrolledMm)
          .filter((at) => inBox(at, reachMm(bead.bead)))
          .map((at) => ({ ...bead, at, part: partOf(bead.bead) })),
      ),
      ways: lines,
      marks: marksOf(moves, lines),
      findings: moves.flatMap((move, i) => {
        const at = move.kind === 'attach' ? lines[i]?.at(-1) : undefined;
        return at ? [at] : [];
      }),
      from,
      to,
      beadMm,
    };
  };
}

/** How the work is held when it has come to a move, by its place among them. */
function turnsOf(moves: readonly Move[], begun: Held): (move: number) => Held {
  let held = begun;
  const turns = moves.flatMap((move, at) => {
    if (move.kind !== 'turn') return [];
    held = heldAfter(held, move.how);
    return [{ at, held }];
  });
  return (move) => turns.findLast(({ at }) => at <= move)?.held ?? begun;
}

const placesOf = (beads: readonly Bead[], layout: Layout): Point[] =>
  beads.flatMap(({ id }) => {
    const pose = layout.poses[id];
    return pose ? [pose.centre] : [];
  });

interface Looked {
  readonly viewing: Viewing;
  /** Whether what is at a place is behind the work. */
  readonly hides: (p: Point) => boolean;
  /** How long once round an unrolled tube is; null where nothing is unrolled. */
  readonly unrolledMm: number | null;
}

/** How a step is looked at, about the middle of its way. */
function viewOf(held: Held, way: readonly Point[], middle: Point): Looked {
  const place = mean(way);
  const eye = held.grows
    ? eyeOf(held, held.round === 'tube' ? (way[0] ?? place) : place)
    : eyeFromOutside(sub(place, middle));
  return {
    viewing: { flat: (p) => [dot(eye.right, p), dot(eye.down, p)], eyeAt: () => eye },
    // Of a hollow ball one sees the half towards one.
    hides: held.grows ? () => false : (p) => dot(eye.near, sub(p, middle)) < 0,
    unrolledMm: null,
  };
}

const eyeOf = (held: Held, place: Point): Eye => {
  const { right, down, towards } = frameAt(held, place);
  return { right, down, near: towards };
};

function eyeFromOutside(out: Point): Eye {
  const near = Math.hypot(...out) < 1e-6 ? ([0, 0, -1] as const) : unit(out);
  const right = unit(cross(Math.abs(near[1]) < 0.9 ? [0, 1, 0] : [1, 0, 0], near));
  return { right, down: cross(right, near), near };
}

/** A tube laid open: how far round is how far to the right, as from outside, counted from where the step begins. */
function unrolled(held: Held, way: readonly Point[]): Looked {
  const about = way.map((p) => aboutMiddle(held, p) ?? [0, 0]);
  const radiusMm = about.reduce((sum, [a, b]) => sum + Math.hypot(a, b), 0) / about.length;
  const [a0, b0] = about[0] ?? [0, 0];
  const zero = Math.atan2(b0, a0);
  const flat = (p: Point): Flat => {
    const [a, b] = aboutMiddle(held, p) ?? [0, 0];
    return [radiusMm * wrapped(Math.atan2(b, a) - zero), -p[0]];
  };
  return {
    viewing: { flat, eyeAt: (p) => eyeOf(held, p) },
    hides: () => false,
    unrolledMm: 2 * Math.PI * radiusMm,
  };
}

/** An angle from −π to π. */
const wrapped = (angle: number): number => angle - 2 * Math.PI * Math.round(angle / (2 * Math.PI));

/** The way of each move in the picture; round a tube it goes on where it has come to. */
function followed(
  way: readonly (readonly Point[])[],
  flat: (p: Point) => Flat,
  unrolledMm: number | null,
): Flat[][] {
  let before: number | null = null;
  return way.map((points) =>
    points.map((p): Flat => {
      const [x, y] = flat(p);
      const on: number =
        unrolledMm === null || before === null ? x : x + unrolledMm * Math.round((before - x) / unrolledMm);
      before = on;
      return [on, y];
    }),
  );
}

/** Where a place lies in a picture that is laid open, for every turn that it may show. */
const turns = ([x, y]: Flat, unrolledMm: number | null): Flat[] =>
  unrolledMm === null ? [[x, y]] : [-1, 0, 1].map((k): Flat => [x + k * unrolledMm, y]);

/** How far beads reach to either side of where they lie. */
const cornersOf = (beads: Iterable<Bead>, layout: Layout, flat: (p: Point) => Flat): Flat[] =>
  [...beads].flatMap((bead): Flat[] => {
    const pose = layout.poses[bead.id];
    if (!pose) return [];
    const { lengthMm, diameterMm } = layout.body(bead.role);
    const [[x, y], reach] = [flat(pose.centre), Math.max(lengthMm, diameterMm) / 2];
    return [
      [x - reach, y - reach],
      [x + reach, y + reach],
    ];
  });

/** The corners of what is shown: what there is, some beads around it, and no less than a few beads either way. */
function box(points: readonly Flat[], beadMm: number): [Flat, Flat] {
  const span = (values: readonly number[]) => {
    const [least, most] = [Math.min(...values), Math.max(...values)];
    const pad = Math.max(AROUND, (LEAST - (most - least) / beadMm) / 2) * beadMm;
    return [least - pad, most + pad] as const;
  };
  const [xs, ys] = [span(points.map(([x]) => x)), span(points.map(([, y]) => y))];
  return [
    [xs[0], ys[0]],
    [xs[1], ys[1]],
  ];
}

/** Numbers where thread goes through what is there, in the order worked; of what it goes through twice both. */
function marksOf(moves: readonly Move[], lines: readonly (readonly Flat[])[]): StepPicture['marks'] {
  const marks: { at: Flat; numbers: number[] }[] = [];
  let number = 0;
  moves.forEach((move, i) => {
    const [end, start] = [lines[i]?.at(-1), lines[i]?.at(-2)];
    if (!end || (move.kind !== 'pass' && move.kind !== 'attach')) return;
    const at: Flat = move.kind === 'pass' && start ? [(end[0] + start[0]) / 2, (end[1] + start[1]) / 2] : end;
    number++;
    const same = marks.find((mark) => Math.hypot(mark.at[0] - at[0], mark.at[1] - at[1]) < SAME_MM);
    if (same) same.numbers.push(number);
    else marks.push({ at, numbers: [number] });
  });
  return marks.map(({ at, numbers }) => ({ at, text: numbers.join(' ') }));
}

/** Two holes nearer than this are one in a picture, mm. */
const SAME_MM = 0.05;
