import { distance, type Layout, type Point } from '../layout/layout';
import { holeEndOf } from '../weave/follow';
import { isTraversal, type Move, type Path, type Place } from '../weave/path';
import { HIDDEN_MM, threadMoves } from './thread';

/** Length of needle that can stand in beads while its ends are held (from memory; needles 10 to 13 are about 50 mm). */
export const STROKE_MM = 30;

/** Two holes lie in one line when the needle bends less than about 35° between them (from memory). */
const STRAIGHT = Math.cos((35 * Math.PI) / 180);

/**
 * Groups the passes that a straight needle makes in a single stroke: holes in one line, close together, no
 * longer than the needle, and within one row, so that every row is told as the next. Returns the number of its stroke for every traversal.
 */
export function strokes(path: Path, layout: Layout, needleMm = STROKE_MM): Map<Move, number> {
  const numbers = new Map<Move, number>();
  const open = new Map<string, { direction: Point; lengthMm: number; number: number; place: Place }>();
  let count = 0;
  for (const { move, trip, through, holeMm, gapMm } of threadMoves(path, layout)) {
    if (!isTraversal(move) || !through) continue;
    const direction = unit(...through);
    const before = holeEndOf(trip.from) && trip.since.length === 0 ? open.get(move.needle) : undefined;
    const goesOn =
      before &&
      isSameRow(before.place, move.place) &&
      gapMm <= HIDDEN_MM &&
      dot(before.direction, direction) >= STRAIGHT &&
      before.lengthMm + gapMm + holeMm <= needleMm;
    const number = goesOn ? before.number : count++;
    open.set(move.needle, {
      direction,
      number,
      place: move.place,
      lengthMm: goesOn ? before.lengthMm + gapMm + holeMm : holeMm,
    });
    numbers.set(move, number);
  }
  return numbers;
}

const isSameRow = (one: Place, other: Place): boolean =>
  one.section === other.section &&
  one.pass === other.pass &&
  one.unit === other.unit &&
  one.row === other.row;

const dot = (a: Point, b: Point) => a[0] * b[0] + a[1] * b[1] + a[2] * b[2];

function unit(from: Point, to: Point): Point {
  const length = distance(from, to) || 1;
  return [(to[0] - from[0]) / length, (to[1] - from[1]) / length, (to[2] - from[2]) / length];
}
