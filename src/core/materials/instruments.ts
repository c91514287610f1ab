import type { BeadKind } from './material';

/** A scale or a caliper: something that answers with one figure when it is asked. */
export interface Instrument {
  readonly name: string;
  readonly unit: 'g' | 'mm';
  /** Resolves with a reading; rejects with words to show where there is none. */
  readonly read: () => Promise<number>;
}

/** What an instrument shows of a true value: rounded to its last figure, a little off as real ones are. */
const shown = (value: number, step: number, random: () => number): number =>
  Math.max(step, Math.round((value + (2 * random() - 1) * step) / step) * step);

/** A pocket scale, simulated: reads hundredths of a gram. `grams` is what lies on it. */
export const simulatedScale = (grams: number, random: () => number = Math.random): Instrument => ({
  name: 'pocket scale, simulated',
  unit: 'g',
  read: () => Promise.resolve(shown(grams, 0.01, random)),
});

/** A caliper, simulated: reads hundredths of a millimetre. `mm` is what is between its jaws. */
export const simulatedCaliper = (mm: number, random: () => number = Math.random): Instrument => ({
  name: 'caliper, simulated',
  unit: 'mm',
  read: () => Promise.resolve(shown(mm, 0.01, random)),
});

/** Glass, 2.5 g/cm³ (memory): what beads weigh that nobody has weighed yet. */
const GLASS_G_PER_MM3 = 0.0025;

/** Instruments with a hundred beads of a kind on the scale, ten in the caliper's jaws, and one across, by every way. */
export function simulatedInstruments(kind: BeadKind, random?: () => number) {
  const { lengthMm, diameterMm, holeMm, widthMm, apartMm, perGram } = kind;
  const oneGram = (Math.PI / 4) * (diameterMm ** 2 - holeMm ** 2) * lengthMm * GLASS_G_PER_MM3;
  return {
    ten: simulatedCaliper(10 * lengthMm, random),
    across: simulatedCaliper(diameterMm, random),
    wide: simulatedCaliper(widthMm ?? diameterMm, random),
    apart: simulatedCaliper(apartMm ?? diameterMm, random),
    hundred: simulatedScale(perGram === null ? 100 * oneGram : 100 / perGram, random),
  };
}
