'use client';

import { useState, type KeyboardEvent, type PointerEvent } from 'react';
import { MM_PER_INCH, type LengthRange } from '@/core/length/length';
import { useLengths } from '../../shell/lengths';
import type { Scale } from './Rules';
import { useKeySteps } from './useKeySteps';
import styles from './Tape.module.css';

interface Props {
  readonly wishMm: number;
  readonly range: LengthRange;
  readonly scale: Scale;
  readonly pxPerMm: number;
  readonly widthPx: number;
  /** How far down the line goes. */
  readonly downTo: number;
  /** Null while there is no plan that it could be moved in. */
  readonly onWish: ((mm: number) => void) | null;
}

const PILL = { wide: 150, high: 26 };

/** The target length on the tape: dragged, or moved by arrow keys. */
export function WishMarker({ wishMm, range, scale, pxPerMm, widthPx, downTo, onWish }: Props) {
  const { show, unit } = useLengths();
  const steps = useKeySteps(wishMm, unit === 'in' ? MM_PER_INCH / 16 : 1);
  const [grip, setGrip] = useState<{ readonly x: number; readonly mm: number } | null>(null);
  const x = scale(wishMm);
  const pill = Math.min(Math.max(x, PILL.wide / 2 + 2), widthPx - PILL.wide / 2 - 2);
  const line = <line x1={0} x2={0} y1={PILL.high + 2} y2={downTo} className={styles.wish} />;
  const text = `target ${show(wishMm)}`;
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
  const onKeyDown = (event: KeyboardEvent) => {
    const mm = steps(event);
    if (mm !== null) onWish(mm);
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
      aria-label="Target length"
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
      <title>Drag to change the target length.</title>
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
