import { and, eq } from 'drizzle-orm';
import type { PhotoKind } from '@/core/making/photos';
import type { Db } from './database';
import { photo } from './schema';

/** A photograph as it is kept. */
export interface StoredPhoto {
  readonly kind: PhotoKind;
  readonly data: Uint8Array;
}

/** Keeps a photograph of the work on a mat; one that is there already stays as it is. */
export async function addPhoto(
  db: Db,
  workspaceId: string,
  id: string,
  matId: string,
  { kind, data }: StoredPhoto,
): Promise<void> {
  await db.insert(photo).values({ id, workspaceId, matId, kind, data }).onConflictDoNothing();
}

/** A photograph by its id; null where there is none. */
export async function photoById(db: Db, workspaceId: string, id: string): Promise<StoredPhoto | null> {
  const [row] = await db
    .select({ kind: photo.kind, data: photo.data })
    .from(photo)
    .where(and(eq(photo.id, id), eq(photo.workspaceId, workspaceId)));
  return row ?? null;
}
