'use client';

import { Button } from 'antd';
import { useRouter } from 'next/navigation';
import { useState } from 'react';
import { counted } from '@/core/words/figures';
import type { FileOutcome } from '@/server/fileRoute';
import styles from './files.module.css';
import { ChooseFile } from '../fields/ChooseFile';
import { refusalIn } from '../fields/refusal';

const AWAY =
  'Ivy Loom does not answer, so nothing was changed. See whether it still runs, and choose the file again.';

/** What things of a file are called, one and several. */
const NAMES = {
  people: ['person', 'people'],
  pieces: ['piece', 'pieces'],
  patterns: ['pattern', 'patterns'],
  swatches: ['swatch', 'swatches'],
  mats: ['work on the mat', 'works on the mat'],
  photos: ['photograph', 'photographs'],
  materials: ['material', 'materials'],
} as const;

interface Looked {
  readonly file: File;
  readonly outcome: FileOutcome;
  readonly done: boolean;
}

async function send(how: 'look' | 'bring', file: File): Promise<FileOutcome> {
  const response = await fetch(`/api/files/${how}`, { method: 'POST', body: file });
  const answer: unknown = await response.json();
  if (!response.ok) throw new Error(refusalIn(answer) ?? AWAY);
  return answer as FileOutcome;
}

/** A file that is brought in: first what would come of it is shown; then it is done, all of it or nothing. */
export function BringIn() {
  const router = useRouter();
  const [looked, setLooked] = useState<Looked | null>(null);
  const [problem, setProblem] = useState<string | null>(null);
  const [busy, setBusy] = useState(false);
  const take = async (how: 'look' | 'bring', file: File) => {
    setBusy(true);
    setProblem(null);
    try {
      const outcome = await send(how, file);
      setLooked({ file, outcome, done: how === 'bring' });
      if (how === 'bring') router.refresh();
    } catch (error) {
      setLooked(null);
      setProblem(error instanceof Error && !(error instanceof TypeError) ? error.message : AWAY);
    } finally {
      setBusy(false);
    }
  };
  const ready = looked?.outcome.brought && !looked.done;
  return (
    <section className={`card ${styles.card}`} aria-labelledby="bring">
      <h2 id="bring">Bring in</h2>
      <p>
        A piece, a pattern or everything (JSON); people, swatches or materials as a table (CSV). First you see
        what would come of it; what is here stays.
      </p>
      <div className={styles.acts}>
        <ChooseFile
          label="Choose a file"
          accept=".json,.csv,application/json,text/csv"
          onFile={(file) => void take('look', file)}
        />
        {busy && <span role="status">reading …</span>}
        {ready && (
          <Button type="primary" loading={busy} onClick={() => void take('bring', looked.file)}>
            Bring it in
          </Button>
        )}
      </div>
      {problem && (
        <p role="alert" className={styles.problem}>
          {problem}
        </p>
      )}
      {looked && <Outcome {...looked} />}
    </section>
  );
}

function Outcome({ file, outcome: { is, brought, problems, more }, done }: Looked) {
  if (!brought)
    return (
      <div role="alert" className={styles.problem}>
        <p>
          <strong>{file.name}</strong> is {is}, and was not brought in. Nothing was changed. Mend this and
          choose it again:
        </p>
        <ul>
          {problems.map(({ path, why }) => (
            <li key={`${path} ${why}`}>
              <strong>{path}</strong>: {why}
            </li>
          ))}
          {more > 0 && <li>and {more} more like these.</li>}
        </ul>
      </div>
    );
  const lines = Object.entries(NAMES).flatMap(([shelf, names]) => {
    const tally = brought[shelf as keyof typeof NAMES];
    const [one, many] = names;
    const say = (n: number, words: string) => (n > 0 ? [`${counted(n, one, many)} ${words}`] : []);
    if (!tally) return [];
    return [
      ...say(tally.added, done ? 'came in' : 'will come in'),
      ...say(
        tally.beside,
        done
          ? 'stand beside yours, which were changed since'
          : 'will stand beside yours, which were changed since',
      ),
      ...say(tally.same, tally.same === 1 ? 'is here already, and stays' : 'are here already, and stay'),
    ];
  });
  return (
    <div role="status" className={styles.outcome}>
      <p>
        <strong>{file.name}</strong> is {is}.{done && ' It was brought in.'}
      </p>
      <ul>
        {lines.map((line) => (
          <li key={line}>{line}</li>
        ))}
        {lines.length === 0 && <li>There is nothing in it.</li>}
        {brought.habits && <li>Your bench is new: unit and habits {done ? 'came' : 'will come'} along.</li>}
      </ul>
    </div>
  );
}
