'use client';

import type { Answers } from '@/core/plan/answers';
import type { Candidate } from '@/core/fit/candidates';
import { useKeepKeys, type KeptKeysRef } from '../shortcuts/keptKeys';
import { CountHills } from './CountHills';
import { SlipHead } from './SlipHead';
import slip from './Slip.module.css';
import styles from './PlanScreen.module.css';

/** What was done before the plan had been worked out. */
export interface Early {
  /** The count that was chosen. */
  readonly chosen: Candidate | null;
  /** Whether somebody is at the counts. */
  readonly focused: boolean;
}

interface Props {
  readonly name: string;
  readonly answers: Answers | null;
  readonly early: Early;
  readonly keptRef: KeptKeysRef;
  readonly onEarly: (change: Partial<Early>) => void;
}

/** How many and how long, as the page brings it; what is still to come has the same shape. */
export function FirstLook({ name, answers, early, keptRef, onEarly }: Props) {
  useKeepKeys(keptRef);
  return (
    <div className={styles.plan} aria-busy>
      <header className={styles.header}>
        <h1 className={styles.name}>{name}</h1>
      </header>
      <div className={`card ${styles.tapeToCome}`} />
      <div className={styles.columns}>
        <div className={`card ${styles.toCome}`} />
        {answers ? (
          <Given
            answers={{ ...answers, chosen: early.chosen ?? answers.chosen }}
            sitKnown={!early.chosen}
            onEarly={onEarly}
          />
        ) : (
          <>
            <div className={`card ${styles.toCome}`} />
            <div className={`card ${styles.toCome}`} />
          </>
        )}
      </div>
    </div>
  );
}

interface GivenProps extends Pick<Props, 'onEarly'> {
  readonly answers: Answers;
  readonly sitKnown: boolean;
}

function Given({ answers, sitKnown, onEarly }: GivenProps) {
  return (
    <>
      <section
        className={`card ${styles.count} ${styles.toCome}`}
        aria-labelledby="how-many"
        onFocus={() => onEarly({ focused: true })}
        onBlur={() => onEarly({ focused: false })}
      >
        <h2 id="how-many">{answers.arrangement ? 'How many of each?' : 'How many units?'}</h2>
        <CountHills answers={answers} onChoose={(chosen) => onEarly({ chosen })} />
      </section>
      <section className={`card ${slip.slip} ${styles.toCome}`} aria-label="The answers">
        <SlipHead answers={answers} sitKnown={sitKnown} />
      </section>
    </>
  );
}
