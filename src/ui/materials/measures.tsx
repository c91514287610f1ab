'use client';

import { App, Button, Input } from 'antd';
import { useRouter } from 'next/navigation';
import { useId, useState, useTransition, type ReactNode } from 'react';
import { formatFigure, formatNumber } from '@/core/length/length';
import type { MeasureDoubt } from '@/core/materials/learn';
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
  const { decimal } = useLengths().style;
  const [typed, setTyped] = useState<Typed>({});
  const wrong = keys.find((key) => Number.isNaN(read(typed[key])));
  return {
    typed,
    type: (key: K, text: string) => setTyped((before) => ({ ...before, [key]: text })),
    clear: () => setTyped({}),
    values: Object.fromEntries(keys.map((key) => [key, read(typed[key])])) as Record<K, number | null>,
    wrong:
      wrong === undefined
        ? null
        : `“${typed[wrong]}” is not a number. Write it like ${formatFigure(14.2, 1, decimal)}.`,
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
                {unit === 'g' ? 'practice scale' : 'practice caliper'}
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
    No scale or caliper is connected. The practice ones show the figures of the catalogue, a little off: to
    try it out, not to measure.
  </p>
);

interface DoubtsProps<K extends string> {
  readonly doubts: readonly MeasureDoubt<K>[];
  readonly fields: readonly MeasureField<K>[];
  readonly onType: (key: K, text: string) => void;
  readonly onKeep: () => void;
}

/** Asks about measures that are far from what is known, before they are kept. */
export function Doubts<K extends string>({ doubts, fields, onType, onKeep }: DoubtsProps<K>) {
  const { style } = useLengths();
  if (doubts.length === 0) return null;
  const say = (key: K, value: number) =>
    `${formatNumber(value, { ...style, unit: 'mm' })} ${fields.find((field) => field.key === key)?.unit ?? 'mm'}`;
  return (
    <div role="alert" className={styles.doubts}>
      {doubts.map(({ key, value, usual, perhaps }) => (
        <p key={key}>
          <strong>{fields.find((field) => field.key === key)?.label}:</strong> is {say(key, value)} right?
          What is known of it is {say(key, usual)}.
          {perhaps !== null && ` If you measured only one, write ${say(key, perhaps)}.`}
        </p>
      ))}
      <span className={styles.reading}>
        {doubts.map(
          ({ key, perhaps }) =>
            perhaps !== null && (
              <Button key={key} onClick={() => onType(key, formatNumber(perhaps, { ...style, unit: 'mm' }))}>
                Write {say(key, perhaps)}
              </Button>
            ),
        )}
        <Button onClick={onKeep}>It is right, keep it</Button>
      </span>
    </div>
  );
}

interface FormProps<K extends string> {
  /** What is measured. */
  readonly name: string;
  readonly fields: readonly MeasureField<K>[];
  readonly onSave: (values: Readonly<Record<K, number | null>>) => Promise<Answer<unknown>>;
  /** What is to be asked about before it is kept. */
  readonly doubts: (values: Readonly<Record<K, number | null>>) => readonly MeasureDoubt<K>[];
  readonly onDone: () => void;
  /** What else can be done with the entry. */
  readonly children?: ReactNode;
}

/** Measures of something that is known, typed or read off an instrument; its entry learns. */
export function MeasureForm<K extends string>({
  name,
  fields,
  onSave,
  doubts,
  onDone,
  children,
}: FormProps<K>) {
  const { message } = App.useApp();
  const router = useRouter();
  const { typed, type, values, wrong } = useMeasures(fields.map(({ key }) => key));
  const [problem, setProblem] = useState<string | null>(null);
  const [asked, setAsked] = useState<readonly MeasureDoubt<K>[]>([]);
  const [saving, start] = useTransition();
  const write = (key: K, text: string) => {
    setAsked([]);
    type(key, text);
  };
  const save = (sure: boolean) => {
    const found = sure || wrong !== null ? [] : doubts(values);
    setAsked(found);
    setProblem(wrong);
    if (wrong !== null || found.length > 0) return;
    start(async () => {
      const answer = await onSave(values);
      if (!answer.ok) return setProblem(answer.message);
      void message.success(`${name} goes by your measure now.`);
      router.refresh();
      onDone();
    });
  };
  return (
    <form
      className={styles.measure}
      onSubmit={(event) => {
        event.preventDefault();
        save(false);
      }}
    >
      <MeasureFields fields={fields} typed={typed} onType={write} />
      <Doubts doubts={asked} fields={fields} onType={write} onKeep={() => save(true)} />
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
        {children}
        <Button onClick={onDone}>Cancel</Button>
      </span>
    </form>
  );
}
