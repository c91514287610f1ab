import { range } from 'd3';
import type { Plan } from '@/core/plan';
import type { Scale } from './Rules';
import styles from './Tape.module.css';

/** Thread in equal lengths along the work; where each length ends, a new one is joined on. */
export function ThreadLane({ plan, scale, y }: { plan: Plan; scale: Scale; y: number }) {
  const { lengths } = plan.thread;
  const { bodyStartMm, bodyEndMm } = plan.stations;
  const step = (bodyEndMm - bodyStartMm) / lengths;
  return range(lengths).map((i) => (
    <rect
      key={i}
      x={scale(bodyStartMm + i * step) + (i === 0 ? 0 : 2)}
      y={y}
      width={Math.max(scale(step) - scale(0) - 2, 1)}
      height={7}
      rx={3.5}
      className={i % 2 === 0 ? styles.thread : styles.threadNext}
    />
  ));
}

/** The same in words. */
export function threadWords({ thread, closure }: Plan, word: (mm: number) => string): string {
  const { lengths, longestMm, tailMm, tailSewsMm } = thread;
  const each = word(longestMm);
  const sews = tailSewsMm > 0 && closure.closing === 'clasp' ? ' sews the first end' : '';
  return `${lengths === 1 ? `one length of ${each}` : `${lengths} lengths, up to ${each}`} · tail ${word(tailMm)}${sews}`;
}
