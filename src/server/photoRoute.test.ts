import { describe, expect, it, vi } from 'vitest';
import { MOST_PHOTO_BYTES } from '@/core/making/photos';
import { newPiece } from '@/core/piece/newPiece';
import { onMat } from '@/core/testing/atTheMat';
import { addMat } from '@/data/making';
import { addPiece } from '@/data/pieces';
import { getPhoto, putPhoto } from './photoRoute';
import { benchForEach } from './testing/bench';
vi.mock('next/cache', () => ({ revalidatePath: () => undefined }));

const { db, workspaceId } = benchForEach();
const at = (id: string) => ({ params: Promise.resolve({ id }) });

async function laidThere(): Promise<string> {
  const doc = newPiece('Slack water', 'strung-line', null);
  const { id } = await addPiece(db(), workspaceId(), doc);
  return addMat(db(), workspaceId(), id, onMat(doc));
}

const put = (id: string, matId: string, body: Uint8Array<ArrayBuffer>) =>
  putPhoto(
    new Request(`http://127.0.0.1/?mat=${matId}`, {
      method: 'PUT',
      headers: { host: '127.0.0.1', origin: 'http://127.0.0.1' },
      body,
    }),
    at(id),
  );
const get = (id: string) =>
  getPhoto(new Request('http://127.0.0.1/', { headers: { host: '127.0.0.1' } }), at(id));
const bytes = (...values: number[]) => Uint8Array.from(values);

/** How files of each kind begin: ISO/IEC 10918-1 (JPEG), the PNG specification 5.2, RFC 9649 (WebP). */
const BEGIN = {
  'image/jpeg': bytes(0xff, 0xd8, 0xff, 0xe0, 1, 2, 3),
  'image/png': bytes(0x89, 0x50, 0x4e, 0x47, 0x0d, 0x0a, 0x1a, 0x0a, 9),
  'image/webp': Uint8Array.from(Buffer.from('RIFF\x10\x00\x00\x00WEBPVP8 ', 'latin1')),
} as const;

describe('photographs', () => {
  it.each(Object.entries(BEGIN))(
    '%s is kept as it came, and only under its own kind',
    async (kind, photo) => {
      const matId = await laidThere();
      const id = crypto.randomUUID();
      expect((await put(id, matId, photo)).status).toBe(204);
      // Sent twice it is one, and stays as it was.
      expect((await put(id, matId, BEGIN['image/jpeg'])).status).toBe(204);
      const answer = await get(id);
      expect(answer.headers.get('content-type')).toBe(kind);
      expect(answer.headers.get('x-content-type-options')).toBe('nosniff');
      expect([...new Uint8Array(await answer.arrayBuffer())]).toEqual([...photo]);
    },
  );

  it.each([
    ['a page', bytes(...Buffer.from('<svg onload="alert(1)">'))],
    ['nothing', bytes()],
    ['RIFF that is no picture', Uint8Array.from(Buffer.from('RIFF\x10\x00\x00\x00WAVEfmt ', 'latin1'))],
  ])('%s is not taken, in words', async (_, body) => {
    const id = crypto.randomUUID();
    const answer = await put(id, await laidThere(), body);
    expect(answer.status).toBe(415);
    expect(await answer.json()).toEqual({ message: 'Only photographs as JPEG, PNG or WebP are kept.' });
    expect((await get(id)).status).toBe(404);
  });

  it('one that is too large, or of no mat, is not taken either', async () => {
    const large = new Uint8Array(MOST_PHOTO_BYTES + 1);
    large.set(BEGIN['image/jpeg']);
    expect((await put(crypto.randomUUID(), await laidThere(), large)).status).toBe(413);
    expect((await put(crypto.randomUUID(), crypto.randomUUID(), BEGIN['image/png'])).status).toBe(404);
    expect((await put('banana', await laidThere(), BEGIN['image/png'])).status).toBe(404);
    expect((await get('banana')).status).toBe(404);
  });
});
