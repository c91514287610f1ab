'use client';

import { Button } from 'antd';
import { useState } from 'react';
import { progress } from '@/core/making/progress';
import { Choice } from '../fields/Choice';
import { LengthInput } from '../fields/LengthInput';
import { useLengths } from '../shell/lengths';
import type { MatProps } from './matProps';
import { timeWords } from './Where';
import styles from './make.module.css';

const RANGE = { minMm: 5, maxMm: 5000 };
const SITS = [
  { value: 'tight', label: 'tight' },
  { value: 'well', label: 'well' },
  { value: 'loose', label: 'loose' },
] as const;

/** Finished: how long it came out beside how long it was to be, and how it sits. */
export function Finishing({ mat, state, happens }: MatProps) {
  const { show, change } = useLengths();
  const { finished } = state;
  const [finalMm, setFinalMm] = useState<number | null>(finished?.finalMm ?? null);
  const [sits, setSits] = useState<(typeof SITS)[number]['value'] | null>(finished?.sits ?? null);
  const { spentMs } = progress(mat, state);
  const { finishedMm } = mat.planned;
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
        <dl className={styles.against}>
          <dt>planned</dt>
          <dd className="figures">{show(finishedMm)}</dd>
          <dt>came out</dt>
          <dd className="figures">
            {finished.finalMm === null
              ? 'not measured'
              : `${show(finished.finalMm)} (${change(finished.finalMm - finishedMm)})`}
          </dd>
          <dt>at the mat</dt>
          <dd className="figures">{spentMs > 0 ? timeWords(spentMs) : 'not told'}</dd>
          <dt>sits</dt>
          <dd>{finished.sits ?? 'not told'}</dd>
        </dl>
      )}
    </div>
  );
}
