import { and, desc, eq, isNull } from 'drizzle-orm';
import { readSwatch, type Swatch } from '@/core/swatches';
import type { Db } from './database';
import { swatch } from './schema';

export interface StoredSwatch {
  readonly id: string;
  readonly doc: Swatch;
}

/** All swatches of a workspace, the newest first. */
export async function swatches(db: Db, workspaceId: string): Promise<StoredSwatch[]> {
  const rows = await db
    .select()
    .from(swatch)
    .where(and(eq(swatch.workspaceId, workspaceId), isNull(swatch.archivedAt)))
    .orderBy(desc(swatch.createdAt), desc(swatch.id));
  return rows.map(({ id, doc }) => ({ id, doc: readSwatch(doc) }));
}

export async function addSwatch(db: Db, workspaceId: string, doc: Swatch): Promise<StoredSwatch> {
  const [row] = await db.insert(swatch).values({ workspaceId, doc }).returning();
  if (!row) throw new Error('The swatch could not be kept.');
  return { id: row.id, doc };
}
