'use client';

import { useSyncExternalStore } from 'react';
import { asOwnPiece, deliverLeftBehind, remember, type Owed, type OwnAnswer } from './outbox';

const NONE: readonly Owed[] = [];

/** Edits of closed windows that the program would not take: kept in this browser until they are, or are let go. */
class Undelivered {
  private left: readonly Owed[] = NONE;
  private readonly listeners = new Set<() => void>();

  subscribe = (listener: () => void): (() => void) => {
    this.listeners.add(listener);
    return () => this.listeners.delete(listener);
  };
  read = (): readonly Owed[] => this.left;

  /** Tries to deliver everything; answers with the pieces that were touched. */
  async deliver(): Promise<ReadonlySet<string>> {
    try {
      const { touched, left } = await deliverLeftBehind();
      this.set(left);
      return touched;
    } catch {
      return new Set(); // A browser that keeps nothing owes nothing.
    }
  }

  /** Makes one a piece of its own; it is owed no more once that is on the bench. */
  async makeOwn(owed: Owed, doc: unknown): Promise<OwnAnswer> {
    const answer = await asOwnPiece(doc);
    if (answer.ok) await this.letGo(owed);
    return answer;
  }

  async letGo(owed: Owed): Promise<void> {
    await remember({ ...owed, change: null });
    this.set(this.left.filter((one) => one !== owed));
  }

  /** Takes one back that was let go. */
  async takeBack(owed: Owed): Promise<void> {
    await remember(owed);
    this.set([...this.left.filter((one) => one.window !== owed.window), owed]);
  }

  private set(left: readonly Owed[]): void {
    this.left = left;
    for (const listener of this.listeners) listener();
  }
}

export const undelivered = new Undelivered();

/** What could not be delivered. */
export const useUndelivered = (): readonly Owed[] =>
  useSyncExternalStore(undelivered.subscribe, undelivered.read, () => NONE);
