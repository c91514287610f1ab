'use client';

import { App, Button, Input } from 'antd';
import { useRouter } from 'next/navigation';
import { useState } from 'react';
import type { AboutPattern as About } from '@/core/records/pattern';
import { tellPatternAction } from '@/server/actions/pieces';
import { ask } from '../fields/ask';
import { today } from '../shell/today';
import styles from './Bench.module.css';

const FIELDS = [
  ['author', 'Who made it', 200],
  ['source', 'Where it is from', 400],
  ['permission', 'What may be done with it', 400],
  ['changes', 'What was changed', 4000],
] as const;

/** What travels with a pattern: who made it, what may be done with it, and what was found wrong in it. */
export function AboutPattern({
  id,
  name,
  about,
}: {
  readonly id: string;
  readonly name: string;
  readonly about: About;
}) {
  const { message } = App.useApp();
  const router = useRouter();
  const [told, setTold] = useState(about);
  const [erratum, setErratum] = useState('');
  const keep = async (next: About) => {
    const answer = await ask(tellPatternAction, { id, about: next });
    if (!answer.ok) return void message.error(answer.message);
    setTold(next);
    setErratum('');
    void message.success('Kept: it travels with the pattern.');
    router.refresh();
  };
  return (
    <details className={styles.about}>
      <summary>
        About it<span className="srOnly">: {name}</span>
      </summary>
      {FIELDS.map(([key, label, most]) => (
        <label key={key}>
          {label}
          <Input
            value={told[key]}
            maxLength={most}
            onChange={(event) => setTold({ ...told, [key]: event.target.value })}
          />
        </label>
      ))}
      {told.errata.length > 0 && (
        <ul>
          {told.errata.map(({ on, text }, i) => (
            <li key={i}>
              {on}: {text}
            </li>
          ))}
        </ul>
      )}
      <label>
        A mistake found in it
        <Input value={erratum} maxLength={2000} onChange={(event) => setErratum(event.target.value)} />
      </label>
      <Button
        onClick={() =>
          void keep(
            erratum.trim() === ''
              ? told
              : { ...told, errata: [...told.errata, { on: today(), text: erratum.trim() }] },
          )
        }
      >
        Keep
      </Button>
    </details>
  );
}
