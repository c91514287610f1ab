import { KNOT_ROLE, knotTakesMm } from '../materials/knot';
import { distance, spotPoint, type Layout, type Point } from '../layout/layout';
import { follow, holeEndOf, type Spot, type Trip } from '../weave/follow';
import { strandsOf, type Move, type Path } from '../weave/path';

/** Thread that one knot takes up, mm (from memory; a half hitch pulled down on 0.15 mm thread). */
export const KNOT_MM = 4;

/** What one move costs in thread, mm: through a hole, and bare across the gap that leads to it. */
export interface ThreadMove {
  readonly move: Move;
  readonly trip: Trip;
  readonly holeMm: number;
  readonly gapMm: number;
  /** Strands it takes: 2 of a doubled thread. The lengths are of one. */
  readonly strands: number;
  /** Where it goes in and comes out; null where the move leads the thread nowhere. */
  readonly through: readonly [Point, Point] | null;
  /** The bare span from where the thread last came out, for drawing; null at a thread's beginning. */
  readonly span: readonly [Point, Point] | null;
}

/**
 * The thread of every move: the length of the hole it goes through, and the bare distance from where it came out
 * before.
 */
export function threadMoves(path: Path, layout: Layout): ThreadMove[] {
  const strands = strandsOf(path);
  const pointOf = (spot: Spot) => spotPoint(layout, path, spot);
  // Where one trip comes out the next of its needle sets out.
  const reached = new Map<string, Point>();
  return follow(path).map((trip): ThreadMove => {
    const { move, from, into, out } = trip;
    const strandsHere = strands(move.needle);
    if (!into || !out)
      return {
        move,
        trip,
        holeMm: 0,
        gapMm: standing(move, layout),
        strands: strandsHere,
        through: null,
        span: null,
      };
    const start = pointOf(into);
    const end = out === into ? start : pointOf(out);
    const insideMm = insideWayMm(trip, layout);
    const before = from && nearest(reached.get(move.needle) ?? pointOf(from), start, layout.aroundMm);
    reached.set(move.needle, end);
    return {
      move,
      trip,
      holeMm: distance(start, end),
      gapMm: insideMm ?? (before ? distance(before, start) : 0),
      strands: strandsHere,
      through: [start, end],
      span: before && insideMm === null ? [before, start] : null,
    };
  });
}

/** The hidden way from one place of a part made apart to the other; null where thread goes elsewhere. */
function insideWayMm({ from, into }: Trip, layout: Layout): number | null {
  const [out, next] = [holeEndOf(from), holeEndOf(into)];
  if (!out || !next || out.bead !== next.bead || out.hole === next.hole) return null;
  return layout.body(out.bead.role).inside?.wayMm ?? null;
}

/** A point as it lies nearest to another: in a ring laid out flat, what left at one end comes in at the other. */
function nearest(from: Point, to: Point, aroundMm: number | undefined): Point {
  if (aroundMm === undefined) return from;
  const turns = Math.round((to[0] - from[0]) / aroundMm);
  return turns === 0 ? from : [from[0] + turns * aroundMm, from[1], from[2]];
}

/** Thread that a move takes where it stands: a knot, or the way round the outside of a bead. */
function standing(move: Move, layout: Layout): number {
  if (move.kind === 'knot')
    return move.knot === 'between beads' ? knotTakesMm(layout.body(KNOT_ROLE)) : KNOT_MM;
  // Along the bead is the gap to where it goes in again; clearing its girth on the way costs a radius twice.
  return move.kind === 'around' ? layout.body(move.bead.role).diameterMm : 0;
}

/** Thread in the work, mm, all strands, summed over the moves for which `where` holds. */
export const threadMm = (moves: readonly ThreadMove[], where: (move: Move) => boolean = () => true): number =>
  moves.reduce((sum, m) => (where(m.move) ? sum + (m.holeMm + m.gapMm) * m.strands : sum), 0);

/** Bare thread shorter than this hides between the beads, mm (from memory: about half a small seed's wall). */
export const HIDDEN_MM = 0.4;

export interface ExposedThread {
  /** Every stretch that shows, with its ends. */
  readonly spans: readonly (readonly [Point, Point])[];
  readonly totalMm: number;
  readonly longestMm: number;
}

/** Bare thread that shows on the finished work, each stretch counted once however often it is passed. */
export function exposedThread(moves: readonly ThreadMove[]): ExposedThread {
  const seen = new Map<string, readonly [Point, Point]>();
  for (const { span, gapMm } of moves) if (span && gapMm > HIDDEN_MM) seen.set(spanKey(span), span);
  const lengths = [...seen.values()].map(([a, b]) => distance(a, b));
  return {
    spans: [...seen.values()],
    totalMm: lengths.reduce((sum, mm) => sum + mm, 0),
    longestMm: lengths.reduce((most, mm) => Math.max(most, mm), 0),
  };
}

const micron = (mm: number): number => Math.round(mm * 1000);

/** The same stretch, whichever way it was passed. Points of a layout agree to well below a micrometre. */
function spanKey([a, b]: readonly [Point, Point]): string {
  const word = ([x, y, z]: Point) => `${micron(x)},${micron(y)},${micron(z)}`;
  const [x, y] = [word(a), word(b)];
  return x < y ? `${x}|${y}` : `${y}|${x}`;
}
