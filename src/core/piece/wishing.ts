import { KIND_FACTS } from '../body/kinds';
import type { WearChoice } from '../body/wear';
import type { PartOfPiece } from './partOfPiece';

/** The least that a target moves by, mm: half a millimetre cannot be told from tension. */
const STEP_MM = 0.5;

/**
 * The change after which the piece is to be so long. Where its length is one figure, that figure; else a target of
 * the maker's own, beside which body and ease stay what they are. Beyond the range of the piece it stops at its ends.
 */
export function wishing(
  { wear, kind }: Pick<PartOfPiece, 'wear' | 'kind'>,
  wishMm: number,
): Partial<PartOfPiece> {
  const { minMm, maxMm } = KIND_FACTS[kind].finished;
  const mm = Math.min(Math.max(Math.round(wishMm / STEP_MM) * STEP_MM, minMm), maxMm);
  return wear.school === 'flat' ? { wear: { ...wear, finishedMm: mm }, targetMm: null } : { targetMm: mm };
}

/** How the length is found, changed: a target of the maker's own gives way to it. */
export const wearing = (wear: WearChoice): Pick<PartOfPiece, 'wear' | 'targetMm'> => ({
  wear,
  targetMm: null,
});
