import { MM_PER_INCH, type LengthRange } from '../length/length';
import type { SourceKind } from '../materials/source';

/** What is measured on a body. The hand is taken with the thumb tucked in; the height stands for the wingspan. */
export const PLACES = ['wrist', 'upper arm', 'hand', 'ankle', 'neck', 'finger', 'knuckle', 'height'] as const;
export type Place = (typeof PLACES)[number];

/** Girths of a body, mm; its height too. Only what somebody has measured is there. */
export type Girths = Readonly<Partial<Record<Place, number>>>;

export const SIZES = ['small', 'medium', 'large'] as const;
export type TypicalSize = (typeof SIZES)[number];

interface PlaceFacts {
  /** What it can be, from an infant's to a very large one (from memory). Outside it the reading is questioned. */
  readonly range: LengthRange;
  /** How to take it. */
  readonly how: string;
  /** Usual girths of adults, mm; null where none is known: then it must be measured. */
  readonly typical: Readonly<Record<TypicalSize, number>> | null;
  readonly source: SourceKind;
}

export const PLACE_FACTS: Readonly<Record<Place, PlaceFacts>> = {
  wrist: {
    range: { minMm: 80, maxMm: 300 },
    how: 'Snug round the wrist bone, with a strip of paper or a tape.',
    typical: { small: 150, medium: 165, large: 185 },
    source: 'memory',
  },
  'upper arm': {
    range: { minMm: 120, maxMm: 600 },
    how: 'Round the arm where the piece is to sit, the arm hanging.',
    typical: null,
    source: 'memory',
  },
  hand: {
    range: { minMm: 100, maxMm: 320 },
    how: 'Round the knuckles at their widest, the thumb tucked in.',
    typical: { small: 180, medium: 200, large: 220 },
    source: 'memory',
  },
  ankle: {
    range: { minMm: 110, maxMm: 400 },
    how: 'Round the ankle just above the bone, standing.',
    typical: { small: 215, medium: 235, large: 260 },
    source: 'memory',
  },
  neck: {
    range: { minMm: 200, maxMm: 600 },
    how: 'Round the base of the neck, where a collar sits.',
    typical: { small: 330, medium: 360, large: 400 },
    source: 'memory',
  },
  finger: {
    range: { minMm: 30, maxMm: 90 },
    how: 'Round the base of the finger, in the evening and warm: fingers shrink in the cold.',
    typical: null,
    source: 'memory',
  },
  knuckle: {
    range: { minMm: 30, maxMm: 100 },
    how: 'Round the knuckle that the ring must pass.',
    typical: null,
    source: 'memory',
  },
  height: {
    range: { minMm: 20 * MM_PER_INCH, maxMm: 90 * MM_PER_INCH },
    how: 'Fingertip to fingertip is close to the height: it measures thread.',
    typical: null,
    source: 'memory',
  },
};

/** The typical girths of a size, of every place that has them. */
export function typicalGirths(size: TypicalSize): Girths {
  const girths = PLACES.flatMap((place) => {
    const { typical } = PLACE_FACTS[place];
    return typical ? [[place, typical[size]] as const] : [];
  });
  return Object.fromEntries(girths);
}
