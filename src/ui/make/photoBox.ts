import { createStore, del, get, set, type UseStore } from 'idb-keyval';
import { MOST_PHOTO_BYTES } from '@/core/making/photos';
import { refusalIn } from '../fields/refusal';

let store: UseStore | null = null;
const box = () => (store ??= createStore('ivyloom-photos', 'untold'));

/** Longer than this a photograph of beadwork shows no more, pixels. */
const MOST_PX = 1600;
const QUALITY = 0.85;

/** A photograph made small enough to be kept; null where it is none that the browser can read. */
export async function smaller(file: Blob): Promise<Blob | null> {
  const picture = await createImageBitmap(file, { imageOrientation: 'from-image' }).catch(() => null);
  if (!picture) return null;
  const scale = Math.min(1, MOST_PX / Math.max(picture.width, picture.height));
  const canvas = document.createElement('canvas');
  canvas.width = Math.max(1, Math.round(picture.width * scale));
  canvas.height = Math.max(1, Math.round(picture.height * scale));
  canvas.getContext('2d')?.drawImage(picture, 0, 0, canvas.width, canvas.height);
  picture.close();
  const made = await new Promise<Blob | null>((resolve) => canvas.toBlob(resolve, 'image/jpeg', QUALITY));
  return made && made.size <= MOST_PHOTO_BYTES ? made : null;
}

/** Keeps a photograph in this browser until the program has it. Rejects where there is no room. */
export const keepPhoto = (id: string, photo: Blob): Promise<void> => set(id, photo, box());

/** A photograph that the program does not have yet; undefined where it has it, or nobody took it here. */
export const photoHere = (id: string): Promise<Blob | undefined> =>
  get<Blob>(id, box()).catch(() => undefined);

/** Sends a photograph of a mat where it waits here: the answer where the program does not take it, null where all is well. */
export async function sendPhoto(
  matId: string,
  id: string,
): Promise<{ status: number; message: string } | null> {
  const photo = await photoHere(id);
  if (!photo) return null;
  const response = await fetch(`/api/photos/${id}?mat=${matId}`, { method: 'PUT', body: photo });
  if (response.ok) {
    await del(id, box()).catch(() => undefined);
    return null;
  }
  const told = refusalIn(await response.json().catch(() => null));
  return { status: response.status, message: told ?? 'The photograph was not taken.' };
}
