import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { newPiece } from '@/core/piece';
import { deliverLeftBehind, leftBehind, remember, send, type Change, type Owed } from './outbox';

const { kept } = vi.hoisted(() => ({ kept: new Map<string, Owed>() }));
vi.mock('idb-keyval', () => ({
  createStore: () => null,
  set: (key: string, owed: Owed) => Promise.resolve(kept.set(key, owed)),
  del: (key: string) => Promise.resolve(kept.delete(key)),
  entries: () => Promise.resolve([...kept]),
}));

const change = (id: string): Change => ({ id, doc: newPiece(id, 'ladder', null) });
const owed = (window: string, part: Partial<Owed> = {}): Owed => ({
  pieceId: '7',
  window,
  revision: 3,
  sending: null,
  next: change('one'),
  ...part,
});
/** Answers of the server, in turn. */
const answers = (...all: (Response | Error)[]) => {
  const fetched = vi.fn<typeof fetch>();
  for (const answer of all)
    if (answer instanceof Error) fetched.mockRejectedValueOnce(answer);
    else fetched.mockResolvedValueOnce(answer);
  vi.stubGlobal('fetch', fetched);
  return fetched;
};
const saved = (revision: number) => Response.json({ revision });
/** What each request carried. */
const carried = (fetched: ReturnType<typeof answers>) =>
  fetched.mock.calls.map(([, request]) => {
    const { revision, changeId } = JSON.parse(request?.body as string) as {
      revision: number;
      changeId: string;
    };
    return `${revision} ${changeId}`;
  });

let living: string[] = [];
beforeEach(() => {
  kept.clear();
  living = [];
  vi.stubGlobal('navigator', {
    locks: { query: () => Promise.resolve({ held: living.map((name) => ({ name: `window-${name}` })) }) },
  });
});
afterEach(() => vi.unstubAllGlobals());

describe('what the server answers', () => {
  it.each([
    ['saved, with the new revision', saved(4), { kind: 'saved', revision: 4 }],
    ['changed elsewhere too (409)', Response.json({}, { status: 409 }), { kind: 'stale' }],
    [
      'refused, in its words',
      Response.json({ message: 'Give the piece a name.' }, { status: 400 }),
      { kind: 'refused', message: 'Give the piece a name.' },
    ],
    [
      'refused without words',
      Response.json({}, { status: 404 }),
      { kind: 'refused', message: 'The server would not take this change.' },
    ],
    // RFC 9110: 5xx and 408 tell of the server's state or time, not of the request.
    ['in trouble (503)', new Response('', { status: 503 }), { kind: 'unheard' }],
    ['too slow (408)', new Response('', { status: 408 }), { kind: 'unheard' }],
    ['nothing: the network is gone', new TypeError('Failed to fetch'), { kind: 'unheard' }],
    ['something that is no answer', new Response('<html>'), { kind: 'unheard' }],
  ] as const)('%s', async (_, answer, heard) => {
    answers(answer);
    expect(await send('7', 3, change('one'))).toEqual(heard);
  });
});

describe('the outbox', () => {
  it('holds what is owed, and forgets what is not', async () => {
    await remember(owed('a'));
    expect([...kept.keys()]).toEqual(['7/a']);
    await remember(owed('a', { next: null }));
    expect(kept.size).toBe(0);
  });

  it('what a living window owes is its own affair', async () => {
    await remember(owed('a'));
    await remember(owed('b', { pieceId: '8' }));
    living = ['a'];
    expect((await leftBehind()).map(({ window }) => window)).toEqual(['b']);
  });

  it('what a closed window left is sent in its order, and forgotten', async () => {
    await remember(owed('a', { sending: change('one'), next: change('two') }));
    const fetched = answers(saved(4), saved(5));
    expect(await deliverLeftBehind()).toEqual(new Set(['7']));
    expect(carried(fetched)).toEqual(['3 one', '4 two']);
    expect(kept.size).toBe(0);
  });

  it('a stale change does not keep the one after it from being kept as another version', async () => {
    await remember(owed('a', { sending: change('one'), next: change('two') }));
    const fetched = answers(Response.json({}, { status: 409 }), Response.json({}, { status: 409 }));
    await deliverLeftBehind();
    expect(carried(fetched)).toEqual(['3 one', '3 two']);
    expect(kept.size).toBe(0);
  });

  it('while the server does not answer everything stays, for the next start', async () => {
    await remember(owed('a', { sending: change('one'), next: change('two') }));
    answers(saved(4), new TypeError('Failed to fetch'));
    await deliverLeftBehind();
    expect([...kept.keys()]).toEqual(['7/a']);
  });
});
