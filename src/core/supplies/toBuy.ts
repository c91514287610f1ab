import { MM_PER_YARD, type LengthUnit } from '../length/length';
import type { BeadMaterial } from '../materials/material';

/**
 * Beads that go to waste while one picks even ones, as a part of those worked: 5 to 10 %, more of bugles, whose edges cut,
 * and of drops, whose necks differ (from memory).
 */
const CULLED = 0.1;
const CULLED_UNEVEN = 0.15;
const UNEVEN: readonly BeadMaterial['shape'][] = ['bugle', 'twisted bugle', 'drop'];

/** Beads to buy for so many that are worked: some to spare, and one more at the least. */
export function beadsToBuy(total: number, { shape }: Pick<BeadMaterial, 'shape'>): number {
  if (total === 0) return 0;
  // To a thousandth of a bead, lest a rounding make one more.
  return Math.ceil(total * (1 + (UNEVEN.includes(shape) ? CULLED_UNEVEN : CULLED)) - 1e-3);
}

/** How many a pack of it holds, by what a tube weighs or a strand measures; null where that is not known, or it holds none. */
function inPack({ sold, perGram, lengthMm }: BeadMaterial): number | null {
  if (sold === null || (sold.by === 'tube' && perGram === null)) return null;
  const inOne = sold.by === 'strand' ? Math.floor(sold.lengthMm / lengthMm) : sold.grams * (perGram ?? 0);
  return inOne >= 1 ? inOne : null;
}

/** Packs of it that hold so many, and for how many pieces that take as many they are enough; null where that is not known. */
export function packsToBuy(
  beads: number,
  bead: BeadMaterial,
): { readonly packs: number; readonly pieces: number } | null {
  const inOne = inPack(bead);
  if (inOne === null) return null;
  const packs = Math.ceil(beads / inOne);
  return { packs, pieces: beads === 0 ? 0 : Math.floor((packs * inOne) / beads) };
}

/** Thread to buy for so much that is cut, its margin counted in: whole yards, or whole metres, mm. */
export function threadToBuyMm(cutMm: number, unit: LengthUnit): number {
  const stepMm = unit === 'in' ? MM_PER_YARD : 1000;
  return Math.ceil(cutMm / stepMm - 1e-9) * stepMm;
}
