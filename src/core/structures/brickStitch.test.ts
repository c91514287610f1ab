import { describe, expect, it } from 'vitest';
import { BEADS, byId } from '../materials/catalogue';
import { newPart } from '../piece/newPiece';
import { planPart } from '../plan/shipped';
import { tally } from '../read/tally';
import { holeUses } from '../read/traversals';
import { checkPath } from '../weave/check';
import { brickStitch } from './brickStitch';
import { all, body, eight, eleven, ends } from '../testing/woven';
import { FINISH, WOVEN } from '../weave/path';

const open = { start: { seedsEachSide: 0, passes: 0 }, end: { seedsEachSide: 0, passes: 0 } };
const bind = (wide: number, sequence = ['A', 'B']) =>
  brickStitch.bind({ ...brickStitch.defaults, sequence, wide });

/** A piece of one kind of bead, as the plan lays it out. */
const laidOut = (id: string, params: Record<string, unknown>) => {
  const piece = newPart('A wall', id, null);
  const plan = planPart({ ...piece, structure: { id, params: { ...piece.structure.params, ...params } } });
  if (!plan.ok) throw new Error(plan.problem.code);
  return plan;
};

describe('brick stitch by hand', () => {
  it('counted by hand: 5 across, 8 rows by turns; each bead but those of the ladder hangs on a thread', () => {
    const path = bind(5).weave(4, open);
    expect(Object.fromEntries(tally(path))).toEqual({ A: 20, B: 20 });
    // Four threads between five beads; the first of each row holds two beads.
    expect(path.moves.filter(({ kind }) => kind === 'under')).toHaveLength(7 * 4);
  });

  it('counted by hand: twice through a bead of a row, three times through its second', () => {
    const path = bind(6).weave(6, ends);
    const row = holeUses(path).filter(({ bead: { place } }) => place.section === WOVEN && place.row === 5);
    const uses = row.map(({ traversals }) => traversals);
    expect(uses).toEqual([2, 3, 2, 2, 2, 2]);
  });

  it('closed form by hand: a row is as long as its longest bead, the strip as wide as its thickest make it', () => {
    const motif = [
      ['A', 'B', 'A'],
      ['A', 'A', 'A'],
    ];
    const form = brickStitch
      .bind({ ...brickStitch.defaults, sequence: ['A'], wide: 3, motif })
      .form(body, all);
    expect(form.pitchMm).toBeCloseTo(eight.lengthMm + eleven.lengthMm, 9);
    expect(form.widthMm).toBeCloseTo(3.5 * eight.diameterMm, 9);
    expect(form.thicknessMm).toBe(eight.diameterMm);
  });

  it('is peyote turned by a quarter (common practice): as long as that is wide, as wide as that is long', () => {
    const bead = byId(BEADS, 'cylinder-11');
    const wall = laidOut('brick-stitch', { sequence: ['A'], wide: 6 });
    const peyote = laidOut('flat-peyote', { sequence: ['A'], wide: 6 });
    expect(wall.gauge.source).toBe('solver');
    // A row of the wall is a bead of peyote’s width; two rows of peyote are a bead of the wall’s.
    expect(wall.gauge.pitchMm / (peyote.widthMm / 6)).toBeCloseTo(1, 1);
    expect(wall.widthMm / (13 * peyote.gauge.pitchMm)).toBeCloseTo(1, 1);
    expect(Math.abs(wall.gauge.pitchMm / bead.lengthMm - 1)).toBeLessThan(0.02);
  });

  it('from bead to bead of the ladder and its loop no thread is longer than a loop is wide', () => {
    for (const wide of [2, 3, 5, 6, 8, 12]) {
      const { thread } = laidOut('brick-stitch', { sequence: ['A'], wide }).work();
      const atStart = thread.filter(
        ({ move: { kind, place } }) => kind !== 'knot' && place.row === 0 && place.section !== FINISH,
      );
      const { diameterMm } = byId(BEADS, 'seed-11');
      for (const { gapMm } of atStart) expect(gapMm).toBeLessThan(2 * diameterMm);
    }
  });

  it.each([2, 3, 4, 5, 8, 12])('%i across: sewn on by one loop or as many as it has room for', (wide) => {
    for (const loops of [1, Math.floor(wide / 2)]) {
      const loop = { seedsEachSide: 3, passes: 3, loops };
      expect(checkPath(bind(wide).weave(4, { start: loop, end: loop }))).toEqual([]);
    }
    expect(checkPath(bind(wide).weave(4, open))).toEqual([]);
  });

  it('advises against thick beads on thin ones', () => {
    const sizes = { A: byId(BEADS, 'seed-8'), B: byId(BEADS, 'cylinder-11') };
    const advice = (a: keyof typeof sizes) => bind(4).advise?.((role) => sizes[role === 'A' ? a : 'B']);
    expect(advice('A')?.join()).toMatch(/about as thick/);
    expect(advice('B')).toEqual([]);
  });
});
