import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { newPiece } from '@/core/piece/newPiece';
import type { Piece } from '@/core/piece/piece';
import type { Change, Owed, SendAnswer } from './outbox';
import { leftUnderWay, newestHere, openSync, PieceSync, type SyncState } from './pieceSync';

const { remember, send } = vi.hoisted(() => ({
  remember: vi.fn<(owed: Owed) => Promise<void>>(),
  send: vi.fn<(owed: Owed & { change: Change }) => Promise<SendAnswer>>(),
}));
vi.mock('./outbox', async (original) => ({
  ...(await original<typeof import('./outbox')>()),
  remember,
  send,
}));

const piece = newPiece('Spring tide', 'ladder', null);
const named = (name: string): Piece => ({ ...piece, name });
/** What was sent, in turn: from which revision, and the name of the piece. */
const sent = () => send.mock.calls.map(([{ revision, change }]) => `${revision} ${change.doc.name}`);
/** What a page says that the server has. */
const page = (revision: number) => ({ doc: piece, revision });
const unheard = { kind: 'unheard', message: null } as const;

function window() {
  const states: SyncState['kind'][] = [];
  const sync = new PieceSync('7', 3, 'a window');
  sync.listen(({ kind }) => states.push(kind));
  return { sync, states };
}

beforeEach(() => {
  vi.useFakeTimers();
  remember.mockReset().mockResolvedValue();
  let revision = 3;
  send.mockReset().mockImplementation(() => Promise.resolve({ kind: 'saved', revision: ++revision }));
});
afterEach(() => vi.useRealTimers());

describe('edits on their way', () => {
  it('are in the outbox at once, gathered, and sent as one', async () => {
    const { sync, states } = window();
    for (const name of ['S', 'Sl', 'Slack']) await sync.change(named(name));
    expect(send).not.toHaveBeenCalled();
    expect(remember.mock.lastCall?.[0].change?.doc.name).toBe('Slack');
    expect(sync.owing).toBe(true);
    await vi.runAllTimersAsync();
    expect(sent()).toEqual(['3 Slack']);
    expect(sync.owing).toBe(false);
    expect(remember.mock.lastCall?.[0]).toMatchObject({ change: null, after: [] });
    expect(states).toEqual(['saving', 'saving', 'saving', 'saved']);
  });

  it('are behind a newer state of the page only while nothing of them is owed or undecided', async () => {
    const { sync } = window();
    expect([3, 4].map((revision) => sync.isBehind(revision))).toEqual([false, true]);
    await sync.change(named('Slack'));
    expect(sync.isBehind(9)).toBe(false);
    await vi.runAllTimersAsync();
    expect([4, 5].map((revision) => sync.isBehind(revision))).toEqual([false, true]);
    send.mockResolvedValueOnce({ kind: 'stale' });
    await sync.change(named('Ebb'));
    await vi.runAllTimersAsync();
    expect(sync.isBehind(9)).toBe(false);
    sync.restart(9);
    expect([9, 10].map((revision) => sync.isBehind(revision))).toEqual([false, true]);
  });

  it('start each from the revision that the one before made', async () => {
    const { sync } = window();
    await sync.change(named('One'));
    await vi.runAllTimersAsync();
    await sync.change(named('Two'));
    await vi.runAllTimersAsync();
    expect(sent()).toEqual(['3 One', '4 Two']);
  });

  it('one that is made while another is under way waits for its answer', async () => {
    const { sync } = window();
    let answer: (said: SendAnswer) => void = () => undefined;
    send.mockImplementationOnce(() => new Promise((resolve) => (answer = resolve)));
    await sync.change(named('One'));
    await vi.advanceTimersByTimeAsync(1000);
    await sync.change(named('Two'));
    await vi.advanceTimersByTimeAsync(5000);
    expect(sent()).toEqual(['3 One']);
    answer({ kind: 'saved', revision: 9 });
    await vi.runAllTimersAsync();
    expect(sent()).toEqual(['3 One', '9 Two']);
  });

  it('without an answer the same change is sent again', async () => {
    const { sync, states } = window();
    send.mockResolvedValueOnce(unheard).mockResolvedValueOnce(unheard);
    await sync.change(named('One'));
    await vi.runAllTimersAsync();
    expect(sent()).toEqual(['3 One', '3 One', '3 One']);
    expect(new Set(send.mock.calls.map(([{ change }]) => change.id)).size).toBe(1);
    expect(states).toEqual(['saving', 'waiting', 'waiting', 'saved']);
  });

  it('one that cannot be delivered never holds up a newer one, which names it', async () => {
    const { sync, states } = window();
    send.mockResolvedValueOnce(unheard).mockResolvedValueOnce(unheard);
    await sync.change(named('One'));
    await vi.advanceTimersByTimeAsync(400);
    expect(states.at(-1)).toBe('waiting');
    await sync.change(named('Two'));
    await vi.advanceTimersByTimeAsync(400);
    await sync.change(named('Three'));
    await vi.runAllTimersAsync();
    expect(sent()).toEqual(['3 One', '3 Two', '3 Three']);
    const ids = send.mock.calls.map(([{ change }]) => change.id);
    // Whichever of them had arrived after all: the server puts the newest in its place.
    expect(send.mock.calls.map(([{ after }]) => after)).toEqual([[], ids.slice(0, 1), ids.slice(0, 2)]);
    expect(states.at(-1)).toBe('saved');
    await sync.change(named('Four'));
    await vi.runAllTimersAsync();
    expect(send.mock.lastCall?.[0]).toMatchObject({ revision: 4, after: [] });
  });

  it('waits longer and longer, and tries at once when told to hurry', async () => {
    const { sync } = window();
    send.mockResolvedValue(unheard);
    await sync.change(named('One'));
    await vi.advanceTimersByTimeAsync(360 + 1000 + 2000 + 5000);
    expect(send).toHaveBeenCalledTimes(4);
    await vi.advanceTimersByTimeAsync(9000);
    expect(send).toHaveBeenCalledTimes(4);
    sync.hurry();
    await vi.advanceTimersByTimeAsync(1);
    expect(send).toHaveBeenCalledTimes(5);
  });
});

describe('where saving cannot go on', () => {
  it('a change made elsewhere too: the newest edit is kept as well, and nothing follows by itself', async () => {
    const { sync, states } = window();
    let answer: (said: SendAnswer) => void = () => undefined;
    send.mockImplementationOnce(() => new Promise((resolve) => (answer = resolve)));
    await sync.change(named('One'));
    await vi.advanceTimersByTimeAsync(400);
    await sync.change(named('Two'));
    send.mockResolvedValue({ kind: 'stale' });
    answer({ kind: 'stale' });
    await vi.runAllTimersAsync();
    expect(sent()).toEqual(['3 One', '3 Two']);
    expect(states.at(-1)).toBe('stale');
    expect(sync.owing).toBe(false);
    // Kept aside it is one version, however often it is edited until the weaver chooses.
    const ids = send.mock.calls.map(([{ change }]) => change.id);
    expect(send.mock.lastCall?.[0].after).toEqual(ids.slice(0, 1));
    await sync.change(named('Three'));
    await vi.runAllTimersAsync();
    expect(send.mock.lastCall?.[0].after).toEqual(ids.slice(1));
  });

  it('a newer edit stays owed where its own sending goes unheard', async () => {
    const { sync } = window();
    let answer: (said: SendAnswer) => void = () => undefined;
    send.mockImplementationOnce(() => new Promise((resolve) => (answer = resolve)));
    await sync.change(named('One'));
    await vi.advanceTimersByTimeAsync(400);
    await sync.change(named('Two'));
    send.mockResolvedValue(unheard);
    answer({ kind: 'stale' });
    await vi.advanceTimersByTimeAsync(3000);
    expect(sync.owing).toBe(true);
    expect(remember.mock.lastCall?.[0].change?.doc.name).toBe('Two');
  });

  it('goes on from the version that was chosen', async () => {
    const { sync, states } = window();
    sync.restart(12);
    expect(states).toEqual(['saved']);
    await sync.change(named('Three'));
    await vi.runAllTimersAsync();
    expect(sent()).toEqual(['12 Three']);
  });

  it('what the server refuses is told in its words, and not sent again', async () => {
    const states: SyncState[] = [];
    const sync = new PieceSync('7', 3, 'a window');
    sync.listen((state) => states.push(state));
    send.mockResolvedValueOnce({ kind: 'refused', message: 'Give the piece a name.' });
    await sync.change(named(''));
    await vi.runAllTimersAsync();
    expect(send).toHaveBeenCalledTimes(1);
    expect(states.at(-1)).toMatchObject({ kind: 'refused', message: 'Give the piece a name.' });
    // Kept means kept: it stays until it has been mended, or the maker lets it go.
    expect(remember.mock.lastCall?.[0]).toMatchObject({
      refused: 'Give the piece a name.',
      change: { doc: { name: '' } },
    });
    await sync.change(named('Mended'));
    await vi.runAllTimersAsync();
    expect(sent()).toEqual(['3 ', '3 Mended']);
    expect(states.at(-1)).toEqual({ kind: 'saved' });
    expect(sync.owing).toBe(false);
  });

  it('what is let go is owed no more', async () => {
    const { sync } = window();
    send.mockResolvedValueOnce({ kind: 'refused', message: 'no' });
    await sync.change(named('x'));
    await vi.runAllTimersAsync();
    sync.letGo();
    expect(sync.owing).toBe(false);
    expect(remember.mock.lastCall?.[0].change).toBeNull();
  });

  it('a browser that keeps nothing sends all the same', async () => {
    const { sync, states } = window();
    remember.mockRejectedValue(new DOMException('full', 'QuotaExceededError'));
    await sync.change(named('One'));
    await vi.runAllTimersAsync();
    expect(states.at(-1)).toBe('saved');
  });

  it('a screen that is left sends what it owes, and tries on until it arrives', async () => {
    const { sync, states } = window();
    send.mockResolvedValueOnce(unheard);
    await sync.change(named('Last'));
    sync.close();
    await vi.runAllTimersAsync();
    expect(sent()).toEqual(['3 Last', '3 Last']);
    expect(sync.owing).toBe(false);
    expect(states).toEqual(['saving']);
  });

  it('a screen that is left with an edit that was refused gives it back, and sends nothing more', async () => {
    const sync = openSync('11', page(3), 'a window');
    send.mockResolvedValueOnce({ kind: 'refused', message: 'It is not here.' });
    await sync.change(named('Flotsam'));
    await vi.runAllTimersAsync();
    expect(sync.close()).toMatchObject({ refused: 'It is not here.', change: { doc: { name: 'Flotsam' } } });
    await vi.runAllTimersAsync();
    expect(send).toHaveBeenCalledTimes(1);
    expect(leftUnderWay('11')).toBeNull();
  });

  it('a screen that is come back to before all has arrived goes on from there', async () => {
    const first = openSync('9', page(3), 'a window');
    send.mockResolvedValueOnce(unheard);
    await first.change(named('On its way'));
    first.close();
    await vi.advanceTimersByTimeAsync(100);
    expect(leftUnderWay('9')?.doc?.name).toBe('On its way');
    expect(openSync('9', page(3), 'another name')).toBe(first);
    await vi.runAllTimersAsync();
    expect(leftUnderWay('9')).toBeNull();
    expect(openSync('9', page(4), 'another name')).not.toBe(first);
  });

  it('a page that the browser goes back to is older than what was saved since: that is gone on from', async () => {
    const first = openSync('12', page(3), 'a window');
    await first.change(named('Newer'));
    first.close();
    await vi.runAllTimersAsync();
    expect(newestHere('12', page(3))).toEqual({ doc: named('Newer'), revision: 4 });
    const again = openSync('12', page(3), 'a window');
    await again.change(named('Newer still'));
    await vi.runAllTimersAsync();
    expect(sent()).toEqual(['3 Newer', '4 Newer still']);
    // Changed elsewhere since: the page knows better.
    expect(newestHere('12', page(9))).toEqual(page(9));
  });
});
