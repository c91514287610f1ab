'use client';

import { Switch } from 'antd';
import { useId, type ReactNode } from 'react';
import styles from './fields.module.css';

interface Props {
  readonly label: string;
  readonly checked: boolean;
  readonly onChange: (checked: boolean) => void;
  readonly help?: ReactNode;
}

export function Toggle({ label, checked, onChange, help }: Props) {
  const id = useId();
  return (
    <div className={styles.toggle}>
      <Switch
        id={id}
        checked={checked}
        onChange={onChange}
        aria-describedby={help ? `${id}-help` : undefined}
      />
      <div>
        <label htmlFor={id}>{label}</label>
        {help && (
          <p id={`${id}-help`} className={styles.help}>
            {help}
          </p>
        )}
      </div>
    </div>
  );
}
