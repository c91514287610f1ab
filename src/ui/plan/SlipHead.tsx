'use client';

import { holdsOneEnd } from '@/core/closures/suits';
import { finishedWords } from '@/core/words/closings';
import type { Answers } from '@/core/plan/answers';
import type { Sit } from '@/core/body/wear';
import { countWords, stepsWords } from '@/core/piece/choosing';
import { useUnfinished } from '../fields/unfinished';
import { useLengths } from '../shell/lengths';
import { Moved, useWas } from './Moved';
import styles from './Slip.module.css';

interface Props {
  readonly answers: Answers;
  /** False while the count has been changed and nobody has worked out how it sits. */
  readonly sitKnown?: boolean;
}

/** How many, how long, and how it sits. */
export function SlipHead({ answers, sitKnown = true }: Props) {
  const { show } = useLengths();
  const { chosen, sit, clasp, closure, arrangement, weaveable, closedBy } = answers;
  const unfinished = useUnfinished();
  const count = countWords(answers, chosen.units);
  const finished = show(chosen.finishedMm);
  const was = useWas(`${count}, ${finished}`);
  return (
    <div aria-live="polite">
      {unfinished.map(({ label, typed, counts }) => (
        <p key={label} className={styles.unfinished}>
          {label}: {typed.trim() === '' ? 'nothing is written' : `“${typed.trim()}” does not count`}
          {counts !== '' && `; ${counts} counts`}.
        </p>
      ))}
      <div className={styles.head}>
        <div>
          <p className={styles.units}>
            <Moved narrow>{count}</Moved>
          </p>
          {arrangement && (
            <p className="soft">
              each half {stepsWords(arrangement.steps, chosen.counts ?? arrangement.counts)}
            </p>
          )}
          {weaveable.closing && closure.closing !== 'joined' && <p className="soft">{weaveable.closing}</p>}
          <p className={styles.wasHead}>{was !== null && `was ${was}`}</p>
        </div>
        <p className={styles.finished}>
          <strong className="figures">
            <Moved narrow>{finished}</Moved>
          </strong>
          <br />
          {closure.closing === 'clasp'
            ? closedBy
              ? `with its ${closedBy.name}`
              : holdsOneEnd(clasp)
                ? finishedWords('clasp', true)
                : 'clasp closed'
            : closure.closing === 'joined'
              ? 'round its middle line'
              : 'tip to tip'}
          <br />
          {!sitKnown ? null : sit ? (
            <span className={sit.startsWith('too') ? styles.bad : styles.good}>{sitWords(sit)}</span>
          ) : (
            'fixed length'
          )}
        </p>
      </div>
    </div>
  );
}

/** How it sits, after the word that it needs. */
export const sitWords = (sit: Sit): string =>
  sit.startsWith('too') || sit === 'right length' ? sit : `sits ${sit}`;
