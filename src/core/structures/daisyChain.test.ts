// A daisy chain counted on paper: rings of petals, a centre in each, stems between.
import { describe, expect, it } from 'vitest';
import { BEADS, byId } from '../materials/catalogue';
import { holeUses } from '../read/traversals';
import { laid } from '../testing/layoutCells';
import { all, counted, ends, woven } from '../testing/woven';
import { daisyChain } from './daisyChain';

const chain = (params: object = {}) => daisyChain.bind({ ...daisyChain.defaults, ...params });
const bead = (changed: Readonly<Record<string, string>> = {}) => {
  const usual: Readonly<Record<string, string | undefined>> = daisyChain.usual;
  return (role: string) => byId(BEADS, changed[role] ?? usual[role] ?? 'seed-11');
};

describe('a daisy chain by hand', () => {
  it('six daisies are 48 petals and six centres, and five stems', () => {
    expect(counted(chain(), 6)).toEqual({ A: 48, B: 6, C: 15 });
    expect(counted(chain({ petals: 6, between: 'touching' }), 6)).toEqual({ A: 36, B: 6 });
    expect(counted(chain({ sequence: ['A', 'D'], extra: 1 }), 3)).toEqual({ A: 32, D: 24, B: 7, C: 18 });
  });

  it('thread goes twice through the first petal and the one opposite, once through all else', () => {
    const of = holeUses(chain().weave(8, ends)).filter(
      ({ bead: { place }, bead }) => woven(bead) && place.row === 4,
    );
    const petals = of.filter(({ bead }) => bead.slot.of === 'petal');
    expect(petals.map(({ traversals }) => traversals)).toEqual([2, 1, 1, 1, 2, 1, 1, 1]);
    expect(
      of.filter(({ bead }) => bead.slot.of !== 'petal').every(({ traversals }) => traversals === 1),
    ).toBe(true);
  });

  it('six equal balls round one: each touches it and its neighbours (geometry)', () => {
    const ball = byId(BEADS, 'pressed-4');
    const weaveable = chain({ petals: 6, between: 'touching' });
    const form = weaveable.form(() => ball, all);
    const path = weaveable.weave(4, ends);
    const at = (of: string) =>
      path.beads
        .filter(({ slot, place }) => slot.of === of && place.row === 1)
        .map((one) => form.pose(one).centre);
    const [centre = [0, 0, 0]] = at('centre');
    const petals = at('petal');
    const apart = (a: readonly number[], b: readonly number[]) =>
      Math.hypot(...a.map((v, i) => v - Number(b[i])));
    petals.forEach((petal, i) => {
      expect(apart(petal, centre)).toBeCloseTo(4, 6);
      expect(apart(petal, petals[(i + 1) % 6] ?? [])).toBeCloseTo(4, 6);
    });
    expect(form.widthMm).toBeCloseTo(12, 6);
  });

  it.each([
    [{}, {}],
    [{ between: 'touching' }, {}],
    [{ petals: 6 }, { B: 'seed-11' }],
    [{ petals: 10 }, { B: 'fire-polished-4' }],
    [{ stem: ['C'] }, { C: 'fire-polished-4' }],
  ])(
    'the layout, which knows nothing of it, agrees with the closed form to 5 %: %o in %o',
    (params, beads) => {
      const roles = chain(params).parts.map(({ role }) => role);
      const { pitchMm, form, rests } = laid({
        stitch: 'daisy-chain',
        params,
        beads: Object.fromEntries(roles.map((role) => [role, bead(beads)(role).id])),
      });
      expect(rests).toBe(true);
      expect(Math.abs(pitchMm / form.pitchMm - 1)).toBeLessThan(0.05);
    },
  );

  it('a centre too large or too small is told, and what helps was tried', () => {
    const advice = (params: object, beads: Readonly<Record<string, string>>) =>
      chain(params).advise?.(bead(beads)) ?? [];
    expect(advice({}, {})).toEqual([]);
    expect(advice({}, { B: 'pressed-6' }).join()).toMatch(/too large/);
    expect(advice({ petals: 10 }, { B: 'fire-polished-4' })).toEqual([]);
    expect(advice({}, { A: 'seed-6', B: 'fire-polished-6' })).toEqual([]);
    expect(advice({}, { B: 'seed-15' }).join()).toMatch(/too small/);
    expect(advice({ petals: 6 }, { B: 'seed-11' })).toEqual([]);
    expect(advice({}, { A: 'seed-15', B: 'seed-11' })).toEqual([]);
  });
});
