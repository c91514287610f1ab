// A netted tube counted on paper: a ring of points with beads between, and meshes from point to point.
import { describe, expect, it } from 'vitest';
import { BEADS, byId } from '../materials/catalogue';
import { holeUses } from '../read/traversals';
import { all, counted, ends, woven } from '../testing/woven';
import { nettedTube } from './nettedTube';

const tube = (params: object = {}) => nettedTube.bind({ ...nettedTube.defaults, ...params });
const bead =
  (changed: Readonly<Record<string, string>> = {}) =>
  (role: string) =>
    byId(BEADS, changed[role] ?? 'seed-11');
const run = (role: string, count: number) => Array<string>(count).fill(role);

describe('a netted tube by hand', () => {
  it('four meshes round: the ring has four points and twelve beads, each round four points and sixteen of the legs', () => {
    expect(counted(tube(), 3)).toEqual({ A: 3 * 4, B: 12 + 2 * 16 });
    expect(counted(tube({ around: 6, leg: ['B', 'C', 'B'], ring: ['D'] }), 5)).toEqual({
      A: 5 * 6,
      B: 4 * 6 * 4,
      C: 4 * 6 * 2,
      D: 6,
    });
    expect(counted(tube({ sequence: ['A', 'C'] }), 2)).toEqual({ A: 8, C: 8, B: 12 + 3 * 16 });
  });

  it('thread goes twice through every point, and once more where it steps up, through half of the first mesh', () => {
    const uses = holeUses(tube().weave(14, ends)).filter(
      ({ bead, bead: { place } }) => woven(bead) && place.row === 7,
    );
    const times = (of: string) =>
      uses.filter(({ bead }) => bead.slot.of === of).map(({ traversals }) => traversals);
    expect(times('point')).toEqual([3, 2, 2, 2]);
    expect(times('up')).toEqual([2, 2, 1, 1, 1, 1, 1, 1]);
    expect(times('down')).toEqual([1, 1, 1, 1, 1, 1, 1, 1]);
  });

  it('round its ring it is as long as that: points and beads between (2πr)', () => {
    const form = tube().form(bead(), all);
    const round = 4 * (1.4 + 3 * 1.4);
    expect(form.widthMm).toBeCloseTo(round / Math.PI + 2.15, 9);
  });

  it('no two beads of it lie in each other: middles are farther apart than both are thick, or as long, where they follow each other', () => {
    for (const params of [
      {},
      { ring: run('B', 5) },
      { around: 6 },
      { leg: run('B', 4) },
      { leg: run('B', 4), ring: run('B', 5) },
    ]) {
      const weaveable = tube(params);
      const form = weaveable.form(bead(), all);
      const { beads } = weaveable.weave(6, ends);
      const inMiddle = beads.filter((one) => woven(one) && [2, 3].includes(one.place.row));
      const at = inMiddle.map((one) => form.pose(one).centre);
      at.forEach((a, i) => {
        for (const b of at.slice(i + 1))
          expect(Math.hypot(...a.map((v, k) => v - Number(b[k])))).toBeGreaterThan(1.3);
      });
    }
  });

  it('a wider ring opens the net: it is wider, and each round is shorter', () => {
    const rise = (beads: number) => tube({ ring: run('B', beads) }).form(bead(), all).pitchMm;
    const wide = (beads: number) => tube({ ring: run('B', beads) }).form(bead(), all).widthMm;
    for (const beads of [3, 4]) {
      expect(rise(beads + 1)).toBeLessThan(rise(beads));
      expect(wide(beads + 1)).toBeGreaterThan(wide(beads));
    }
  });

  it('what does not suit is told, and what helps was tried', () => {
    const advice = (params: object, beads: Readonly<Record<string, string>> = {}) =>
      tube(params).advise?.(bead(beads)).join() ?? '';
    expect(advice({})).toBe('');
    expect(advice({ ring: run('B', 7) })).toMatch(/so wide/);
    expect(advice({ ring: run('B', 7), leg: run('B', 4) })).toBe('');
    expect(advice({ ring: ['B'] })).toMatch(/so near/);
    expect(advice({ ring: ['C', 'C'] })).toMatch(/so near/);
    expect(advice({ ring: ['C', 'C'] }, { B: 'seed-15' })).toBe('');
  });
});
