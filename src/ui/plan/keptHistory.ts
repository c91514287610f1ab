import { z } from 'zod';
import { changeBetween } from '@/core/changes';
import { pieceSchema, type Piece } from '@/core/piece';
import { ANY_STYLE, type PieceHistory, type Trail } from './pieceHistory';

/** As many states are kept to either side as anybody goes back through after a pause. */
const MOST_KEPT = 60;
const keyOf = (pieceId: string) => `ivyloom-history/${pieceId}`;

const stateSchema = z.object({ piece: pieceSchema });
const keptSchema = z.object({
  piece: pieceSchema,
  past: z.array(stateSchema),
  future: z.array(stateSchema),
});

/** Keeps what can be taken back for as long as this window lives, though its page is loaded anew. */
export function keepHistory(
  pieceId: string,
  { store }: PieceHistory,
  storage: Storage = sessionStorage,
): void {
  const { pastStates, futureStates } = store.temporal.getState();
  const kept = {
    piece: store.getState().piece,
    past: pastStates.slice(-MOST_KEPT),
    future: futureStates.slice(-MOST_KEPT),
  };
  try {
    storage.setItem(keyOf(pieceId), JSON.stringify(kept));
  } catch {
    // No room left: the piece itself is safe, its way here is not kept.
    storage.removeItem(keyOf(pieceId));
  }
}

/** What was kept of a piece; null where it is not this state that it leads to: it was changed elsewhere since. */
export function keptHistory(pieceId: string, piece: Piece, storage: Storage = sessionStorage): Trail | null {
  const read = keptSchema.safeParse(parsed(storage.getItem(keyOf(pieceId))));
  if (!read.success || changeBetween(read.data.piece, piece, ANY_STYLE)) return null;
  const { past, future } = read.data;
  return { past, future };
}

function parsed(text: string | null): unknown {
  try {
    return JSON.parse(text ?? 'null');
  } catch {
    return null;
  }
}
