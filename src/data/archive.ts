import { and, eq, sql } from 'drizzle-orm';
import type { Db } from './database';
import { mat, material, measure, pattern, person, piece, pieceVersion, swatch, variant } from './schema';

/** What can be put away and brought back: nothing that a weaver made is deleted. */
const SHELVES = { mat, measure, pattern, person, piece, swatch, variant } as const;
export type Shelf = keyof typeof SHELVES;
export const SHELF_NAMES = Object.keys(SHELVES) as [Shelf, ...Shelf[]];

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

const ROWS = { ...SHELVES, version: pieceVersion } as const;
export type RowShelf = keyof typeof ROWS;
export const ROW_SHELVES = Object.keys(ROWS) as [RowShelf, ...RowShelf[]];

/** A row as it stands, readable or not, as JSON text; null where there is none. */
export async function rawRow(
  db: Db,
  workspaceId: string,
  shelf: RowShelf,
  id: string,
): Promise<string | null> {
  const table = ROWS[shelf];
  const [row] = await db
    .select({ raw: sql<string>`to_jsonb(${table})::text` })
    .from(table)
    .where(and(eq(table.id, id), eq(table.workspaceId, workspaceId)));
  return row?.raw ?? null;
}

export const MATERIAL_SHELVES = material.kind.enumValues;

/** A material as it stands, readable or not, as JSON text; null where there is none. */
export async function rawMaterial(
  db: Db,
  workspaceId: string,
  kind: (typeof MATERIAL_SHELVES)[number],
  key: string,
): Promise<string | null> {
  const [row] = await db
    .select({ raw: sql<string>`to_jsonb(${material})::text` })
    .from(material)
    .where(and(eq(material.kind, kind), eq(material.key, key), eq(material.workspaceId, workspaceId)));
  return row?.raw ?? null;
}
