'use client';

import { Button, Input } from 'antd';
import { useRouter } from 'next/navigation';
import { useId, useState, useTransition } from 'react';
import { GOES_THROUGH, type GoesThrough } from '@/core/closures/goesThrough';
import type { Clasp } from '@/core/materials/material';
import { addClaspAction } from '@/server/actions/materials';
import { ask } from '../../../fields/ask';
import { Choice } from '../../../fields/Choice';
import { Toggle } from '../../../fields/Toggle';
import { useLengths } from '../../../shell/lengths';
import styles from '../choices.module.css';

/** Shapes that a clasp of one's own can have. */
const DRAWN = ['lobster', 'spring ring', 'toggle', 'magnetic', 'box', 'slide tube', ...GOES_THROUGH] as const;
/** How what a loop of seeds goes over is measured. */
const ACROSS: Readonly<Record<GoesThrough, string>> = {
  ball: 'Across',
  button: 'Across; of an oblong one the narrow way',
  bar: 'How long',
};
const LOOPS = [1, 2, 3, 4, 5] as const;

/** A clasp that is not in the list: measured once, and kept. What was typed stays when it is refused. */
export function OwnClasp({
  hanging,
  onAdded,
}: {
  /** It hangs by one end: an ear wire is asked for. */
  readonly hanging: boolean;
  readonly onAdded: (clasp: Clasp) => void;
}) {
  const id = useId();
  const router = useRouter();
  const { unit } = useLengths();
  const [name, setName] = useState('');
  const [closed, setClosed] = useState('');
  const [shape, setShape] = useState<(typeof DRAWN)[number]>('lobster');
  const [thick, setThick] = useState('');
  const [loops, setLoops] = useState<number>(1);
  const [plated, setPlated] = useState(true);
  const [problem, setProblem] = useState<string | null>(null);
  const [busy, start] = useTransition();
  const keep = () =>
    start(async () => {
      const answer = await ask(addClaspAction, {
        name,
        shape: hanging ? 'ear wire' : shape,
        closed,
        thick,
        unit,
        loops: hanging ? 1 : loops,
        plated,
      });
      if (!answer.ok) return setProblem(answer.message);
      setProblem(null);
      router.refresh();
      onAdded(answer.value);
    });
  const over = hanging ? undefined : GOES_THROUGH.find((one) => one === shape);
  return (
    <details className={styles.own}>
      <summary>{hanging ? 'An ear wire of your own' : 'A clasp of your own'}</summary>
      <div className={styles.group}>
        <label htmlFor={`${id}-name`}>What you call it</label>
        <Input id={`${id}-name`} value={name} onChange={(event) => setName(event.target.value)} />
        {!hanging && (
          <Choice
            label="What it is"
            value={shape}
            options={DRAWN.map((one) => ({ value: one, label: one }))}
            onChange={setShape}
            help={over && 'A loop of seeds at the other end goes over it.'}
          />
        )}
        <label htmlFor={`${id}-closed`}>
          {hanging
            ? 'From the top of the hook to its loop'
            : over
              ? ACROSS[over]
              : 'Closed, from loop to loop'}
        </label>
        <Input
          id={`${id}-closed`}
          value={closed}
          status={problem ? 'error' : ''}
          aria-describedby={problem ? `${id}-problem` : undefined}
          onChange={(event) => setClosed(event.target.value)}
        />
        {over && over !== 'ball' && (
          <>
            <label htmlFor={`${id}-thick`}>How thick</label>
            <Input id={`${id}-thick`} value={thick} onChange={(event) => setThick(event.target.value)} />
          </>
        )}
        {!hanging && !over && (
          <Choice
            label="Loops on each side"
            value={loops}
            options={LOOPS.map((n) => ({ value: n, label: `${n}` }))}
            onChange={setLoops}
          />
        )}
        <Toggle
          label="It is plated, or you do not know"
          help="Plated metal can release nickel."
          checked={plated}
          onChange={setPlated}
        />
        {problem && (
          <p id={`${id}-problem`} role="alert" className={styles.problem}>
            {problem}
          </p>
        )}
        <div className={styles.buttons}>
          <Button loading={busy} onClick={keep}>
            Keep this clasp
          </Button>
        </div>
      </div>
    </details>
  );
}
