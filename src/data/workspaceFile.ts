import { asc, eq } from 'drizzle-orm';
import type { WorkspaceFile } from '@/core/files/workspaceFile';
import type { Db } from './database';
import { readRow, type RecordKind, type RecordOf, type Unreadable } from './records';
import {
  makingEvent,
  mat,
  material,
  measure,
  pattern,
  person,
  photo,
  piece,
  pieceVersion,
  swatch,
  variant,
} from './schema';
import { workspaceById } from './workspaces';

/** Everything of a workspace as one file, and what of it could not be read and is not in it. */
export async function workspaceFile(
  db: Db,
  workspaceId: string,
  program: string,
  now: Date,
): Promise<{ readonly file: WorkspaceFile; readonly unreadable: readonly Unreadable[] }> {
  const unreadable: Unreadable[] = [];
  const read = <K extends RecordKind>(kind: K, id: string, raw: unknown): RecordOf<K>[] => {
    const one = readRow(kind, id, raw);
    if (one.ok) return [one.value];
    unreadable.push(one.unreadable);
    return [];
  };
  const isAway = ({ archivedAt }: { readonly archivedAt: Date | null }) => archivedAt !== null;
  const { lengthUnit, settings } = await workspaceById(db, workspaceId);
  const rows = {
    materials: await db
      .select()
      .from(material)
      .where(eq(material.workspaceId, workspaceId))
      .orderBy(asc(material.position)),
    people: await db
      .select()
      .from(person)
      .where(eq(person.workspaceId, workspaceId))
      .orderBy(asc(person.createdAt)),
    measures: await db
      .select()
      .from(measure)
      .where(eq(measure.workspaceId, workspaceId))
      .orderBy(asc(measure.createdAt)),
    pieces: await db
      .select()
      .from(piece)
      .where(eq(piece.workspaceId, workspaceId))
      .orderBy(asc(piece.createdAt)),
    aside: await db.select().from(pieceVersion).where(eq(pieceVersion.workspaceId, workspaceId)),
    beside: await db
      .select()
      .from(variant)
      .where(eq(variant.workspaceId, workspaceId))
      .orderBy(asc(variant.createdAt)),
    patterns: await db
      .select()
      .from(pattern)
      .where(eq(pattern.workspaceId, workspaceId))
      .orderBy(asc(pattern.createdAt)),
    swatches: await db
      .select()
      .from(swatch)
      .where(eq(swatch.workspaceId, workspaceId))
      .orderBy(asc(swatch.createdAt)),
    mats: await db.select().from(mat).where(eq(mat.workspaceId, workspaceId)).orderBy(asc(mat.createdAt)),
    events: await db
      .select()
      .from(makingEvent)
      .where(eq(makingEvent.workspaceId, workspaceId))
      .orderBy(asc(makingEvent.seq)),
    photos: await db
      .select()
      .from(photo)
      .where(eq(photo.workspaceId, workspaceId))
      .orderBy(asc(photo.createdAt)),
  };
  const pieces = rows.pieces.flatMap((row) =>
    read('piece', row.id, row.doc).map((doc) => ({
      id: row.id,
      doc,
      dueOn: row.dueOn,
      away: isAway(row),
      aside: rows.aside
        .filter((one) => one.pieceId === row.id && one.settledAt === null)
        .flatMap(({ id, changeId, doc: raw }) =>
          read('version', id, raw).map((version) => ({ id, changeId, doc: version })),
        ),
      beside: rows.beside
        .filter((one) => one.pieceId === row.id)
        .flatMap((one) =>
          read('variant', one.id, one.doc).map((version) => ({
            id: one.id,
            doc: version,
            away: isAway(one),
          })),
        ),
    })),
  );
  const there = new Set(pieces.map(({ id }) => id));
  const mats = rows.mats
    .filter(({ pieceId }) => there.has(pieceId))
    .flatMap((row) =>
      read('mat', row.id, row.doc).map((doc) => ({
        id: row.id,
        pieceId: row.pieceId,
        doc,
        away: isAway(row),
        events: rows.events
          .filter(({ matId }) => matId === row.id)
          .flatMap(({ id, doc: raw }) => read('event', id, raw)),
      })),
    );
  const lying = new Set(mats.map(({ id }) => id));
  const file: WorkspaceFile = {
    ivyLoom: 'workspace',
    format: 1,
    program,
    madeOn: now.toISOString(),
    lengthUnit,
    settings,
    materials: rows.materials.flatMap(({ kind, key, data }) =>
      read(kind, key, data).map((one) => ({ kind, data: one }) as WorkspaceFile['materials'][number]),
    ),
    people: rows.people.flatMap((row) =>
      read('person', row.id, { name: row.name, note: row.note }).map((who) => ({
        id: row.id,
        ...who,
        away: isAway(row),
        measures: rows.measures
          .filter(({ personId }) => personId === row.id)
          .flatMap((one) =>
            read('measure', one.id, { place: one.place, mm: one.mm, takenOn: one.takenOn }).map((taken) => ({
              id: one.id,
              measure: taken,
              away: isAway(one),
            })),
          ),
      })),
    ),
    pieces,
    patterns: rows.patterns.flatMap((row) =>
      read('pattern', row.id, row.doc).map((doc) => ({ id: row.id, doc, away: isAway(row) })),
    ),
    swatches: rows.swatches.flatMap((row) =>
      read('swatch', row.id, row.doc).map((doc) => ({ id: row.id, doc, away: isAway(row) })),
    ),
    mats,
    photos: rows.photos
      .filter(({ matId }) => lying.has(matId))
      .map(({ id, matId, kind, data }) => ({ id, matId, kind, data: Buffer.from(data).toString('base64') })),
  };
  return { file, unreadable };
}
