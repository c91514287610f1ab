import { describe, expect, it } from 'vitest';
import { shippedLayouts as layouts } from '../layout/shipped';
import { BEADS, byId, NEEDLES } from '../materials/catalogue';
import { newPart } from '../piece/newPiece';
import type { PartOfPiece } from '../piece/partOfPiece';
import { planPart } from './shipped';
import { substitution } from './substitution';
import { substitutionWords } from '../words/substitutions';

const style = { unit: 'in', denominator: 16, decimal: '.' } as const;
const answer = (piece: PartOfPiece, role: string, id: string) => {
  const plan = planPart(piece);
  if (!plan.ok) throw new Error(plan.problem.code);
  return substitution(piece, plan, role, byId(BEADS, id), { layouts });
};
const wearer = { personId: null, name: 'Maren', girths: { wrist: 159 }, typical: null };
const line = newPart('Line', 'strung-line', wearer);

describe('another bead in its place: three answers', () => {
  it('fits as it is: the same bead, or one as long along its hole', () => {
    expect(answer(line, 'A', line.beads.A.id)).toEqual({ answer: 'fits' });
  });

  it('fits after a recount: a longer bead, with the count that the plan would propose', () => {
    const told = answer(line, 'A', 'seed-6');
    const plan = planPart({
      ...line,
      beads: { ...line.beads, A: { ...line.beads.A, ...byId(BEADS, 'seed-6') } },
    });
    if (!plan.ok) throw new Error('no plan');
    expect(told).toEqual({
      answer: 'refit',
      units: plan.chosen.units,
      finishedMm: plan.chosen.finishedMm,
    });
    expect(substitutionWords(told, style)).toBe(`refit: ${plan.chosen.units} units`);
  });

  it('will not fit: two holes where one is needed, a hole that is too small', () => {
    const twoHoles = answer(line, 'A', 'lens');
    expect(twoHoles.answer).toBe('will not fit');
    expect(substitutionWords(twoHoles, style)).toMatch(/^will not fit: .*hole/i);
    const small = answer({ ...line, needle: byId(NEEDLES, 'needle-10') }, 'A', 'pearl-3');
    expect(small).toMatchObject({ answer: 'will not fit', why: { code: 'hole' } });
    expect(substitutionWords(small, style)).toMatch(/will not fit: hole too small/);
  });

  it('will not fit: holes that would not stand in line with those of another bead of two holes', () => {
    const piece = newPart('x', 'two-hole-line', wearer);
    const plan = planPart(piece);
    if (!plan.ok) throw new Error(plan.problem.code);
    const [part] = plan.weaveable.parts;
    if (!part) throw new Error('no part');
    // Rows of two kinds side by side, on the same two threads.
    const two = {
      ...plan,
      weaveable: { ...plan.weaveable, parts: [part, { ...part, role: 'B' as const }] },
    };
    const beside: PartOfPiece = { ...piece, beads: { ...piece.beads, B: { ...piece.beads.A, apartMm: 3 } } };
    const told = (apartMm: number) =>
      substitutionWords(
        substitution(beside, two, 'A', { ...byId(BEADS, 'lens'), apartMm }, { layouts }),
        style,
      );
    expect(told(3.5)).toBe('will not fit: holes 0.50 mm further apart than those of B');
    expect(told(2.5)).toBe('will not fit: holes 0.50 mm closer than those of B');
    expect(told(3.2)).not.toMatch(/holes/);
  });

  it('every bead of the catalogue gets one of the three, in every role of some stitch', () => {
    for (const id of ['flat-herringbone', 'two-hole-line', 'graduated-line'])
      for (const kind of BEADS) {
        const piece = newPart('x', id, wearer);
        const told = answer(piece, 'A', kind.id);
        expect(['fits', 'refit', 'will not fit']).toContain(told.answer);
        expect(substitutionWords(told, style).length).toBeGreaterThan(3);
      }
  });
});
