'use client';

import { Button, Input } from 'antd';
import { useRouter } from 'next/navigation';
import { useId, useState, useTransition, type FormEvent } from 'react';
import { PLACE_FACTS, PLACES, type Place } from '@/core/body/places';
import { addMeasureAction } from '@/server/actions/people';
import type { Person } from '@/server/screens';
import { ask } from '../fields/ask';
import { Pick } from '../fields/Pick';
import { RingSizeInput } from '../fields/RingSizeInput';
import { useWarnOfLeaving } from '../fields/useWarnOfLeaving';
import { useLengths } from '../shell/lengths';
import { today } from '../shell/today';
import styles from './people.module.css';

/** A newer measure of somebody: where, how long, and on which day. */
export function AddMeasure({ person }: { readonly person: Person }) {
  const { unit, exact } = useLengths();
  const id = useId();
  const router = useRouter();
  const [place, setPlace] = useState<Place>('wrist');
  const [length, setLength] = useState('');
  useWarnOfLeaving(length.trim() !== '');
  const [day, setDay] = useState(today());
  const [problem, setProblem] = useState<string | null>(null);
  const [busy, start] = useTransition();
  const submit = (event: FormEvent) => {
    event.preventDefault();
    start(async () => {
      const answer = await ask(addMeasureAction, { personId: person.id, place, length, unit, takenOn: day });
      setProblem(answer.ok ? null : answer.message);
      if (!answer.ok) return;
      setLength('');
      router.refresh();
    });
  };
  return (
    <details className={styles.more}>
      <summary>
        Measure again<span className="srOnly">: {person.name}</span>
      </summary>
      <form className={styles.measure} onSubmit={submit}>
        <Pick
          label="What"
          value={place}
          options={PLACES.map((one) => ({ value: one, label: one }))}
          onChange={(next) => setPlace(PLACES.find((one) => one === next) ?? 'wrist')}
        />
        <div className={styles.field}>
          <label htmlFor={`${id}-length`}>How long</label>
          <Input
            id={`${id}-length`}
            value={length}
            autoComplete="off"
            status={problem ? 'error' : ''}
            aria-describedby={problem ? `${id}-problem` : `${id}-how`}
            onChange={(event) => setLength(event.target.value)}
          />
        </div>
        <div className={styles.field}>
          <label htmlFor={`${id}-day`}>On</label>
          <Input id={`${id}-day`} type="date" value={day} onChange={(event) => setDay(event.target.value)} />
        </div>
        <Button htmlType="submit" loading={busy}>
          Keep it
        </Button>
        <p id={`${id}-how`} className={`soft ${styles.wide}`}>
          {PLACE_FACTS[place].how}
        </p>
        {(place === 'finger' || place === 'knuckle') && (
          <div className={styles.wide}>
            <RingSizeInput mm={null} onChange={(mm) => setLength(exact(mm))} />
          </div>
        )}
        {problem && (
          <p id={`${id}-problem`} role="alert" className={`${styles.problem} ${styles.wide}`}>
            {problem}
          </p>
        )}
      </form>
    </details>
  );
}
