'use client';

import { useState } from 'react';
import { GLOSSARY, type GlossaryEntry } from '@/core/words/glossary';
import { useOneByOne } from '../gallery/StitchSample';
import { hasWords } from '../fields/sought';
import { Find, ScreenHeader } from '../shell/ScreenHeader';
import { TermPicture } from './TermPicture';
import styles from './glossary.module.css';

const ENTRIES: readonly GlossaryEntry[] = GLOSSARY;

/** Every word of the craft that is used here, with what it means and a drawn example. */
export function GlossaryScreen() {
  const [sought, setSought] = useState('');
  const drawn = useOneByOne(ENTRIES.length);
  const found = ENTRIES.filter(({ word, meaning }) => hasWords(sought, word, meaning));
  return (
    <div className={styles.screen}>
      <ScreenHeader title="Glossary">
        <Find label="Find a word" sought={sought} onSeek={setSought} />
      </ScreenHeader>
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
