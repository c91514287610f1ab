import { createStore, del, entries, set, type UseStore } from 'idb-keyval';
import type { Piece } from '@/core/piece';

/** One edit on its way to the server. Sent again after a failure with the same id, so that it counts once. */
export interface Change {
  readonly id: string;
  readonly doc: Piece;
}

/**
 * What one window still owes the server for one piece. `sending` may already have arrived: its answer was
 * not heard. `next` is the newest edit, in which all since then are gathered.
 */
export interface Owed {
  readonly pieceId: string;
  readonly window: string;
  readonly revision: number;
  readonly sending: Change | null;
  readonly next: Change | null;
}

const PREFIX = 'window-';

let store: UseStore | null = null;
const outbox = () => (store ??= createStore('ivyloom-outbox', 'owed'));
const keyOf = (owed: Pick<Owed, 'pieceId' | 'window'>) => `${owed.pieceId}/${owed.window}`;

/** Keeps what is owed where a closed lid or a crash cannot reach it; forgets it when nothing is owed. */
export const remember = (owed: Owed): Promise<void> =>
  owed.sending || owed.next ? set(keyOf(owed), owed, outbox()) : del(keyOf(owed), outbox());

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

/** What windows that are gone still owe. */
export async function leftBehind(): Promise<Owed[]> {
  const { held = [] } = await navigator.locks.query();
  const living = new Set(held.map((lock) => lock.name));
  const all = await entries<string, Owed>(outbox());
  return all.map(([, owed]) => owed).filter((owed) => !living.has(PREFIX + owed.window));
}

export type SendAnswer =
  | { readonly kind: 'saved'; readonly revision: number }
  | { readonly kind: 'stale' }
  /** The server says no, in words; sending it again would not help. */
  | { readonly kind: 'refused'; readonly message: string }
  /** No answer, or one that may be better next time. */
  | { readonly kind: 'unheard' };

/** Sends one change made from a revision. */
export async function send(pieceId: string, revision: number, change: Change): Promise<SendAnswer> {
  try {
    const response = await fetch(`/api/pieces/${pieceId}`, {
      method: 'PUT',
      headers: { 'content-type': 'application/json' },
      body: JSON.stringify({ revision, changeId: change.id, doc: change.doc }),
    });
    if (response.status === 409) return { kind: 'stale' };
    if (response.status >= 500 || response.status === 408) return { kind: 'unheard' };
    const body = (await response.json()) as { revision?: number; message?: string };
    if (response.ok && body.revision !== undefined) return { kind: 'saved', revision: body.revision };
    return { kind: 'refused', message: body.message ?? 'The server would not take this change.' };
  } catch {
    return { kind: 'unheard' };
  }
}

/**
 * Sends what closed windows left behind, oldest first. Returns the pieces that were touched: their pages
 * hold an older state.
 */
export async function deliverLeftBehind(): Promise<Set<string>> {
  const touched = new Set<string>();
  for (const owed of await leftBehind()) {
    let { revision } = owed;
    for (const change of [owed.sending, owed.next]) {
      if (!change) continue;
      const answer = await send(owed.pieceId, revision, change);
      if (answer.kind === 'unheard') return touched; // still in the outbox, for the next start
      if (answer.kind === 'saved') revision = answer.revision;
      touched.add(owed.pieceId);
    }
    await remember({ ...owed, sending: null, next: null });
  }
  return touched;
}
