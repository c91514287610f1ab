import { and, desc, eq, isNull } from 'drizzle-orm';
import { migratePiece, type Piece } from '@/core/piece';
import type { Db } from './database';
import { pattern } from './schema';

/** A piece without its wearer, to be made again. */
export interface StoredPattern {
  readonly id: string;
  readonly doc: Piece;
}

/** The patterns of a workspace, the newest first. */
export async function patterns(db: Db, workspaceId: string): Promise<StoredPattern[]> {
  const rows = await db
    .select()
    .from(pattern)
    .where(and(eq(pattern.workspaceId, workspaceId), isNull(pattern.archivedAt)))
    .orderBy(desc(pattern.createdAt), desc(pattern.id));
  return rows.map(({ id, doc }) => ({ id, doc: migratePiece(doc) }));
}

export async function addPattern(db: Db, workspaceId: string, doc: Piece): Promise<StoredPattern> {
  const [row] = await db.insert(pattern).values({ workspaceId, doc }).returning();
  if (!row) throw new Error('The pattern could not be kept.');
  return { id: row.id, doc };
}
