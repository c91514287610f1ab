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

/** A value that has not followed a key for so long will not follow it any more: it was out of reach, ms. */
const PATIENCE_MS = 5000;

/** A movement under way: where it began, where each key led, and when the last was pressed. */
interface Movement {
  readonly through: readonly number[];
  readonly at: number;
}

/**
 * Where a key leads that moves by `step`: on from where the last one was going, as long as the value is still on its way
 * through what was asked; else on from the value.
 */
export function stepped(
  now: number,
  step: number,
  { through, at }: Movement,
  time: number,
  within: { readonly size: number; readonly most: number },
): Movement {
  const onItsWay =
    time - at < PATIENCE_MS && through.some((value) => Math.abs(value - now) < within.size / 4);
  const from = (onItsWay ? through.at(-1) : undefined) ?? now;
  const value = Math.min(Math.max(from + step * within.size, 0), within.most);
  return { through: [...(onItsWay ? through : [now]), value], at: time };
}

/**
 * Moves a value by keys. They can come faster than the tape follows: each goes on from where the one before it was
 * going. Answers where a key leads, or null where it leads nowhere.
 */
export function useKeySteps(now: number, size: number, most = Infinity) {
  const movement = useRef<Movement>({ through: [], at: -Infinity });
  return (event: KeyboardEvent): number | null => {
    const step = STEPS[event.key];
    if (step === undefined) return null;
    event.preventDefault();
    event.stopPropagation();
    movement.current = stepped(now, step, movement.current, event.timeStamp, { size, most });
    return movement.current.through.at(-1) ?? now;
  };
}
