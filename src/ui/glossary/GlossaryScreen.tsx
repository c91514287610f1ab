'use client';

import { Input } from 'antd';
import { useState } from 'react';
import { GLOSSARY, type GlossaryEntry } from '@/core/glossary';
import { useOneByOne } from '../gallery/StitchSample';
import { TermPicture } from './TermPicture';
import { hasWords } from '../fields/sought';
import styles from './glossary.module.css';

const ENTRIES: readonly GlossaryEntry[] = GLOSSARY;

/** Every word of the craft that is used here, with what it means and a drawn example. */
export function GlossaryScreen() {
  const [sought, setSought] = useState('');
  const drawn = useOneByOne(ENTRIES.length);
  const found = ENTRIES.filter(({ word, meaning }) => hasWords(sought, word, meaning));
  return (
    <div className={styles.screen}>
      <header className={styles.header}>
        <h1>Words of the craft</h1>
        <Input
          className={styles.search}
          aria-label="Find a word"
          placeholder="Find a word"
          allowClear
          value={sought}
          onChange={(event) => setSought(event.target.value)}
        />
      </header>
      {found.length === 0 && (
        <p className={`card ${styles.none}`}>No word here has “{sought}” in it. Try a shorter part of it.</p>
      )}
      <dl className={styles.words}>
        {found.map(({ word, meaning, example }, i) => (
          <div key={word} className={`card ${styles.entry}`}>
            <dt>{word}</dt>
            <dd>
              <p>{meaning}</p>
              {example && i < drawn && <TermPicture example={example} word={word} />}
            </dd>
          </div>
        ))}
      </dl>
    </div>
  );
}
