'use client';

import { Button } from 'antd';
import { useState } from 'react';
import {
  afterAnswer,
  beforeCounting,
  nextQuestion,
  rowsOf,
  SURE,
  verdict,
  type Belief,
} from '@/core/making/recount';
import { countsOf } from '@/core/making/making';
import { questionWords, verdictWords } from '@/core/words/recount';
import { CountInput } from '../fields/CountInput';
import type { MatProps } from './matProps';
import styles from './make.module.css';

/** More questions than this nobody answers. */
const MOST_QUESTIONS = 8;

/** Counts of her own, asked without showing what they should be; where they differ, where the slip most likely is. */
export function Recount({ here: now, state, happens }: MatProps) {
  const { part, made, at } = now;
  const [belief, setBelief] = useState<Belief | null>(null);
  const [answer, setAnswer] = useState<number | null>(null);
  const rows = rowsOf(part, at);
  if (rows.length === 0) return <p className="soft">There is nothing to count yet in what is under way.</p>;
  // Up to where the last count agreed nothing is doubted.
  const agreed = countsOf(state, now)
    .map((count) => ({ counted: count.rows, due: rowsOf(part, count.at.at).length }))
    .filter(({ counted, due }) => counted === due)
    .at(-1);
  const likely = belief && verdict(belief);
  const sure = likely !== null && likely.chance > SURE && (likely.kind === 'none' || isNarrow(likely.units));
  const question =
    belief && !sure && belief.asked.length < MOST_QUESTIONS
      ? nextQuestion(belief)
      : belief
        ? null
        : ({ ask: 'rows' } as const);
  const said = likely && belief.asked.length > 0 && !question ? verdictWords(likely, part.rowWord) : null;
  return (
    <div className={styles.form}>
      {question && (
        <>
          <p className={styles.question}>{questionWords(question, part.rowWord)}</p>
          <CountInput label="You count" value={answer} least={0} most={100_000} onChange={setAnswer} />
          <Button
            disabled={answer === null}
            onClick={() => {
              if (answer === null) return;
              if (question.ask === 'rows' && !belief)
                happens({ did: 'count', at: { part: part.id, made, at }, rows: answer });
              const before = belief ?? beforeCounting(rows, agreed?.due ?? 0);
              setBelief(afterAnswer(before, question, answer));
              setAnswer(null);
            }}
          >
            That is what I count
          </Button>
        </>
      )}
      {said && (
        <div role="status">
          <p>
            <strong>{said.title}</strong> {said.text}
          </p>
        </div>
      )}
      {belief && (
        <Button type="text" onClick={() => (setBelief(null), setAnswer(null))}>
          Count anew
        </Button>
      )}
    </div>
  );
}

const isNarrow = (units: readonly [number, number] | null): boolean =>
  units !== null && units[1] - units[0] <= 1;
