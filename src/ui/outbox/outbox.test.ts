import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { newPiece } from '@/core/piece/newPiece';
import {
  asOwnPiece,
  deliverLeftBehind,
  leftBehind,
  remember,
  send,
  withChange,
  type Change,
  type Owed,
} from './outbox';

const { kept } = vi.hoisted(() => ({ kept: new Map<string, unknown>() }));
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
  change: change('one'),
  tried: false,
  after: [],
  refused: null,
  ...part,
});
const sendOne = () => send({ ...owed('a'), change: change('one') });
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
    const { revision, changeId, after } = JSON.parse(request?.body as string) as {
      revision: number;
      changeId: string;
      after: string[];
    };
    return [revision, changeId, ...after].join(' ');
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
      { kind: 'refused', message: 'The program would not take this change.' },
    ],
    // RFC 9110: 5xx and 408 tell of the server's state or time, not of the request.
    ['in trouble (503)', new Response('', { status: 503 }), { kind: 'unheard', message: null }],
    ['too slow (408)', new Response('', { status: 408 }), { kind: 'unheard', message: null }],
    [
      'without room, in its words (507)',
      Response.json({ message: 'The disk is full.' }, { status: 507 }),
      { kind: 'unheard', message: 'The disk is full.' },
    ],
    ['nothing: the network is gone', new TypeError('Failed to fetch'), { kind: 'unheard', message: null }],
    ['something that is no answer', new Response('<html>'), { kind: 'unheard', message: null }],
  ] as const)('%s', async (_, answer, heard) => {
    answers(answer);
    expect(await sendOne()).toEqual(heard);
  });
});

describe('the outbox', () => {
  it('holds what is owed, and forgets what is not', async () => {
    await remember(owed('a'));
    expect([...kept.keys()]).toEqual(['7/a']);
    await remember(owed('a', { change: null }));
    expect(kept.size).toBe(0);
  });

  it('what a living window owes is its own affair', async () => {
    await remember(owed('a'));
    await remember(owed('b', { pieceId: '8' }));
    living = ['a'];
    expect((await leftBehind()).map(({ window }) => window)).toEqual(['b']);
  });

  it('what a closed window left is sent, and forgotten once it is acknowledged', async () => {
    await remember(owed('a', { change: change('two'), after: ['one'] }));
    const fetched = answers(saved(4));
    expect(await deliverLeftBehind()).toEqual({ touched: new Set(['7']), left: [] });
    expect(carried(fetched)).toEqual(['3 two one']);
    expect(kept.size).toBe(0);
  });

  it('kept aside as another version it is acknowledged too', async () => {
    await remember(owed('a'));
    answers(Response.json({}, { status: 409 }));
    expect((await deliverLeftBehind()).touched).toEqual(new Set(['7']));
    expect(kept.size).toBe(0);
  });

  it.each([400, 404, 413, 422])(
    'what is refused (%i) stays, with the words, and is tried at the next start',
    async (status) => {
      await remember(owed('a'));
      answers(Response.json({ message: 'It is not here.' }, { status }));
      const { left, touched } = await deliverLeftBehind();
      expect(touched.size).toBe(0);
      expect(left).toEqual([owed('a', { tried: true, refused: 'It is not here.' })]);
      expect([...kept.values()]).toEqual(left);
      answers(saved(4));
      await deliverLeftBehind();
      expect(kept.size).toBe(0);
    },
  );

  it('one that cannot be delivered holds up no other', async () => {
    await remember(owed('a'));
    await remember(owed('b', { pieceId: '8' }));
    const fetched = answers(new Response('', { status: 500 }), saved(4));
    expect((await deliverLeftBehind()).touched).toEqual(new Set(['8']));
    expect(carried(fetched)).toHaveLength(2);
    expect([...kept.keys()]).toEqual(['7/a']);
  });

  it('what a window of an earlier version left is carried on: the newest, in the place of the one before', async () => {
    const left = { pieceId: '7', window: 'old', revision: 3 };
    kept.set('7/old', { ...left, sending: change('one'), next: change('two') });
    kept.set('8/old', { ...left, pieceId: '8', sending: change('three'), next: null });
    kept.set('9/old', 'not ours');
    const fetched = answers(saved(4), saved(4));
    await deliverLeftBehind();
    expect(carried(fetched)).toEqual(['3 two one', '3 three']);
    expect([...kept.keys()]).toEqual(['9/old']);
  });

  it('a newer edit names those that may have arrived, and only those', () => {
    const first = withChange(owed('a', { change: null }), change('one'));
    expect(withChange(first, change('two')).after).toEqual([]);
    expect(withChange({ ...first, tried: true }, change('two')).after).toEqual(['one']);
    let many: Owed = { ...first, tried: true };
    for (let i = 0; i < 300; i++) many = { ...withChange(many, change(`${i}`)), tried: true };
    // The route takes at most so many.
    expect(many.after).toHaveLength(200);
    expect(many.after.at(-1)).toBe('298');
  });

  it('becomes a piece of its own, or is told why not', async () => {
    answers(Response.json({ id: 'new' }, { status: 201 }));
    expect(await asOwnPiece(change('one').doc)).toEqual({ ok: true, id: 'new' });
    answers(Response.json({ message: 'Not a piece.' }, { status: 400 }), new TypeError('gone'));
    expect(await asOwnPiece({})).toEqual({ ok: false, message: 'Not a piece.' });
    expect(await asOwnPiece({})).toMatchObject({ ok: false });
  });
});
