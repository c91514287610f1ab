'use client';

import type { Progress, Station } from '@/core/making/progress';
import { timeWords } from '@/core/words/figures';
import styles from './make.module.css';

/** Where the work is: part, unit, row; how far, how many beads and how much time are left. */
export function Where({
  station: at,
  progress: { done, left, leftMs },
}: {
  readonly station: Station;
  readonly progress: Progress;
}) {
  const beads = left.reduce((sum, { count }) => sum + count, 0);
  const { part, nth, unit, row, step, steps, toDo } = at;
  const words = !toDo
    ? ['all steps done']
    : [
        part.times > 1 && `${part.name} ${nth} of ${part.times}`,
        unit !== null && `unit ${Math.min(unit, part.units)} of ${part.units}`,
        // Where a row is a unit it is told already.
        row !== null && part.rowWord !== 'unit' && `${part.rowWord} ${row}`,
        `step ${step} of ${steps}`,
      ].filter(Boolean);
  return (
    <section className={styles.where} aria-label="Where you are">
      <p className={styles.station}>{words.join(' · ')}</p>
      <progress className={styles.bar} max={1} value={done} aria-label="How far it is" />
      <p className="figures">
        <strong>{Math.floor(done * 100)} %</strong> done · {beads} beads left
        {leftMs !== null && toDo && ` · about ${timeWords(leftMs)} at your pace`}
      </p>
    </section>
  );
}
