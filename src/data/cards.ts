import { and, eq, inArray, sql } from 'drizzle-orm';
import type { Db } from './database';
import { pieceCard } from './schema';

/** What was worked out for the card of a piece, and what it holds for. */
export interface KeptCard {
  readonly pieceId: string;
  readonly revision: number;
  readonly workedOutWith: string;
  readonly card: unknown;
}

/** The cards kept of several pieces, whatever they hold for. */
export const cardsOf = async (db: Db, workspaceId: string, ids: readonly string[]): Promise<KeptCard[]> =>
  ids.length === 0
    ? []
    : db
        .select()
        .from(pieceCard)
        .where(and(eq(pieceCard.workspaceId, workspaceId), inArray(pieceCard.pieceId, [...ids])));

/** Keeps the cards of pieces in the place of their older ones. */
export async function keepCards(db: Db, workspaceId: string, cards: readonly KeptCard[]): Promise<void> {
  if (cards.length === 0) return;
  await db
    .insert(pieceCard)
    .values(cards.map((card) => ({ ...card, workspaceId })))
    .onConflictDoUpdate({
      target: pieceCard.pieceId,
      set: {
        revision: sql`excluded.revision`,
        workedOutWith: sql`excluded.worked_out_with`,
        card: sql`excluded.card`,
      },
    });
}
