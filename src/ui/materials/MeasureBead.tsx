'use client';

import { App, Button, Input } from 'antd';
import { useRouter } from 'next/navigation';
import { useId, useState, useTransition } from 'react';
import { simulatedInstruments, type Instrument } from '@/core/materials/instruments';
import type { BeadKind } from '@/core/materials/material';
import { measureBeadAction } from '@/server/actions/materials';
import { useLengths } from '../shell/lengths';
import styles from './materials.module.css';

const FIELDS = [
  { key: 'tenMm', label: 'Ten on a needle, end to end', unit: 'mm', by: 'ten' },
  { key: 'diameterMm', label: 'One, across', unit: 'mm', by: 'across' },
  { key: 'holeMm', label: 'Its hole, across', unit: 'mm', by: null },
  { key: 'hundredGrams', label: 'A hundred weigh', unit: 'g', by: 'hundred' },
] as const;
type Key = (typeof FIELDS)[number]['key'];

const EMPTY: Readonly<Record<Key, string>> = { tenMm: '', diameterMm: '', holeMm: '', hundredGrams: '' };

/** A figure as it is typed: empty is not measured, what cannot be read is NaN. */
const read = (text: string): number | null =>
  text.trim() === ''
    ? null
    : Number(
        text
          .trim()
          .replace(',', '.')
          .replace(/ ?(mm|g)$/i, ''),
      );

/** Measures of a kind of bead, typed or read off an instrument; the entry learns. */
export function MeasureBead({ kind, onDone }: { readonly kind: BeadKind; readonly onDone: () => void }) {
  const { decimal = '.' } = useLengths().style;
  const { message } = App.useApp();
  const router = useRouter();
  const id = useId();
  const [typed, setTyped] = useState(EMPTY);
  const [problem, setProblem] = useState<string | null>(null);
  const [saving, start] = useTransition();
  const instruments = simulatedInstruments(kind);
  const set = (key: Key, text: string) => setTyped((before) => ({ ...before, [key]: text }));
  const readOff = async (key: Key, instrument: Instrument) =>
    set(key, (await instrument.read()).toFixed(2).replace('.', decimal));
  const wrong = FIELDS.find(({ key }) => Number.isNaN(read(typed[key])));
  const save = () =>
    start(async () => {
      if (wrong) return setProblem(`“${typed[wrong.key]}” is no figure. Write it like 14.2.`);
      const { tenMm, diameterMm, holeMm, hundredGrams } = typed;
      const answer = await measureBeadAction({
        id: kind.id,
        tenMm: read(tenMm),
        diameterMm: read(diameterMm),
        holeMm: read(holeMm),
        hundredGrams: read(hundredGrams),
      });
      if (!answer.ok) return setProblem(answer.message);
      void message.success(`${kind.name} goes by your measure now.`);
      router.refresh();
      onDone();
    });
  return (
    <form
      className={styles.measure}
      onSubmit={(event) => {
        event.preventDefault();
        save();
      }}
    >
      {FIELDS.map(({ key, label, unit, by }) => (
        <div key={key} className={styles.field}>
          <label htmlFor={`${id}-${key}`}>
            {label}, {unit}
          </label>
          <span className={styles.reading}>
            <Input
              id={`${id}-${key}`}
              inputMode="decimal"
              autoComplete="off"
              value={typed[key]}
              onChange={(event) => set(key, event.target.value)}
            />
            {by && (
              <Button onClick={() => void readOff(key, instruments[by])}>
                {unit === 'g' ? 'read the scale' : 'read the caliper'}
                <span className="srOnly">: {label}</span>
              </Button>
            )}
          </span>
        </div>
      ))}
      {problem && (
        <p role="alert" className={styles.problem}>
          {problem}
        </p>
      )}
      <p className="soft">
        Scale and caliper are simulated: they show the figures of the catalogue, a little off.
      </p>
      <span className={styles.reading}>
        <Button type="primary" htmlType="submit" loading={saving}>
          Keep these measures
        </Button>
        <Button onClick={onDone}>Leave it</Button>
      </span>
    </form>
  );
}
