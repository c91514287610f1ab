'use client';

import { Input } from 'antd';
import { useId, useState } from 'react';
import { PLACE_FACTS } from '@/core/body/places';
import { RING_SCALES, ringMm, ringSize, SCALES, type RingScale } from '@/core/body/ringSize';
import { Pick } from './Pick';
import styles from './fields.module.css';

/** A ring size in any scale, read both ways; what cannot be read stays as it was typed. */
export function RingSizeInput({
  mm,
  onChange,
}: {
  readonly mm: number | null;
  readonly onChange: (mm: number) => void;
}) {
  const id = useId();
  const [scale, setScale] = useState<RingScale>('us');
  const [typed, setTyped] = useState<string | null>(null);
  const { range } = PLACE_FACTS.finger;
  const read = (text: string) => {
    const found = ringMm(scale, text);
    return found !== null && found >= range.minMm && found <= range.maxMm ? found : null;
  };
  const wrong = typed !== null && typed.trim() !== '' && read(typed) === null;
  const example = ringSize(scale, 54);
  return (
    <div className={styles.field}>
      <div className={styles.ring}>
        <Pick
          label="or by ring size"
          value={scale}
          options={RING_SCALES.map((one) => ({ value: one, label: SCALES[one].name }))}
          onChange={(next) => {
            const found = RING_SCALES.find((one) => one === next);
            if (found) setScale(found);
            setTyped(null);
          }}
        />
        <div className={styles.field}>
          <label htmlFor={id}>size</label>
          <Input
            id={id}
            value={typed ?? (mm === null ? '' : ringSize(scale, mm))}
            status={wrong ? 'error' : ''}
            aria-invalid={wrong}
            aria-describedby={`${id}-help`}
            autoComplete="off"
            onFocus={(event) => event.target.select()}
            onChange={(event) => {
              setTyped(event.target.value);
              const found = read(event.target.value);
              if (found !== null) onChange(found);
            }}
            onBlur={() => {
              if (!wrong) setTyped(null);
            }}
          />
        </div>
      </div>
      <p
        id={`${id}-help`}
        className={wrong ? styles.problem : styles.help}
        role={wrong ? 'alert' : undefined}
      >
        {wrong ? `This scale has no size “${typed}”. Write it like ${example}.` : SCALES[scale].note}
      </p>
    </div>
  );
}
