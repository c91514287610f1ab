'use client';

import { Input } from 'antd';
import { useId } from 'react';
import { useUnfinishedField } from './unfinished';
import { useTyped, type Reading } from './useTyped';
import styles from './fields.module.css';

interface Props<T> {
  readonly label: string;
  /** What stands in the field while nobody types; empty where nothing is known. */
  readonly shown: string;
  readonly read: (text: string) => Reading<T>;
  readonly onTake: (value: T) => void;
  readonly placeholder?: string;
  readonly inputMode?: 'numeric' | 'decimal';
  readonly help?: string;
}

/**
 * A value as people write it. What cannot be read stays as it was typed, with words that say what would be accepted;
 * the last good value goes on counting, and the answers say so.
 */
export function TypedInput<T>({ label, shown, read, onTake, placeholder, inputMode, help }: Props<T>) {
  const id = useId();
  const { field, problem, instead } = useTyped({ shown, read, onTake });
  useUnfinishedField(label, instead, shown);
  const told = [help && `${id}-help`, problem !== null && `${id}-problem`].filter(Boolean).join(' ');
  return (
    <div className={styles.field}>
      <label htmlFor={id}>{label}</label>
      <Input
        id={id}
        {...field}
        inputMode={inputMode}
        placeholder={shown === '' ? placeholder : undefined}
        status={problem === null ? '' : 'error'}
        aria-invalid={problem !== null}
        aria-describedby={told || undefined}
      />
      {help && (
        <p id={`${id}-help`} className={styles.help}>
          {help}
        </p>
      )}
      {problem !== null && (
        <p id={`${id}-problem`} role="alert" className={styles.problem}>
          {problem} {instead !== '' && shown !== '' && `Until then ${shown} counts.`}
        </p>
      )}
    </div>
  );
}
