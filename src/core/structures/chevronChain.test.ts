// A chevron chain counted on paper: points at either edge by turns, edges between them, legs across.
import { describe, expect, it } from 'vitest';
import { BEADS, byId } from '../materials/catalogue';
import { holeUses } from '../read/traversals';
import { laid } from '../testing/layoutCells';
import { all, counted, ends, woven } from '../testing/woven';
import { chevronChain } from './chevronChain';

const chain = (params: object = {}) => chevronChain.bind({ ...chevronChain.defaults, ...params });
const bead =
  (changed: Readonly<Record<string, string>> = {}) =>
  (role: string) =>
    byId(BEADS, changed[role] ?? 'seed-11');
const run = (role: string, count: number) => Array<string>(count).fill(role);

describe('a chevron chain by hand', () => {
  it('six points are three at either edge, with four edges and five legs', () => {
    expect(counted(chain(), 6)).toEqual({ A: 6, B: 16, C: 20 });
    expect(counted(chain({ sequence: ['A', 'D'], extra: 1 }), 3)).toEqual({ A: 4, D: 3, B: 20, C: 24 });
    expect(counted(chain({ edge: run('A', 3), leg: ['C', 'B', 'C'] }), 5)).toEqual({
      A: 5 + 9,
      B: 4,
      C: 8,
    });
  });

  it('thread goes twice through every point, and once through all else', () => {
    const uses = holeUses(chain().weave(14, ends));
    const inMiddle = uses.filter(
      ({ bead: { place }, bead }) => woven(bead) && place.row >= 6 && place.row <= 8,
    );
    for (const {
      bead: { slot },
      traversals,
    } of inMiddle)
      expect(traversals).toBe(slot.of === 'point' ? 2 : 1);
  });

  it('both legs of a V go to its point, each by the other end: they pass beneath it', () => {
    const { moves } = chain().weave(12, ends);
    // Of the stitches in the middle: strung towards the end, and gone through towards the end.
    const through = moves.filter(
      (move) => 'bead' in move && 'enter' in move && move.bead.slot.of === 'point' && move.place.row === 5,
    );
    expect(through.map((move) => 'enter' in move && move.enter)).toEqual([0, 0]);
  });

  it.each([
    [{}, {}],
    [{ edge: run('B', 6) }, {}],
    [{ leg: run('C', 6) }, {}],
    [{}, { A: 'bicone-3' }],
    [{}, { A: 'seed-8' }],
    [{}, { C: 'seed-15' }],
    [
      { edge: run('B', 2), leg: run('C', 2) },
      { B: 'bugle-3', C: 'bugle-3' },
    ],
  ])(
    'the layout, which knows nothing of it, agrees with edge and point end to end to 1 %%: %o in %o',
    (params, beads) => {
      const bound = chain(params);
      const { pitchMm, form, rests } = laid({
        stitch: 'chevron-chain',
        params,
        beads: Object.fromEntries(bound.parts.map(({ role }) => [role, bead(beads)(role).id])),
      });
      expect(rests).toBe(true);
      expect(Math.abs(pitchMm / form.pitchMm - 1)).toBeLessThan(0.01);
    },
  );

  it('is as wide as its legs reach across, and the two edges beyond (Pythagoras)', () => {
    // Span 4 · 1.4 + 1.4; each leg 5.6 long leans half a span less a girth; beyond its ends half a leg and an edge.
    const leans = 3.5 - 2.15;
    expect(chain().form(bead(), all).widthMm).toBeCloseTo(Math.sqrt(5.6 ** 2 - leans ** 2) + 3 * 2.15, 9);
  });

  it('what does not suit is told, and what helps was tried', () => {
    const advice = (params: object, beads: Readonly<Record<string, string>>) =>
      chain(params).advise?.(bead(beads)).join() ?? '';
    expect(advice({}, {})).toBe('');
    expect(advice({ edge: run('B', 3) }, {})).toMatch(/edges are so short/);
    expect(advice({ edge: run('B', 3) }, { C: 'seed-15' })).toBe('');
    expect(advice({ leg: run('C', 2) }, {})).toMatch(/legs are too short/);
    expect(advice({ sequence: ['A', 'D'] }, { A: 'pressed-4' })).toMatch(/chain bends/);
    expect(advice({ sequence: ['A', 'D'] }, { A: 'pressed-4', D: 'pressed-4' })).toBe('');
    expect(advice({}, { A: 'bugle-6' })).toMatch(/tip out/);
    expect(advice({}, { A: 'bugle-6', C: 'fire-polished-3' })).toBe('');
  });
});
