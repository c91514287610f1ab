import { and, desc, eq, isNotNull, isNull, sql } from 'drizzle-orm';
import { migratePiece, type Piece } from '@/core/piece';
import type { Db } from './database';
import { piece, pieceVersion } from './schema';

export interface StoredPiece {
  readonly id: string;
  readonly doc: Piece;
  readonly revision: number;
  readonly updatedAt: Date;
}

/** A version that lost a race and waits for the weaver to choose. */
export interface AsideVersion {
  readonly id: string;
  readonly doc: Piece;
  readonly createdAt: Date;
}

const stored = (row: typeof piece.$inferSelect): StoredPiece => ({
  id: row.id,
  doc: migratePiece(row.doc),
  revision: row.revision,
  updatedAt: row.updatedAt,
});

const here = (workspaceId: string, id: string) => and(eq(piece.id, id), eq(piece.workspaceId, workspaceId));

/** Pieces on the bench, or those put away; the one last worked on first. */
export async function pieces(db: Db, workspaceId: string, away = false): Promise<StoredPiece[]> {
  const rows = await db
    .select()
    .from(piece)
    .where(
      and(eq(piece.workspaceId, workspaceId), away ? isNotNull(piece.archivedAt) : isNull(piece.archivedAt)),
    )
    .orderBy(desc(piece.updatedAt), desc(piece.id));
  return rows.map(stored);
}

/** What lies on the bench, by name only; the one last worked on first. */
export const namesOnBench = (db: Db, workspaceId: string): Promise<{ id: string; name: string }[]> =>
  db
    .select({ id: piece.id, name: sql<string>`${piece.doc} ->> 'name'` })
    .from(piece)
    .where(and(eq(piece.workspaceId, workspaceId), isNull(piece.archivedAt)))
    .orderBy(desc(piece.updatedAt), desc(piece.id));

export async function pieceById(db: Db, workspaceId: string, id: string): Promise<StoredPiece | null> {
  const [row] = await db.select().from(piece).where(here(workspaceId, id));
  return row ? stored(row) : null;
}

export async function addPiece(db: Db, workspaceId: string, doc: Piece): Promise<StoredPiece> {
  const [row] = await db.insert(piece).values({ workspaceId, doc }).returning();
  if (!row) throw new Error('The piece could not be kept.');
  return stored(row);
}

/** A change on its way in: the document, and the revision that it was made from. */
export interface Save {
  readonly doc: Piece;
  readonly baseRevision: number;
  readonly changeId: string;
}

export type SaveAnswer =
  | { readonly kind: 'saved'; readonly revision: number }
  /** The piece has moved on. The change was not applied; it is kept as a version aside. */
  | { readonly kind: 'stale'; readonly current: StoredPiece; readonly asideId: string }
  | { readonly kind: 'missing' };

/** Saves when nobody else has in the meantime; otherwise keeps both. The same change twice counts once. */
export async function savePiece(db: Db, workspaceId: string, id: string, save: Save): Promise<SaveAnswer> {
  return db.transaction(async (tx): Promise<SaveAnswer> => {
    const [saved] = await tx
      .update(piece)
      .set({
        doc: save.doc,
        revision: sql`${piece.revision} + 1`,
        lastChange: save.changeId,
        updatedAt: sql`now()`,
      })
      .where(and(here(workspaceId, id), eq(piece.revision, save.baseRevision)))
      .returning({ revision: piece.revision });
    if (saved) return { kind: 'saved', revision: saved.revision };

    const [row] = await tx.select().from(piece).where(here(workspaceId, id));
    if (!row) return { kind: 'missing' };
    if (row.lastChange === save.changeId) return { kind: 'saved', revision: row.revision };
    const [aside] = await tx
      .insert(pieceVersion)
      .values({ workspaceId, pieceId: id, changeId: save.changeId, doc: save.doc })
      .onConflictDoUpdate({ target: [pieceVersion.pieceId, pieceVersion.changeId], set: { doc: save.doc } })
      .returning({ id: pieceVersion.id });
    if (!aside) throw new Error('The version could not be set aside.');
    return { kind: 'stale', current: stored(row), asideId: aside.id };
  });
}

/** Versions of a piece that still wait for a choice, newest first. */
export async function asideVersions(db: Db, workspaceId: string, pieceId: string): Promise<AsideVersion[]> {
  const rows = await db
    .select()
    .from(pieceVersion)
    .where(
      and(
        eq(pieceVersion.workspaceId, workspaceId),
        eq(pieceVersion.pieceId, pieceId),
        isNull(pieceVersion.settledAt),
      ),
    )
    .orderBy(desc(pieceVersion.createdAt), desc(pieceVersion.id));
  return rows.map((row) => ({ id: row.id, doc: migratePiece(row.doc), createdAt: row.createdAt }));
}

/** What to do with a version set aside: drop it, put it in the piece's place, or make it a piece of its own. */
export type Settlement = 'keep current' | 'use aside' | 'keep both';

export type SettleAnswer =
  | { readonly kind: 'settled'; readonly piece: StoredPiece; readonly other: StoredPiece | null }
  | { readonly kind: 'missing' };

/** Settles a version set aside. Whatever is not chosen stays in the table of versions. */
export async function settle(
  db: Db,
  workspaceId: string,
  asideId: string,
  choice: Settlement,
): Promise<SettleAnswer> {
  return db.transaction(async (tx): Promise<SettleAnswer> => {
    const [aside] = await tx
      .update(pieceVersion)
      .set({ settledAt: sql`now()` })
      .where(and(eq(pieceVersion.id, asideId), eq(pieceVersion.workspaceId, workspaceId)))
      .returning();
    if (!aside) return { kind: 'missing' };
    const [row] = await tx.select().from(piece).where(here(workspaceId, aside.pieceId));
    if (!row) return { kind: 'missing' };
    if (choice === 'keep current') return { kind: 'settled', piece: stored(row), other: null };

    const doc = migratePiece(aside.doc);
    if (choice === 'keep both') {
      const [copy] = await tx
        .insert(piece)
        .values({ workspaceId, doc: { ...doc, name: `${doc.name} (other version)`.slice(0, 80) } })
        .returning();
      return { kind: 'settled', piece: stored(row), other: copy ? stored(copy) : null };
    }
    await tx.insert(pieceVersion).values({
      workspaceId,
      pieceId: row.id,
      changeId: `replaced-${row.revision}`,
      doc: row.doc,
      settledAt: sql`now()`,
    });
    const [now] = await tx
      .update(piece)
      .set({ doc, revision: sql`${piece.revision} + 1`, lastChange: aside.changeId, updatedAt: sql`now()` })
      .where(here(workspaceId, row.id))
      .returning();
    return now ? { kind: 'settled', piece: stored(now), other: null } : { kind: 'missing' };
  });
}
