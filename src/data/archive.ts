import { and, eq, sql } from 'drizzle-orm';
import type { Db } from './database';
import { measure, pattern, person, piece, swatch, variant } from './schema';

/** What can be put away and brought back: nothing that a weaver made is deleted. */
const SHELVES = { measure, pattern, person, piece, swatch, variant } as const;
export type Shelf = keyof typeof SHELVES;

/** Puts a thing away, or brings it back. Returns false where there is no such thing. */
export async function putAway(
  db: Db,
  workspaceId: string,
  shelf: Shelf,
  id: string,
  away: boolean,
): Promise<boolean> {
  const table = SHELVES[shelf];
  const rows = await db
    .update(table)
    .set({ archivedAt: away ? sql`now()` : null })
    .where(and(eq(table.id, id), eq(table.workspaceId, workspaceId)))
    .returning({ id: table.id });
  return rows.length > 0;
}
