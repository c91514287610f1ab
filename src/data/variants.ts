import { and, asc, eq, isNull } from 'drizzle-orm';
import type { Piece } from '@/core/piece/piece';
import type { Db } from './database';
import { checkedIn, readRows, type Readings } from './records';
import { variant } from './schema';

/** A version that was set beside its piece. */
export interface StoredVariant {
  readonly id: string;
  readonly doc: Piece;
}

/** What is set beside a piece, in the order it was. */
export async function variants(
  db: Db,
  workspaceId: string,
  pieceId: string,
): Promise<Readings<StoredVariant>> {
  const rows = await db
    .select()
    .from(variant)
    .where(
      and(eq(variant.workspaceId, workspaceId), eq(variant.pieceId, pieceId), isNull(variant.archivedAt)),
    )
    .orderBy(asc(variant.createdAt), asc(variant.id));
  return readRows(
    'variant',
    rows,
    ({ doc }) => doc,
    ({ id }, doc) => ({ id, doc }),
  );
}

export async function addVariant(
  db: Db,
  workspaceId: string,
  pieceId: string,
  doc: Piece,
): Promise<StoredVariant> {
  const checked = checkedIn('variant', doc);
  const [row] = await db.insert(variant).values({ workspaceId, pieceId, doc: checked }).returning();
  if (!row) throw new Error('The version could not be kept.');
  return { id: row.id, doc: checked };
}
