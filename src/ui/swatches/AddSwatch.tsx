'use client';

import { partOf } from '@/core/piece/partOfPiece';
import { Button, Input } from 'antd';
import { useRouter } from 'next/navigation';
import { useId, useState, useTransition, type FormEvent } from 'react';
import type { LengthRange } from '@/core/length/length';
import { planPart } from '@/core/plan/plan';
import { MOST_UNITS } from '@/core/piece/part';
import { swatchOf, type Swatch } from '@/core/records/swatches';
import { addSwatchAction } from '@/server/actions/swatches';
import type { StoredPiece } from '@/server/screens';
import { ask } from '../fields/ask';
import { useWarnOfLeaving } from '../fields/useWarnOfLeaving';
import { Choice } from '../fields/Choice';
import { CountInput } from '../fields/CountInput';
import { LengthInput } from '../fields/LengthInput';
import { Pick } from '../fields/Pick';
import { Toggle } from '../fields/Toggle';
import { useOpened } from '../shell/focus';
import { useLookups } from '../shell/useLookups';
import { today } from '../shell/today';
import styles from './swatches.module.css';

const MEASURED: LengthRange = { minMm: 2, maxMm: 3000 };
const TENSIONS: readonly Swatch['tension'][] = ['tight', 'medium', 'loose'];

interface Props {
  readonly pieces: readonly StoredPiece[];
  readonly onAdded: () => void;
  readonly onCancel: () => void;
}

/** So many units in the stitch, beads and thread of a piece, and how long they are. */
export function AddSwatch({ pieces, onAdded, onCancel }: Props) {
  const router = useRouter();
  const id = useId();
  const lookups = useLookups();
  const [pieceId, setPieceId] = useState(pieces[0]?.id ?? null);
  const [units, setUnits] = useState<number | null>(null);
  const [lengthMm, setLengthMm] = useState<number | null>(null);
  const [tension, setTension] = useState<Swatch['tension']>('medium');
  const [finished, setFinished] = useState(true);
  const [day, setDay] = useState(today());
  const [note, setNote] = useState('');
  useWarnOfLeaving(units !== null || lengthMm !== null || note.trim() !== '');
  const [problem, setProblem] = useState<string | null>(null);
  const [busy, start] = useTransition();
  const opened = useOpened<HTMLElement>(onCancel);
  const doc = pieces.find((one) => one.id === pieceId)?.doc;
  const piece = doc && partOf(doc);
  const plan = piece && planPart(piece, lookups);
  const later = plan?.ok ? (plan.gauge.shortening?.passes ?? []) : [];

  const keep = (event: FormEvent) => {
    event.preventDefault();
    if (!piece) return setProblem('Choose the piece whose stitch and beads it is worked in.');
    if (units === null) return setProblem('Say how many units were measured.');
    if (lengthMm === null) return setProblem('Say how long they are, first bead to last.');
    start(async () => {
      const without = finished ? piece.without : [...new Set([...piece.without, ...later])];
      const answer = await ask(
        addSwatchAction,
        swatchOf(piece, { units, lengthMm, tension, takenOn: day, note, without }),
      );
      if (!answer.ok) return setProblem(answer.message);
      router.refresh();
      onAdded();
    });
  };
  return (
    <section {...opened} className="card" aria-label="Record a swatch">
      <form className={styles.add} onSubmit={keep} noValidate>
        <Pick
          label="In the stitch, beads and thread of"
          value={pieceId}
          options={pieces.map((one) => ({ value: one.id, label: one.doc.name }))}
          onChange={setPieceId}
        />
        <CountInput label="Units" value={units} least={1} most={MOST_UNITS} onChange={setUnits} />
        <LengthInput
          label="They measure, first bead to last, no clasp"
          mm={lengthMm}
          range={MEASURED}
          onChange={setLengthMm}
          help="Flat on a ruler, drawn as tight as you mean to leave it."
        />
        {later.length > 0 && (
          <Toggle
            label={`Measured after ${later.join(' and ')}`}
            help="Later passes draw the base in a little."
            checked={finished}
            onChange={setFinished}
          />
        )}
        <Choice
          label="Tension"
          value={tension}
          options={TENSIONS.map((one) => ({ value: one, label: one }))}
          onChange={setTension}
        />
        <div className={styles.field}>
          <label htmlFor={`${id}-day`}>Measured on</label>
          <Input id={`${id}-day`} type="date" value={day} onChange={(event) => setDay(event.target.value)} />
        </div>
        <div className={styles.field}>
          <label htmlFor={`${id}-note`}>Note</label>
          <Input id={`${id}-note`} value={note} onChange={(event) => setNote(event.target.value)} />
        </div>
        {problem && (
          <p role="alert" className={styles.problem}>
            {problem}
          </p>
        )}
        <div className={styles.buttons}>
          <Button type="primary" htmlType="submit" loading={busy}>
            Keep the swatch
          </Button>
          <Button onClick={onCancel}>Cancel</Button>
        </div>
      </form>
    </section>
  );
}
