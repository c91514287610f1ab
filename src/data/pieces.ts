import { and, desc, eq, inArray, isNotNull, isNull, sql } from 'drizzle-orm';
import { named } from '@/core/piece/variants';
import type { Piece } from '@/core/piece/piece';
import type { Db } from './database';
import { checkedIn, readRow, readRows, type Reading, type Readings } from './records';
import { saveInTurn, type Save } from './saving';
import { mat, piece, pieceVersion } from './schema';

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

type Row = typeof piece.$inferSelect;

const asStored = ({ id, revision, updatedAt }: Row, doc: Piece): StoredPiece => ({
  id,
  doc,
  revision,
  updatedAt,
});

function stored(row: Row): Reading<StoredPiece> {
  const read = readRow('piece', row.id, row.doc);
  return read.ok ? { ok: true, value: asStored(row, read.value) } : read;
}

const here = (workspaceId: string, id: string) => and(eq(piece.id, id), eq(piece.workspaceId, workspaceId));
const onBench = (workspaceId: string, away: boolean) =>
  and(eq(piece.workspaceId, workspaceId), away ? isNotNull(piece.archivedAt) : isNull(piece.archivedAt));

/** Pieces on the bench, or those put away; the one last worked on first. */
export async function pieces(db: Db, workspaceId: string, away = false): Promise<Readings<StoredPiece>> {
  const rows = await db
    .select()
    .from(piece)
    .where(onBench(workspaceId, away))
    .orderBy(desc(piece.updatedAt), desc(piece.id));
  return readRows('piece', rows, ({ doc }) => doc, asStored);
}

/** What is told of a piece without reading its document: enough to find it by. */
export interface PieceLabel {
  readonly id: string;
  readonly name: string;
  readonly kind: string;
  /** Null while nobody is chosen. */
  readonly wearer: string | null;
  readonly structureId: string;
  /** It lies on the mat: it is being made. */
  readonly onMat: boolean;
  /** The day by which it is wanted; null where nobody waits. */
  readonly dueOn: string | null;
}

const text = (path: string) => sql<string>`coalesce(${piece.doc} #>> ${path}, '')`;

/** The part of a piece that takes up what the wish leaves. */
const FITTED = '$.parts[*] ? (!exists(@.count) || @.count.by == "fit")';

/** Pieces on the bench, or those put away, by what is told of them; the one last worked on first. */
export const pieceLabels = (db: Db, workspaceId: string, away = false): Promise<PieceLabel[]> =>
  db
    .select({
      id: piece.id,
      name: text('{name}'),
      kind: text('{kind}'),
      wearer: sql<string | null>`${piece.doc} #>> '{wearer,name}'`,
      // A row keeps the format that it was written in: before format 3 a piece was one part. Of several it is known by the
      // one that is fitted, which older rows do not say, for they have no other.
      structureId: sql<string>`coalesce(
        jsonb_path_query_first(${piece.doc}, ${FITTED}::jsonpath) #>> '{structure,id}',
        ${piece.doc} #>> '{structure,id}',
        ''
      )`,
      // Within the subquery a column is told with its table: both have an id.
      onMat: sql<boolean>`exists (select 1 from ${mat} where ${mat}.piece_id = ${piece}.id and ${mat}.archived_at is null)`,
      dueOn: piece.dueOn,
    })
    .from(piece)
    .where(onBench(workspaceId, away))
    .orderBy(desc(piece.updatedAt), desc(piece.id));

/** A piece by its id, whether or not it can be read; null where there is none. */
export async function pieceById(
  db: Db,
  workspaceId: string,
  id: string,
): Promise<Reading<StoredPiece> | null> {
  const [row] = await db.select().from(piece).where(here(workspaceId, id));
  return row ? stored(row) : null;
}

/** Several pieces by their ids; those that are not there are left out. */
export async function piecesByIds(
  db: Db,
  workspaceId: string,
  ids: readonly string[],
): Promise<Readings<StoredPiece>> {
  if (ids.length === 0) return { found: [], unreadable: [] };
  const rows = await db
    .select()
    .from(piece)
    .where(and(eq(piece.workspaceId, workspaceId), inArray(piece.id, [...ids])));
  return readRows('piece', rows, ({ doc }) => doc, asStored);
}

/** Sets the day by which a piece is wanted, or none. Returns false where there is no such piece. */
export async function setDue(
  db: Db,
  workspaceId: string,
  id: string,
  dueOn: string | null,
): Promise<boolean> {
  const rows = await db.update(piece).set({ dueOn }).where(here(workspaceId, id)).returning({ id: piece.id });
  return rows.length > 0;
}

export async function addPiece(db: Db, workspaceId: string, doc: Piece): Promise<StoredPiece> {
  const checked = checkedIn('piece', doc);
  const [row] = await db.insert(piece).values({ workspaceId, doc: checked }).returning();
  if (!row) throw new Error('The piece could not be kept.');
  return asStored(row, checked);
}

export type SaveAnswer =
  | { readonly kind: 'saved'; readonly revision: number }
  /** The piece has moved on. The change was not applied; it is kept as a version aside. */
  | { readonly kind: 'stale'; readonly asideId: string }
  | { readonly kind: 'missing' };

/**
 * Saves when nobody else has in the meantime; otherwise keeps both. The same change twice counts once, and a change
 * takes the place of earlier ones of its window, whether they had arrived or not.
 */
export async function savePiece(db: Db, workspaceId: string, id: string, save: Save): Promise<SaveAnswer> {
  const doc = checkedIn('piece', save.doc);
  const { changeId, after = [] } = save;
  const revision = await saveInTurn(db, workspaceId, id, { ...save, doc });
  if (revision !== null) return { kind: 'saved', revision };

  return db.transaction(async (tx): Promise<SaveAnswer> => {
    const [row] = await tx.select().from(piece).where(here(workspaceId, id));
    if (!row) return { kind: 'missing' };
    if (row.lastChange === changeId) return { kind: 'saved', revision: row.revision };
    const [aside] = await tx
      .insert(pieceVersion)
      .values({ workspaceId, pieceId: id, changeId, doc })
      .onConflictDoUpdate({ target: [pieceVersion.pieceId, pieceVersion.changeId], set: { doc } })
      .returning({ id: pieceVersion.id });
    if (!aside) throw new Error('The version could not be set aside.');
    // What stood aside of the same window before is in this one: it is kept, and waits for no choice.
    if (after.length > 0)
      await tx
        .update(pieceVersion)
        .set({ settledAt: sql`now()` })
        .where(and(eq(pieceVersion.pieceId, id), inArray(pieceVersion.changeId, [...after])));
    return { kind: 'stale', asideId: aside.id };
  });
}

/** Versions of a piece that still wait for a choice, newest first. */
export async function asideVersions(
  db: Db,
  workspaceId: string,
  pieceId: string,
): Promise<Readings<AsideVersion>> {
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
  return readRows(
    'version',
    rows,
    ({ doc }) => doc,
    ({ id, createdAt }, doc) => ({ id, doc, createdAt }),
  );
}

/** What to do with a version set aside: drop it, put it in the piece's place, or make it a piece of its own. */
export const SETTLEMENTS = ['keep current', 'use aside', 'keep both'] as const;
export type Settlement = (typeof SETTLEMENTS)[number];

export type SettleAnswer =
  | { readonly kind: 'settled'; readonly piece: StoredPiece; readonly other: StoredPiece | null }
  /** It was chosen before: the piece is as that left it. */
  | { readonly kind: 'already'; readonly piece: StoredPiece }
  | { readonly kind: 'unreadable' }
  | { readonly kind: 'missing' };

/** Thrown inside a transaction to leave everything as it was. */
class NotRead extends Error {}

/** Settles a version set aside, once. Whatever is not chosen stays in the table of versions. */
export async function settle(
  db: Db,
  workspaceId: string,
  asideId: string,
  choice: Settlement,
): Promise<SettleAnswer> {
  const read = (row: Row): StoredPiece => {
    const reading = stored(row);
    if (!reading.ok) throw new NotRead();
    return reading.value;
  };
  const settling = db.transaction(async (tx): Promise<SettleAnswer> => {
    const own = and(eq(pieceVersion.id, asideId), eq(pieceVersion.workspaceId, workspaceId));
    const [aside] = await tx
      .update(pieceVersion)
      .set({ settledAt: sql`now()` })
      .where(and(own, isNull(pieceVersion.settledAt)))
      .returning();
    const [known] = aside ? [aside] : await tx.select().from(pieceVersion).where(own);
    if (!known) return { kind: 'missing' };
    const [row] = await tx.select().from(piece).where(here(workspaceId, known.pieceId));
    if (!row) return { kind: 'missing' };
    if (!aside) return { kind: 'already', piece: read(row) };
    if (choice === 'keep current') return { kind: 'settled', piece: read(row), other: null };

    const version = readRow('version', aside.id, aside.doc);
    if (!version.ok) throw new NotRead();
    const doc = version.value;
    if (choice === 'keep both')
      return {
        kind: 'settled',
        piece: read(row),
        other: await addPiece(tx, workspaceId, named(doc, ' (other version)')),
      };
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
    return now ? { kind: 'settled', piece: read(now), other: null } : { kind: 'missing' };
  });
  return settling.catch((error: unknown) => {
    if (error instanceof NotRead) return { kind: 'unreadable' };
    throw error;
  });
}
