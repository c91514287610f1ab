import type { Closing } from '../body/kinds';
import type { ClosurePart } from '../closures/closure';

/** How a piece is closed. */
export const CLOSING_WORDS: Readonly<Record<Closing, string>> = {
  clasp: 'closed with a clasp',
  joined: 'joined into a ring',
  open: 'left open at both ends',
};

/** What takes room between the woven part and the tips. */
export const CLOSURE_PART_WORDS: Readonly<Record<ClosurePart, string>> = {
  clasp: 'clasp',
  loops: 'loops of seeds',
  rings: 'jump rings',
  chain: 'chain on both sides',
};

/** Between what ends a finished length is measured. */
export const finishedWords = (closing: Closing, oneEnd: boolean): string =>
  oneEnd ? 'from hook to tip' : closing === 'open' ? 'tip to tip' : 'closed';
