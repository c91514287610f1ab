import { describe, expect, it, vi } from 'vitest';
import type { Mat } from '@/core/making/mat';
import { newPiece } from '@/core/piece/newPiece';
import { event, onMat } from '@/core/testing/atTheMat';
import { addPiece } from '@/data/pieces';
import { getHappened, getMat, postHappened, postMat } from './matRoute';
import { programId } from './program';
import { benchForEach, request } from './testing/bench';
vi.mock('next/cache', () => ({ revalidatePath: () => undefined }));

const { db, workspaceId } = benchForEach();
const at = (id: string) => ({ params: Promise.resolve({ id }) });
const doc = newPiece('Slack water', 'strung-line', null);
const mat = onMat(doc);

async function laidThere(): Promise<{ pieceId: string; id: string }> {
  const { id: pieceId } = await addPiece(db(), workspaceId(), doc);
  const made = await postMat(request({ pieceId, mat }, 'POST'));
  expect(made.status).toBe(201);
  return { pieceId, id: ((await made.json()) as { id: string }).id };
}

describe('the routes of the mat', () => {
  it('lay a plan there under the build that is running, and keep what happens', async () => {
    const { pieceId, id } = await laidThere();
    const lies = (await (await getMat(request(null, 'GET', `/?piece=${pieceId}`))).json()) as { mat: Mat };
    expect(lies).toMatchObject({ id, mat: { program: programId() }, events: [], upTo: 0 });
    expect(lies.mat.parts).toEqual(mat.parts);
    const first = event({ did: 'note', text: 'begun' });
    const told = await postHappened(request({ since: 0, events: [first] }, 'POST'), at(id));
    const { upTo } = (await told.json()) as { upTo: number };
    expect(upTo).toBeGreaterThan(0);
    const again = await postHappened(request({ since: upTo, events: [first] }, 'POST'), at(id));
    expect(await again.json()).toEqual({ events: [], upTo });
    const heard = await getHappened(request(null, 'GET', '/?since=0'), at(id));
    expect(await heard.json()).toMatchObject({ events: [first] });
  });

  it.each([
    ['no such piece', { pieceId: crypto.randomUUID(), mat }, 404],
    ['no plan', { pieceId: crypto.randomUUID(), mat: { format: 1 } }, 400],
    ['nothing', {}, 400],
  ])('refuse %s in words', async (_, body, status) => {
    const answer = await postMat(request(body, 'POST'));
    expect(answer.status).toBe(status);
    expect(((await answer.json()) as { message: string }).message).toMatch(/^This .*[.]$/s);
  });

  it.each([
    [
      'what did not happen',
      { since: 0, events: [{ ...event({ did: 'note', text: 'x' }), what: { did: 'fly' } }] },
    ],
    ['nothing that happened', { since: 0, events: [] }],
    ['a place before the first', { since: -1, events: [event({ did: 'note', text: 'x' })] }],
    [
      'more at once than an evening has',
      { since: 0, events: Array.from({ length: 501 }, () => event({ did: 'note', text: 'x' })) },
    ],
    ['a note without words', { since: 0, events: [event({ did: 'note', text: '  ' })] }],
  ])('refuse %s, and keep none of it', async (_, body) => {
    const { id } = await laidThere();
    expect((await postHappened(request(body, 'POST'), at(id))).status).toBe(400);
    expect(await (await getHappened(request(null, 'GET'), at(id))).json()).toEqual({ events: [], upTo: 0 });
  });

  it('say that a mat is gone', async () => {
    for (const id of [crypto.randomUUID(), 'banana']) {
      expect((await getHappened(request(null, 'GET'), at(id))).status).toBe(404);
      const events = [event({ did: 'note', text: 'x' })];
      expect((await postHappened(request({ since: 0, events }, 'POST'), at(id))).status).toBe(404);
      expect((await getMat(request(null, 'GET', `/?piece=${id}`))).status).toBe(404);
    }
  });
});
