'use client';

import { useEffect, useState } from 'react';
import { nameOf, stopFor } from './goTo';
import styles from './shortcuts.module.css';
import { isTyping, useShortcut } from './useShortcut';

interface Sought {
  readonly letters: string;
  readonly name: string;
}

/**
 * Goes to a field, a choice or a button by the first letters of its name. Letters lead on while something begins with
 * them. In a field the first that leads nowhere is typed; elsewhere it is a slip, and any other key ends it.
 */
export function GoTo() {
  const [sought, setSought] = useState<Sought | null>(null);
  useShortcut('goTo', () => setSought({ letters: '', name: '' }));
  useEffect(() => {
    if (!sought) return undefined;
    const done = () => setSought(null);
    const lead = (event: KeyboardEvent) => {
      const { key, ctrlKey, metaKey, altKey } = event;
      if (key === 'Shift' || key === 'Dead') return;
      const reached = sought.letters !== '';
      const typed = reached && isTyping(document.activeElement);
      // A space presses what has been reached, but in a field it may be one of a name.
      const letter = key.length === 1 && !ctrlKey && !metaKey && !altKey && (typed || key !== ' ');
      const stop = letter ? stopFor(sought.letters + key) : null;
      if (!stop && (typed || !letter)) {
        done();
        if (!reached && key === 'Escape') event.stopPropagation();
        return;
      }
      event.preventDefault();
      event.stopPropagation();
      if (!stop) return;
      stop.focus();
      if (stop instanceof HTMLInputElement) stop.select();
      setSought({ letters: sought.letters + key, name: nameOf(stop) });
    };
    addEventListener('keydown', lead, true);
    addEventListener('pointerdown', done, true);
    return () => {
      removeEventListener('keydown', lead, true);
      removeEventListener('pointerdown', done, true);
    };
  }, [sought]);
  return (
    <p role="status" className={sought ? styles.goTo : styles.quiet}>
      {sought && (
        <>
          Go to: {sought.letters ? <b>{sought.letters}</b> : 'type the first letters of what you look for'}
          {sought.name && ` → ${sought.name}`}
        </>
      )}
    </p>
  );
}
