'use client';

import { Input } from 'antd';
import { useEffect, useState } from 'react';
import { ChooseFile } from '../fields/ChooseFile';
import { keepPhoto, photoHere, smaller } from './photoBox';
import type { MatProps } from './matProps';
import styles from './make.module.css';

const UNREADABLE = 'This browser cannot read that as a photograph. Take it as JPEG or PNG.';
const NO_ROOM = 'This browser has no room for it. Free some, and choose it again.';

/** Photographs of the work, the newest first. */
export function Photos({ state, happens }: Pick<MatProps, 'state' | 'happens'>) {
  const [words, setWords] = useState('');
  const [problem, setProblem] = useState<string | null>(null);
  const take = async (file: File) => {
    const photo = await smaller(file);
    if (!photo) return setProblem(UNREADABLE);
    const id = crypto.randomUUID();
    try {
      await keepPhoto(id, photo);
    } catch {
      return setProblem(NO_ROOM);
    }
    setProblem(null);
    happens({ did: 'photo', photo: id, words: words.trim() });
    setWords('');
  };
  return (
    <div className={styles.form}>
      <label className={styles.wide}>
        What is to be seen
        <Input value={words} maxLength={400} onChange={(event) => setWords(event.target.value)} />
      </label>
      <ChooseFile label="Take or choose a photograph" accept="image/*" onFile={(file) => void take(file)} />
      {problem && <p role="alert">{problem}</p>}
      <ul className={styles.photos}>
        {state.photos.toReversed().map(({ photo, words: seen, when }) => (
          <li key={photo}>
            <Photo id={photo} words={seen} />
            <p>
              <time dateTime={when} suppressHydrationWarning>
                {new Date(when).toLocaleDateString()}
              </time>{' '}
              {seen}
            </p>
          </li>
        ))}
      </ul>
    </div>
  );
}

/** One of them: from this browser as long as the program does not have it. */
function Photo({ id, words }: { readonly id: string; readonly words: string }) {
  const [url, setUrl] = useState<string | null>(null);
  useEffect(() => {
    let made: string | null = null;
    let gone = false;
    void photoHere(id).then((blob) => {
      if (gone) return;
      made = blob ? URL.createObjectURL(blob) : null;
      setUrl(made ?? `/api/photos/${id}`);
    });
    return () => {
      gone = true;
      if (made) URL.revokeObjectURL(made);
    };
  }, [id]);
  if (!url) return null;
  return (
    <a href={url} target="_blank" rel="noreferrer">
      {/* Its own, and of any size: nothing is gained by an image server. */}
      {/* eslint-disable-next-line @next/next/no-img-element */}
      <img src={url} alt={words || 'The work'} loading="lazy" />
    </a>
  );
}
