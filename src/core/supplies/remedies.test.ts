import { describe, expect, it } from 'vitest';
import { planned } from '../testing/planned';
import { difference } from '../colour/difference';
import { BEADS, byId, NEEDLES, THREADS } from '../materials/catalogue';
import { inColour, newPart } from '../piece/newPiece';
import type { PartOfPiece } from '../piece/partOfPiece';
import type { Warning } from '../plan/plan';
import { remedies } from './remedies';
import { leastSeen, type ThreadDoubt } from './threadSense';

const gears = { needles: NEEDLES, threads: THREADS, beads: BEADS };
const foam = { name: 'foam', hex: '#e9e3d0' };
const doubts = (piece: PartOfPiece): ThreadDoubt[] =>
  planned(piece).warnings.flatMap((warning: Warning) => (warning.code === 'thread' ? [warning.doubt] : []));
const codes = (piece: PartOfPiece) => doubts(piece).map(({ code }) => code);

/** A ladder of small pearls sewn with a needle that is too thick for them. */
const base = newPart('Pearls', 'ladder', null);
const pearls: PartOfPiece = {
  ...base,
  beads: { ...base.beads, A: inColour(byId(BEADS, 'pearl-3'), foam) },
  needle: byId(NEEDLES, 'needle-10'),
};

describe('what helps where it will not go', () => {
  it('each remedy is tried: planned with it, everything goes', () => {
    const plan = planned(pearls);
    expect(plan.holes.bottleneck?.going).toBe('no');
    const offered = remedies(pearls, plan, gears);
    expect(offered.length).toBeGreaterThan(0);
    for (const { change, going } of offered) {
      const after = planned({ ...pearls, ...change }).holes.bottleneck;
      expect(after?.going).toBe(going);
      expect(going).not.toBe('no');
    }
  });

  it('of needles the coarsest that goes is offered: the one before it does not', () => {
    const [needle] = remedies(pearls, planned(pearls), gears).filter(({ what }) => what.kind === 'needle');
    const chosen = needle?.change.needle;
    if (!chosen) throw new Error('no needle is offered');
    const coarser = NEEDLES.filter(
      ({ diameterMm }) => diameterMm > chosen.diameterMm && diameterMm < pearls.needle.diameterMm,
    );
    for (const one of coarser) expect(planned({ ...pearls, needle: one }).holes.bottleneck?.going).toBe('no');
  });

  it('a larger bead is the same shape with a wider hole, and tells when the count changes', () => {
    const bead = remedies(pearls, planned(pearls), gears).find(({ what }) => what.kind === 'bead');
    expect(bead?.change.beads?.A).toMatchObject({ shape: 'ball', colourName: 'foam' });
    expect(bead?.change.beads?.A.holeMm).toBeGreaterThan(pearls.beads.A.holeMm);
    expect(bead?.units).not.toBeNull();
  });

  it('nothing is offered where all goes', () => {
    const fine = { ...pearls, needle: byId(NEEDLES, 'needle-15') };
    expect(remedies(fine, planned(fine), gears)).toEqual([]);
  });
});

describe('thread sense (craft, common practice)', () => {
  const thread = (id: string) => byId(THREADS, id);
  const bugles: PartOfPiece = {
    ...base,
    beads: { ...base.beads, A: inColour(byId(BEADS, 'bugle-6'), foam) },
  };

  it('bugles cut nylon, not gel-spun thread', () => {
    expect(codes({ ...bugles, thread: thread('nylon-d') })).toContain('sharp-and-soft');
    expect(codes({ ...bugles, thread: thread('gel-6') })).not.toContain('sharp-and-soft');
  });

  it('cord is stiff in a supple stitch, not in one that holds flat', () => {
    const cord = thread('monofilament-0.25');
    expect(codes({ ...newPart('x', 'flat-peyote', null), thread: cord })).toContain('stiff-for-supple');
    expect(codes({ ...newPart('x', 'flat-herringbone', null), thread: cord })).not.toContain(
      'stiff-for-supple',
    );
  });

  it('gel-spun thread is stiff in a supple stitch from 10 lb on, doubled (from memory); nylon never, monofilament always', () => {
    const supple = newPart('Chain', 'strung-line', null);
    const feels = (thread: string, doubled: boolean) =>
      codes({ ...supple, thread: byId(THREADS, thread), doubled }).includes('stiff-for-supple');
    expect(feels('gel-10', true)).toBe(true);
    expect(feels('gel-10', false)).toBe(false);
    expect(feels('gel-8', true)).toBe(false);
    expect(feels('nylon-d', true)).toBe(false);
    const cord = THREADS.find(({ make }) => make === 'monofilament');
    expect(feels(cord?.id ?? '', false)).toBe(true);
    const firm = newPart('Ladder', 'ladder', null);
    expect(codes({ ...firm, thread: byId(THREADS, 'gel-10'), doubled: true })).not.toContain(
      'stiff-for-supple',
    );
  });

  it('two thick cords do not cross in a small bead: said as what it is', () => {
    const cross = newPart('x', 'cross-weave', null);
    const small = inColour(byId(BEADS, 'seed-15'), foam);
    const beads = { ...cross.beads, A: small, B: small, C: small };
    const piece: PartOfPiece = { ...cross, beads, thread: thread('elastic-0.5') };
    const [doubt] = doubts(piece);
    expect(doubt?.code).toBe('two-cords');
    expect(codes(piece)).toContain('elastic-knots');
  });

  it('a change where all holes are full is told', () => {
    const piece: PartOfPiece = {
      ...pearls,
      units: 200,
      thread: thread('gel-10'),
      needle: byId(NEEDLES, 'needle-12'),
    };
    expect(planned(piece).thread.lengths).toBeGreaterThan(1);
    expect(codes(piece)).toContain('change-in-full-hole');
  });

  it('thread of another colour shows where it lies bare; in the colour of the beads, or hidden, it does not', () => {
    const herringbone = newPart('x', 'flat-herringbone', null);
    expect(planned(herringbone).exposed.spans.length).toBeGreaterThan(0);
    const like = leastSeen(planned(herringbone).quantities);
    if (!like) throw new Error('no beads');
    expect(codes({ ...herringbone, threadColour: like })).not.toContain('thread-shows');
    expect(codes(herringbone)).not.toContain('thread-shows');
    const far = { name: 'far', hex: difference(like.hex, '#000000') > 50 ? '#000000' : '#ffffff' };
    expect(doubts({ ...herringbone, threadColour: far })).toContainEqual(
      expect.objectContaining({ code: 'thread-shows', colour: 'far', like: like.name }),
    );
  });

  it('by hand: of several colours of one bead, the most frequent counts', () => {
    const bead = inColour(byId(BEADS, 'seed-11'), foam);
    const row = { bead, role: 'A', perUnit: 1, perInch: 1, mostTraversals: 1 };
    const shade = (name: string, total: number) => ({ name, hex: '#112233', total });
    expect(
      leastSeen([
        { ...row, total: 12, shades: [shade('tar', 4), shade('kelp', 8)] },
        { ...row, total: 7, shades: [shade('tar', 7)] },
      ])?.name,
    ).toBe('tar');
    expect(leastSeen([{ ...row, total: 3, shades: [] }])).toEqual(foam);
    expect(leastSeen([])).toBeNull();
  });

  it('a length the maker has made too long is told', () => {
    expect(codes({ ...newPart('x', 'flat-peyote', null), units: 200, threadChanges: [] })).toContain(
      'length-too-long',
    );
  });
});
