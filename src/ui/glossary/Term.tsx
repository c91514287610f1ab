'use client';

import dynamic from 'next/dynamic';
import { useState, type ReactNode } from 'react';
import type { GlossaryWord } from '@/core/words/glossary';
import styles from './glossary.module.css';

const Meaning = dynamic(() => import('./Meaning').then((m) => m.Meaning));

/** A word of the craft where it occurs: pressed, it says what it means and shows it. */
export function Term({ word, children }: { readonly word: GlossaryWord; readonly children?: ReactNode }) {
  const [open, setOpen] = useState(false);
  return (
    <span className={styles.anchor}>
      <button
        type="button"
        className={styles.term}
        title="What is that?"
        aria-expanded={open}
        onClick={() => setOpen(!open)}
      >
        {children ?? word}
      </button>
      {open && <Meaning word={word} onClose={() => setOpen(false)} />}
    </span>
  );
}
