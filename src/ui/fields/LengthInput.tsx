'use client';

import { Input } from 'antd';
import { useId, useState } from 'react';
import { parseLength, type LengthRange } from '@/core/length/length';
import { wordLengthProblem } from '@/core/words/problems';
import { useLengths } from '../shell/lengths';
import styles from './fields.module.css';

interface Props {
  readonly label: string;
  /** Null where nothing is known yet. */
  readonly mm: number | null;
  readonly range: LengthRange;
  readonly onChange: (mm: number) => void;
  readonly help?: string;
}

/**
 * A length as people write it. What cannot be read stays as it was typed, with words that say what would be
 * accepted; the last good length goes on counting.
 */
export function LengthInput({ label, mm, range, onChange, help }: Props) {
  const { unit, style, show } = useLengths();
  const id = useId();
  /** What is being typed; null shows the value. */
  const [typed, setTyped] = useState<string | null>(null);
  const reading = typed === null ? null : parseLength(typed, unit, range);
  const problem = reading && !reading.ok ? wordLengthProblem(reading.problem, style) : null;
  return (
    <div className={styles.field}>
      <label htmlFor={id}>{label}</label>
      <Input
        id={id}
        value={typed ?? (mm === null ? '' : show(mm))}
        placeholder={mm === null ? 'not measured yet' : undefined}
        status={problem ? 'error' : ''}
        aria-invalid={problem !== null}
        aria-describedby={problem ? `${id}-problem` : help ? `${id}-help` : undefined}
        autoComplete="off"
        onFocus={(event) => event.target.select()}
        onChange={(event) => {
          setTyped(event.target.value);
          const now = parseLength(event.target.value, unit, range);
          if (now.ok) onChange(now.mm);
        }}
        onBlur={() => {
          if (!problem) setTyped(null);
        }}
      />
      {help && (
        <p id={`${id}-help`} className={styles.help}>
          {help}
        </p>
      )}
      {problem && (
        <p id={`${id}-problem`} role="alert" className={styles.problem}>
          {problem} {typed !== '' && mm !== null && `Until then ${show(mm)} counts.`}
        </p>
      )}
    </div>
  );
}
