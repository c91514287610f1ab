'use client';

import { useEffect, useState } from 'react';
import styles from './Slip.module.css';

/** How long a figure shows what it was, ms. */
const TOLD_MS = 6000;

/** What a text was before it changed, for a moment; null once that has passed. */
export function useWas(text: string): string | null {
  const [seen, setSeen] = useState({ text, was: null as string | null });
  // Set while rendering, so that old and new are told at once.
  if (seen.text !== text) setSeen({ text, was: seen.text });
  useEffect(() => {
    if (seen.was === null) return;
    const timer = setTimeout(() => setSeen((now) => ({ ...now, was: null })), TOLD_MS);
    return () => clearTimeout(timer);
  }, [seen.was, seen.text]);
  return seen.was === text ? null : seen.was;
}

interface Props {
  readonly children: string;
  /** What it was is only told to those who ask: there is no room for it. */
  readonly narrow?: boolean;
}

/** A figure of the answers: for a moment after a choice it is marked, and shows what it was before. */
export function Moved({ children: text, narrow = false }: Props) {
  const was = useWas(text);
  if (was === null) return text;
  return (
    <span className={styles.moved} title={`was ${was}`}>
      {!narrow && (
        <span className={styles.was}>
          <span className="srOnly">was </span>
          {was}
          <span aria-hidden> → </span>
        </span>
      )}
      <span>{text}</span>
    </span>
  );
}
