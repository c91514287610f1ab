'use client';

import { App, Button, Input } from 'antd';
import { useRouter } from 'next/navigation';
import { useId, useState, useTransition } from 'react';
import { THREAD_MAKES, type ThreadMake } from '@/core/materials/material';
import { readThread } from '@/core/materials/threadName';
import { addThreadAction } from '@/server/actions/materials';
import { ask } from '../fields/ask';
import { useWarnOfLeaving } from '../fields/useWarnOfLeaving';
import { useLengths } from '../shell/lengths';
import { Choice } from '../fields/Choice';
import styles from './materials.module.css';

/** A thread of one's own, by whichever of its names one knows. */
export function AddThread() {
  const { message } = App.useApp();
  const router = useRouter();
  const id = useId();
  const { fine, figure } = useLengths();
  const [name, setName] = useState('');
  const [called, setCalled] = useState('');
  useWarnOfLeaving(name.trim() !== '' || called.trim() !== '');
  const [make, setMake] = useState<ThreadMake>('gel-spun');
  const [problem, setProblem] = useState<string | null>(null);
  const [saving, start] = useTransition();
  const thread = readThread(called);
  const add = () =>
    start(async () => {
      const answer = await ask(addThreadAction, { name, called, make });
      if (!answer.ok) return setProblem(answer.message);
      void message.success(`${name} is among the threads.`);
      setName('');
      setCalled('');
      setProblem(null);
      router.refresh();
    });
  return (
    <form
      className={styles.measure}
      aria-label="Add a thread"
      onSubmit={(event) => {
        event.preventDefault();
        add();
      }}
    >
      <div className={styles.field}>
        <label htmlFor={`${id}-name`}>A thread of your own</label>
        <Input id={`${id}-name`} value={name} autoComplete="off" onChange={(e) => setName(e.target.value)} />
      </div>
      <div className={styles.field}>
        <label htmlFor={`${id}-called`}>Called, by weight, letter, inch or mm</label>
        <Input
          id={`${id}-called`}
          value={called}
          placeholder={`6 lb, D, ${figure(0.006, 3)} in, ${figure(0.15, 2)} mm`}
          autoComplete="off"
          onChange={(e) => {
            const now = readThread(e.target.value);
            setCalled(e.target.value);
            if (now?.make) setMake(now.make);
          }}
        />
        {thread && <p className="soft">That is {fine(thread.diameterMm)}.</p>}
      </div>
      <Choice
        label="Made as"
        value={make}
        options={THREAD_MAKES.map((value) => ({ value, label: value }))}
        onChange={setMake}
      />
      {problem && (
        <p role="alert" className={styles.problem}>
          {problem}
        </p>
      )}
      <span className={styles.reading}>
        <Button htmlType="submit" loading={saving}>
          Add the thread
        </Button>
      </span>
    </form>
  );
}
