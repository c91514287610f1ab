'use client';

import { useRef, useState, type KeyboardEvent, type PointerEvent } from 'react';
import { MM_PER_INCH, type LengthRange } from '@/core/length/length';
import { useLengths } from '../../shell/lengths';
import type { Scale } from './Rules';
import styles from './Tape.module.css';

interface Props {
  readonly wishMm: number;
  readonly range: LengthRange;
  readonly scale: Scale;
  readonly pxPerMm: number;
  readonly widthPx: number;
  /** How far down the line goes. */
  readonly downTo: number;
  /** Null where the wish follows from the body alone. */
  readonly onWish: ((mm: number) => void) | null;
}

/** Keys that follow each other within this time are one movement, ms. */
const FAST_MS = 400;
const PILL = { wide: 150, high: 26 };

/** The wish on the tape: dragged, or moved by arrow keys, it changes, and the ease follows. */
export function WishMarker({ wishMm, range, scale, pxPerMm, widthPx, downTo, onWish }: Props) {
  const { show, unit } = useLengths();
  const asked = useRef({ mm: wishMm, at: -Infinity });
  const [grip, setGrip] = useState<{ readonly x: number; readonly mm: number } | null>(null);
  const x = scale(wishMm);
  const pill = Math.min(Math.max(x, PILL.wide / 2 + 2), widthPx - PILL.wide / 2 - 2);
  const line = <line x1={0} x2={0} y1={PILL.high + 2} y2={downTo} className={styles.wish} />;
  const text = `wish ${show(wishMm)}`;
  if (!onWish)
    return (
      <g>
        <g className={styles.slides} style={{ transform: `translate(${x}px, 0)` }}>
          {line}
        </g>
        <text x={pill} y={19} textAnchor="middle" className={styles.wishText}>
          {text}
        </text>
      </g>
    );
  const fine = unit === 'in' ? MM_PER_INCH / 16 : 1;
  const onKeyDown = (event: KeyboardEvent) => {
    const step = STEPS[event.key];
    if (step === undefined) return;
    event.preventDefault();
    event.stopPropagation();
    // Keys can come faster than the tape follows: each goes on from where the one before it was going.
    const { mm, at } = asked.current;
    const from = event.timeStamp - at < FAST_MS ? mm : wishMm;
    asked.current = { mm: from + step * fine, at: event.timeStamp };
    onWish(from + step * fine);
  };
  const grab = (event: PointerEvent<SVGGElement>) => {
    event.currentTarget.setPointerCapture(event.pointerId);
    setGrip({ x: event.clientX, mm: wishMm });
  };
  const drag = (event: PointerEvent) => {
    if (grip) onWish(grip.mm + (event.clientX - grip.x) / pxPerMm);
  };
  return (
    <g
      className={styles.wishGrip}
      role="slider"
      tabIndex={0}
      aria-label="The wish"
      aria-valuemin={range.minMm}
      aria-valuemax={range.maxMm}
      aria-valuenow={Math.round(wishMm)}
      aria-valuetext={text}
      onKeyDown={onKeyDown}
      onPointerDown={grab}
      onPointerMove={drag}
      onPointerUp={() => setGrip(null)}
      onPointerCancel={() => setGrip(null)}
    >
      <title>Drag to change the wish; the ease follows.</title>
      <g className={grip ? undefined : styles.slides} style={{ transform: `translate(${x}px, 0)` }}>
        {line}
        <rect x={-12} width={24} y={0} height={downTo} fill="transparent" />
      </g>
      <rect
        x={pill - PILL.wide / 2}
        y={1}
        width={PILL.wide}
        height={PILL.high}
        rx={13}
        className={styles.pill}
      />
      <text x={pill} y={19} textAnchor="middle" className={styles.wishText}>
        ‹ {text} ›
      </text>
    </g>
  );
}

/** Fine steps by the arrows, coarse ones by the page keys. */
const STEPS: Readonly<Record<string, number>> = {
  ArrowLeft: -1,
  ArrowDown: -1,
  ArrowRight: 1,
  ArrowUp: 1,
  PageDown: -4,
  PageUp: 4,
};
