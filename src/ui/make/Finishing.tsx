'use client';

import { Button } from 'antd';
import { useState } from 'react';
import { Choice } from '../fields/Choice';
import { LengthInput } from '../fields/LengthInput';
import type { MatProps } from './matProps';
import { AgainstPlan } from './AgainstPlan';
import styles from './make.module.css';

const RANGE = { minMm: 5, maxMm: 5000 };
const SITS = [
  { value: 'tight', label: 'tight' },
  { value: 'well', label: 'well' },
  { value: 'loose', label: 'loose' },
] as const;

/** Finished: how long it came out, how it sits, and all of it beside the plan. */
export function Finishing({ mat, state, happens }: Omit<MatProps, 'matId' | 'pictures'>) {
  const { finished } = state;
  const [finalMm, setFinalMm] = useState<number | null>(finished?.finalMm ?? null);
  const [sits, setSits] = useState<(typeof SITS)[number]['value'] | null>(finished?.sits ?? null);
  return (
    <div className={styles.form}>
      <LengthInput label="Finished length" mm={finalMm} range={RANGE} onChange={setFinalMm} />
      <Choice
        label="How does it sit?"
        value={sits ?? ''}
        options={[...SITS]}
        onChange={(to) => setSits(to === '' ? null : to)}
      />
      <Button type="primary" onClick={() => happens({ did: 'finish', finalMm, sits })}>
        {finished ? 'Keep it so' : 'It is finished'}
      </Button>
      {finished && (
        <>
          <AgainstPlan mat={mat} state={state} />
          <p className="soft">
            Worn for a while it may sit otherwise: tell it here then. What this piece tells goes into the next
            plan in its stitch: how long a unit came out, what was drawn in, how fast the thread went, and
            your pace.
          </p>
        </>
      )}
    </div>
  );
}
