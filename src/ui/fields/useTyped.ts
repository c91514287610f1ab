'use client';

import { useEffect, useRef, useState, type KeyboardEvent } from 'react';

/** What is typed counts by itself once it has stood still for so long, ms: longer than a pause within a number. */
export const STILL_MS = 1200;

/** What a text stands for, or words that say why it stands for nothing. */
export type Reading<T> =
  { readonly ok: true; readonly value: T } | { readonly ok: false; readonly problem: string };

interface Question<T> {
  /** What stands in the field while nobody types. */
  readonly shown: string;
  readonly read: (text: string) => Reading<T>;
  readonly onTake: (value: T) => void;
}

/**
 * A value that is typed. It counts on Enter, on leaving the field, or once it has stood still; half typed, it does not.
 * What ends as it began was not changed, so that a value finer than it is shown stays as fine. Escape brings back what
 * counts.
 */
export function useTyped<T>({ shown, read, onTake }: Question<T>) {
  const [typed, setTyped] = useState<string | null>(null);
  const [still, setStill] = useState(true);
  /** The text that was taken last: it is not taken again on leaving. */
  const taken = useRef<string | null>(null);
  const reading = typed === null || same(typed, shown) ? null : read(typed);

  const take = (text: string) => {
    setStill(true);
    if (text === taken.current || same(text, shown)) return;
    const now = read(text);
    if (!now.ok) return;
    taken.current = text;
    onTake(now.value);
  };
  const latest = useRef(take);
  useEffect(() => {
    latest.current = take;
  });

  useEffect(() => {
    if (typed === null || still) return;
    const settle = () => latest.current(typed);
    const timer = setTimeout(settle, STILL_MS);
    // The window may go before the field is left.
    addEventListener('pagehide', settle);
    return () => {
      clearTimeout(timer);
      removeEventListener('pagehide', settle);
    };
  }, [typed, still]);

  const forget = () => {
    setTyped(null);
    setStill(true);
    taken.current = null;
  };
  const leave = (text: string) => {
    take(text);
    if (same(text, shown) || read(text).ok) forget();
  };

  return {
    text: typed ?? shown,
    /** Words for what cannot count, once it stands still. */
    problem: still && reading && !reading.ok ? reading.problem : null,
    /** What stands in the field in the place of what counts. */
    instead: still && reading && !reading.ok ? typed : null,
    field: {
      value: typed ?? shown,
      autoComplete: 'off',
      onFocus: (event: { target: HTMLInputElement }) => event.target.select(),
      onChange: (event: { target: HTMLInputElement }) => {
        setTyped(event.target.value);
        setStill(false);
      },
      onBlur: (event: { target: HTMLInputElement }) => leave(event.target.value),
      onKeyDown: (event: KeyboardEvent<HTMLInputElement>) => {
        if (event.key === 'Enter') leave(event.currentTarget.value);
        // Nothing of what is around the field is meant while there is something to bring back.
        if (event.key === 'Escape' && typed !== null) {
          event.stopPropagation();
          forget();
        }
      },
    },
  };
}

const same = (text: string, shown: string) => text.trim() === shown.trim();
