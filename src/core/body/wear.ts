import type { Girths } from './places';
import { FITS, KIND_FACTS, type EaseAmounts, type Fit, type Kind } from './kinds';
import { droppedMm } from './necklace';
import { KNUCKLE_APART_MM, SCALES } from './ringSize';

/** How the wished length is arrived at. */
export type WearChoice =
  | {
      readonly school: 'ease';
      readonly fit: Fit;
      readonly easeMm: EaseAmounts;
      readonly thicknessEffect: boolean;
    }
  | { readonly school: 'flat'; readonly finishedMm: number }
  /** A piece that fits already: its finished length, and its thickness where somebody has measured it. */
  | { readonly school: 'like'; readonly finishedMm: number; readonly thicknessMm: number | null }
  | { readonly school: 'drop'; readonly dropMm: number }
  /** The closed piece must pass over hand, knuckle or `overMm`, a girth such as that of a rope. */
  | {
      readonly school: 'over';
      readonly fit: Fit;
      readonly easeMm: EaseAmounts;
      readonly thicknessEffect: boolean;
      readonly overMm: number | null;
    }
  | { readonly school: 'elastic' };

/** A span of lengths, both ends included. */
export interface Band {
  readonly minMm: number;
  readonly maxMm: number;
}

/** One of the lengths that add up to the wish. */
export interface WearPart {
  readonly what: 'body' | 'ease' | 'wide band' | 'thickness' | 'drop' | 'length' | 'other thickness' | 'own';
  readonly mm: number;
}

export interface Wear {
  readonly kind: Kind;
  /** Girth that the length goes by; null where it goes by none. */
  readonly bodyMm: number | null;
  /** What the wish is made of, in the order it is added. */
  readonly parts: readonly WearPart[];
  /** What the thickness of the piece adds, π·t; 0 where it is not counted. */
  readonly thicknessEffectMm: number;
  /** Finished length wished for, closed, along the middle line. */
  readonly wishMm: number;
  /** Finished lengths that still sit as wished. */
  readonly band: Band;
  /** Knuckle and base of the finger lie so far apart that the ring is sized between them. */
  readonly between: boolean;
}

/**
 * A piece of thickness t closed into a ring has an inside circumference π·t shorter than its middle line
 * (circumferences 2π·r and 2π·(r − t/2)).
 */
export const thicknessEffect = (thicknessMm: number): number => Math.PI * thicknessMm;

/** Halfway to the neighbouring fits still counts as this one; beyond the outer ones, as far again. */
export function easeBand(fit: Fit, { snug, comfortable, loose }: EaseAmounts): Band {
  const tighter = (snug + comfortable) / 2;
  const looser = (comfortable + loose) / 2;
  if (fit === 'snug') return { minMm: 2 * snug - tighter, maxMm: tighter };
  if (fit === 'loose') return { minMm: looser, maxMm: 2 * loose - looser };
  return { minMm: tighter, maxMm: looser };
}

/** A band wider than this asks for more room inside, so much for each further millimetre of width (memory). */
export const NARROW_MM = 4;
export const WIDE_MM_PER_MM = 0.4 / 2;

/** Elastic gives: a band up to this part shorter than the finger still sits (memory). */
export const ELASTIC_GIVES = 0.08;

export interface WearQuestion {
  readonly kind: Kind;
  readonly girths: Girths;
  readonly choice: WearChoice;
  /** A target length of the maker's own; null leaves it to the choice. */
  readonly targetMm: number | null;
  /** How far the piece stands from the skin. */
  readonly thicknessMm: number;
  readonly widthMm: number;
}

/** Whether a choice goes by a girth, and the kind of piece by none: only a file made elsewhere says so. */
export const goesByNothing = (kind: Kind, choice: WearChoice): boolean =>
  KIND_FACTS[kind].place === null && asksForGirth(choice);

const asksForGirth = (choice: WearChoice): boolean =>
  choice.school === 'over' ? choice.overMm === null : choice.school !== 'flat' && choice.school !== 'like';

/** Which girth a wear choice needs and does not have; null where nothing is missing. */
export function missingGirth({ kind, girths, choice }: Pick<WearQuestion, 'kind' | 'girths' | 'choice'>) {
  const { place } = KIND_FACTS[kind];
  return place && asksForGirth(choice) && girths[place] === undefined ? place : null;
}

/**
 * Finished length from the body, by the chosen school, or the maker's own.
 * Throws where the girth it needs is missing: ask `goesByNothing` and `missingGirth` first.
 */
export function wear(q: WearQuestion): Wear {
  const found = bySchool(q);
  return q.targetMm === null ? found : aimed(found, q.choice, q.targetMm);
}

/** The same with a target of the maker's own: as much room about it, unless it is the body that sets the limits. */
function aimed(found: Wear, { school }: WearChoice, targetMm: number): Wear {
  const offMm = targetMm - found.wishMm;
  const { minMm, maxMm } = found.band;
  return {
    ...found,
    parts: [...found.parts, { what: 'own', mm: offMm }],
    wishMm: targetMm,
    band:
      school === 'over' || school === 'elastic' ? found.band : { minMm: minMm + offMm, maxMm: maxMm + offMm },
  };
}

function bySchool(q: WearQuestion): Wear {
  const { kind, choice, thicknessMm } = q;
  const { place, flat } = KIND_FACTS[kind];
  const bodyMm = (place && q.girths[place]) ?? null;
  const round = (on: boolean): WearPart[] =>
    on ? [{ what: 'thickness', mm: thicknessEffect(thicknessMm) }] : [];
  switch (choice.school) {
    case 'flat':
      return worn(kind, bodyMm, [{ what: 'length', mm: choice.finishedMm }], even(flat.bandMm));
    case 'like': {
      const own = choice.thicknessMm;
      const other: WearPart[] =
        own === null ? [] : [{ what: 'other thickness', mm: thicknessEffect(thicknessMm - own) }];
      return worn(kind, bodyMm, [{ what: 'length', mm: choice.finishedMm }, ...other], even(flat.bandMm));
    }
    case 'drop': {
      const neck = girthOf(bodyMm);
      const parts: WearPart[] = [
        { what: 'body', mm: neck },
        { what: 'drop', mm: droppedMm(neck, choice.dropMm) - neck },
      ];
      return worn(kind, neck, parts, even(flat.bandMm));
    }
    case 'ease': {
      const base: WearPart[] = [{ what: 'body', mm: girthOf(bodyMm) }];
      const { fit, easeMm } = choice;
      const parts: WearPart[] = [
        ...base,
        { what: 'ease', mm: easeMm[fit] },
        ...round(choice.thicknessEffect),
      ];
      return worn(kind, bodyMm, parts, offWish(easeBand(fit, easeMm), easeMm[fit]));
    }
    case 'elastic':
      return worn(kind, bodyMm, [{ what: 'body', mm: girthOf(bodyMm) }], {
        minMm: -ELASTIC_GIVES * girthOf(bodyMm),
        maxMm: 0,
      });
    case 'over':
      return over(q, choice, bodyMm, round(choice.thicknessEffect));
  }
}

/** What a closed ring must pass: the inside is that and some room, never less than it. */
function over(
  { kind, girths, widthMm }: WearQuestion,
  { fit, easeMm, overMm }: Extract<WearChoice, { school: 'over' }>,
  bodyMm: number | null,
  thickness: readonly WearPart[],
): Wear {
  const base = overMm ?? girthOf(bodyMm);
  const knuckle = kind === 'ring' ? Math.max((girths.knuckle ?? base) - base, 0) : 0;
  const between = knuckle > KNUCKLE_APART_MM;
  const passMm = base + (between ? knuckle / 2 : knuckle);
  const wide = kind === 'ring' ? Math.max(0, widthMm - NARROW_MM) * WIDE_MM_PER_MM : 0;
  const parts: WearPart[] = [
    { what: 'body', mm: passMm },
    { what: 'ease', mm: easeMm[fit] },
    ...(wide > 0 ? [{ what: 'wide band' as const, mm: wide }] : []),
    ...thickness,
  ];
  // A ring a size too large slips; of a bangle or a bail, the outer fit is as far as it goes.
  const most = kind === 'ring' ? SCALES.us.stepMm : easeMm.loose - easeMm[fit] + easeMm.loose;
  return { ...worn(kind, overMm ?? bodyMm, parts, { minMm: -easeMm[fit], maxMm: most }), between };
}

const girthOf = (bodyMm: number | null): number => {
  if (bodyMm === null) throw new Error('This school goes by a girth; there is none.');
  return bodyMm;
};
const even = (mm: number): Band => ({ minMm: -mm, maxMm: mm });
const offWish = (band: Band, easeMm: number): Band => ({
  minMm: band.minMm - easeMm,
  maxMm: band.maxMm - easeMm,
});

/** @param off how far the finished length may lie from the wish */
function worn(kind: Kind, bodyMm: number | null, parts: readonly WearPart[], off: Band): Wear {
  const wishMm = parts.reduce((sum, { mm }) => sum + mm, 0);
  return {
    kind,
    bodyMm,
    parts,
    wishMm,
    thicknessEffectMm: parts.find(({ what }) => what === 'thickness')?.mm ?? 0,
    band: { minMm: wishMm + off.minMm, maxMm: wishMm + off.maxMm },
    between: false,
  };
}

/** How a finished length sits on the body. */
export type Sit =
  | 'too tight'
  | 'snugly'
  | 'comfortably'
  | 'loosely'
  | 'too loose'
  | 'too short'
  | 'too long'
  | 'right length';

/**
 * How a finished length sits; null where there is neither a body nor a wish that could be missed.
 * @param easeMm the amounts that tell snug from comfortable from loose
 */
export function sit(finishedMm: number, worn: Wear, choice: WearChoice): Sit | null {
  const { bodyMm, band, kind } = worn;
  const { hangs, easeMm: usual } = KIND_FACTS[kind];
  const byEase = choice.school === 'ease' || (choice.school === 'flat' && !hangs && kind !== 'bangle');
  if (byEase && bodyMm !== null) {
    const amounts = choice.school === 'ease' ? choice.easeMm : usual;
    return sitByEase(finishedMm - bodyMm - worn.thicknessEffectMm, amounts);
  }
  if (choice.school === 'flat' && !hangs) return null;
  if (finishedMm < band.minMm) return hangs ? 'too short' : 'too tight';
  if (finishedMm > band.maxMm) return hangs ? 'too long' : 'too loose';
  return 'right length';
}

function sitByEase(ease: number, amounts: EaseAmounts): Sit {
  const words: Readonly<Record<Fit, Sit>> = {
    snug: 'snugly',
    comfortable: 'comfortably',
    loose: 'loosely',
  };
  if (ease < easeBand('snug', amounts).minMm) return 'too tight';
  const fit = FITS.find((one) => ease < easeBand(one, amounts).maxMm || onEdge(ease, one, amounts));
  return fit ? words[fit] : 'too loose';
}

/** The upper ends of comfortable and loose still count as such. */
const onEdge = (ease: number, fit: Fit, amounts: EaseAmounts): boolean =>
  fit !== 'snug' && ease === easeBand(fit, amounts).maxMm;
