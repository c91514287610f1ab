import type { Piece } from '@/core/piece/piece';
import { noteSaved } from './savedHere';
import { remember, send, withChange, type Change, type Owed, type SendAnswer } from './outbox';

export type SyncState =
  | { readonly kind: 'saved' }
  | { readonly kind: 'saving' }
  /** Kept in this browser; the server does not answer, or says that it cannot now. */
  | { readonly kind: 'waiting'; readonly message: string | null }
  /** The piece was changed elsewhere too; both versions are kept. */
  | { readonly kind: 'stale' }
  /** The server will not take it; it is kept in this browser. */
  | { readonly kind: 'refused'; readonly message: string; readonly doc: Piece };

/** How long edits are gathered before they are sent, ms. */
const GATHER_MS = 350;
const RETRY_MS = [1000, 2000, 5000, 10_000];

/** A state of a piece that the server has. */
export interface Acknowledged {
  readonly doc: Piece;
  readonly revision: number;
}

/** The sync of each piece that was opened in this window. */
const opened = new Map<string, PieceSync>();

/**
 * Carries the edits of one piece in one window to the server: gathers them and sends the newest, which holds all before
 * it, until it is acknowledged. A change that cannot be delivered never holds up a newer one.
 */
export class PieceSync {
  private owed: Owed;
  private timer: ReturnType<typeof setTimeout> | undefined;
  private busy = false;
  private failures = 0;
  private state: SyncState = { kind: 'saved' };
  private listener: ((state: SyncState) => void) | null = null;

  /** @param acknowledged what the server is known to have by another sync of this window */
  constructor(
    pieceId: string,
    revision: number,
    window: string,
    private known: Acknowledged | null = null,
  ) {
    this.owed = { pieceId, window, revision, change: null, tried: false, after: [], refused: null };
  }

  /** Tells how saving goes, from now on. */
  listen(listener: (state: SyncState) => void): void {
    this.listener = listener;
    if (this.owing) listener(this.state);
  }

  /** The piece as it was last changed here, while that has not reached the server. */
  get doc(): Piece | null {
    return this.owed.change?.doc ?? null;
  }

  /** What the server has by the last that it said to this window; null while it has said nothing. */
  get acknowledged(): Acknowledged | null {
    return this.known;
  }

  /** A newer state of the piece. It is in the outbox before this resolves, where the browser keeps anything. */
  async change(doc: Piece): Promise<void> {
    this.owed = withChange(this.owed, { id: crypto.randomUUID(), doc });
    this.tell({ kind: 'saving' });
    this.wake(GATHER_MS);
    await this.keep();
  }

  /** Goes on from another revision, after the weaver chose between two versions. */
  restart(revision: number, doc: Piece | null = null): void {
    if (doc) this.known = { doc, revision };
    this.owed = { ...this.owed, revision, change: null, tried: false, after: [], refused: null };
    this.tell({ kind: 'saved' });
    void this.keep();
  }

  /** Lets go of what is owed: it has become a piece of its own, or the maker wants it no more. */
  letGo(): void {
    this.restart(this.owed.revision);
  }

  /** Whether a state that the server has now is newer than what this window goes on from, and nothing here is owed to it. */
  isBehind(revision: number): boolean {
    return this.state.kind === 'saved' && !this.owing && revision > this.owed.revision;
  }

  /** True while something has not reached the server. */
  get owing(): boolean {
    return this.owed.change !== null;
  }

  /** Tries at once: the network is back, or the window is being left. What was refused would be refused again. */
  hurry(): void {
    if (this.owing && this.owed.refused === null) this.wake(0);
  }

  /**
   * Nobody looks any more. What is owed goes on its way all the same; what was refused comes back, to be shown
   * elsewhere: sent as it is it would be refused again.
   */
  close(): Owed | null {
    this.listener = null;
    if (this.owed.refused !== null) {
      opened.delete(this.owed.pieceId);
      return this.owed;
    }
    this.hurry();
    return null;
  }

  private tell(state: SyncState): void {
    this.state = state;
    this.listener?.(state);
  }

  private wake(afterMs: number): void {
    clearTimeout(this.timer);
    this.timer = setTimeout(() => void this.deliver(), afterMs);
  }

  /** A browser that keeps nothing (full, or private) has the edits in this window only, and sends them all the same. */
  private keep(): Promise<void> {
    return remember(this.owed).catch(() => undefined);
  }

  private async deliver(): Promise<void> {
    const { change } = this.owed;
    if (this.busy || !change) return;
    this.busy = true;
    let answer: SendAnswer;
    try {
      this.owed = { ...this.owed, tried: true };
      await this.keep();
      answer = await send({ ...this.owed, change });
    } finally {
      this.busy = false;
    }
    await this.hear(answer, change);
    // What was refused is sent again when it has changed, or at the next start.
    if (!this.owing || this.owed.refused !== null) return;
    this.wake(this.failures === 0 ? 0 : (RETRY_MS[Math.min(this.failures, RETRY_MS.length) - 1] ?? 0));
  }

  private async hear(answer: SendAnswer, sent: Change): Promise<void> {
    const newer = this.owed.change?.id !== sent.id;
    this.failures = answer.kind === 'unheard' ? this.failures + 1 : 0;
    switch (answer.kind) {
      case 'saved':
        this.known = { doc: sent.doc, revision: answer.revision };
        noteSaved(this.owed.pieceId, answer.revision);
        this.owed = {
          ...this.owed,
          revision: answer.revision,
          after: [],
          ...(!newer && { change: null, tried: false }),
        };
        this.tell({ kind: newer ? 'saving' : 'saved' });
        break;
      case 'stale':
        // It is kept aside, where the edits that follow take its place until the weaver chooses.
        this.owed = { ...this.owed, after: [sent.id], ...(!newer && { change: null, tried: false }) };
        this.tell({ kind: 'stale' });
        break;
      case 'refused':
        if (newer) return;
        this.owed = { ...this.owed, refused: answer.message };
        this.tell({ kind: 'refused', message: answer.message, doc: sent.doc });
        break;
      case 'unheard':
        this.tell({ kind: 'waiting', message: answer.message });
        return;
    }
    await this.keep();
  }
}

/** The sync of a piece that was left in this window before all had arrived; null where nothing is owed. */
export const leftUnderWay = (pieceId: string): PieceSync | null => {
  const sync = opened.get(pieceId);
  return sync?.owing ? sync : null;
};

/**
 * The newest state of a piece that this window knows of: a page that the browser goes back to may be older than what was
 * saved since.
 */
export function newestHere(pieceId: string, page: Acknowledged): Acknowledged {
  const known = opened.get(pieceId)?.acknowledged;
  return known && known.revision > page.revision ? known : page;
}

/** The sync of a piece whose screen is opened: the one left under way goes on. */
export function openSync(pieceId: string, page: Acknowledged, window: string): PieceSync {
  const known = opened.get(pieceId)?.acknowledged ?? null;
  const { revision } = newestHere(pieceId, page);
  const sync = leftUnderWay(pieceId) ?? new PieceSync(pieceId, revision, window, known);
  opened.set(pieceId, sync);
  return sync;
}
