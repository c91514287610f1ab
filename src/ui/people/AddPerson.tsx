'use client';

import { Button, Input } from 'antd';
import { useRouter } from 'next/navigation';
import { useId, useState, useTransition, type FormEvent } from 'react';
import { PLACE_FACTS, type Place } from '@/core/body/places';
import { formatLength } from '@/core/length/length';
import { addPersonAction } from '@/server/actions/people';
import type { Person } from '@/server/screens';
import { ask } from '../fields/ask';
import { useWarnOfLeaving } from '../fields/useWarnOfLeaving';
import { useOpened } from '../shell/focus';
import { useLengths } from '../shell/lengths';
import styles from './people.module.css';

interface Props {
  /** What is asked for beside the name. */
  readonly place?: Place;
  /** The name is gone to at once. */
  readonly autoFocus?: boolean;
  /** Whether something is written that nobody has added yet. */
  readonly onWriting?: (writing: boolean) => void;
  readonly onAdded: (person: Person) => void;
  readonly onCancel: () => void;
}

/** A name and a girth as people write it. What was typed stays when it is refused. */
export function AddPerson({ place = 'wrist', autoFocus = true, onWriting, onAdded, onCancel }: Props) {
  const { unit, style } = useLengths();
  const id = useId();
  const router = useRouter();
  const [name, setName] = useState('');
  const [girth, setGirth] = useState('');
  useWarnOfLeaving(name.trim() !== '' || girth.trim() !== '');
  const [problem, setProblem] = useState<string | null>(null);
  const [busy, start] = useTransition();
  const opened = useOpened<HTMLFormElement>(onCancel, autoFocus ? 'field' : 'nothing');
  const { range, how } = PLACE_FACTS[place];
  const example = formatLength((range.minMm + range.maxMm) / 2, style);

  const submit = (event: FormEvent) => {
    event.preventDefault();
    start(async () => {
      const answer = await ask(addPersonAction, { name, girths: { [place]: girth }, unit });
      if (!answer.ok) return setProblem(answer.message);
      router.refresh();
      onWriting?.(false);
      onAdded(answer.value);
    });
  };

  return (
    <form {...opened} className={styles.add} onSubmit={submit}>
      <div className={styles.field}>
        <label htmlFor={`${id}-name`}>Name</label>
        <Input
          id={`${id}-name`}
          value={name}
          autoComplete="off"
          onChange={(e) => {
            setName(e.target.value);
            onWriting?.(e.target.value.trim() !== '');
          }}
        />
      </div>
      <div className={styles.field}>
        <label htmlFor={`${id}-girth`}>{place.charAt(0).toUpperCase() + place.slice(1)}</label>
        <Input
          id={`${id}-girth`}
          value={girth}
          autoComplete="off"
          placeholder={`such as ${example}${place === 'finger' ? ', or US 7 3/4' : ''}`}
          status={problem ? 'error' : ''}
          aria-describedby={problem ? `${id}-problem` : `${id}-how`}
          onChange={(e) => setGirth(e.target.value)}
        />
        <p id={`${id}-how`} className="soft">
          {how}
        </p>
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
        <Button onClick={onCancel}>Cancel</Button>
      </div>
    </form>
  );
}
