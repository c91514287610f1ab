import { range } from 'd3';
import { MM_PER_INCH } from '@/core/length/length';
import styles from './Tape.module.css';

export type Scale = (mm: number) => number;

interface Props {
  readonly scale: Scale;
  readonly lastMm: number;
  /** Where the rule lies. */
  readonly y: number;
  readonly widthPx: number;
}

/** Figures stand no nearer to each other than this, and none is cut off at the end, px. */
const FIGURES_APART = 30;
const MARKS_APART = 3.2;

/** The first of some steps that sets things far enough apart. */
const firstStep = (steps: readonly number[], px: (step: number) => number, least: number): number =>
  steps.find((step) => px(step) >= least) ?? steps.at(-1) ?? 1;

/** Inches, in halves, quarters and eighths where there is room. */
export function InchRule({ scale, lastMm, y, widthPx }: Props) {
  const px = (inches: number) => scale(inches * MM_PER_INCH) - scale(0);
  const mark = firstStep([1 / 8, 1 / 4, 1 / 2, 1], px, MARKS_APART * 2);
  const figure = firstStep([1, 2, 5, 10, 20], px, FIGURES_APART);
  const tall = (inches: number) => (inches % 1 === 0 ? 14 : inches % 0.5 === 0 ? 9 : 5);
  const last = lastMm / MM_PER_INCH;
  return (
    <g className={styles.rule}>
      <path
        d={range(0, last + 1e-9, mark)
          .map((i) => `M${scale(i * MM_PER_INCH)} ${y}v${tall(i)}`)
          .join('')}
      />
      {range(0, last + 1e-9, figure)
        .map((i) => ({ i, x: scale(i * MM_PER_INCH) + 3 }))
        .filter(({ x }) => x + FIGURES_APART / 2 < widthPx)
        .map(({ i, x }) => (
          <text key={i} x={x} y={y + 27} className={styles.ruleText}>
            {i === 0 ? '0 in' : i}
          </text>
        ))}
    </g>
  );
}

/** Centimetres, in millimetres where there is room. */
export function CmRule({ scale, lastMm, y, widthPx }: Props) {
  const px = (mm: number) => scale(mm) - scale(0);
  const mark = firstStep([1, 5, 10], px, MARKS_APART);
  const figure = firstStep([10, 20, 50, 100, 200], px, FIGURES_APART);
  const tall = (mm: number) => (mm % 10 === 0 ? 12 : mm % 5 === 0 ? 8 : 4);
  return (
    <g className={styles.rule}>
      <path
        d={range(0, lastMm + 1e-9, mark)
          .map((i) => `M${scale(i)} ${y}v${-tall(i)}`)
          .join('')}
      />
      {range(0, lastMm + 1e-9, figure)
        .map((i) => ({ i, x: scale(i) + 3 }))
        .filter(({ x }) => x + FIGURES_APART / 2 < widthPx)
        .map(({ i, x }) => (
          <text key={i} x={x} y={y - 14} className={styles.ruleText}>
            {i === 0 ? '0 cm' : i / 10}
          </text>
        ))}
    </g>
  );
}
