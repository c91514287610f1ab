import { FITS, KIND_FACTS, MOST_DROP_MM, MOST_EASE_MM, type EaseAmounts, type Fit } from './body/kinds';
import { dropMm } from './body/necklace';
import type { WearChoice } from './body/wear';
import type { Piece } from './piece';
import type { Plan } from './plan';

/** The least that a wish moves by, mm: half a millimetre cannot be told from tension. */
const STEP_MM = 0.5;
const rounded = (mm: number) => Math.round(mm / STEP_MM) * STEP_MM;

/**
 * The change after which the wish is so long: the ease follows, or the one length, or the drop. Null where the wish
 * follows from the body alone, as in elastic. What lies beyond the range of the piece stops at its ends.
 */
export function wishing(piece: Piece, plan: Pick<Plan, 'wear'>, wishMm: number): Pick<Piece, 'wear'> | null {
  const wear = wished(piece, plan, wishMm);
  return wear && { wear };
}

/** Whether the wish can be moved. */
export const canWish = ({ wear }: Piece): boolean => wear.school !== 'elastic';

function wished(
  { wear, kind }: Piece,
  { wear: worn }: Pick<Plan, 'wear'>,
  wishMm: number,
): WearChoice | null {
  const { minMm, maxMm } = KIND_FACTS[kind].finished;
  const mm = Math.min(Math.max(wishMm, minMm), maxMm);
  switch (wear.school) {
    case 'flat':
      return { ...wear, finishedMm: rounded(mm) };
    case 'like': {
      const other = worn.parts.find(({ what }) => what === 'other thickness')?.mm ?? 0;
      return { ...wear, finishedMm: Math.max(rounded(mm - other), minMm) };
    }
    case 'drop':
      return { ...wear, dropMm: Math.min(rounded(dropMm(worn.bodyMm ?? 0, mm)), MOST_DROP_MM) };
    case 'ease':
    case 'over': {
      const ease = wear.easeMm[wear.fit] + mm - worn.wishMm;
      return { ...wear, easeMm: withEase(wear.easeMm, wear.fit, Math.max(rounded(ease), 0)) };
    }
    case 'elastic':
      return null;
  }
}

/** The amount of one fit changed; its neighbours give way, so that snug stays the least and loose the most. */
function withEase(amounts: EaseAmounts, fit: Fit, mm: number): EaseAmounts {
  const mine = FITS.indexOf(fit);
  const own = Math.min(mm, MOST_EASE_MM[fit]);
  const ease = (one: Fit) => {
    if (one === fit) return own;
    return FITS.indexOf(one) < mine ? Math.min(amounts[one], own) : Math.max(amounts[one], own);
  };
  return { snug: ease('snug'), comfortable: ease('comfortable'), loose: ease('loose') };
}
