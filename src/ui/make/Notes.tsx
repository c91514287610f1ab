'use client';

import { Button, Input } from 'antd';
import { useState } from 'react';
import type { MatProps } from './matProps';
import styles from './make.module.css';

/** Notes of the work, the newest first. */
export function Notes({ state, happens }: MatProps) {
  const [text, setText] = useState('');
  return (
    <div className={styles.form}>
      <Input.TextArea
        aria-label="Note"
        value={text}
        maxLength={2000}
        autoSize={{ minRows: 2, maxRows: 6 }}
        onChange={(event) => setText(event.target.value)}
      />
      <Button
        disabled={text.trim() === ''}
        onClick={() => {
          happens({ did: 'note', text: text.trim() });
          setText('');
        }}
      >
        Keep this note
      </Button>
      <ul className={styles.notes}>
        {state.notes.toReversed().map(({ text: note, when }) => (
          <li key={when}>
            {/* The program and the browser may write a time otherwise. */}
            <time dateTime={when} suppressHydrationWarning>
              {new Date(when).toLocaleString()}
            </time>
            <p>{note}</p>
          </li>
        ))}
      </ul>
    </div>
  );
}
