'use client';

import { Button } from 'antd';
import { useState } from 'react';
import { refit } from '@/core/making/refit';
import { partOf } from '@/core/piece/partOfPiece';
import { wordProblem } from '@/core/words/problems';
import { CountInput } from '../fields/CountInput';
import { LengthInput } from '../fields/LengthInput';
import { Toggle } from '../fields/Toggle';
import { useLengths } from '../shell/lengths';
import type { MatProps } from './matProps';
import styles from './make.module.css';

const RANGE = { minMm: 5, maxMm: 5000 };

/** So many units are so long: what that makes of the count. */
export function Measuring({ mat, state, here: { step }, happens }: MatProps) {
  const { show, fine, style } = useLengths();
  const own = partOf(mat.piece);
  const [units, setUnits] = useState<number | null>(null);
  const [lengthMm, setLengthMm] = useState<number | null>(null);
  const [finished, setFinished] = useState(false);
  const later = mat.parts.some(({ steps }) => steps.some(({ optional }) => optional));
  const over = units ?? (step?.woven ? Math.max(1, step.unit) : null);
  const found = refit(mat, state);
  return (
    <div className={styles.form}>
      <p className="soft">
        Lay the work on a ruler, from the beginning of its first unit to the end of the last whole one.
      </p>
      <CountInput label="Units measured" value={over} least={1} most={10_000} onChange={setUnits} />
      <LengthInput label="So long" mm={lengthMm} range={RANGE} onChange={setLengthMm} />
      {later && (
        <Toggle label="The later passes are worked there already" checked={finished} onChange={setFinished} />
      )}
      <Button
        disabled={over === null || lengthMm === null}
        onClick={() => {
          if (over === null || lengthMm === null) return;
          happens({ did: 'measure', part: own.id, units: over, lengthMm, finished });
          setLengthMm(null);
        }}
      >
        Keep this measure
      </Button>
      {found && 'ok' in found && <p role="alert">{wordProblem(found.problem, style)}</p>}
      {found && !('ok' in found) && (
        <div role="status">
          <p>
            A unit is <strong>{fine(found.pitchMm)}</strong>, between {fine(found.betweenMm[0])} and{' '}
            {fine(found.betweenMm[1])}; it was reckoned at {fine(found.reckonedMm)}.
          </p>
          <p>
            {found.now.units} units come to <strong>{show(found.now.finishedMm)}</strong>, wished were{' '}
            {show(mat.planned.wishMm)}.{' '}
            {found.best.units === found.now.units
              ? 'The count on the mat is still the best.'
              : `${found.best.units} units come nearer: ${show(found.best.finishedMm)}. Change the count on the plan and lay it here anew, or keep ${found.now.units}.`}
          </p>
        </div>
      )}
    </div>
  );
}
