'use client';

import { useId, type ReactNode } from 'react';
import styles from './fields.module.css';

export interface Option<T extends string | number> {
  readonly value: T;
  readonly label: ReactNode;
}

interface Props<T extends string | number> {
  readonly label: string;
  readonly value: T;
  readonly options: readonly Option<T>[];
  /** @param byHand pressed, and not merely come to by arrow keys */
  readonly onChange: (value: T, byHand: boolean) => void;
  readonly help?: ReactNode;
}

/** A few choices side by side, all in view. */
export function Choice<T extends string | number>({ label, value, options, onChange, help }: Props<T>) {
  const name = useId();
  return (
    <fieldset className={styles.choice}>
      <legend>{label}</legend>
      <div className={styles.options}>
        {options.map((option) => (
          <label key={option.value} className={option.value === value ? styles.on : styles.option}>
            <input
              type="radio"
              name={name}
              checked={option.value === value}
              onChange={({ nativeEvent }) =>
                onChange(option.value, nativeEvent instanceof MouseEvent && nativeEvent.detail > 0)
              }
            />
            {option.label}
          </label>
        ))}
      </div>
      {help && <p className={styles.help}>{help}</p>}
    </fieldset>
  );
}
