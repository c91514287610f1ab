import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import type { MakingEvent } from '@/core/making/events';
import { EventSync, type Known, type TellState } from './eventSync';

/** What the browser keeps, under its keys. */
const kept = vi.hoisted(() => new Map<string, unknown>());
vi.mock('idb-keyval', () => ({
  createStore: () => null,
  set: (key: string, value: unknown) => Promise.resolve(void kept.set(key, value)),
  del: (key: string) => Promise.resolve(void kept.delete(key)),
  entries: () => Promise.resolve([...kept]),
}));

let made = 0;
const event = (window = 'one'): MakingEvent => ({
  id: `00000000-0000-4000-8000-${(++made).toString(16).padStart(12, '0')}`,
  window,
  after: null,
  at: new Date(Date.UTC(2026, 5, 1, 10, 0, made)).toISOString(),
  what: { did: 'note', text: `note ${made}` },
});

/** A server that keeps each thing once, and may be away. */
class Server {
  readonly events: MakingEvent[] = [];
  away = false;
  refuses: string | null = null;
  asked = 0;
  answer = (_url: string, init?: RequestInit): Promise<Response> => {
    this.asked++;
    if (this.away) return Promise.reject(new TypeError('no network'));
    if (this.refuses !== null)
      return Promise.resolve(Response.json({ message: this.refuses }, { status: 400 }));
    const { since = 0, events = [] } = init?.body
      ? (JSON.parse(init.body as string) as { since: number; events: MakingEvent[] })
      : {};
    for (const one of events) if (!this.events.some(({ id }) => id === one.id)) this.events.push(one);
    return Promise.resolve(Response.json({ events: this.events.slice(since), upTo: this.events.length }));
  };
}

let server: Server;
function opened(initial: Known = { events: [], upTo: 0 }) {
  const states: TellState['kind'][] = [];
  const now: { known: Known; waiting: readonly MakingEvent[] } = { known: initial, waiting: [] };
  let told = 0;
  const sync = new EventSync('a mat', initial, {
    onChange: (known, waiting, { kind }) => {
      Object.assign(now, { known, waiting });
      states.push(kind);
    },
    onTold: () => told++,
  });
  return { sync, states, now, told: () => told };
}

beforeEach(() => {
  vi.useFakeTimers();
  kept.clear();
  server = new Server();
  vi.stubGlobal('fetch', server.answer);
});
afterEach(() => {
  vi.useRealTimers();
  vi.unstubAllGlobals();
});

describe('what happens at the mat on its way', () => {
  it('is kept in the browser at once, told gathered, and then forgotten there', async () => {
    const { sync, now, states, told } = opened();
    await sync.open();
    for (let i = 0; i < 3; i++) sync.happened(event());
    expect(kept.size).toBe(3);
    expect(now.waiting).toHaveLength(3);
    await vi.advanceTimersByTimeAsync(1000);
    expect(server.events).toHaveLength(3);
    expect(now).toMatchObject({ waiting: [], known: { upTo: 3 } });
    expect(kept.size).toBe(0);
    expect(states.at(-1)).toBe('kept');
    expect(told()).toBe(1);
  });

  it('waits while the server is away, and arrives when it is back, each thing once', async () => {
    const { sync, states } = opened();
    await sync.open();
    await vi.advanceTimersByTimeAsync(10);
    server.away = true;
    sync.happened(event());
    await vi.advanceTimersByTimeAsync(5000);
    expect(states.at(-1)).toBe('waiting');
    sync.happened(event());
    expect(kept.size).toBe(2);
    server.away = false;
    await vi.advanceTimersByTimeAsync(20_000);
    expect(server.events).toHaveLength(2);
    expect(states.at(-1)).toBe('kept');
  });

  it('left behind by a window that is gone, it is told by the next', async () => {
    server.away = true;
    const first = opened();
    await first.sync.open();
    first.sync.happened(event());
    first.sync.close();
    await vi.advanceTimersByTimeAsync(50);
    server.away = false;
    const { sync, now } = opened();
    await sync.open();
    await vi.advanceTimersByTimeAsync(50);
    expect(server.events).toHaveLength(1);
    expect(now.known.events).toHaveLength(1);
    expect(kept.size).toBe(0);
  });

  it('hears what others told; what will not be taken stays, and is said', async () => {
    const { sync, now, states } = opened();
    await sync.open();
    await vi.advanceTimersByTimeAsync(10);
    server.events.push(event('two'));
    sync.hurry();
    await vi.advanceTimersByTimeAsync(10);
    expect(now.known.events).toHaveLength(1);
    server.refuses = 'Not this.';
    sync.happened(event());
    await vi.advanceTimersByTimeAsync(1000);
    expect(states.at(-1)).toBe('refused');
    expect(kept.size).toBe(1);
  });
});
