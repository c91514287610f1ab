import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { newPiece, type Piece } from '@/core/piece';
import type { Change, Owed, SendAnswer } from './outbox';
import { PieceSync, type SyncState } from './pieceSync';

const { remember, send } = vi.hoisted(() => ({
  remember: vi.fn<(owed: Owed) => Promise<void>>(),
  send: vi.fn<(pieceId: string, revision: number, change: Change) => Promise<SendAnswer>>(),
}));
vi.mock('./outbox', () => ({ remember, send }));

const piece = newPiece('Spring tide', 'ladder', null);
const named = (name: string): Piece => ({ ...piece, name });
/** What was sent, in turn: from which revision, and the name of the piece. */
const sent = () => send.mock.calls.map(([, revision, { doc }]) => `${revision} ${doc.name}`);

function window() {
  const states: SyncState['kind'][] = [];
  const sync = new PieceSync('7', 3, 'a window', ({ kind }) => states.push(kind));
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
    expect(remember.mock.lastCall?.[0].next?.doc.name).toBe('Slack');
    expect(sync.owing).toBe(true);
    await vi.runAllTimersAsync();
    expect(sent()).toEqual(['3 Slack']);
    expect(sync.owing).toBe(false);
    expect(remember.mock.lastCall?.[0]).toMatchObject({ sending: null, next: null });
    expect(states).toEqual(['saving', 'saving', 'saving', 'saved']);
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

  it('without an answer the same change is sent again, before any newer one', async () => {
    const { sync, states } = window();
    send.mockResolvedValueOnce({ kind: 'unheard' }).mockResolvedValueOnce({ kind: 'unheard' });
    await sync.change(named('One'));
    await vi.advanceTimersByTimeAsync(400);
    expect(states.at(-1)).toBe('waiting');
    await sync.change(named('Two'));
    await vi.runAllTimersAsync();
    expect(sent()).toEqual(['3 One', '3 One', '3 One', '4 Two']);
    const ids = send.mock.calls.map(([, , { id }]) => id);
    expect(new Set(ids.slice(0, 3)).size).toBe(1);
    expect(ids[3]).not.toBe(ids[0]);
    expect(states.at(-1)).toBe('saved');
  });

  it('waits longer and longer, and tries at once when told to hurry', async () => {
    const { sync } = window();
    send.mockResolvedValue({ kind: 'unheard' });
    await sync.change(named('One'));
    await vi.advanceTimersByTimeAsync(360 + 1000 + 2000 + 5000);
    expect(send).toHaveBeenCalledTimes(4);
    await vi.advanceTimersByTimeAsync(9000);
    expect(send).toHaveBeenCalledTimes(4);
    sync.hurry();
    await vi.advanceTimersByTimeAsync(1);
    expect(send).toHaveBeenCalledTimes(5);
    sync.close();
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
    const sync = new PieceSync('7', 3, 'a window', (state) => states.push(state));
    send.mockResolvedValueOnce({ kind: 'refused', message: 'Give the piece a name.' });
    await sync.change(named(''));
    await vi.runAllTimersAsync();
    expect(send).toHaveBeenCalledTimes(1);
    expect(states.at(-1)).toEqual({ kind: 'refused', message: 'Give the piece a name.' });
  });

  it('a window that is left sends what it owes, and is quiet then', async () => {
    const { sync } = window();
    await sync.change(named('Last'));
    sync.close();
    await vi.runAllTimersAsync();
    expect(sent()).toEqual(['3 Last']);
    send.mockClear();
    sync.hurry();
    await vi.runAllTimersAsync();
    expect(send).not.toHaveBeenCalled();
  });
});
