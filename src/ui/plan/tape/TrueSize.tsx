'use client';

import { Button, Modal, Slider } from 'antd';
import styles from './Tape.module.css';

/** A bank or library card: ISO/IEC 7810, format ID-1. */
export const CARD_MM = { wide: 85.6, high: 53.98, corner: 3.18 };
const LEAST = 2;
const MOST = 12;

interface Props {
  readonly pxPerMm: number;
  readonly onChange: (pxPerMm: number) => void;
  readonly onClose: () => void;
}

/** Measures the screen with a card held against it. */
export function TrueSize({ pxPerMm, onChange, onClose }: Props) {
  const set = (value: number) => onChange(Math.min(Math.max(value, LEAST), MOST));
  return (
    <Modal
      open
      onCancel={onClose}
      title="How large is this screen?"
      width={Math.max(520, CARD_MM.wide * pxPerMm + 90)}
      footer={
        <Button type="primary" onClick={onClose}>
          It matches
        </Button>
      }
    >
      <p>
        Hold a bank or library card against the frame below, and move the slider until both are the same size.
        From then on “true size” is true on this screen.
      </p>
      <svg
        width={CARD_MM.wide * pxPerMm + 4}
        height={CARD_MM.high * pxPerMm + 4}
        role="img"
        aria-label={`A card, 85.6 by 54 mm, at ${pxPerMm.toFixed(2)} pixels for a millimetre.`}
        className={styles.card}
      >
        <rect
          x={2}
          y={2}
          width={CARD_MM.wide * pxPerMm}
          height={CARD_MM.high * pxPerMm}
          rx={CARD_MM.corner * pxPerMm}
        />
      </svg>
      <div className={styles.cardSize}>
        <Button onClick={() => set(pxPerMm - 0.01)}>a hair smaller</Button>
        <Slider
          className={styles.slider}
          min={LEAST}
          max={MOST}
          step={0.01}
          value={pxPerMm}
          onChange={set}
          tooltip={{ formatter: null }}
          ariaLabelForHandle="Size of the card"
        />
        <Button onClick={() => set(pxPerMm + 0.01)}>a hair larger</Button>
      </div>
    </Modal>
  );
}
