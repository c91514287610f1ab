'use client';

import { Button } from 'antd';
import { here, type Making } from '@/core/making/making';
import type { Mat } from '@/core/making/mat';
import styles from './make.module.css';

interface Props {
  readonly mat: Mat;
  readonly state: Making;
  readonly onChoose: (keep: string) => void;
}

/** Two windows went on from the same place, and say different things: both are kept, and one is asked which is so. */
export function Apart({ mat, state, onChoose }: Props) {
  return (
    <section className={`card ${styles.apart}`} role="alert" aria-label="Two windows">
      <p>
        <strong>Two windows went on from the same place.</strong> Look at the work: which step comes next?
      </p>
      <div className={styles.buttons}>
        {state.heads.map(({ id, where }) => {
          const { part, step, at } = here(mat, { where, skipped: state.skipped });
          if (id === null) return null;
          return (
            <Button key={id} onClick={() => onChoose(id)}>
              {step ? `${part.name}: ${step.title}, step ${at + 1}` : 'All is done'}
            </Button>
          );
        })}
      </div>
    </section>
  );
}
