'use client';

import { useEffect, useRef, useState } from 'react';
import { nameOf, narrowed, stops as all, type Stop } from './goTo';
import styles from './shortcuts.module.css';
import { isTyping, useShortcut } from './useShortcut';

interface Sought {
  readonly letters: string;
  /** Where they lead, in turn; taken while the focus was where it was first. */
  readonly stops: readonly Stop[];
  readonly at: number;
}

/**
 * Goes to a field, a choice or a button by the first letters of its name. Letters lead on while something begins with
 * them, the key itself to the next such. In a field the first letter that leads nowhere is typed; elsewhere it is a
 * slip, and any other key ends it.
 */
export function GoTo() {
  const [sought, setSought] = useState<Sought | null>(null);
  const swallowedRef = useRef('');
  useShortcut('goTo', () => setSought({ letters: '', stops: [], at: 0 }));
  useEffect(() => {
    if (!sought) return undefined;
    const done = () => setSought(null);
    // Browsers that press when a key is let go are told too.
    const letGo = (event: KeyboardEvent) => {
      if (event.key === swallowedRef.current) event.preventDefault();
      swallowedRef.current = '';
    };
    const lead = (event: KeyboardEvent) => {
      const { key, ctrlKey, metaKey, altKey } = event;
      if (key === 'Shift' || key === 'Dead') return;
      const { letters, stops, at } = sought;
      const again = key === '/' && stops.length > 0;
      const sign = key.length === 1 && !ctrlKey && !metaKey && !altKey;
      const next = again ? stops : sign ? narrowed(letters === '' ? all() : stops, letters + key) : [];
      // A space presses what has been reached, but for one that tells names apart.
      const ends = !sign || (key === ' ' && next.length < 2);
      const typed = stops.length > 0 && isTyping(document.activeElement);
      if (ends || (next.length === 0 && typed)) {
        done();
        if (letters === '' && key === 'Escape') event.stopPropagation();
        return;
      }
      event.preventDefault();
      event.stopPropagation();
      swallowedRef.current = key;
      if (next.length === 0) return;
      const reached = again ? (at + 1) % next.length : 0;
      const stop = next[reached]?.element;
      stop?.focus();
      if (stop instanceof HTMLInputElement) stop.select();
      setSought({ letters: again ? letters : letters + key, stops: next, at: reached });
    };
    addEventListener('keydown', lead, true);
    addEventListener('keyup', letGo, true);
    addEventListener('pointerdown', done, true);
    return () => {
      removeEventListener('keydown', lead, true);
      removeEventListener('keyup', letGo, true);
      removeEventListener('pointerdown', done, true);
    };
  }, [sought]);
  const stop = sought?.stops[sought.at]?.element;
  const name = stop ? nameOf(stop) : '';
  return (
    <p role="status" className={sought ? styles.goTo : styles.quiet}>
      {sought && (
        <>
          Go to: {sought.letters ? <b>{sought.letters}</b> : 'type the first letters of what you look for'}
          {name && ` → ${name}`}
        </>
      )}
    </p>
  );
}
