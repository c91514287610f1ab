'use client';

import { useRef, type KeyboardEvent } from 'react';

/** Fine steps by the arrows, coarse ones by the page keys. */
const STEPS: Readonly<Record<string, number>> = {
  ArrowLeft: -1,
  ArrowDown: -1,
  ArrowRight: 1,
  ArrowUp: 1,
  PageDown: -4,
  PageUp: 4,
};

/** Keys that follow each other within this time are one movement, ms. */
const FAST_MS = 400;

/**
 * Moves a value by keys. They can come faster than the tape follows: each goes on from where the one before it was
 * going. Answers where a key leads, or null where it leads nowhere.
 */
export function useKeySteps(now: number, size: number, most = Infinity) {
  const asked = useRef({ value: now, at: -Infinity });
  return (event: KeyboardEvent): number | null => {
    const step = STEPS[event.key];
    if (step === undefined) return null;
    event.preventDefault();
    event.stopPropagation();
    const from = event.timeStamp - asked.current.at < FAST_MS ? asked.current.value : now;
    const value = Math.min(Math.max(from + step * size, 0), most);
    asked.current = { value, at: event.timeStamp };
    return value;
  };
}
