import type { PassInfo } from '../weave/path';

/** By what part a later pass shortens the base (from memory; a swatch of one's own says it better). */
export const SHORTENS = {
  'picots, edge beads without tension': { least: 0, most: 0.01 },
  'crosses over a two-hole base': { least: 0.02, most: 0.05 },
  'edge fill of a right-angle band': { least: 0.03, most: 0.06 },
} as const satisfies Readonly<Record<string, PassInfo['shortens']>>;
