'use client';

import { useMemo } from 'react';
import { planSteps, type Plan } from '@/core/plan';
import type { StepGroup } from '@/core/read/steps';
import { TAIL } from '@/core/weave/path';
import styles from './Steps.module.css';

/** A piece with one needle need not say with which. */
const FIRST_NEEDLE = 'working';

/** How it is worked, read off the thread path. */
export function Steps({ plan }: { plan: Plan }) {
  const groups = useMemo(() => planSteps(plan), [plan]);
  return (
    <ol className={styles.steps}>
      {groups.map((group, i) => (
        <li key={i}>
          <h3>
            {title(group)}
            {group.section === 'body' && group.info.tension !== 'tight' && (
              <span className={styles.tension}>{group.info.tension} tension</span>
            )}
            {group.info.face && (
              <span className={styles.tension}>
                {group.info.face === 'below' ? 'hanging' : `on the ${group.info.face}`}
              </span>
            )}
            {group.info.optional && <span className={styles.tension}>can be left out</span>}
          </h3>
          {group.steps.map((step, k) => (
            <p key={k}>
              {step.needle !== FIRST_NEEDLE && (
                <span className={styles.needle}>
                  with the {step.needle === TAIL ? 'tail' : `${step.needle} needle`}
                </span>
              )}
              {step.text}
            </p>
          ))}
          {group.info.why && <p className="soft">{group.info.why}</p>}
        </li>
      ))}
    </ol>
  );
}

/** `Picots, units 1 to 20, each`; what is outside the woven part goes by the name of its pass. */
function title({ section, pass, fromUnit, toUnit, stride }: StepGroup): string {
  if (section !== 'body')
    return capital(pass.startsWith('reinforce the loop') ? 'once more round the loop' : pass);
  const each = stride === 2 ? 'every second one' : 'each';
  const units = fromUnit === toUnit ? `unit ${fromUnit}` : `units ${fromUnit} to ${toUnit}, ${each}`;
  return capital(pass === 'base' ? units : `${pass}, ${units}`);
}

const capital = (text: string) => text.charAt(0).toUpperCase() + text.slice(1);
