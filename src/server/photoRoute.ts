import * as z from 'zod';
import { MOST_PHOTO_BYTES, photoKind } from '@/core/making/photos';
import { isMat } from '@/data/making';
import { addPhoto, photoById } from '@/data/photos';
import { Trouble } from './trouble';
import { route, says } from './work';

const isId = (id: string) => z.uuid().safeParse(id).success;
const MISSING = { message: 'This is not here any more. Reload the page.' };
const TOO_LARGE = 'That photograph is larger than 3 MB. Take it smaller; it was not kept.';

/** The bytes that a request brings. Throws trouble in words where they are too many. */
async function bytesOf(request: Request): Promise<Uint8Array> {
  if (Number(request.headers.get('content-length') ?? 0) > MOST_PHOTO_BYTES)
    throw new Trouble(413, TOO_LARGE);
  const bytes = new Uint8Array(await request.arrayBuffer());
  if (bytes.length > MOST_PHOTO_BYTES) throw new Trouble(413, TOO_LARGE);
  return bytes;
}

/** Keeps a photograph of the work on a mat: 204, 404 no such mat, 413 too large, 415 no picture that is kept. */
export const putPhoto = route(async (request, { db, workspaceId }, id) => {
  const matId = new URL(request.url).searchParams.get('mat') ?? '';
  if (!isId(id) || !isId(matId) || !(await isMat(db, workspaceId, matId))) return says(404, MISSING);
  const data = await bytesOf(request);
  const kind = photoKind(data);
  if (!kind) return says(415, { message: 'Only photographs as JPEG, PNG or WebP are kept.' });
  await addPhoto(db, workspaceId, id, matId, { kind, data });
  return new Response(null, { status: 204 });
});

/** A photograph: 200, 404 there is none. */
export const getPhoto = route(async (_request, { db, workspaceId }, id) => {
  const photo = isId(id) ? await photoById(db, workspaceId, id) : null;
  if (!photo) return says(404, MISSING);
  return new Response(new Uint8Array(photo.data), {
    headers: {
      'Content-Type': photo.kind,
      // A photograph never changes: its id is its own.
      'Cache-Control': 'private, max-age=31536000, immutable',
    },
  });
});
