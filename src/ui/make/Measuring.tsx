'use client';

import { App, Button } from 'antd';
import { useState } from 'react';
import { lastPart } from '@/core/making/mat';
import { refit } from '@/core/making/refit';
import { partOf } from '@/core/piece/partOfPiece';
import { swatchOf } from '@/core/records/swatches';
import { addSwatchAction } from '@/server/actions/swatches';
import { ask } from '../fields/ask';
import { wordProblem } from '@/core/words/problems';
import { CountInput } from '../fields/CountInput';
import { LengthInput } from '../fields/LengthInput';
import { Toggle } from '../fields/Toggle';
import { useLengths } from '../shell/lengths';
import type { MatProps } from './matProps';
import styles from './make.module.css';

const RANGE = { minMm: 5, maxMm: 5000 };

/** What was measured at the mat is a swatch too: the next plan of the stitch in these beads goes by it. */
function KeepAsSwatch({ matId, mat, state }: Pick<MatProps, 'matId' | 'mat' | 'state'>) {
  const { message } = App.useApp();
  const own = partOf(mat.piece);
  const last = state.measures.findLast(({ part }) => part === own.id);
  const [kept, setKept] = useState<typeof last>(undefined);
  // A swatch tells of beads, and not of parts that are strung like them.
  if (!last || Object.keys(own.strung).length > 0) return null;
  const { units, lengthMm, finished, when } = last;
  // Measured before the later passes, it says what a piece without them comes to.
  const later = mat.parts.flatMap(({ steps }) => steps.flatMap((step) => (step.optional ? [step.pass] : [])));
  const keep = async () => {
    const without = finished ? own.without : [...new Set([...own.without, ...later])];
    const swatch = swatchOf(own, {
      units,
      lengthMm,
      without,
      takenOn: when.slice(0, 10),
      tension: 'medium',
      note: 'Measured at the mat.',
      mat: matId,
    });
    const answer = await ask(addSwatchAction, swatch);
    if (!answer.ok) return void message.error(answer.message);
    setKept(last);
    void message.success('Kept as a swatch: the next plan in this stitch and these beads goes by it.');
  };
  return (
    <Button disabled={kept?.when === when} onClick={() => void keep()}>
      Keep it as a swatch
    </Button>
  );
}

/** So many units are so long: what that makes of the count. */
export function Measuring({ matId, mat, state, here: { step }, happens }: MatProps) {
  const { show, fine, style } = useLengths();
  const own = partOf(mat.piece);
  const [from, setFrom] = useState(1);
  const [to, setTo] = useState<number | null>(null);
  const [lengthMm, setLengthMm] = useState<number | null>(null);
  const [finished, setFinished] = useState(false);
  const later = mat.parts.some(({ steps }) => steps.some(({ optional }) => optional));
  const last = to ?? (step?.woven ? Math.max(1, step.unit) : null);
  const over = last === null || last < from ? null : last - from + 1;
  const found = refit(mat, state);
  const { units } = lastPart(mat);
  return (
    <div className={styles.form}>
      <p className="soft">
        Lay the work on a ruler, from the beginning of one unit to the end of another. The longer the surer;
        the first few, and the last, often lie otherwise.
      </p>
      <CountInput label="From the beginning of unit" value={from} least={1} most={units} onChange={setFrom} />
      <CountInput label="To the end of unit" value={last} least={1} most={units} onChange={setTo} />
      {last !== null && last < from && <p role="alert">The last unit comes before the first: change one.</p>}
      <LengthInput label="So long" mm={lengthMm} range={RANGE} onChange={setLengthMm} />
      {later && (
        <Toggle label="The later passes are worked there already" checked={finished} onChange={setFinished} />
      )}
      <Button
        disabled={over === null || lengthMm === null}
        onClick={() => {
          if (over === null || lengthMm === null) return;
          happens({ did: 'measure', part: own.id, units: over, from, lengthMm, finished });
          setLengthMm(null);
        }}
      >
        Keep this measure
      </Button>
      {found && 'ok' in found && <p role="alert">{wordProblem(found.problem, style)}</p>}
      {found && !('ok' in found) && (
        <div role="status" className={styles.form}>
          <p>
            By units {found.from} to {found.from + found.units - 1} a unit is{' '}
            <strong>{fine(found.pitchMm)}</strong>, between {fine(found.betweenMm[0])} and{' '}
            {fine(found.betweenMm[1])}; it was reckoned at {fine(found.reckonedMm)}.
          </p>
          <p>
            {found.now.units} units come to <strong>{show(found.now.finishedMm)}</strong>, wished were{' '}
            {show(mat.planned.wishMm)}.{' '}
            {found.best.units === found.now.units
              ? 'The count on the mat is still the best.'
              : `${found.best.units} units come nearer: ${show(found.best.finishedMm)}. Change the count on the plan and lay it here anew, or keep ${found.now.units}.`}
          </p>
          <KeepAsSwatch matId={matId} mat={mat} state={state} />
        </div>
      )}
    </div>
  );
}
