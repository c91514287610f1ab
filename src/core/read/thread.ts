import { findingPoint, holeEnd, distance, type Layout, type Point } from '../layout/layout';
import { TAIL, isTraversal, type Move, type Path } from '../weave/path';

/** Thread that one knot takes up, mm (from memory; a half hitch pulled down on 0.15 mm thread). */
export const KNOT_MM = 4;

/** What one move costs in thread, mm: through a hole, and bare across the gap that leads to it. */
export interface ThreadMove {
  readonly move: Move;
  readonly holeMm: number;
  readonly gapMm: number;
  /** The bare span from where the thread last came out, for drawing; null at a thread's beginning. */
  readonly span: readonly [Point, Point] | null;
}

/**
 * Follows each needle through the layout. The thread of every move is the length of the hole it goes
 * through plus the bare distance from where it came out before. The tail needle sets out from where the
 * working needle first went in, since both are ends of one thread.
 */
export function threadMoves(path: Path, layout: Layout): ThreadMove[] {
  const at = new Map<string, Point>();
  return path.moves.map((move) => {
    const from = at.get(move.needle) ?? null;
    if (isTraversal(move)) {
      const into = holeEnd(layout, move.bead, move.enter);
      const out = holeEnd(layout, move.bead, move.enter === 0 ? 1 : 0);
      if (!from && !at.has(TAIL)) at.set(TAIL, into);
      at.set(move.needle, out);
      return step(move, from, into, distance(into, out));
    }
    if (move.kind === 'attach') {
      const into = findingPoint(layout, path, move.finding.id);
      at.set(move.needle, into);
      return step(move, from, into, 0);
    }
    return { move, holeMm: 0, gapMm: move.kind === 'knot' ? KNOT_MM : 0, span: null };
  });
}

const step = (move: Move, from: Point | null, into: Point, holeMm: number): ThreadMove => ({
  move,
  holeMm,
  gapMm: from ? distance(from, into) : 0,
  span: from ? [from, into] : null,
});

/** Thread in the work, mm, summed over the moves for which `where` holds. */
export const threadMm = (moves: readonly ThreadMove[], where: (move: Move) => boolean = () => true): number =>
  moves.reduce((sum, m) => (where(m.move) ? sum + m.holeMm + m.gapMm : sum), 0);
