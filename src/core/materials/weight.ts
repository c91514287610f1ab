import { bodyOf, type BeadMaterial } from './material';

/** Density of soda-lime glass, grams in a cubic millimetre: 2.5 g/cm³ (any handbook of materials). */
const GLASS = 2.5e-3;

/**
 * What one bead weighs, grams: from the beads that go to a gram where somebody has weighed them, otherwise
 * from its body in glass less its holes. Null for stones and other bodies whose material is not known.
 */
export function beadGrams(bead: BeadMaterial): number | null {
  if (bead.perGram !== null) return 1 / bead.perGram;
  const full = bodyMm3(bead);
  if (full === null) return null;
  const { lengthMm } = bodyOf(bead);
  const holes = bead.holes * Math.PI * (bead.holeMm / 2) ** 2 * lengthMm;
  return Math.max(full - holes, 0) * GLASS;
}

/** Volume of the body, mm³; the edges of pressed beads are taken as sharp. */
function bodyMm3(bead: BeadMaterial): number | null {
  const { lengthMm: l, diameterMm: d } = bodyOf(bead);
  const w = bead.widthMm ?? d;
  switch (bead.shape) {
    case 'seed':
    case 'cylinder':
    case 'bugle':
    case 'twisted bugle':
      return (Math.PI / 4) * d * d * l;
    case 'cube':
    case 'tile':
    case 'half tile':
    case 'bar':
    case 'brick':
      return l * w * d;
    case 'ball':
    case 'rondelle':
    case 'oval':
    case 'drop':
    case 'lens':
      return (Math.PI / 6) * l * w * d;
    case 'bicone':
      return (Math.PI / 12) * d * d * l;
    case 'wedge':
    case 'triangle':
      return (l * w * d) / 2;
    case 'set stone':
    case 'stone':
      return null;
  }
}
