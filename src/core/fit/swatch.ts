import { NINETEEN_OF_TWENTY } from './candidates';
import { studentT } from './student';

/** So many units, measured: what every gauge of one's own work goes back to. */
export interface Measured {
  readonly units: number;
  readonly lengthMm: number;
}

/** One hand's work varies by this part of a length (from memory); counted as if five swatches had shown it. */
export const HAND_SPREAD = 0.01;
const HAND_FREEDOM = 4;
/** A ruler in millimetres is read to the nearest: equally likely anywhere within one, it deviates by 1/√12. */
export const READING_SD_MM = 1 / Math.sqrt(12);

export interface MeasuredGauge {
  readonly pitchMm: number;
  /** Between these the mean lies with 95 % (Student's t); null from a single swatch. */
  readonly meanBetweenMm: readonly [number, number] | null;
  /** One standard deviation of the next piece, as a part of its length: its 95 % interval is that of Student's t. */
  readonly spread: number;
  readonly swatches: number;
}

/**
 * The gauge that measured lengths make: the mean of their pitches, and how far the next piece may lie from it.
 * What is known of hands in general (`HAND_SPREAD`) is pooled with the swatches' own spread, so that two swatches
 * that happen to agree do not pretend to certainty. Throws where there is none.
 */
export function measuredGauge(readings: readonly Measured[]): MeasuredGauge {
  const count = readings.length;
  if (count === 0) throw new Error('A gauge needs a measured length.');
  const pitches = readings.map(({ units, lengthMm }) => lengthMm / units);
  const pitchMm = pitches.reduce((sum, p) => sum + p, 0) / count;
  const squares = pitches.reduce((sum, p) => sum + (p - pitchMm) ** 2, 0);
  const own = count > 1 ? Math.sqrt(squares / (count - 1)) : 0;
  const half = count > 1 ? (studentT(0.95, count - 1) * own) / Math.sqrt(count) : 0;

  const freedom = HAND_FREEDOM + count - 1;
  const pooled = Math.sqrt((HAND_FREEDOM * (HAND_SPREAD * pitchMm) ** 2 + squares) / freedom) / pitchMm;
  const reading = READING_SD_MM / (readings.reduce((sum, { lengthMm }) => sum + lengthMm, 0) / count);
  const once = Math.hypot(pooled, reading) * Math.sqrt(1 + 1 / count);
  return {
    pitchMm,
    meanBetweenMm: count > 1 ? [pitchMm - half, pitchMm + half] : null,
    spread: (once * studentT(0.95, freedom)) / NINETEEN_OF_TWENTY,
    swatches: count,
  };
}

/** How far along its own length a piece under way was measured: the beads are its own, only hand and ruler vary. */
export function pieceGauge({ units, lengthMm }: Measured): MeasuredGauge {
  return {
    pitchMm: lengthMm / units,
    meanBetweenMm: null,
    spread: Math.hypot(HAND_SPREAD / 2, READING_SD_MM / lengthMm),
    swatches: 1,
  };
}

/** Fewer units than this do not show how a stitch lies (from memory). */
const LEAST_UNITS = 4;
/** A swatch of this length is read to one part in a hundred, which is as even as a hand works. */
const LONG_ENOUGH_MM = 50;

/**
 * Units of the smallest useful swatch: long enough that half a millimetre misread moves the count of the whole
 * piece by half a unit at most, and no longer than is read as finely as a hand works.
 */
export const smallestSwatch = (units: number, pitchMm: number, minimum: number): number =>
  Math.max(Math.ceil(Math.min(units, LONG_ENOUGH_MM) / pitchMm), LEAST_UNITS, minimum);
