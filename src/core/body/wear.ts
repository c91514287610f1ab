import type { LengthRange } from '../length/length';

/** How close the piece sits. */
export type Fit = 'snug' | 'comfortable' | 'loose';
export const FITS: readonly Fit[] = ['snug', 'comfortable', 'loose'];

/** Ease added to the body, mm (from memory; a weaver adjusts them). */
export const EASE_MM: Readonly<Record<Fit, number>> = { snug: 6, comfortable: 13, loose: 25 };

/** What a wrist can be, from an infant's to a very large one (from memory). */
export const WRIST_RANGE: LengthRange = { minMm: 80, maxMm: 300 };
export const NECK_RANGE: LengthRange = { minMm: 200, maxMm: 600 };
export const FINGER_RANGE: LengthRange = { minMm: 30, maxMm: 90 };
/** A bracelet's finished length: from the smallest wrist, snug and thin, to the largest, loose and thick. */
export const FINISHED_RANGE: LengthRange = { minMm: 80, maxMm: 400 };

/** The flat rule: one finished length for the average wrist, 7 to 7 1/2 in with the clasp (common practice). */
export const FLAT_RULE_MM = { minMm: 7 * 25.4, wishMm: 7.25 * 25.4, maxMm: 7.5 * 25.4 } as const;

/** How the wished length is arrived at: ease over the body, or one fixed finished length. */
export type WearChoice =
  | { readonly school: 'ease'; readonly fit: Fit; readonly thicknessEffect: boolean }
  | { readonly school: 'flat'; readonly finishedMm: number };

/** A span of lengths, both ends included. */
export interface Band {
  readonly minMm: number;
  readonly maxMm: number;
}

export interface Wear {
  /** Null while the flat rule stands and nobody is chosen. */
  readonly bodyMm: number | null;
  /** Finished length less body and thickness effect; null without a body. */
  readonly easeMm: number | null;
  /** What the thickness of the piece adds, π·t; 0 when switched off or under the flat rule. */
  readonly thicknessEffectMm: number;
  /** Finished length wished for, clasp closed, along the middle line. */
  readonly wishMm: number;
  /** Finished lengths that still sit as wished. */
  readonly band: Band;
}

/**
 * A piece of thickness t closed into a ring has an inside circumference π·t shorter than its middle line
 * (circumferences 2π·r and 2π·(r − t/2)).
 */
export const thicknessEffect = (thicknessMm: number): number => Math.PI * thicknessMm;

/** Halfway to the neighbouring fits still counts as this one; beyond the outer ones, as far again. */
export function easeBand(fit: Fit): Band {
  const { snug, comfortable, loose } = EASE_MM;
  const tighter = (snug + comfortable) / 2;
  const looser = (comfortable + loose) / 2;
  if (fit === 'snug') return { minMm: 2 * snug - tighter, maxMm: tighter };
  if (fit === 'loose') return { minMm: looser, maxMm: 2 * loose - looser };
  return { minMm: tighter, maxMm: looser };
}

/**
 * Finished length from the body: body + ease + π·thickness, or the flat rule, which ignores both.
 * @param bodyMm girth of the wrist
 * @param thicknessMm how far the piece stands from the skin
 */
export function wear(bodyMm: number | null, thicknessMm: number, choice: WearChoice): Wear {
  if (choice.school === 'flat') return flatRule(bodyMm, choice.finishedMm);
  if (bodyMm === null) throw new Error('Ease is added to a body; there is none.');
  const easeMm = EASE_MM[choice.fit];
  const thicknessEffectMm = choice.thicknessEffect ? thicknessEffect(thicknessMm) : 0;
  const base = bodyMm + thicknessEffectMm;
  return {
    bodyMm,
    easeMm,
    thicknessEffectMm,
    wishMm: base + easeMm,
    band: shift(easeBand(choice.fit), base),
  };
}

function flatRule(bodyMm: number | null, wishMm: number): Wear {
  const { minMm, wishMm: usual, maxMm } = FLAT_RULE_MM;
  return {
    bodyMm,
    easeMm: bodyMm === null ? null : wishMm - bodyMm,
    thicknessEffectMm: 0,
    wishMm,
    band: shift({ minMm, maxMm }, wishMm - usual),
  };
}

const shift = (band: Band, byMm: number): Band => ({ minMm: band.minMm + byMm, maxMm: band.maxMm + byMm });

/** How a finished length sits on the body. */
export type Sit = 'too tight' | 'snugly' | 'comfortably' | 'loosely' | 'too loose';

/**
 * @param finishedMm finished length, clasp closed
 * @param takenMm what body and thickness take of it
 */
export function sit(finishedMm: number, takenMm: number): Sit {
  const ease = finishedMm - takenMm;
  if (ease < easeBand('snug').minMm) return 'too tight';
  if (ease < easeBand('comfortable').minMm) return 'snugly';
  if (ease <= easeBand('comfortable').maxMm) return 'comfortably';
  return ease <= easeBand('loose').maxMm ? 'loosely' : 'too loose';
}
