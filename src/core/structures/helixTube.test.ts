// A helix tube counted on paper: stitches of a long bead and seeds, round and round.
import { describe, expect, it } from 'vitest';
import { BEADS, byId } from '../materials/catalogue';
import { holeUses } from '../read/traversals';
import { laid } from '../testing/layoutCells';
import { counted, ends, woven } from '../testing/woven';
import { helixTube } from './helixTube';

const tube = (params: object = {}) => helixTube.bind({ ...helixTube.defaults, ...params });
const bead = (changed: Readonly<Record<string, string>> = {}) => {
  const usual: Readonly<Record<string, string | undefined>> = helixTube.usual;
  return (role: string) => byId(BEADS, changed[role] ?? usual[role] ?? 'seed-11');
};

describe('a helix tube by hand', () => {
  it('ten rounds of three are 30 long beads and 60 seeds, in whatever colours', () => {
    expect(counted(tube(), 10)).toEqual({ A: 30, B: 60 });
    expect(counted(tube({ sequence: ['A', 'C', 'D', 'C'], seeds: ['B', 'E', 'E'], around: 4 }), 10)).toEqual({
      A: 10,
      C: 20,
      D: 10,
      B: 40,
      E: 80,
    });
  });

  it('thread goes twice through the seed that stands up, once through all else', () => {
    const uses = holeUses(tube().weave(10, ends)).filter(
      ({ bead: { place }, bead }) => woven(bead) && place.row > 8 && place.row < 20,
    );
    const of = (slot: string, index = 0) =>
      new Set(
        uses
          .filter(({ bead }) => bead.slot.of === slot && bead.slot.index === index)
          .map(({ traversals }) => traversals),
      );
    expect([...of('long')]).toEqual([1]);
    expect([...of('seed')]).toEqual([2]);
    expect([...of('seed', 1)]).toEqual([1]);
  });

  it('as many colours as stitches around stand one over the other; one more, and they move on by a stitch a round', () => {
    const over = (sequence: readonly string[]) => {
      const long = tube({ sequence })
        .weave(6, ends)
        .beads.filter(({ slot }) => slot.of === 'long')
        .map(({ role }) => role);
      return [long[4], long[4 + 3], long[4 + 6]];
    };
    expect(new Set(over(['A', 'C', 'D'])).size).toBe(1);
    expect(new Set(over(['A', 'C', 'D', 'E'])).size).toBe(3);
  });

  it.each([
    [{}, {}],
    [{ around: 4 }, {}],
    [{ around: 6 }, {}],
    [{}, { A: 'cube-3' }],
    [{}, { A: 'bugle-6' }],
    [{ seeds: ['B', 'B', 'B'] }, { A: 'bugle-6' }],
    [{}, { A: 'cube-3', B: 'seed-8' }],
  ])(
    'the layout, which knows nothing of it, agrees with the closed form to 15 %: %o in %o',
    (params, beads) => {
      const roles = tube(params).parts.map(({ role }) => role);
      const { pitchMm, form, rests, thicknessMm } = laid({
        stitch: 'helix-tube',
        params,
        beads: Object.fromEntries(roles.map((role) => [role, bead(beads)(role).id])),
      });
      expect(rests).toBe(true);
      expect(Math.abs(pitchMm / form.pitchMm - 1)).toBeLessThan(0.15);
      expect(Math.abs(thicknessMm / form.thicknessMm - 1)).toBeLessThan(0.1);
    },
  );

  it('a round of three turns on by some 84° beyond once round (geometry)', () => {
    const { settled } = laid({ stitch: 'helix-tube', params: {}, beads: { A: 'bugle-3', B: 'seed-11' } });
    const perRound = ((Math.abs(settled.twist) * 3 * 180) / Math.PI) % 360;
    expect(perRound).toBeGreaterThan(70);
    expect(perRound).toBeLessThan(95);
  });

  it('a bugle too short for its side, and one too thick, are told; what helps was tried', () => {
    const advice = (params: object, beads: Readonly<Record<string, string>>) =>
      tube(params).advise?.(bead(beads)) ?? [];
    expect(advice({}, {})).toEqual([]);
    const long = { seeds: ['B', 'B', 'B', 'B'] };
    expect(advice(long, {}).join()).toMatch(/shorter than the seeds/);
    expect(advice(long, { A: 'bugle-6' })).toEqual([]);
    expect(advice({ seeds: ['B', 'B', 'B'] }, {})).toEqual([]);
    expect(advice({}, { A: 'pressed-8' }).join()).toMatch(/so thick/);
    expect(advice({}, { A: 'pressed-4' })).toEqual([]);
    expect(advice({}, { A: 'pressed-6', B: 'seed-8' })).toEqual([]);
    expect(helixTube.check({ ...helixTube.defaults, seeds: ['B'] }).join()).toMatch(/two seeds at least/);
  });
});
