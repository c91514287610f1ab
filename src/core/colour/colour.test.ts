import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { newPart } from '../piece/newPiece';
import type { PartOfPiece } from '../piece/partOfPiece';
import type { Plan } from '../plan/plan';
import { planRows } from '../plan/steps';
import { planPart, planSolved } from '../plan/shipped';
import { structureById } from '../structures/registry';
import { checkPath } from '../weave/check';
import { PALETTE } from '../materials/catalogue';
import { colourProblem, coloursAtHand } from './ownColours';
import { shadeAt, type Colouring } from './shades';
import { WOVEN } from '../weave/path';

const shade = (name: string) => ({ name, hex: '#336699' });
const turns = (every: number, ...names: string[]): Colouring => ({
  pattern: 'turns',
  every,
  more: names.map(shade),
});

function planned(id: string, change: Partial<PartOfPiece>, params: Record<string, unknown> = {}): Plan {
  const piece = newPart('Colours', id, null);
  const own = { ...piece.structure, params: { ...piece.structure.params, ...params } };
  const plan = planPart({ ...piece, structure: own, ...change });
  if (!plan.ok) throw new Error(JSON.stringify(plan.problem));
  return plan;
}

const at = (unit: number, units = 12) => ({ unit, units, nth: unit, of: units });
const along = (colouring: Colouring, units: number) =>
  Array.from({ length: units }, (_, unit) => shadeAt(colouring, at(unit, units))).join('');

// How colours are shared out is common practice, no source: the sequences are written by hand.
describe('colours of one bead', () => {
  it('take turns, so many units each', () => {
    expect(along(turns(1, 'foam'), 6)).toBe('010101');
    expect(along(turns(2, 'foam', 'brass'), 9)).toBe('001122001');
  });

  it('go over from the first to the last, and back again', () => {
    expect(along({ pattern: 'graded', more: [shade('b'), shade('c')], back: false }, 9)).toBe('000111222');
    expect(along({ pattern: 'graded', more: [shade('b'), shade('c')], back: true }, 11)).toBe('00112221100');
  });

  it('alternate bead by bead as they are strung', () => {
    const alternating: Colouring = { pattern: 'alternating', more: [shade('b')] };
    expect([0, 1, 2, 3].map((nth) => shadeAt(alternating, { unit: 0, units: 9, nth, of: 4 }))).toEqual([
      0, 1, 0, 1,
    ]);
  });

  it('grade a piece that is all one unit bead by bead', () => {
    const graded: Colouring = { pattern: 'graded', more: [shade('b')], back: false };
    expect([0, 1, 2, 3].map((nth) => shadeAt(graded, { unit: 0, units: 1, nth, of: 4 }))).toEqual([
      0, 0, 1, 1,
    ]);
  });

  it('are always among those there are, and a graded row is even to a unit', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 1, max: 7 }),
        fc.integer({ min: 8, max: 400 }),
        fc.boolean(),
        (n, units, back) => {
          const more = Array.from({ length: n }, (_, i) => shade(`s${i}`));
          const counts = Array.from({ length: n + 1 }, () => 0);
          for (let unit = 0; unit < units; unit++) {
            const index = shadeAt({ pattern: 'graded', more, back }, at(unit, units));
            expect(index).toBeGreaterThanOrEqual(0);
            expect(index).toBeLessThanOrEqual(n);
            counts[index] = (counts[index] ?? 0) + 1;
          }
          // There and back the middle colour may miss its twin, and each half is rounded by itself.
          if (units >= 2 * (n + 1))
            expect(Math.max(...counts) - Math.min(...counts)).toBeLessThanOrEqual(back ? 3 : 1);
        },
      ),
    );
  });
});

describe('a plan in several colours', () => {
  it('counts every colour, and they add up to the beads of the role', () => {
    const plan = planned('flat-herringbone', { units: 20, colourings: { A: turns(1, 'foam') } });
    const [a] = plan.quantities;
    expect(a?.shades.map(({ name }) => name)).toEqual(['deep teal', 'foam']);
    expect(a?.shades.reduce((sum, { total }) => sum + total, 0)).toBe(a?.total);
    expect(plan.quantities.slice(1).every(({ shades }) => shades.length === 0)).toBe(true);
  });

  it('counts by hand: an alternating ladder of 10 rungs of two has half of each', () => {
    const plan = planned(
      'ladder',
      { units: 10, colourings: { A: { pattern: 'alternating', more: [shade('foam')] } } },
      { sequence: ['A'] },
    );
    const [a] = plan.quantities;
    expect(a?.shades.map(({ total }) => total)).toEqual([(a?.total ?? 0) / 2, (a?.total ?? 0) / 2]);
  });

  it('draws every bead in its colour, from every side', () => {
    const plan = planned('flat-herringbone', { units: 20, colourings: { A: turns(1, 'foam') } });
    for (const view of ['above', 'side'] as const) {
      const sketch = plan.sketch(view);
      const drawn = sketch.parts.flatMap(({ beads, times }) => beads.map((bead) => ({ ...bead, times })));
      const foam = drawn.filter(({ shape }) => sketch.shapes.get(shape)?.shade === 1);
      expect(foam.reduce((sum, { times }) => sum + times, 0)).toBe(plan.quantities[0]?.shades[1]?.total);
    }
  });

  it('changes neither count nor length nor gauge', () => {
    const plain = planned('flat-peyote', {});
    const shaded = planned('flat-peyote', { colourings: { A: turns(3, 'foam', 'brass') } });
    expect(shaded.chosen).toEqual(plain.chosen);
    expect(shaded.gauge).toEqual(plain.gauge);
    expect(shaded.thread.cutsMm).toEqual(plain.thread.cutsMm);
  });
});

describe('a small motif', () => {
  const motif = [
    ['A', 'B', 'A'],
    ['B', 'B', 'A'],
    ['A', 'A', 'B'],
    ['C', 'A', 'C'],
  ];
  const alike = (id: string, params: Record<string, unknown>) => {
    const piece = newPart('Motif', id, null);
    const { A } = piece.beads;
    const beads = { ...piece.beads, B: { ...A }, C: { ...A } };
    return { ...piece, beads, structure: { id, params: { ...piece.structure.params, ...params } } };
  };

  const cloths = [['flat-peyote'], ['brick-stitch']];
  const wide = { 'flat-peyote': 6, 'brick-stitch': 3 } as Record<string, number>;

  it.each(cloths)('of %s is woven as drawn: counts of 10 repeats by hand', (id) => {
    const plan = planSolved({ ...alike(id, { motif, wide: wide[id] }), units: 10 });
    if (!plan.ok) throw new Error('no plan');
    // Of the 12 cells 6 are A, 4 are B and 2 are C.
    expect(
      plan.quantities.filter(({ role }) => role !== 'loop').map(({ role, total }) => [role, total]),
    ).toEqual([
      ['A', 60],
      ['B', 40],
      ['C', 20],
    ]);
  });

  it.each(cloths)('of %s lies as the chart says: each bead in its row, from the upper edge down', (id) => {
    const plan = planSolved({ ...alike(id, { motif, wide: wide[id] }), units: 6 });
    if (!plan.ok) throw new Error('no plan');
    const { path, layout } = plan.work();
    for (let row = 8; row < 12; row++) {
      const beads = path.beads.filter(({ place }) => place.section === WOVEN && place.row === row);
      const across = (id: number) => layout.poses[id]?.centre[1] ?? 0;
      const seen = [...beads].sort((a, b) => across(a.id) - across(b.id)).map(({ role }) => role);
      expect(seen).toEqual(motif[row % 4]);
    }
  });

  it.each(cloths)('of %s does not change the layout: beads of one size are laid out as before', (id) => {
    const plain = planPart(alike(id, { wide: wide[id] }));
    const drawn = planPart(alike(id, { wide: wide[id], motif }));
    if (!plain.ok || !drawn.ok) throw new Error('no plan');
    expect(drawn.toLayOut).toBeNull();
    expect(drawn.gauge.pitchMm).toBeCloseTo(2 * plain.gauge.pitchMm, 6);
  });

  it('weaves without fault in every width, and in right-angle weave in every number of rows', () => {
    const loop = { seedsEachSide: 3, passes: 2 };
    const weave = (id: string, params: Record<string, unknown>) => {
      const piece = alike(id, params);
      const bound = structureById(id)?.bind(piece.structure.params);
      if (!bound) throw new Error(id);
      return bound.weave(5, { start: loop, end: loop });
    };
    for (const wide of [3, 4, 5, 8, 12])
      for (const [id = ''] of cloths) expect(checkPath(weave(id, { motif, wide }))).toEqual([]);
    for (const rows of [1, 2, 3, 4, 5])
      expect(checkPath(weave('right-angle-weave', { motif, rows }))).toEqual([]);
  });

  it('colours sides and rungs of right-angle weave circle by circle', () => {
    const circles = [
      ['A', 'B', 'A'],
      ['C', 'B', 'C'],
    ];
    const plan = planned('right-angle-weave', { units: 8 }, { motif: circles });
    const count = (role: string) => plan.quantities.find((q) => q.role === role)?.total;
    // 16 circles share 17 rungs; each second circle has two sides of A, the others two of C.
    expect([count('A'), count('B'), count('C')]).toEqual([16, 17, 16]);
  });

  it('of an odd strip has an even number of rows', () => {
    const { check } = structureById('flat-peyote') ?? {};
    expect(check?.({ sequence: ['A'], wide: 5, motif: motif.slice(0, 3) })).toEqual([
      'An odd strip has long and short rows by turns: its motif needs an even number of rows.',
    ]);
  });
});

describe('the row list', () => {
  it('reads as the rows are strung, the first two of peyote as one', () => {
    const motif = [
      ['A', 'A', 'A'],
      ['A', 'A', 'A'],
      ['A', 'A', 'B'],
      ['B', 'A', 'A'],
    ];
    const plan = planned('flat-peyote', { units: 20 }, { motif });
    const [list] = planRows(plan);
    expect(list?.rows.slice(0, 3)).toEqual([
      { from: 1, to: 2, words: '6 A' },
      { from: 3, to: 3, words: '2 A, 1 B' },
      // Strung from the lower edge up.
      { from: 4, to: 4, words: '2 A, 1 B' },
    ]);
    expect(list?.again).toEqual({ from: 3, last: 80 });
  });

  it('names the colours of a role by number', () => {
    const plan = planned(
      'flat-peyote',
      { units: 12, colourings: { A: turns(1, 'foam') } },
      { sequence: ['A'], wide: 4 },
    );
    expect(planRows(plan)[0]?.rows.at(-1)?.words).toMatch(/^2 A[12]$/);
  });

  it('leaves no row out: rows told and rows that come again make up the whole', () => {
    for (const id of ['flat-peyote', 'ladder', 'right-angle-weave', 'flat-herringbone', 'tubular-peyote']) {
      const plan = planned(id, { units: 24 });
      const rows = new Set(
        plan
          .work()
          .path.beads.filter(({ place }) => place.section === WOVEN && place.row >= 0)
          .map(({ place }) => place.row + 1),
      );
      const told = new Set(
        planRows(plan).flatMap(({ rows: listed, again }) => [
          ...listed.flatMap(({ from, to }) => [from, to]),
          ...(again ? Array.from({ length: again.last - again.from + 1 }, (_, i) => again.from + i) : []),
        ]),
      );
      expect([...rows].filter((row) => !told.has(row))).toEqual([]);
    }
  });
});

describe('colours beside the palette', () => {
  const piece = newPart('Colours', 'flat-herringbone', null);
  const { A } = piece.beads;
  const own = { ...piece, beads: { ...piece.beads, A: { ...A, colourName: 'low tide', colour: '#556677' } } };

  it('are those that the piece has, of beads and of thread, each once', () => {
    expect(coloursAtHand(piece)).toEqual(PALETTE);
    const all = coloursAtHand({
      ...own,
      colourings: { A: turns(1, 'low tide', 'ebb') },
      threadColour: { name: 'ebb', hex: '#000000' },
    });
    expect(all.slice(PALETTE.length).map(({ name }) => name)).toEqual(['low tide', 'ebb']);
  });

  it('have a name of their own', () => {
    expect(colourProblem('  ', PALETTE)).toMatch(/name/);
    expect(colourProblem('Black', PALETTE)).toBe('There is a black already. Call this one something else.');
    expect(colourProblem('x'.repeat(41), PALETTE)).toMatch(/at most 40/);
    expect(colourProblem('low tide', PALETTE)).toBeNull();
  });
});
