'use client';

import type { Answers } from '@/core/answers';
import type { Sit } from '@/core/body/wear';
import { countWords, stepsWords } from '@/core/choosing';
import { useLengths } from '../shell/lengths';
import styles from './Slip.module.css';

interface Props {
  readonly answers: Answers;
  /** False while the count has been changed and nobody has worked out how it sits. */
  readonly sitKnown?: boolean;
}

/** How many, how long, and how it sits. */
export function SlipHead({ answers, sitKnown = true }: Props) {
  const { show } = useLengths();
  const { chosen, sit, closure, arrangement, weaveable, kind } = answers;
  return (
    <div className={styles.head} aria-live="polite">
      <div>
        <p className={styles.units}>{countWords(answers, chosen.units)}</p>
        {arrangement && (
          <p className="soft">
            each half {stepsWords(arrangement.steps, chosen.counts ?? arrangement.counts)}
          </p>
        )}
        {weaveable.closing && closure.closing !== 'joined' && <p className="soft">{weaveable.closing}</p>}
      </div>
      <p className={styles.finished}>
        <strong className="figures">{show(chosen.finishedMm)}</strong>
        <br />
        {closure.closing === 'clasp'
          ? 'clasp closed'
          : closure.closing === 'joined'
            ? 'round its middle line'
            : 'tip to tip'}
        <br />
        {!sitKnown ? null : sit ? (
          <span className={sit.startsWith('too') ? styles.bad : styles.good}>{sitWords(sit)}</span>
        ) : kind === 'bracelet' ? (
          'flat rule'
        ) : (
          'one length'
        )}
      </p>
    </div>
  );
}

/** How it sits, after the word that it needs. */
export const sitWords = (sit: Sit): string =>
  sit.startsWith('too') ? sit : sit === 'as wished' ? 'as wished' : `sits ${sit}`;
