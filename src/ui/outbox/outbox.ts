import { createStore, del, entries, set, type UseStore } from 'idb-keyval';
import * as z from 'zod';
import type { Piece } from '@/core/piece/piece';
import { refusalIn } from '../fields/refusal';

/** One edit on its way to the server: the whole piece as it is after it. Sent again, its id makes it count once. */
export interface Change {
  readonly id: string;
  readonly doc: Piece;
}

/**
 * What one window owes the server for one piece: the newest edit, in which all before it are contained. It stays here
 * until the server has acknowledged it or the maker lets it go.
 */
export interface Owed {
  readonly pieceId: string;
  readonly window: string;
  readonly revision: number;
  /** Null when nothing is owed. */
  readonly change: Change | null;
  /** It has been sent at least once, so it may have arrived although no answer was heard. */
  readonly tried: boolean;
  /** Earlier changes of this window that may have arrived: the newest takes their place wherever they are. */
  readonly after: readonly string[];
  /** Why the server would not take it, in its words; null while that is not known. */
  readonly refused: string | null;
}

const PREFIX = 'window-';
/** Ids that a request may name. */
const MOST_BEFORE = 200;

let store: UseStore | null = null;
const outbox = () => (store ??= createStore('ivyloom-outbox', 'owed'));
const keyOf = (owed: Pick<Owed, 'pieceId' | 'window'>) => `${owed.pieceId}/${owed.window}`;

/** Keeps what is owed where a closed lid or a crash cannot reach it; forgets it when nothing is owed. */
export const remember = (owed: Owed): Promise<void> =>
  owed.change ? set(keyOf(owed), owed, outbox()) : del(keyOf(owed), outbox());

/** What is owed with a newer edit in the place of the last. */
export const withChange = (owed: Owed, change: Change): Owed => ({
  ...owed,
  change,
  tried: false,
  refused: null,
  after: owed.change && owed.tried ? [...owed.after, owed.change.id].slice(-MOST_BEFORE) : owed.after,
});

/**
 * The name of this window, held by a lock for as long as it lives, so that another window can tell what a
 * closed one left behind from what a living one is still sending.
 */
export async function nameWindow(): Promise<string> {
  const name = crypto.randomUUID();
  await new Promise<void>((held) => {
    void navigator.locks.request(PREFIX + name, () => {
      held();
      return new Promise(() => undefined); // never settles: the browser frees it with the window
    });
  });
  return name;
}

const changeSchema = z.object({
  id: z.string(),
  doc: z.custom<Piece>((doc) => typeof doc === 'object' && doc !== null),
});
const base = { pieceId: z.string(), window: z.string(), revision: z.number() };
const owedSchema = z.object({
  ...base,
  change: changeSchema,
  tried: z.boolean(),
  after: z.array(z.string()),
  refused: z.string().nullable(),
});
/** As windows of an earlier version left it: one on its way, and the newest behind it. */
const earlierSchema = z
  .object({ ...base, sending: changeSchema.nullable(), next: changeSchema.nullable() })
  .transform(({ sending, next, ...rest }): Owed => {
    const change = next ?? sending;
    const after = sending && next ? [sending.id] : [];
    return { ...rest, change, tried: next === null, after, refused: null };
  });
const keptSchema = z.union([owedSchema, earlierSchema]);

/** What windows that are gone still owe. */
export async function leftBehind(): Promise<Owed[]> {
  const { held = [] } = await navigator.locks.query();
  const living = new Set(held.map((lock) => lock.name));
  const all = await entries<string, unknown>(outbox());
  return all
    .flatMap(([, kept]): Owed[] => {
      const read = keptSchema.safeParse(kept);
      return read.success ? [read.data] : [];
    })
    .filter(({ window, change }) => change !== null && !living.has(PREFIX + window));
}

export type SendAnswer =
  | { readonly kind: 'saved'; readonly revision: number }
  | { readonly kind: 'stale' }
  /** The server says no, in words; sending it again would not help. */
  | { readonly kind: 'refused'; readonly message: string }
  /** No answer, or one that may be better next time: then with what the server said. */
  | { readonly kind: 'unheard'; readonly message: string | null };

/** What a browser still sends of a page that is being left (Fetch standard, keepalive: 64 KiB in all). */
const KEPT_ALIVE = 60_000;

const savedSchema = z.object({ revision: z.number() });

/** Sends what is owed. */
export async function send({
  pieceId,
  revision,
  change,
  after,
}: Owed & { change: Change }): Promise<SendAnswer> {
  const body = JSON.stringify({ revision, changeId: change.id, after, doc: change.doc });
  try {
    const response = await fetch(`/api/pieces/${pieceId}`, {
      method: 'PUT',
      headers: { 'content-type': 'application/json' },
      body,
      keepalive: body.length < KEPT_ALIVE,
    });
    if (response.status === 409) return { kind: 'stale' };
    const answer: unknown = await response.json();
    const message = refusalIn(answer);
    if (response.status >= 500 || [408, 425, 429].includes(response.status))
      return { kind: 'unheard', message };
    const saved = savedSchema.safeParse(answer);
    if (response.ok && saved.success) return { kind: 'saved', revision: saved.data.revision };
    return { kind: 'refused', message: message ?? 'The program would not take this change.' };
  } catch {
    return { kind: 'unheard', message: null };
  }
}

/** What became of the things that closed windows owed. */
export interface Delivery {
  /** Pieces that were touched: their pages hold an older state. */
  readonly touched: ReadonlySet<string>;
  /** What could not be delivered, and stays here. */
  readonly left: readonly Owed[];
}

/** Sends what closed windows left behind. What cannot be delivered stays, and holds nothing else up. */
export async function deliverLeftBehind(): Promise<Delivery> {
  const touched = new Set<string>();
  const left: Owed[] = [];
  for (const owed of await leftBehind()) {
    const { change } = owed;
    if (!change) continue;
    const answer = await send({ ...owed, change });
    if (answer.kind === 'saved' || answer.kind === 'stale') {
      touched.add(owed.pieceId);
      await remember({ ...owed, change: null });
    } else {
      const now = { ...owed, tried: true, refused: answer.kind === 'refused' ? answer.message : null };
      await remember(now);
      left.push(now);
    }
  }
  return { touched, left };
}

export type OwnAnswer =
  { readonly ok: true; readonly id: string } | { readonly ok: false; readonly message: string };

/** Puts what could not be delivered on the bench as a piece of its own. */
export async function asOwnPiece(doc: unknown): Promise<OwnAnswer> {
  try {
    const response = await fetch('/api/pieces', {
      method: 'POST',
      headers: { 'content-type': 'application/json' },
      body: JSON.stringify(doc),
    });
    const answer: unknown = await response.json();
    const made = z.object({ id: z.string() }).safeParse(answer);
    if (response.ok && made.success) return { ok: true, id: made.data.id };
    return { ok: false, message: refusalIn(answer) ?? 'It was not taken.' };
  } catch {
    return { ok: false, message: 'Ivy Loom does not answer. It stays in this browser; try again.' };
  }
}
