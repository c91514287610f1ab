'use client';

import { Button, Select } from 'antd';
import { useState } from 'react';
import { isSameUnit } from '@/core/making/making';
import type { MatPart } from '@/core/making/mat';
import { CountInput } from '../fields/CountInput';
import type { MatProps } from './matProps';
import styles from './make.module.css';

/** Where each stretch of a part begins, and what it is called. */
const stretchesOf = ({ steps }: MatPart): { readonly at: number; readonly title: string }[] =>
  steps.flatMap((step, at) => (isSameUnit(steps[at - 1], step) ? [] : [{ at, title: step.title }]));

/** To any step, where one was wrong or went on without the app; and several of a part ticked off at once. */
export function Elsewhere({ mat, state, here: { part, made, at }, happens }: MatProps) {
  const [to, setTo] = useState<number | null>(null);
  const stretches = stretchesOf(part);
  return (
    <div className={styles.form}>
      {mat.parts.length > 1 && (
        <>
          <h3>Parts that are made</h3>
          {mat.parts
            .filter(({ times }) => times > 1)
            .map(({ id, name, times }) => (
              <CountInput
                key={id}
                label={`${name}, made of ${times}`}
                value={state.where.done[id]?.made ?? 0}
                least={0}
                most={times}
                onChange={(count) => happens({ did: 'go', to: { part: id, made: count, at: 0 } })}
              />
            ))}
          <p className="soft">What is counted as made need not be gone through step by step.</p>
          <h3>To work on now</h3>
          <div className={styles.buttons}>
            {mat.parts.map((one) => {
              const done = state.where.done[one.id] ?? { made: 0, at: 0 };
              return (
                <Button
                  key={one.id}
                  aria-pressed={one.id === part.id}
                  disabled={done.made >= one.times}
                  onClick={() => happens({ did: 'go', to: { part: one.id, made: done.made, at: done.at } })}
                >
                  {one.name}
                </Button>
              );
            })}
          </div>
        </>
      )}
      <h3>To another step{mat.parts.length > 1 && ` of ${part.name}`}</h3>
      <label className={styles.wide}>
        Go to
        <Select
          showSearch
          optionFilterProp="label"
          value={to ?? stretches.findLast((stretch) => stretch.at <= at)?.at ?? 0}
          options={stretches.map(({ at: value, title }) => ({ value, label: `${title}, step ${value + 1}` }))}
          onChange={setTo}
        />
      </label>
      <Button
        disabled={to === null || to === at}
        onClick={() => {
          if (to === null) return;
          happens({ did: 'go', to: { part: part.id, made, at: to } });
          setTo(null);
        }}
      >
        Go there
      </Button>
      <p className="soft">All before it counts as done, all after it as still to do.</p>
    </div>
  );
}
