'use client';

import { useMemo } from 'react';
import { planSteps, type Plan } from '@/core/plan';
import styles from './Steps.module.css';

const TITLES: Readonly<Record<string, string>> = {
  start: 'Start',
  base: '',
  'closing bead': 'Close the line',
  'sew on the clasp': 'Sew on the clasp',
  'back along the line': 'Back along the line',
  finish: 'Finish',
};

/** How it is worked, read off the thread path. */
export function Steps({ plan }: { plan: Plan }) {
  const groups = useMemo(() => planSteps(plan), [plan]);
  return (
    <ol className={styles.steps}>
      {groups.map((group, i) => {
        const units =
          group.fromUnit === group.toUnit
            ? `Unit ${group.fromUnit}`
            : `Units ${group.fromUnit} to ${group.toUnit}, each`;
        const title =
          group.section === 'body'
            ? [TITLES[group.pass], units].filter(Boolean).join(', ')
            : TITLES[group.pass] || 'Once more round the loop';
        return (
          <li key={i}>
            <h3>{title}</h3>
            {group.steps.map((step, k) => (
              <p key={k}>
                {step.needle === 'tail' && <span className={styles.needle}>with the tail</span>}
                {step.text}
              </p>
            ))}
          </li>
        );
      })}
    </ol>
  );
}
