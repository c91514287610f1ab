'use client';

import { Button } from 'antd';
import { useRef, useState } from 'react';
import type { Here } from '@/core/making/making';
import type { ThreadLeft } from '@/core/making/threadLeft';
import { LengthInput } from '../fields/LengthInput';
import { useLengths } from '../shell/lengths';
import styles from './make.module.css';

const RANGE = { minMm: 50, maxMm: 20_000 };

interface Props {
  readonly left: ThreadLeft | null;
  readonly here: Here;
  readonly cutMm: readonly number[];
  readonly onThread: (mm: number, joined: boolean) => void;
}

/** What is left of the thread on the needle, and when to stop and add. */
export function ThreadOnNeedle({ left, here: { part, at }, cutMm, onThread }: Props) {
  const { show, thread } = useLengths();
  const telling = useRef<HTMLDetailsElement>(null);
  const [joined, setJoined] = useState(true);
  const [mm, setMm] = useState<number | null>(null);
  const stop = left && left.stopBefore !== null ? part.steps[left.stopBefore] : undefined;
  const now = left !== null && !left.reaches && left.units === 0;
  return (
    <section className={`card ${styles.facts} ${now ? styles.stop : ''}`} aria-label="Thread">
      <h2>Thread</h2>
      {left === null ? (
        <p className="soft">
          Tell how long you cut it{cutMm[0] ? ` (the plan says ${thread(cutMm[0])})` : ''}, and it is reckoned
          how far it reaches.
        </p>
      ) : (
        <>
          <p className={styles.large}>about {show(Math.max(0, left.leftMm))} left</p>
          <p role="status">
            {left.reaches
              ? 'It reaches to the next change of thread.'
              : now
                ? 'Stop here: it does not reach through the next unit and leave an end to weave in.'
                : `Good for ${left.units} more ${left.units === 1 ? 'unit' : 'units'}; stop ${stop ? `before ${stop.title.toLowerCase()}` : 'then'}, weave it in and add.`}
          </p>
          <p className="soft">
            The next unit takes {show(left.nextMm)}.{' '}
            {left.learned
              ? `By what you measured, it goes ${Math.round((left.factor - 1) * 100)} % faster than it lies.`
              : `${Math.round((left.factor - 1) * 100)} % is spared for pulling.`}
          </p>
        </>
      )}
      <details ref={telling}>
        <summary>{left === null ? 'Tell how long it is' : 'Measured, or a new length'}</summary>
        <LengthInput label="Thread on the needle" mm={mm} range={RANGE} onChange={setMm} />
        <label className={styles.tick}>
          <input type="checkbox" checked={joined} onChange={(event) => setJoined(event.target.checked)} />
          {at === 0 ? 'freshly cut' : 'a new length, just joined'}
        </label>
        <Button
          disabled={mm === null}
          onClick={() => {
            if (mm === null) return;
            onThread(mm, joined);
            setMm(null);
            if (telling.current) telling.current.open = false;
          }}
        >
          Keep
        </Button>
      </details>
    </section>
  );
}
