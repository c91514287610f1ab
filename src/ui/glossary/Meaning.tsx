'use client';

import { Popover } from 'antd';
import Link from 'next/link';
import { glossaryEntry, type GlossaryWord } from '@/core/words/glossary';
import { TermPicture } from './TermPicture';
import styles from './glossary.module.css';

interface Props {
  readonly word: GlossaryWord;
  readonly onClose: () => void;
}

/** What a word means, beside where it stands. */
export function Meaning({ word, onClose }: Props) {
  const { meaning, example } = glossaryEntry(word);
  return (
    <Popover
      open
      trigger="click"
      onOpenChange={(open) => {
        if (!open) onClose();
      }}
      title={word}
      content={
        <div className={styles.meaning}>
          <p>{meaning}</p>
          {example && <TermPicture example={example} word={word} />}
          <Link href="/glossary">All words</Link>
        </div>
      }
    >
      <span className={styles.here} />
    </Popover>
  );
}
