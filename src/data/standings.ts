import { and, eq, isNull, max, sql } from 'drizzle-orm';
import type { Db } from './database';
import { makingEvent, mat, matStanding } from './schema';

/** A mat, up to where it was told of, and what is kept of how it stands. */
export interface KeptStanding {
  readonly matId: string;
  readonly pieceId: string;
  /** The newest of a piece is the one that it lies on. */
  readonly laidAt: Date;
  /** The last event that there is; 0 before the first. */
  readonly upTo: number;
  /** What was worked out, up to which event and by which build; null where nothing was. */
  readonly kept: { readonly upTo: number; readonly program: string; readonly doc: unknown } | null;
}

/** Every mat that is not put away, the one laid last first, with what is kept of it, whatever that holds for. */
export async function keptStandings(db: Db, workspaceId: string): Promise<KeptStanding[]> {
  const rows = await db
    .select({
      matId: mat.id,
      pieceId: mat.pieceId,
      laidAt: mat.createdAt,
      last: max(makingEvent.seq),
      upTo: matStanding.upTo,
      program: matStanding.program,
      doc: matStanding.doc,
    })
    .from(mat)
    .leftJoin(makingEvent, eq(makingEvent.matId, mat.id))
    .leftJoin(matStanding, eq(matStanding.matId, mat.id))
    .where(and(eq(mat.workspaceId, workspaceId), isNull(mat.archivedAt)))
    .groupBy(mat.id, matStanding.matId)
    .orderBy(sql`${mat.createdAt} desc, ${mat.id} desc`);
  return rows.map(({ matId, pieceId, laidAt, last, upTo, program, doc }) => ({
    matId,
    pieceId,
    laidAt,
    upTo: last ?? 0,
    kept: upTo === null || program === null ? null : { upTo, program, doc },
  }));
}

/** Keeps how a mat stands in the place of what was kept before. */
export async function keepStanding(
  db: Db,
  workspaceId: string,
  standing: {
    readonly matId: string;
    readonly upTo: number;
    readonly program: string;
    readonly doc: unknown;
  },
): Promise<void> {
  const { upTo, program, doc } = standing;
  await db
    .insert(matStanding)
    .values({ ...standing, workspaceId })
    .onConflictDoUpdate({ target: matStanding.matId, set: { upTo, program, doc } });
}
