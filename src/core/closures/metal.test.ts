import { describe, expect, it } from 'vitest';
import { byId, FINDINGS } from '../materials/catalogue';
import { metalWords } from '../words/metal';
import { end, ends } from '../testing/endsChosen';
import { metalOf } from './metal';

const ring = byId(FINDINGS, 'jump-ring-5');
/** As a maker lays it out beside her work: how many of what, and what each is for. */
const laidOut = (...question: Parameters<typeof metalOf>) =>
  metalOf(...question).map(({ name, count, use }) => {
    const words = metalWords(use, '90 mm');
    return `${count} ${name}${words === null ? '' : `: ${words}`}`;
  });

describe('what of metal a piece takes', () => {
  it('by hand: a lobster with a ring at its end, let out by nine links', () => {
    const piece = ends('lobster-12', {
      end: { ...end, rings: { finding: ring, count: 2 } },
      extender: { linkMm: 4.5, links: 9, rings: null },
    });
    expect(laidOut(piece, 0, [])).toEqual([
      '1 lobster 12 mm and ring',
      '2 jump ring 5 mm: from the loop of seeds to the clasp, at the end',
      '9 extender, whole links: its first link hangs in the clasp’s ring',
    ]);
  });

  it('something hangs in the last link of its extender', () => {
    const last = (rings: typeof ring | null) =>
      laidOut(ends('lobster-12', { dangle: 'drop', extender: { linkMm: 4.5, links: 9, rings } }), 0, [])[1];
    expect(last(null)).toBe(
      '9 extender, whole links: its first link hangs in the clasp’s ring; what hangs in its last has its loop strung through it',
    );
    expect(last(ring)).toMatch(/9 jump ring 5 mm: .*; the last is opened for what hangs there$/);
  });

  it('let out by jump rings in the place of a chain', () => {
    const extender = { linkMm: 3.6, links: 8, rings: ring };
    expect(laidOut(ends('lobster-12', { extender }), 0, [])[1]).toBe(
      '8 jump ring 5 mm: one in the other, the first in the clasp’s ring: they let it out',
    );
  });

  it('without a loop of seeds the ring goes through the outermost bead', () => {
    const bare = { seedsEachSide: 0, passes: 2, rings: { finding: ring, count: 1 } };
    expect(laidOut(ends('lobster-12', { start: bare }), 0, [])[1]).toBe(
      '1 jump ring 5 mm: through the outermost bead to the clasp, at the start',
    );
  });

  it('chain comes in whole links, as many on either side; with rings they close it to the clasp', () => {
    const chain = { linkMm: 3, wovenMm: 180 };
    const rung = { ...end, rings: { finding: ring, count: 1 } };
    expect(laidOut(ends('lobster-12', { chain, start: rung, end: rung }), 30, [])).toEqual([
      '1 lobster 12 mm and ring',
      '1 jump ring 5 mm: closes the chain to the clasp, at the start',
      '1 jump ring 5 mm: closes the chain to the clasp, at the end',
      '60 chain, whole links: 30 on each side, 90 mm; cutting them out spoils a link each time',
    ]);
    expect(laidOut(ends('lobster-12', { chain }), 30, []).at(-1)).toMatch(/of closed links take a jump ring/);
    // A piece that is long enough without it has none.
    expect(laidOut(ends('lobster-12', { chain }), 0, [])).toEqual(['1 lobster 12 mm and ring']);
  });

  it('what is gone over by a loop, joined, or closed by a woven part takes none; an ear wire hangs one end', () => {
    expect(metalOf(ends('button-12'), 0, [])).toEqual([]);
    // What a button hangs on is metal all the same.
    const hung = { ...end, rings: { finding: ring, count: 1 } };
    const chain = { linkMm: 3, wovenMm: 180 };
    expect(metalOf(ends('button-12', { start: hung }), 0, []).map(({ count }) => count)).toEqual([1]);
    expect(metalOf(ends('button-12', { chain }), 20, []).map(({ count }) => count)).toEqual([40]);
    expect(metalOf(ends('lobster-12', { closing: 'joined' }), 0, [])).toEqual([]);
    expect(metalOf(null, 0, [])).toEqual([]);
    const rung = { ...end, rings: { finding: ring, count: 1 } };
    expect(laidOut(ends('ear-wire', { start: rung, end: rung }), 0, [])).toHaveLength(2);
  });

  it('what joins sections is told in all', () => {
    const bar = byId(FINDINGS, 'strand-bar-3');
    const seams = [
      { what: ring, count: 2 },
      { what: bar, count: 1 },
      { what: ring, count: 2 },
    ];
    expect(laidOut(null, 0, seams)).toEqual([
      '4 jump ring 5 mm: between sections',
      '1 bar of 3 strands: between sections',
    ]);
  });
});
