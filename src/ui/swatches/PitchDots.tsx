'use client';

import { extent, scaleLinear } from 'd3';
import { counted } from '@/core/words/figures';
import type { MeasuredGauge } from '@/core/fit/swatch';
import { useLengths } from '../shell/lengths';
import styles from './swatches.module.css';

const WIDTH = 320;
const HEIGHT = 64;
const AXIS = 40;

/** Every swatch as a dot on an axis of millimetres a unit, the mean, and where the next piece will lie. */
export function PitchDots({
  pitches,
  gauge,
}: {
  readonly pitches: readonly number[];
  readonly gauge: MeasuredGauge;
}) {
  const { fine, figure } = useLengths();
  const half = 1.96 * gauge.spread * gauge.pitchMm;
  const [low = 0, high = 1] = extent([...pitches, gauge.pitchMm - half, gauge.pitchMm + half]);
  const room = (high - low) * 0.12;
  const scale = scaleLinear([low - room, high + room], [0, WIDTH]);
  const ticks = scale.ticks(4);
  return (
    <svg
      viewBox={`0 0 ${WIDTH} ${HEIGHT}`}
      className={styles.dots}
      role="img"
      aria-label={`${counted(pitches.length, 'swatch', 'swatches')} about ${fine(gauge.pitchMm)} a unit.`}
    >
      <rect
        x={scale(gauge.pitchMm - half)}
        width={scale(gauge.pitchMm + half) - scale(gauge.pitchMm - half)}
        y={8}
        height={AXIS - 8}
        className={styles.next}
      />
      <line x1={scale(gauge.pitchMm)} x2={scale(gauge.pitchMm)} y1={4} y2={AXIS} className={styles.mean} />
      <line x1={0} x2={WIDTH} y1={AXIS} y2={AXIS} className={styles.axis} />
      {ticks.map((mm) => (
        <text key={mm} x={scale(mm)} y={AXIS + 17} textAnchor="middle" className={styles.tick}>
          {figure(mm, 2)}
        </text>
      ))}
      {pitches.map((mm, i) => (
        <circle key={i} cx={scale(mm)} cy={AXIS - 12} r={5.5} className={styles.dot} />
      ))}
    </svg>
  );
}
