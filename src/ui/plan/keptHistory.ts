import { z } from 'zod';
import { changeBetween } from '@/core/piece/changes';
import { documentSchema, type Piece } from '@/core/piece/piece';
import { ANY_STYLE, type PieceHistory, type Trail } from './pieceHistory';

/** As many states are kept to either side as anybody goes back through after a pause. */
const MOST_KEPT = 60;
const keyOf = (pieceId: string) => `ivyloom-history/${pieceId}`;

/** Kept before the program was updated, it may be of an older format. */
const pieceSchema = documentSchema('This is no piece.');
const stateSchema = z.object({ piece: pieceSchema });
const keptSchema = z.object({
  piece: pieceSchema,
  past: z.array(stateSchema),
  future: z.array(stateSchema),
});

/** Keeps what can be taken back for as long as this window lives, though its page is loaded anew. */
export function keepHistory(pieceId: string, { store }: PieceHistory, storage?: Storage): void {
  const { pastStates, futureStates } = store.temporal.getState();
  const kept = {
    piece: store.getState().piece,
    past: pastStates.slice(-MOST_KEPT),
    future: futureStates.slice(-MOST_KEPT),
  };
  try {
    const to = storage ?? sessionStorage;
    // Where there is no room nothing old stays either: it would lead to another state.
    to.removeItem(keyOf(pieceId));
    to.setItem(keyOf(pieceId), JSON.stringify(kept));
  } catch {
    // A browser that keeps nothing: the piece itself is safe, the way to it lasts as long as the page.
  }
}

/** What was kept of a piece; null where it is not this state that it leads to: it was changed elsewhere since. */
export function keptHistory(pieceId: string, piece: Piece, storage?: Storage): Trail | null {
  const read = keptSchema.safeParse(kept(pieceId, storage));
  if (!read.success || changeBetween(read.data.piece, piece, ANY_STYLE)) return null;
  const { past, future } = read.data;
  return { past, future };
}

function kept(pieceId: string, storage?: Storage): unknown {
  try {
    return JSON.parse((storage ?? sessionStorage).getItem(keyOf(pieceId)) ?? 'null');
  } catch {
    return null;
  }
}
