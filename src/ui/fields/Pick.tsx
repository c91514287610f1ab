'use client';

import { Select } from 'antd';
import { useId } from 'react';
import styles from './fields.module.css';

interface Props {
  readonly label: string;
  readonly value: string | null;
  readonly options: readonly { readonly value: string; readonly label: string }[];
  readonly onChange: (value: string) => void;
  readonly placeholder?: string;
  /** The label is heard but not shown, where the row already says it. */
  readonly quiet?: boolean;
  /** What is to be said of an option before it is taken. */
  readonly says?: ReadonlyMap<string, string>;
  readonly onOpen?: (open: boolean) => void;
}

/** One of many, found by typing a part of its name. */
export function Pick({ label, value, options, onChange, placeholder, quiet = false, says, onOpen }: Props) {
  const id = useId();
  return (
    <div className={styles.field}>
      <label htmlFor={id} className={quiet ? 'srOnly' : undefined}>
        {label}
      </label>
      <Select
        id={id}
        value={value}
        options={[...options]}
        onChange={onChange}
        placeholder={placeholder}
        showSearch={{ optionFilterProp: 'label' }}
        popupMatchSelectWidth={false}
        onOpenChange={onOpen}
        optionRender={
          says
            ? ({ value: option, label: name }) => (
                <span className={styles.told}>
                  {name}
                  <span className={styles.says}>{says.get(String(option)) ?? ''}</span>
                </span>
              )
            : undefined
        }
      />
    </div>
  );
}
