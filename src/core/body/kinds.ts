import { MM_PER_INCH, type LengthRange } from '../length/length';
import { namedLengthMm } from './necklace';
import type { Place } from './places';

/** What can be planned. A kind says where it is worn, how its length is found and how it can be closed. */
export const KINDS = [
  'bracelet',
  'bangle',
  'armlet',
  'anklet',
  'necklace',
  'lariat',
  'ring',
  'bail',
  'earring',
] as const;
export type Kind = (typeof KINDS)[number];

/**
 * Ways to arrive at the wished length. `ease`: body and ease; `flat`: one finished length; `like`: a piece that
 * fits; `drop`: neck and how far it falls; `over`: it must pass hand, knuckle or rope; `elastic`: to the body.
 */
export const SCHOOLS = ['ease', 'flat', 'like', 'drop', 'over', 'elastic'] as const;
export type School = (typeof SCHOOLS)[number];

/** `clasp`: two halves; `joined`: the last unit is sewn to the first; `open`: two free ends. */
export const CLOSINGS = ['clasp', 'joined', 'open'] as const;
export type Closing = (typeof CLOSINGS)[number];

/** How close the piece sits. */
export const FITS = ['snug', 'comfortable', 'loose'] as const;
export type Fit = (typeof FITS)[number];
/** Ease added to the body, mm. */
export type EaseAmounts = Readonly<Record<Fit, number>>;

/** More ease, or a longer drop, than anybody wears, mm: a slip of the finger. */
export const MOST_EASE_MM: EaseAmounts = { snug: 100, comfortable: 150, loose: 200 };
export const MOST_DROP_MM = 900;

export interface KindFacts {
  readonly about: string;
  /** What it is fitted to. */
  readonly place: Place | null;
  /** The first is the usual one. */
  readonly schools: readonly School[];
  readonly closings: readonly Closing[];
  /** Usual ease (from memory; a weaver adjusts it). */
  readonly easeMm: EaseAmounts;
  /** What its finished length can be. */
  readonly finished: LengthRange;
  /** The finished length to start from where nobody is measured, and how far off it still serves. */
  readonly flat: { readonly wishMm: number; readonly bandMm: number };
  /** It hangs: it is short or long, not tight or loose. */
  readonly hangs: boolean;
}

const inches = (n: number) => n * MM_PER_INCH;
const WRIST_EASE: EaseAmounts = { snug: 6, comfortable: 13, loose: 25 };

export const KIND_FACTS: Readonly<Record<Kind, KindFacts>> = {
  bracelet: {
    about: 'round the wrist, opened to be put on',
    place: 'wrist',
    schools: ['ease', 'flat', 'like'],
    closings: ['clasp', 'joined'],
    easeMm: WRIST_EASE,
    finished: { minMm: 80, maxMm: 400 },
    // The flat rule: 7 to 7 1/2 in with the clasp, for the average wrist (common practice).
    flat: { wishMm: inches(7.25), bandMm: inches(0.25) },
    hangs: false,
  },
  bangle: {
    about: 'closed for good, put on over the hand',
    place: 'hand',
    schools: ['over', 'like', 'flat'],
    closings: ['joined'],
    easeMm: { snug: 3, comfortable: 6, loose: 13 },
    finished: { minMm: 100, maxMm: 400 },
    flat: { wishMm: inches(8), bandMm: inches(0.25) },
    hangs: false,
  },
  armlet: {
    about: 'round the upper arm',
    place: 'upper arm',
    schools: ['ease', 'like', 'flat'],
    closings: ['clasp', 'joined'],
    easeMm: WRIST_EASE,
    finished: { minMm: 120, maxMm: 700 },
    flat: { wishMm: inches(11), bandMm: inches(0.25) },
    hangs: false,
  },
  anklet: {
    about: 'round the ankle, with more ease than a bracelet',
    place: 'ankle',
    schools: ['ease', 'like', 'flat'],
    closings: ['clasp', 'joined'],
    easeMm: { snug: 10, comfortable: 20, loose: 35 },
    finished: { minMm: 110, maxMm: 500 },
    flat: { wishMm: inches(9.5), bandMm: inches(0.375) },
    hangs: false,
  },
  necklace: {
    about: 'round the neck: collar, chain, rope, or a V with chains',
    place: 'neck',
    schools: ['flat', 'drop', 'ease', 'like'],
    closings: ['clasp', 'joined'],
    easeMm: { snug: 6, comfortable: 15, loose: 40 },
    finished: { minMm: 200, maxMm: 2000 },
    flat: { wishMm: namedLengthMm('princess'), bandMm: inches(0.5) },
    hangs: true,
  },
  lariat: {
    about: 'a long rope with two free ends, knotted or looped to be worn',
    place: null,
    schools: ['flat', 'like'],
    closings: ['open'],
    easeMm: WRIST_EASE,
    finished: { minMm: 400, maxMm: 3000 },
    flat: { wishMm: inches(48), bandMm: inches(1) },
    hangs: true,
  },
  ring: {
    about: 'a band for a finger',
    place: 'finger',
    schools: ['over', 'elastic', 'like'],
    closings: ['joined', 'clasp'],
    easeMm: { snug: 0, comfortable: 0.6, loose: 1.3 },
    finished: { minMm: 30, maxMm: 130 },
    flat: { wishMm: 60, bandMm: 1.3 },
    hangs: false,
  },
  bail: {
    about: 'a loop that runs on a rope or over a clasp',
    place: null,
    schools: ['over'],
    closings: ['joined'],
    easeMm: { snug: 1, comfortable: 3, loose: 6 },
    finished: { minMm: 8, maxMm: 200 },
    flat: { wishMm: 30, bandMm: 2 },
    hangs: false,
  },
  earring: {
    about: 'hangs from an ear wire by one end',
    place: null,
    schools: ['flat', 'like'],
    closings: ['clasp'],
    easeMm: { snug: 1, comfortable: 3, loose: 6 },
    finished: { minMm: 25, maxMm: 160 },
    // From the top of the hook (from memory).
    flat: { wishMm: 50, bandMm: 3 },
    hangs: true,
  },
};
