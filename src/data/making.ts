import { and, asc, desc, eq, gt, isNull } from 'drizzle-orm';
import type { MakingEvent } from '@/core/making/events';
import type { Mat } from '@/core/making/mat';
import type { Db } from './database';
import { checkedIn, parted, readRow, type Reading } from './records';
import { makingEvent, mat } from './schema';

/** A mat with what lies on it. */
export interface StoredMat {
  readonly id: string;
  readonly pieceId: string;
  readonly doc: Mat;
}

/** Lays a frozen plan on a mat. The mats before it stay as they are. */
export async function addMat(db: Db, workspaceId: string, pieceId: string, doc: Mat): Promise<string> {
  const checked = checkedIn('mat', doc);
  const [row] = await db.insert(mat).values({ workspaceId, pieceId, doc: checked }).returning({ id: mat.id });
  if (!row) throw new Error('The plan could not be laid on the mat.');
  return row.id;
}

const reading = ({ id, pieceId, doc }: typeof mat.$inferSelect): Reading<StoredMat> => {
  const read = readRow('mat', id, doc);
  return read.ok ? { ok: true, value: { id, pieceId, doc: read.value } } : read;
};

/** The mat that a piece lies on: the newest of those not put away. Null where it is not being made. */
export async function matOfPiece(
  db: Db,
  workspaceId: string,
  pieceId: string,
): Promise<Reading<StoredMat> | null> {
  const [row] = await db
    .select()
    .from(mat)
    .where(and(eq(mat.pieceId, pieceId), eq(mat.workspaceId, workspaceId), isNull(mat.archivedAt)))
    .orderBy(desc(mat.createdAt), desc(mat.id))
    .limit(1);
  return row ? reading(row) : null;
}

/** A mat by its id, whether or not it can be read; null where there is none. */
export async function matById(db: Db, workspaceId: string, id: string): Promise<Reading<StoredMat> | null> {
  const [row] = await db
    .select()
    .from(mat)
    .where(and(eq(mat.id, id), eq(mat.workspaceId, workspaceId)));
  return row ? reading(row) : null;
}

/** Whether there is such a mat. */
export async function isMat(db: Db, workspaceId: string, id: string): Promise<boolean> {
  const rows = await db
    .select({ id: mat.id })
    .from(mat)
    .where(and(eq(mat.id, id), eq(mat.workspaceId, workspaceId)));
  return rows.length > 0;
}

/** What happened at a mat since, in the order in which it arrived, and up to where that is. */
export interface Happened {
  readonly events: readonly MakingEvent[];
  readonly upTo: number;
}

/** What arrived at a mat after a place in the order; from the beginning where that is 0. */
export async function happenedSince(
  db: Db,
  workspaceId: string,
  matId: string,
  since: number,
): Promise<Happened> {
  const rows = await db
    .select({ id: makingEvent.id, seq: makingEvent.seq, doc: makingEvent.doc })
    .from(makingEvent)
    .where(
      and(eq(makingEvent.matId, matId), eq(makingEvent.workspaceId, workspaceId), gt(makingEvent.seq, since)),
    )
    .orderBy(asc(makingEvent.seq));
  const { found } = parted(rows.map(({ id, doc }) => readRow('event', id, doc)));
  return { events: found, upTo: rows.at(-1)?.seq ?? since };
}

/** Keeps what happened at a mat; what is there already stays as it is. */
export async function tellHappened(
  db: Db,
  workspaceId: string,
  matId: string,
  events: readonly MakingEvent[],
): Promise<void> {
  const rows = events.map((event) => ({ id: event.id, workspaceId, matId, doc: checkedIn('event', event) }));
  await db.insert(makingEvent).values(rows).onConflictDoNothing();
}
