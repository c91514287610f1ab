import type { Piece } from '@/core/piece';
import { remember, send, type Change, type Owed } from './outbox';

export type SyncState =
  | { readonly kind: 'saved' }
  | { readonly kind: 'saving' }
  /** Kept in this browser; the server does not answer. */
  | { readonly kind: 'waiting' }
  /** The piece was changed elsewhere too; both versions are kept. */
  | { readonly kind: 'stale' }
  | { readonly kind: 'refused'; readonly message: string };

/** How long edits are gathered before they are sent, ms. */
const GATHER_MS = 350;
const RETRY_MS = [1000, 2000, 5000, 10_000];

/** Carries the edits of one piece in one window to the server: gathers, sends one at a time, tries again. */
export class PieceSync {
  private owed: Owed;
  private timer: ReturnType<typeof setTimeout> | undefined;
  private busy = false;
  private failures = 0;
  private closed = false;

  constructor(
    pieceId: string,
    revision: number,
    window: string,
    private readonly tell: (state: SyncState) => void,
  ) {
    this.owed = { pieceId, window, revision, sending: null, next: null };
  }

  /** A newer state of the piece. It is in the outbox before this resolves. */
  async change(doc: Piece): Promise<void> {
    const next: Change = { id: crypto.randomUUID(), doc };
    this.owed = { ...this.owed, next };
    this.tell({ kind: 'saving' });
    this.wake(GATHER_MS);
    await remember(this.owed);
  }

  /** Goes on from another revision, after the weaver chose between two versions. */
  restart(revision: number): void {
    this.owed = { ...this.owed, revision, sending: null, next: null };
    this.tell({ kind: 'saved' });
  }

  /** True while something has not reached the server. */
  get owing(): boolean {
    return this.owed.sending !== null || this.owed.next !== null;
  }

  /** Tries at once: the network is back, or the window is being left. */
  hurry(): void {
    if (this.owing) this.wake(0);
  }

  close(): void {
    this.closed = true;
    clearTimeout(this.timer);
    void this.deliver();
  }

  private wake(afterMs: number): void {
    if (this.closed) return;
    clearTimeout(this.timer);
    this.timer = setTimeout(() => void this.deliver(), afterMs);
  }

  private async deliver(): Promise<void> {
    if (this.busy || !this.owing) return;
    this.busy = true;
    try {
      const change = this.owed.sending ?? this.owed.next;
      if (!change) return;
      // A change whose answer was not heard is sent again as it was, before any newer one.
      if (!this.owed.sending) this.owed = { ...this.owed, sending: change, next: null };
      await remember(this.owed);
      await this.settle(change);
    } finally {
      this.busy = false;
    }
    if (this.owing)
      this.wake(this.failures === 0 ? 0 : (RETRY_MS[Math.min(this.failures, RETRY_MS.length) - 1] ?? 0));
  }

  private async settle(change: Change): Promise<void> {
    const answer = await send(this.owed.pieceId, this.owed.revision, change);
    if (answer.kind === 'unheard') {
      this.failures++;
      this.tell({ kind: 'waiting' });
      return;
    }
    this.failures = 0;
    // On a stale or refused change nothing newer may follow it: the weaver chooses first.
    const next = answer.kind === 'saved' ? this.owed.next : null;
    const revision = answer.kind === 'saved' ? answer.revision : this.owed.revision;
    if (answer.kind === 'stale' && this.owed.next)
      await send(this.owed.pieceId, this.owed.revision, this.owed.next);
    this.owed = { ...this.owed, revision, sending: null, next };
    await remember(this.owed);
    this.tell(answer.kind === 'saved' ? { kind: this.owing ? 'saving' : 'saved' } : answer);
  }
}
