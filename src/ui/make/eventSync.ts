import { createStore, del, entries, set, type UseStore } from 'idb-keyval';
import * as z from 'zod';
import { eventSchema, MOST_EVENTS, type MakingEvent } from '@/core/making/events';
import { sendPhoto } from './photoBox';
import { refusalIn } from '../fields/refusal';

/** How telling goes. */
export type TellState =
  /** Not ready yet: what closed windows left is being looked for. */
  | { readonly kind: 'opening' }
  | { readonly kind: 'kept' }
  | { readonly kind: 'telling' }
  /** Kept in this browser; the server does not answer. */
  | { readonly kind: 'waiting' }
  /** The server will not take it; it is kept in this browser. */
  | { readonly kind: 'refused'; readonly message: string };

/** What happened at a mat, as the server has it, in its order, and up to where that is. */
export interface Known {
  readonly events: readonly MakingEvent[];
  readonly upTo: number;
}

/** Whom the sync tells how it goes. */
export interface Hearer {
  readonly onChange: (known: Known, waiting: readonly MakingEvent[], state: TellState) => void;
  /** What this window told has arrived: others may want to hear of it. */
  readonly onTold: () => void;
}

let store: UseStore | null = null;
const outbox = () => (store ??= createStore('ivyloom-making', 'untold'));

const keptSchema = z.object({ matId: z.string(), event: eventSchema });
const keyOf = (matId: string, id: string) => `${matId}/${id}`;

/** Keeps what was not told yet where a closed lid or a crash cannot reach it. */
const keep = (matId: string, event: MakingEvent): Promise<void> =>
  set(keyOf(matId, event.id), { matId, event }, outbox()).catch(() => undefined);
const forget = (matId: string, events: readonly MakingEvent[]): Promise<unknown> =>
  Promise.all(events.map(({ id }) => del(keyOf(matId, id), outbox()))).catch(() => undefined);

/** What this browser has not told of a mat, in the order in which it happened: windows that are gone left it behind. */
async function untold(matId: string): Promise<MakingEvent[]> {
  const all = await entries<string, unknown>(outbox()).catch(() => []);
  return all
    .flatMap(([, raw]) => {
      const read = keptSchema.safeParse(raw);
      return read.success && read.data.matId === matId ? [read.data.event] : [];
    })
    .sort((a, b) => a.at.localeCompare(b.at));
}

const happenedSchema = z.object({ events: z.array(eventSchema), upTo: z.number() });

/** Taps are gathered so long, and what was not heard is told again after so long, ms. */
const GATHER_MS = 150;
const RETRY_MS = [1000, 2000, 5000, 10_000];
/** A message of more than this is not sent on from a page that is left (Fetch standard, keepalive: 64 KiB in all). */
const KEPT_ALIVE = 60_000;

/**
 * Tells the server what happened at a mat, each thing until it is acknowledged, and hears what other windows told. What happens while
 * the server is away waits here; told twice it counts once.
 */
export class EventSync {
  private waiting: MakingEvent[] = [];
  private timer: ReturnType<typeof setTimeout> | undefined;
  private busy = false;
  private failures = 0;
  private closed = false;

  constructor(
    private readonly matId: string,
    private known: Known,
    private readonly hearer: Hearer,
  ) {}

  /** Takes up what windows that are gone have left, and asks what is new. */
  async open(): Promise<void> {
    const left = await untold(this.matId);
    const have = new Set([...this.known.events, ...this.waiting].map(({ id }) => id));
    const [arrived, owed] = [left.filter(({ id }) => have.has(id)), left.filter(({ id }) => !have.has(id))];
    this.waiting = [...owed, ...this.waiting];
    void forget(
      this.matId,
      arrived.filter(({ id }) => !this.waiting.some((one) => one.id === id)),
    );
    this.tell({ kind: this.waiting.length > 0 ? 'telling' : 'kept' });
    this.wake(0);
  }

  /** Something happened. It is seen at once, and told as soon as the server hears. */
  happened(event: MakingEvent): void {
    this.waiting = [...this.waiting, event];
    void keep(this.matId, event);
    this.tell({ kind: 'telling' });
    this.wake(GATHER_MS);
  }

  /** Tries at once: the network is back, another window spoke, or somebody looks again. */
  hurry(): void {
    this.wake(0);
  }

  /** Nobody looks any more. What is owed goes on its way all the same. */
  close(): void {
    this.closed = true;
    clearTimeout(this.timer);
    if (this.waiting.length > 0) void this.deliver();
  }

  private tell(state: TellState): void {
    if (!this.closed) this.hearer.onChange(this.known, this.waiting, state);
  }

  private wake(afterMs: number): void {
    if (this.closed) return;
    clearTimeout(this.timer);
    this.timer = setTimeout(() => void this.deliver(), afterMs);
  }

  private async deliver(): Promise<void> {
    if (this.busy) return;
    this.busy = true;
    const sent = this.waiting.slice(0, MOST_EVENTS);
    try {
      const kept = await this.sendPhotos(sent);
      if (kept !== null) return this.untaken(kept.status, kept.message);
      await this.hear(await this.sending(sent), sent);
    } catch {
      this.later();
    } finally {
      this.busy = false;
    }
  }

  /** Photographs go before what tells of them. */
  private async sendPhotos(sent: readonly MakingEvent[]) {
    for (const { what } of sent) {
      const refusal = what.did === 'photo' ? await sendPhoto(this.matId, what.photo) : null;
      if (refusal) return refusal;
    }
    return null;
  }

  /** It was not taken: for now, or for good. */
  private untaken(status: number, message: string): void {
    if (status >= 500 || [408, 425, 429].includes(status)) return this.later();
    this.tell({ kind: 'refused', message });
  }

  private sending(sent: readonly MakingEvent[]): Promise<Response> {
    const url = `/api/mats/${this.matId}`;
    if (sent.length === 0) return fetch(`${url}?since=${this.known.upTo}`);
    const body = JSON.stringify({ since: this.known.upTo, events: sent });
    return fetch(url, {
      method: 'POST',
      headers: { 'content-type': 'application/json' },
      body,
      keepalive: body.length < KEPT_ALIVE,
    });
  }

  private async hear(response: Response, sent: readonly MakingEvent[]): Promise<void> {
    const answer: unknown = await response.json();
    const heard = happenedSchema.safeParse(answer);
    if (!response.ok || !heard.success) {
      const message = refusalIn(answer) ?? 'The program would not take it.';
      return this.untaken(response.status, message);
    }
    const ids = new Set(sent.map(({ id }) => id));
    this.waiting = this.waiting.filter(({ id }) => !ids.has(id));
    const have = new Set(this.known.events.map(({ id }) => id));
    this.known = {
      events: [...this.known.events, ...heard.data.events.filter(({ id }) => !have.has(id))],
      upTo: Math.max(this.known.upTo, heard.data.upTo),
    };
    await forget(this.matId, sent);
    this.failures = 0;
    this.tell({ kind: this.waiting.length > 0 ? 'telling' : 'kept' });
    if (sent.length > 0) this.hearer.onTold();
    if (this.waiting.length > 0) this.wake(0);
  }

  private later(): void {
    this.tell({ kind: this.waiting.length > 0 ? 'waiting' : 'kept' });
    this.wake(RETRY_MS[Math.min(this.failures++, RETRY_MS.length - 1)] ?? 0);
  }
}
