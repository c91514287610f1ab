import { and, desc, eq, isNull } from 'drizzle-orm';
import type { Pattern } from '@/core/records/pattern';
import type { Db } from './database';
import { checkedIn, readRow, readRows, type Reading, type Readings } from './records';
import { pattern } from './schema';

/** A piece without its wearer, to be made again. */
export interface StoredPattern {
  readonly id: string;
  readonly doc: Pattern;
}

/** The patterns of a workspace, the newest first. */
export async function patterns(db: Db, workspaceId: string): Promise<Readings<StoredPattern>> {
  const rows = await db
    .select()
    .from(pattern)
    .where(and(eq(pattern.workspaceId, workspaceId), isNull(pattern.archivedAt)))
    .orderBy(desc(pattern.createdAt), desc(pattern.id));
  return readRows(
    'pattern',
    rows,
    ({ doc }) => doc,
    ({ id }, doc) => ({ id, doc }),
  );
}

/** A pattern that is not put away; null where there is none. */
export async function patternById(db: Db, workspaceId: string, id: string): Promise<Reading<Pattern> | null> {
  const [row] = await db
    .select()
    .from(pattern)
    .where(and(eq(pattern.id, id), eq(pattern.workspaceId, workspaceId), isNull(pattern.archivedAt)));
  return row ? readRow('pattern', row.id, row.doc) : null;
}

/** Keeps a changed pattern. Returns false where there is none. */
export async function changePattern(db: Db, workspaceId: string, id: string, doc: Pattern): Promise<boolean> {
  const rows = await db
    .update(pattern)
    .set({ doc: checkedIn('pattern', doc) })
    .where(and(eq(pattern.id, id), eq(pattern.workspaceId, workspaceId), isNull(pattern.archivedAt)))
    .returning({ id: pattern.id });
  return rows.length > 0;
}

export async function addPattern(db: Db, workspaceId: string, doc: Pattern): Promise<StoredPattern> {
  const checked = checkedIn('pattern', doc);
  const [row] = await db.insert(pattern).values({ workspaceId, doc: checked }).returning();
  if (!row) throw new Error('The pattern could not be kept.');
  return { id: row.id, doc: checked };
}
