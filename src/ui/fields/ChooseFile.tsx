'use client';

import { Button } from 'antd';
import { useRef } from 'react';
import styles from './fields.module.css';

interface Props {
  readonly label: string;
  /** What kinds of files are offered, as `accept` of an input. */
  readonly accept: string;
  readonly onFile: (file: File) => void;
}

/** A button that has a file chosen. The same file can be chosen again. */
export function ChooseFile({ label, accept, onFile }: Props) {
  const input = useRef<HTMLInputElement>(null);
  return (
    <>
      <Button className={styles.choose} onClick={() => input.current?.click()}>
        {label}
      </Button>
      <input
        ref={input}
        type="file"
        aria-label={label}
        accept={accept}
        hidden
        onChange={({ target }) => {
          const file = target.files?.[0];
          if (file) onFile(file);
          target.value = '';
        }}
      />
    </>
  );
}
