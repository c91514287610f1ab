import { distance, findingPoint, holeEnd, midway, type Layout, type Point } from '../layout/layout';
import { isTraversal, otherEnd, strands, type Move, type Path } from '../weave/path';

/** Thread that one knot takes up, mm (from memory; a half hitch pulled down on 0.15 mm thread). */
export const KNOT_MM = 4;

/** What one move costs in thread, mm: through a hole, and bare across the gap that leads to it. */
export interface ThreadMove {
  readonly move: Move;
  readonly holeMm: number;
  readonly gapMm: number;
  /** Strands it takes: 2 of a doubled thread. The lengths are of one. */
  readonly strands: number;
  /** The bare span from where the thread last came out, for drawing; null at a thread's beginning. */
  readonly span: readonly [Point, Point] | null;
}

/**
 * Follows each needle through the layout. The thread of every move is the length of the hole it goes
 * through plus the bare distance from where it came out before. Two needles of one thread set out from the
 * same point, since they are its two ends.
 */
export function threadMoves(path: Path, layout: Layout): ThreadMove[] {
  const at = new Map<string, Point>();
  const partners = partnersOf(path);
  const strandsOf = new Map([...partners.keys()].map((needle) => [needle, strands(path, needle)]));
  return path.moves.map((move) => {
    const strandsHere = strandsOf.get(move.needle) ?? 1;
    const reached = pointOf(move, path, layout);
    if (!reached) return { move, holeMm: 0, gapMm: standing(move, layout), strands: strandsHere, span: null };
    const from = nearest(at.get(move.needle) ?? null, reached.into, layout.aroundMm);
    const partner = partners.get(move.needle);
    if (!from && partner !== undefined && !at.has(partner)) at.set(partner, reached.into);
    at.set(move.needle, reached.out);
    return {
      move,
      holeMm: distance(reached.into, reached.out),
      gapMm: from ? distance(from, reached.into) : 0,
      strands: strandsHere,
      span: from ? [from, reached.into] : null,
    };
  });
}

/** A point as it lies nearest to another: in a ring laid out flat, what left at one end comes in at the other. */
function nearest(from: Point | null, to: Point, aroundMm: number | undefined): Point | null {
  if (!from || aroundMm === undefined) return from;
  const turns = Math.round((to[0] - from[0]) / aroundMm);
  return turns === 0 ? from : [from[0] + turns * aroundMm, from[1], from[2]];
}

/** The needle at the other end of each needle's thread. */
const partnersOf = (path: Path): Map<string, string | undefined> =>
  new Map(
    path.threads.flatMap(({ needles: [one, other] }) =>
      one === undefined
        ? []
        : ([[one, other], ...(other ? [[other, one] as const] : [])] as [string, string | undefined][]),
    ),
  );

/** Where a move leads the thread: in at one point, out at another. Null where it leads it nowhere. */
function pointOf(move: Move, path: Path, layout: Layout): { into: Point; out: Point } | null {
  if (isTraversal(move))
    return {
      into: holeEnd(layout, move.bead, move.enter, move.hole),
      out: holeEnd(layout, move.bead, otherEnd(move.enter), move.hole),
    };
  const single = (point: Point) => ({ into: point, out: point });
  switch (move.kind) {
    case 'attach':
      return single(findingPoint(layout, path, move.finding.id));
    case 'under': {
      const { from, to } = move.bridge;
      return single(
        midway(holeEnd(layout, from.bead, from.end, from.hole), holeEnd(layout, to.bead, to.end, to.hole)),
      );
    }
    case 'between':
      return single(midway(holeEnd(layout, move.beads[0], 0), holeEnd(layout, move.beads[1], 0)));
    default:
      return null;
  }
}

/** Thread that a move takes where it stands: a knot, or the way round the outside of a bead. */
function standing(move: Move, layout: Layout): number {
  if (move.kind === 'knot') return KNOT_MM;
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

/** The same stretch, whichever way it was passed. Points of a layout agree to well below a micrometre. */
function spanKey([a, b]: readonly [Point, Point]): string {
  const word = (p: Point) => p.map((mm) => mm.toFixed(3)).join();
  const [x, y] = [word(a), word(b)];
  return x < y ? `${x}|${y}` : `${y}|${x}`;
}
