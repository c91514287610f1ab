import type { MetalUse } from '../closures/metal';

const FROM = {
  loop: 'from the loop of seeds to the clasp',
  bead: 'through the outermost bead to the clasp',
  chain: 'closes the chain to the clasp',
} as const;

/**
 * What metal is there for, in words; null where its name says it.
 * @param chain how long the chain is on either side, in words
 */
export function metalWords(use: MetalUse, chain: string): string | null {
  switch (use.kind) {
    case 'clasp':
      return null;
    case 'ring':
      return `${FROM[use.from]}, at the ${use.end}`;
    case 'chain':
      return `${use.linksEach} on each side, ${chain}; ${
        use.ringed
          ? 'cutting them out spoils a link each time'
          : 'their first links are opened for the clasp: of closed links take a jump ring there'
      }`;
    case 'extender':
      return use.rings
        ? `one in the other, the first in the clasp’s ring: they let it out${use.dangles ? '; the last is opened for what hangs there' : ''}`
        : `its first link hangs in the clasp’s ring${use.dangles ? '; what hangs in its last has its loop strung through it' : ''}`;
    case 'between sections':
      return 'between sections';
  }
}
