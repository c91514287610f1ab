'use client';

import { Button, Input } from 'antd';
import { useState } from 'react';
import { daysOffSchema } from '@/core/making/schedule';
import { useAtHand } from '../shell/atHand';
import { changeSettings } from '../shell/settingsSync';
import { dayWords } from './dayWords';
import styles from './schedule.module.css';

/** Days on which nothing is made: a journey, a feast, a rest. */
export function AwayDays() {
  const { daysOff } = useAtHand().settings;
  const [from, setFrom] = useState('');
  const [to, setTo] = useState('');
  const [problem, setProblem] = useState<string | null>(null);
  const add = () => {
    const read = daysOffSchema.safeParse({ from, to: to || from });
    if (!read.success)
      return setProblem(read.error.issues[0]?.message ?? 'Write both days as year, month and day.');
    setProblem(null);
    const all = [...daysOff, read.data].toSorted((a, b) => a.from.localeCompare(b.from));
    changeSettings({ settings: { daysOff: all } });
    setFrom('');
    setTo('');
  };
  return (
    <section className={`card ${styles.week}`} aria-labelledby="off">
      <h2 id="off">Days off</h2>
      {daysOff.length > 0 && (
        <ul className={styles.others}>
          {daysOff.map((off) => (
            <li key={`${off.from} ${off.to}`}>
              {off.from === off.to ? dayWords(off.from) : `${dayWords(off.from)} to ${dayWords(off.to)}`}
              <Button
                aria-label={`Work after all from ${dayWords(off.from)}`}
                onClick={() =>
                  changeSettings({ settings: { daysOff: daysOff.filter((one) => one !== off) } })
                }
              >
                Work after all
              </Button>
            </li>
          ))}
        </ul>
      )}
      <div className={styles.away}>
        <label>
          First day off
          <Input type="date" value={from} onChange={(event) => setFrom(event.target.value)} />
        </label>
        <label>
          Last day off
          <Input type="date" value={to} min={from} onChange={(event) => setTo(event.target.value)} />
        </label>
        <Button disabled={from === ''} onClick={add}>
          Nothing is made then
        </Button>
      </div>
      {problem && <p role="alert">{problem}</p>}
    </section>
  );
}
