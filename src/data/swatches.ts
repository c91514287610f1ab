import { and, desc, eq, isNull } from 'drizzle-orm';
import type { Swatch } from '@/core/records/swatches';
import type { Db } from './database';
import { checkedIn, readRows, type Readings } from './records';
import { swatch } from './schema';

export interface StoredSwatch {
  readonly id: string;
  readonly doc: Swatch;
}

/** All swatches of a workspace, the newest first. */
export async function swatches(db: Db, workspaceId: string): Promise<Readings<StoredSwatch>> {
  const rows = await db
    .select()
    .from(swatch)
    .where(and(eq(swatch.workspaceId, workspaceId), isNull(swatch.archivedAt)))
    .orderBy(desc(swatch.createdAt), desc(swatch.id));
  return readRows(
    'swatch',
    rows,
    ({ doc }) => doc,
    ({ id }, doc) => ({ id, doc }),
  );
}

export async function addSwatch(db: Db, workspaceId: string, doc: Swatch): Promise<StoredSwatch> {
  const checked = checkedIn('swatch', doc);
  const [row] = await db.insert(swatch).values({ workspaceId, doc: checked }).returning();
  if (!row) throw new Error('The swatch could not be kept.');
  return { id: row.id, doc: checked };
}
