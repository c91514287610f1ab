'use client';

import { useEffect, useState } from 'react';
import { countDue, restDue } from '@/core/making/reminders';
import { useAtHand } from '../shell/atHand';
import type { MatProps } from './matProps';
import styles from './make.module.css';

const LOOK_MS = 20_000;

/** When to rest, and when to count: told, and in nobody's way. */
export function Reminders({ mat, state }: Pick<MatProps, 'mat' | 'state'>) {
  const { settings } = useAtHand();
  const [now, setNow] = useState<number | null>(null);
  useEffect(() => {
    const look = () => setNow(Date.now());
    const timer = setInterval(look, LOOK_MS);
    return () => clearInterval(timer);
  }, []);
  const rest = now !== null && restDue(state.times, now, settings.restAfterMin);
  const count = countDue(mat, state, settings.countEvery);
  return (
    <div role="status">
      {rest && (
        <p className={styles.note}>
          <strong>Rest a little.</strong> {settings.restAfterMin} minutes at the mat: look into the distance,
          stretch your hands.
        </p>
      )}
      {count && (
        <p className={styles.note}>
          <strong>Count before you go on.</strong> A slip is soonest found now: open “Count”, below.
        </p>
      )}
    </div>
  );
}
