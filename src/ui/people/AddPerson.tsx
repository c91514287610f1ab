'use client';

import { Button, Input } from 'antd';
import { useRouter } from 'next/navigation';
import { useId, useState, useTransition, type FormEvent } from 'react';
import { addPersonAction } from '@/server/actions';
import type { Person } from '@/server/screens';
import { useLengths } from '../shell/lengths';
import styles from './people.module.css';

interface Props {
  readonly onAdded: (person: Person) => void;
  readonly onCancel: () => void;
}

/** A name and a wrist as people write it. What was typed stays when it is refused. */
export function AddPerson({ onAdded, onCancel }: Props) {
  const { unit } = useLengths();
  const id = useId();
  const router = useRouter();
  const [name, setName] = useState('');
  const [wrist, setWrist] = useState('');
  const [problem, setProblem] = useState<string | null>(null);
  const [busy, start] = useTransition();

  const submit = (event: FormEvent) => {
    event.preventDefault();
    start(async () => {
      const answer = await addPersonAction({ name, wrist, unit });
      if (!answer.ok) return setProblem(answer.message);
      router.refresh();
      onAdded(answer.value);
    });
  };

  return (
    <form className={styles.add} onSubmit={submit}>
      <div className={styles.field}>
        <label htmlFor={`${id}-name`}>Name</label>
        <Input
          id={`${id}-name`}
          value={name}
          autoFocus
          autoComplete="off"
          onChange={(e) => setName(e.target.value)}
        />
      </div>
      <div className={styles.field}>
        <label htmlFor={`${id}-wrist`}>Wrist</label>
        <Input
          id={`${id}-wrist`}
          value={wrist}
          autoComplete="off"
          placeholder={unit === 'in' ? '6 1/4' : '15,9'}
          status={problem ? 'error' : ''}
          aria-describedby={problem ? `${id}-problem` : undefined}
          onChange={(e) => setWrist(e.target.value)}
        />
      </div>
      {problem && (
        <p id={`${id}-problem`} role="alert" className={styles.problem}>
          {problem}
        </p>
      )}
      <div className={styles.buttons}>
        <Button type="primary" htmlType="submit" loading={busy}>
          Add
        </Button>
        <Button onClick={onCancel}>Leave it</Button>
      </div>
    </form>
  );
}
