import { describe, expect, it } from 'vitest';
import { BEADS, byId } from '../materials/catalogue';
import { inColour } from '../piece/newPiece';
import { beadsToBuy, packsToBuy, threadToBuyMm } from './toBuy';

const bead = (id: string) => inColour(byId(BEADS, id), { name: 'tar', hex: '#222222' });

describe('what to buy', () => {
  it('memory: 5 to 10 % more than is worked, more of bugles and drops, and never less than one', () => {
    const seed = bead('seed-11');
    expect([0, 1, 10, 40, 100, 101].map((n) => beadsToBuy(n, seed))).toEqual([0, 2, 11, 44, 110, 112]);
    expect(beadsToBuy(100, bead('bugle-6'))).toBe(115);
    expect(beadsToBuy(100, bead('drop-3.4'))).toBe(115);
  });

  it('by hand: seeds by the tube, rounds by the strand of 16 inches', () => {
    const seed = { ...bead('seed-11'), perGram: 110 };
    // Ten grams of 110 each are 1100.
    expect([1, 1100, 1101].map((n) => packsToBuy(n, seed)?.packs)).toEqual([1, 1, 2]);
    expect(packsToBuy(5, { ...seed, perGram: null })).toBeNull();
    expect(packsToBuy(5, { ...seed, sold: null })).toBeNull();
    // About 50 rounds of 8 mm hang on a strand (common practice).
    const round = { ...bead('pressed-8'), lengthMm: 8 };
    expect([50, 51].map((n) => packsToBuy(n, round)?.packs)).toEqual([1, 2]);
  });

  it('by hand: what is bought is shared by as many pieces as it is enough for', () => {
    const seed = { ...bead('seed-11'), perGram: 110 };
    // 1100 in a tube are twice 550, and once 551; 1101 take two tubes, and those are not twice as many.
    expect([550, 551, 1101].map((n) => packsToBuy(n, seed)?.pieces)).toEqual([2, 1, 1]);
    expect(packsToBuy(0, seed)).toEqual({ packs: 0, pieces: 0 });
    // Beads of two holes come in tubes, and two flower bands of 28 petals share one of 80.
    const tile = { ...bead('half-tile'), perGram: 8 };
    expect(packsToBuy(31, tile)).toEqual({ packs: 1, pieces: 2 });
  });

  it('by hand: thread by the whole yard or metre', () => {
    expect([1, 914.4, 914.5].map((mm) => Math.round(threadToBuyMm(mm, 'in')))).toEqual([914, 914, 1829]);
    expect([1, 1000, 1000.5].map((mm) => threadToBuyMm(mm, 'cm'))).toEqual([1000, 1000, 2000]);
  });
});
