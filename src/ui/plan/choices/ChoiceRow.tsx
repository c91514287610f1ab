'use client';

import type { ReactNode } from 'react';
import styles from './choices.module.css';

interface Props {
  readonly number: number;
  readonly title: string;
  /** The choice in a line of plain words. */
  readonly summary: ReactNode;
  readonly open: boolean;
  readonly onToggle: () => void;
  readonly children: ReactNode;
}

/** What stands open beneath a line. */
export const choiceId = (number: number) => `choice-${number}`;

/** One choice in the order of the work: a line that opens in place. */
export function ChoiceRow({ number, title, summary, open, onToggle, children }: Props) {
  const id = choiceId(number);
  return (
    <li className={open ? styles.rowOpen : styles.row}>
      <h2 className={styles.heading}>
        <button
          type="button"
          className={styles.line}
          aria-expanded={open}
          aria-controls={id}
          onClick={onToggle}
        >
          <span className={styles.number} aria-hidden>
            {number}
          </span>
          <span className={styles.title}>{title}</span>
          <span className={styles.summary}>{summary}</span>
        </button>
      </h2>
      <div id={id} className={styles.body} role="group" aria-label={title} tabIndex={-1} hidden={!open}>
        {open && children}
      </div>
    </li>
  );
}
