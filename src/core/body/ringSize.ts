import type { SourceKind } from '../materials/source';
import { wholeDown, wholeUp } from '../tools/whole';

/**
 * Ring sizes by their scales. Each is a straight line from the number of a size to the inside of the ring; a
 * letter counts as the number of letters after A.
 */
export const RING_SCALES = ['iso', 'us', 'uk', 'uk older', 'japan', 'diameter'] as const;
export type RingScale = (typeof RING_SCALES)[number];

interface Scale {
  readonly name: string;
  /** Inside circumference of size 0 (A for letters), and of one size more, mm. */
  readonly zeroMm: number;
  readonly stepMm: number;
  readonly letters: boolean;
  /** Sizes are made in steps of this much. */
  readonly part: number;
  readonly source: SourceKind;
  readonly note: string;
}

const MM_PER_64TH = 25.4 / 64;
/** British letter C is 40.0 mm inside (BS 6820, constant from memory). */
const UK_C = 2;
const UK_N = 13;
const UK_STEP = 1.25;
const UK_ZERO = 40 - UK_C * UK_STEP;
/** Older gauges step by a sixty-fourth of an inch in diameter, and run about 0.4 mm larger at N (memory). */
const UK_OLDER_STEP = Math.PI * MM_PER_64TH;
const UK_OLDER_ZERO = UK_ZERO + UK_N * UK_STEP + 0.4 - UK_N * UK_OLDER_STEP;

export const SCALES: Readonly<Record<RingScale, Scale>> = {
  iso: {
    name: 'ISO',
    zeroMm: 0,
    stepMm: 1,
    letters: false,
    part: 1,
    source: 'published',
    note: 'ISO 8653: the size is the inside circumference in mm.',
  },
  us: {
    name: 'US, Canada',
    zeroMm: Math.PI * 11.63,
    stepMm: Math.PI * 0.8128,
    letters: false,
    part: 0.25,
    source: 'memory',
    note: 'Inside diameter 11.63 mm + 0.8128 mm a size; constants from memory.',
  },
  uk: {
    name: 'UK, Australia',
    zeroMm: UK_ZERO,
    stepMm: UK_STEP,
    letters: true,
    part: 0.5,
    source: 'memory',
    note: 'BS 6820: C is 40.0 mm round, 1.25 mm a letter; constants from memory.',
  },
  'uk older': {
    name: 'UK, older gauge',
    zeroMm: UK_OLDER_ZERO,
    stepMm: UK_OLDER_STEP,
    letters: true,
    part: 0.5,
    source: 'memory',
    note: 'Older inch-based gauges run about 0.4 mm larger round at N: ask which gauge it was.',
  },
  japan: {
    name: 'Japan',
    zeroMm: Math.PI * (13 - 1 / 3),
    stepMm: Math.PI / 3,
    letters: false,
    part: 1,
    source: 'memory',
    note: 'Inside diameter 13 mm + a third of a mm a size after the first; constants from memory.',
  },
  diameter: {
    name: 'inside diameter, mm',
    zeroMm: 0,
    stepMm: Math.PI,
    letters: false,
    part: 0.1,
    source: 'published',
    note: 'Circumference = π · diameter.',
  },
};

/** About two US sizes: with more than that between knuckle and base a ring that passes the one turns on the other. */
export const KNUCKLE_APART_MM = 2 * SCALES.us.stepMm;

const LETTER = /^([A-Z])\s*(½|1\/2|\.5)?$/;
const BEYOND_Z = /^Z\s*\+\s*(\d+)\s*(½|1\/2|\.5)?$/;

/** Letters after A: `N` is 13, `N½` 13.5, `Z+2` 27. Null where it is no letter. */
function readLetter(text: string): number | null {
  const beyond = BEYOND_Z.exec(text);
  if (beyond) return 25 + Number(beyond[1]) + (beyond[2] ? 0.5 : 0);
  const found = LETTER.exec(text);
  return found?.[1] ? found[1].charCodeAt(0) - 65 + (found[2] ? 0.5 : 0) : null;
}

/** `7`, `7.5`, `7,5`, `7 1/2`, `7½`. Null where it is no number. */
function readNumber(text: string): number | null {
  const plain = text.replace('½', ' 1/2').replace('¼', ' 1/4').replace('¾', ' 3/4').replace(',', '.').trim();
  const found = /^(\d+(?:\.\d+)?)?\s*(?:(\d)\/(\d))?$/.exec(plain);
  if (!found || plain === '' || found[3] === '0') return null;
  return Number(found[1] ?? 0) + (found[2] ? Number(found[2]) / Number(found[3]) : 0);
}

/**
 * Inside circumference of a ring size as it is written, mm; null where the scale has no such size.
 * Example: `ringMm('us', '7')` is 54.4.
 */
export function ringMm(scale: RingScale, text: string): number | null {
  const { letters, zeroMm, stepMm } = SCALES[scale];
  const clean = text.trim().toUpperCase();
  const size = letters ? readLetter(clean) : readNumber(clean);
  return size === null ? null : zeroMm + size * stepMm;
}

/** How a scale is named before a size. */
const SCALE_WORDS: Readonly<Record<string, RingScale>> = { US: 'us', UK: 'uk', ISO: 'iso', JP: 'japan' };
const NAMED = new RegExp(`^(${Object.keys(SCALE_WORDS).join('|')})\\s*(?:SIZE\\s*)?(.+)$`);

/** Inside circumference of a ring size that names its scale, `US 7 3/4` or `UK N½`, mm; null where it is none. */
export function namedRingMm(text: string): number | null {
  const [, scale = '', size = ''] = NAMED.exec(text.trim().toUpperCase()) ?? [];
  const named = SCALE_WORDS[scale];
  return named ? ringMm(named, size) : null;
}

const FRACTIONS: Readonly<Record<string, string>> = { '0.25': ' 1/4', '0.5': ' 1/2', '0.75': ' 3/4' };

/** The nearest size of a scale, as it is written: `7 1/2`, `N½`, `54`, `17.2`. */
export function ringSize(scale: RingScale, circumferenceMm: number): string {
  const { letters, zeroMm, stepMm, part } = SCALES[scale];
  const size = Math.round((circumferenceMm - zeroMm) / stepMm / part) * part;
  if (size < 0) return 'below the scale';
  const whole = wholeDown(size);
  const rest = size - whole;
  if (letters) {
    const letter = whole > 25 ? `Z+${whole - 25}` : String.fromCharCode(65 + whole);
    return rest < 0.25 ? letter : `${letter}½`;
  }
  if (part === 0.1) return size.toFixed(1);
  return wholeUp(rest) === 0
    ? `${whole}`
    : `${whole === 0 ? '' : whole}${FRACTIONS[rest.toFixed(2).replace(/0$/, '')] ?? ''}`.trim();
}
