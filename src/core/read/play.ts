import { holeEnd, type Layout, type Point } from '../layout/layout';
import { isTraversal, otherEnd, type Move } from '../weave/path';
import type { ThreadMove } from './thread';

/** One move of the work as it is watched. */
export interface Frame {
  readonly move: Move;
  /** Beads strung by then, this move's included: those with a lower number than this. */
  readonly strung: number;
  /** Points that the thread passes in this move, mm; empty where it stays where it is. */
  readonly way: readonly Point[];
}

/** The work move by move: what is strung by then, and the way that the thread takes. */
export function frames(thread: readonly ThreadMove[], layout: Layout): Frame[] {
  let strung = 0;
  return thread.map(({ move, span }): Frame => {
    if (move.kind === 'pick' || move.kind === 'enclose') strung = Math.max(strung, move.bead.id + 1);
    return { move, strung, way: [...(span ?? []), ...through(move, layout)] };
  });
}

const through = (move: Move, layout: Layout): Point[] =>
  isTraversal(move)
    ? [
        holeEnd(layout, move.bead, move.enter, move.hole),
        holeEnd(layout, move.bead, otherEnd(move.enter), move.hole),
      ]
    : [];
