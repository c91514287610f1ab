'use client';

import type { PointerEvent } from 'react';
import type { PartOfPiece } from '@/core/piece/partOfPiece';
import type { Plan } from '@/core/plan/plan';
import { useLengths } from '../../shell/lengths';
import styles from './Tape.module.css';

interface Props {
  readonly piece: PartOfPiece;
  readonly plan: Plan;
  readonly widthPx: number;
  /** The part of the tape that is in view, as parts of its width. */
  readonly from: number;
  readonly to: number;
  /** Asks for another part: its middle. */
  readonly onMove: (middle: number) => void;
  /** A length on the tape as a part of its width. */
  readonly part: (mm: number) => number;
}

const HIGH = 30;

/** The whole tape, small, where only a part of it is in view: press or drag to move along. */
export function Overview({ piece, plan, widthPx, from, to, onMove, part }: Props) {
  const { show } = useLengths();
  const { stations, wear } = plan;
  const x = (mm: number) => part(mm) * widthPx;
  const first = plan.quantities[0];
  const move = (event: PointerEvent<SVGSVGElement>) => {
    if (event.buttons === 0) return;
    const box = event.currentTarget.getBoundingClientRect();
    onMove((event.clientX - box.left) / box.width);
  };
  return (
    <svg
      width={widthPx}
      height={HIGH}
      className={styles.overview}
      aria-hidden
      onPointerDown={(event) => {
        event.currentTarget.setPointerCapture(event.pointerId);
        move(event);
      }}
      onPointerMove={move}
    >
      <rect
        x={x(wear.band.minMm)}
        width={x(wear.band.maxMm) - x(wear.band.minMm)}
        y={2}
        height={HIGH - 4}
        className={styles.band}
      />
      {piece.ends.closing === 'clasp' && (
        <line
          x1={x(0)}
          x2={x(stations.totalMm)}
          y1={HIGH / 2 + 3}
          y2={HIGH / 2 + 3}
          className={styles.metal}
        />
      )}
      <rect
        x={x(stations.bodyStartMm)}
        width={x(stations.bodyEndMm) - x(stations.bodyStartMm)}
        y={HIGH / 2 - 1}
        height={8}
        rx={4}
        fill={first?.bead.colour}
        stroke="var(--ink-soft)"
      />
      <line x1={x(wear.wishMm)} x2={x(wear.wishMm)} y1={2} y2={HIGH - 2} className={styles.wish} />
      <text x={x(wear.wishMm) - 6} y={12} textAnchor="end" className={styles.overviewText}>
        wish {show(wear.wishMm)}
      </text>
      <rect
        x={from * widthPx + 1}
        width={Math.max((to - from) * widthPx - 2, 8)}
        y={1}
        height={HIGH - 2}
        rx={6}
        className={styles.window}
      />
    </svg>
  );
}
