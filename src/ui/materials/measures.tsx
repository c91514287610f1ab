'use client';

import { App, Button, Input } from 'antd';
import { useRouter } from 'next/navigation';
import { useId, useState, useTransition } from 'react';
import type { Instrument } from '@/core/materials/instruments';
import type { Answer } from '@/server/answer';
import { useLengths } from '../shell/lengths';
import styles from './materials.module.css';

/** A measure that is typed, or read off an instrument. */
export interface MeasureField<K extends string> {
  readonly key: K;
  readonly label: string;
  readonly unit: 'mm' | 'g';
  readonly instrument: Instrument | null;
}

/** What stands in the fields, by their keys. */
type Typed = Readonly<Record<string, string | undefined>>;

/** A figure as it is typed: empty is not measured, what cannot be read is NaN. */
const read = (text: string | undefined): number | null =>
  !text?.trim()
    ? null
    : Number(
        text
          .trim()
          .replace(',', '.')
          .replace(/ ?(mm|g)$/i, ''),
      );

/** What has been typed so far: its figures, and words for the first that is none. */
export function useMeasures<K extends string>(keys: readonly K[]) {
  const [typed, setTyped] = useState<Typed>({});
  const wrong = keys.find((key) => Number.isNaN(read(typed[key])));
  return {
    typed,
    type: (key: K, text: string) => setTyped((before) => ({ ...before, [key]: text })),
    clear: () => setTyped({}),
    values: Object.fromEntries(keys.map((key) => [key, read(typed[key])])) as Record<K, number | null>,
    wrong: wrong === undefined ? null : `“${typed[wrong]}” is no figure. Write it like 14.2.`,
  };
}

interface Props<K extends string> {
  readonly fields: readonly MeasureField<K>[];
  readonly typed: Typed;
  readonly onType: (key: K, text: string) => void;
}

/** The fields of some measures, each with its instrument. */
export function MeasureFields<K extends string>({ fields, typed, onType }: Props<K>) {
  const { decimal = '.' } = useLengths().style;
  const id = useId();
  const readOff = async (key: K, instrument: Instrument) =>
    onType(key, (await instrument.read()).toFixed(2).replace('.', decimal));
  return (
    <>
      {fields.map(({ key, label, unit, instrument }) => (
        <div key={key} className={styles.field}>
          <label htmlFor={`${id}-${key}`}>
            {label}, {unit}
          </label>
          <span className={styles.reading}>
            <Input
              id={`${id}-${key}`}
              inputMode="decimal"
              autoComplete="off"
              value={typed[key] ?? ''}
              onChange={(event) => onType(key, event.target.value)}
            />
            {instrument && (
              <Button onClick={() => void readOff(key, instrument)}>
                {unit === 'g' ? 'read the scale' : 'read the caliper'}
                <span className="srOnly">: {label}</span>
              </Button>
            )}
          </span>
        </div>
      ))}
    </>
  );
}

/** What the instruments are, until real ones are connected. */
export const Simulated = () => (
  <p className="soft">
    Scale and caliper are simulated: they show the figures of the catalogue, a little off.
  </p>
);

interface FormProps<K extends string> {
  /** What is measured. */
  readonly name: string;
  readonly fields: readonly MeasureField<K>[];
  readonly onSave: (values: Readonly<Record<K, number | null>>) => Promise<Answer<unknown>>;
  readonly onDone: () => void;
}

/** Measures of something that is known, typed or read off an instrument; its entry learns. */
export function MeasureForm<K extends string>({ name, fields, onSave, onDone }: FormProps<K>) {
  const { message } = App.useApp();
  const router = useRouter();
  const { typed, type, values, wrong } = useMeasures(fields.map(({ key }) => key));
  const [problem, setProblem] = useState<string | null>(null);
  const [saving, start] = useTransition();
  const save = () =>
    start(async () => {
      if (wrong !== null) return setProblem(wrong);
      const answer = await onSave(values);
      if (!answer.ok) return setProblem(answer.message);
      void message.success(`${name} goes by your measure now.`);
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
      <MeasureFields fields={fields} typed={typed} onType={type} />
      {problem !== null && (
        <p role="alert" className={styles.problem}>
          {problem}
        </p>
      )}
      <Simulated />
      <span className={styles.reading}>
        <Button type="primary" htmlType="submit" loading={saving}>
          {fields.length > 1 ? 'Keep these measures' : 'Keep this measure'}
        </Button>
        <Button onClick={onDone}>Leave it</Button>
      </span>
    </form>
  );
}
