// How a piece is closed, as tests choose it: a clasp of the catalogue, usual ends, and what is changed.
import type { EndsChoice } from '../closures/closure';
import { byId, CLASPS } from '../materials/catalogue';

/** An end sewn on as usual. */
export const end = { seedsEachSide: 3, passes: 2, rings: null };

/** A piece with this clasp at usual ends. */
export const ends = (clasp: string, change: Partial<EndsChoice> = {}): EndsChoice => ({
  closing: 'clasp',
  clasp: byId(CLASPS, clasp),
  start: end,
  end,
  loopSeeds: null,
  extender: null,
  dangle: null,
  chain: null,
  ...change,
});
