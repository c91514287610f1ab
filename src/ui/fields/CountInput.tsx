'use client';

import { Input } from 'antd';
import { useId, useState } from 'react';
import styles from './fields.module.css';

interface Props {
  readonly label: string;
  /** Null where nothing is known yet. */
  readonly value: number | null;
  readonly least: number;
  readonly most: number;
  readonly onChange: (value: number) => void;
  readonly help?: string;
}

/** A whole number as it is typed. What is none stays as typed, with words that say what would do. */
export function CountInput({ label, value, least, most, onChange, help }: Props) {
  const id = useId();
  const [typed, setTyped] = useState<string | null>(null);
  const read = (text: string) => {
    const count = Number(text.trim());
    return /^\d+$/.test(text.trim()) && count >= least && count <= most ? count : null;
  };
  const wrong = typed !== null && read(typed) === null;
  return (
    <div className={styles.field}>
      <label htmlFor={id}>{label}</label>
      <Input
        id={id}
        inputMode="numeric"
        value={typed ?? value ?? ''}
        status={wrong ? 'error' : ''}
        aria-invalid={wrong}
        aria-describedby={wrong ? `${id}-problem` : help ? `${id}-help` : undefined}
        autoComplete="off"
        onFocus={(event) => event.target.select()}
        onChange={(event) => {
          setTyped(event.target.value);
          const count = read(event.target.value);
          if (count !== null) onChange(count);
        }}
        onBlur={() => {
          if (!wrong) setTyped(null);
        }}
      />
      {help && !wrong && (
        <p id={`${id}-help`} className={styles.help}>
          {help}
        </p>
      )}
      {wrong && (
        <p id={`${id}-problem`} role="alert" className={styles.problem}>
          Write a whole number from {least} to {most}.
        </p>
      )}
    </div>
  );
}
