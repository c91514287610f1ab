'use client';

import { useState } from 'react';
import { PLACE_FACTS } from '@/core/body/places';
import { RING_SCALES, ringMm, ringSize, SCALES, type RingScale } from '@/core/body/ringSize';
import { useLengths } from '../shell/lengths';
import { Pick } from './Pick';
import { TypedInput } from './TypedInput';
import type { Reading } from './useTyped';
import styles from './fields.module.css';

/** A ring size in any scale, read both ways. */
export function RingSizeInput({
  mm,
  onChange,
}: {
  readonly mm: number | null;
  readonly onChange: (mm: number) => void;
}) {
  const [scale, setScale] = useState<RingScale>('us');
  const { range } = PLACE_FACTS.finger;
  const { decimal = '.' } = useLengths().style;
  const say = (size: number) => ringSize(scale, size).replace('.', decimal);
  const read = (text: string): Reading<number> => {
    const found = ringMm(scale, text);
    return found !== null && found >= range.minMm && found <= range.maxMm
      ? { ok: true, value: found }
      : {
          ok: false,
          problem: `This scale has no size “${text.trim()}”. Write it like ${say(54)}.`,
        };
  };
  return (
    <div className={styles.ring}>
      <Pick
        label="or by ring size"
        value={scale}
        options={RING_SCALES.map((one) => ({ value: one, label: SCALES[one].name }))}
        onChange={(next) => setScale(RING_SCALES.find((one) => one === next) ?? scale)}
      />
      <TypedInput key={scale} label="size" shown={mm === null ? '' : say(mm)} read={read} onTake={onChange} />
      <p className={styles.help}>{SCALES[scale].note}</p>
    </div>
  );
}
