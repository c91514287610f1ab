// A netted strip counted on paper: points, legs between rows, and runs along both edges.
import { describe, expect, it } from 'vitest';
import { BEADS, byId } from '../materials/catalogue';
import { holeUses } from '../read/traversals';
import { all, counted, ends, woven } from '../testing/woven';
import { nettedStrip } from './nettedStrip';

const strip = (params: object = {}) => nettedStrip.bind({ ...nettedStrip.defaults, ...params });
const bead =
  (changed: Readonly<Record<string, string>> = {}) =>
  (role: string) =>
    byId(BEADS, changed[role] ?? 'seed-11');
const run = (role: string, count: number) => Array<string>(count).fill(role);

describe('a netted strip by hand', () => {
  it('three points a row: the first row has as many feet and five legs; each later one a run, three points and five legs', () => {
    expect(counted(strip(), 4)).toEqual({ A: 3 + 4 * 3, B: 4 * 5 * 3 + 3 * 5 });
    expect(
      counted(strip({ across: 2, sequence: ['A', 'D'], leg: ['B', 'C'], edge: ['E', 'E', 'E'] }), 3),
    ).toEqual({
      // Six rows of two, and the feet of the first, which are the row before it.
      A: 6,
      D: 6 + 2,
      B: 6 * 3,
      C: 6 * 3,
      E: 5 * 3,
    });
  });

  it('thread goes twice through every point, once in its own row and once in the next, and once through all else', () => {
    const uses = holeUses(strip().weave(24, ends)).filter(
      ({ bead, bead: { place } }) => woven(bead) && place.row >= 10 && place.row <= 13,
    );
    expect(uses).toHaveLength(4 * (3 + 15 + 5));
    for (const { bead, traversals } of uses) expect(traversals).toBe(bead.slot.of === 'point' ? 2 : 1);
  });

  it('two rows are as long as the run of beads along an edge; a longer one pulls it narrower', () => {
    const form = (beads: number) => strip({ edge: run('B', beads) }).form(bead(), all);
    for (const beads of [4, 5]) {
      expect(2 * form(beads).pitchMm).toBeCloseTo(beads * 1.4, 9);
      expect(form(beads + 1).widthMm).toBeLessThan(form(beads).widthMm);
    }
  });

  it('no two beads of it lie in each other', () => {
    for (const params of [{}, { across: 2 }, { edge: run('B', 6), leg: run('B', 4) }, { leg: run('B', 5) }]) {
      const weaveable = strip(params);
      expect(weaveable.advise?.(bead())).toEqual([]);
      const form = weaveable.form(bead(), all);
      const beads = weaveable.weave(8, ends).beads.filter(woven);
      const at = beads.map((one) => form.pose(one).centre);
      at.forEach((a, i) => {
        for (const b of at.slice(i + 1))
          expect(Math.hypot(...a.map((v, k) => v - Number(b[k])))).toBeGreaterThan(1.3);
      });
    }
  });

  it('both edges are alike: half a mesh on, and a row on', () => {
    const form = strip().form(bead(), all);
    const edges = strip()
      .weave(10, ends)
      .beads.filter(({ slot, place }) => slot.of === 'edge' && (place.row === 4 || place.row === 5))
      .map((one) => form.pose(one).centre);
    const [near, far] = [edges.slice(0, 5), edges.slice(5)];
    near.forEach(([x, y], i) => {
      expect(far[i]?.[0]).toBeCloseTo(x + form.pitchMm, 9);
      expect(far[i]?.[1]).toBeCloseTo(-y, 9);
    });
  });

  it('edges too long for the legs, or too short for its rows, are told; what is said to help does', () => {
    const said = (params: object, beads = {}) => strip(params).advise?.(bead(beads)).join(' ') ?? '';
    expect(said({ edge: run('B', 8) })).toMatch(
      /legs cannot reach.*take beads out of the edge, or add some/i,
    );
    expect(said({ edge: run('B', 8), leg: run('B', 5) })).toBe('');
    const large = { C: 'pressed-4', D: 'pressed-6' };
    expect(said({ leg: run('C', 2), edge: run('D', 3) }, large)).toMatch(
      /no room.*take beads out of the edge/i,
    );
    expect(said({ leg: run('C', 2), edge: run('D', 2) }, large)).toBe('');
    expect(said({ leg: run('C', 3), edge: run('D', 3) }, large)).toBe('');
    expect(said({ edge: run('B', 2) })).toMatch(/lie in each other.*add beads to the edge/i);
    expect(said({})).toBe('');
  });
});
