import { describe, expect, it } from 'vitest';
import { planned } from '../testing/planned';
import { absorbers, neighbouring, REST_MM, type Absorber } from './absorbers';
import { shippedLayouts } from '../layout/shipped';
import { BEADS, CLASPS, FINDINGS, byId } from '../materials/catalogue';
import { newPart } from '../piece/newPiece';
import type { PartOfPiece } from '../piece/partOfPiece';
import type { Plan } from './plan';
import { STRUCTURES } from '../structures/registry';

const parts = { clasps: CLASPS, findings: FINDINGS, beads: BEADS };
const wearer = (wrist: number) => ({ personId: null, name: 'Maren', girths: { wrist }, typical: null });
const offers = (piece: PartOfPiece): [Plan, Absorber[]] => {
  const plan = planned(piece);
  return [plan, absorbers(piece, plan, parts, { layouts: shippedLayouts })];
};

describe('what would absorb the rest', () => {
  const pieces = STRUCTURES.flatMap(({ id }) =>
    [151, 163, 178].map((wrist) => newPart('Rest', id, wearer(wrist))),
  );

  it('one click on it makes the piece as long as it says, with the same count', () => {
    for (const piece of pieces) {
      const [plan, offered] = offers(piece);
      for (const { change, finishedMm, what } of offered) {
        const after = planned({ ...piece, ...change });
        expect(after.chosen.units).toBe(plan.chosen.units);
        const reached = what.kind === 'extender' ? after.closure.longestMm : after.chosen.finishedMm;
        if (what.kind === 'extender') expect(reached).toBeGreaterThanOrEqual(finishedMm);
        else expect(reached).toBeCloseTo(finishedMm, 6);
      }
    }
  });

  it('comes nearer to the wish than the piece is, the fitting ones first', () => {
    for (const piece of pieces) {
      const [plan, offered] = offers(piece);
      for (const { offMm } of offered) expect(Math.abs(offMm)).toBeLessThan(Math.abs(plan.chosen.offMm));
      const fits = offered.map((one) => one.fits);
      expect([...fits].sort((a, b) => Number(b) - Number(a))).toEqual(fits);
    }
  });

  it('offers something for a piece of long units that misses, and nothing where nothing is left over', () => {
    const long = newPart('Rest', 'strung-line', wearer(158));
    const params = { ...long.structure.params, sequence: Array<string>(20).fill('A'), extra: 0 };
    const piece: PartOfPiece = { ...long, structure: { ...long.structure, params } };
    const [plan, offered] = offers(piece);
    expect(Math.abs(plan.chosen.offMm)).toBeGreaterThan(REST_MM);
    expect(offered.length).toBeGreaterThan(2);
    expect(new Set(offered.map(({ what }) => what.kind)).size).toBeGreaterThan(1);

    const exact = { school: 'flat', finishedMm: plan.chosen.finishedMm } as const;
    expect(offers({ ...piece, wear: exact })[1]).toEqual([]);
  });

  it('a necklace with chain has nothing left over', () => {
    const base = newPart('Chain', 'right-angle-weave', null, 'necklace');
    const chained = { ...base, ends: { ...base.ends, chain: { linkMm: 3, wovenMm: 150 } } };
    const [plan, offered] = offers(chained);
    expect(Math.abs(plan.chosen.offMm)).toBeLessThanOrEqual(3);
    expect(offered).toEqual([]);
  });
});

describe('the neighbours of a bead', () => {
  const ids = (id: string) => neighbouring(byId(BEADS, id), BEADS).map((kind) => kind.id);
  it('are the next larger of its shape, then the next smaller', () => {
    // Seeds by their usual sizes (common practice): 8/0 lies between 6/0 and 10/0, 11/0 between 10/0 and 15/0.
    expect(ids('seed-11')).toEqual(['seed-10', 'seed-15']);
    for (const id of ['seed-8', 'seed-10', 'seed-11', 'pressed-4']) {
      const { diameterMm } = byId(BEADS, id);
      const sizes = ids(id).map((one) => byId(BEADS, one).diameterMm);
      expect(sizes).toHaveLength(2);
      expect(sizes[0]).toBeGreaterThan(diameterMm);
      expect(sizes[1]).toBeLessThan(diameterMm);
    }
  });
  it('are none where no other is near', () => {
    expect(neighbouring(byId(BEADS, 'seed-11'), [byId(BEADS, 'seed-11'), byId(BEADS, 'seed-6')])).toEqual([]);
  });
});
