import { describe, expect, it } from 'vitest';
import { newPart, usualWear } from '../piece/newPiece';
import { CLOSINGS, KINDS, KIND_FACTS, SCHOOLS, type Closing } from '../body/kinds';
import { wordProblem } from '../words/problems';
import { planPart } from './plan';

const wearer = { personId: null, name: 'Maren', girths: { wrist: 159 }, typical: null };

const problem = (id: string, params: object, closing: Closing) => {
  const piece = newPart('Held up', id, wearer);
  const plan = planPart({
    ...piece,
    structure: { id, params: { ...piece.structure.params, ...params } },
    ends: { ...piece.ends, closing },
  });
  return plan.ok ? null : plan.problem;
};

describe('what a stitch cannot be closed by', () => {
  it('is told with what stands against it, where the stitch says so: an odd strip joined', () => {
    expect(problem('flat-peyote', { wide: 5 }, 'joined')).toMatchObject({
      code: 'cannot-close',
      closing: 'joined',
      why: expect.stringMatching(/With 5 across.*take 4 or 6 across/s) as string,
    });
    expect(problem('flat-peyote', { wide: 4 }, 'joined')).toBeNull();
  });
  it('is told without a reason where it says none', () => {
    expect(problem('two-hole-line', {}, 'joined')).toMatchObject({ code: 'cannot-close', why: null });
  });
});

describe('a piece as only a file made elsewhere tells it', () => {
  it('any kind, by any way to its length, closed in any way, worn by anybody or nobody: planned, or told in words', () => {
    for (const kind of KINDS)
      for (const school of SCHOOLS)
        for (const closing of CLOSINGS)
          for (const worn of [wearer, null]) {
            const piece = newPart('Elsewhere', 'tubular-herringbone', worn);
            const plan = planPart({
              ...piece,
              kind,
              wear: usualWear(kind, school),
              ends: { ...piece.ends, closing },
            });
            if (plan.ok) continue;
            // A bail is told what it goes over.
            const girth = ['ease', 'drop', 'elastic', ...(kind === 'bail' ? [] : ['over'])];
            const needs = KIND_FACTS[kind].place === null && girth.includes(school);
            expect(plan.problem.code === 'no-place').toBe(needs);
            expect(wordProblem(plan.problem, { unit: 'cm', denominator: 16, decimal: '.' })).toMatch(/\.$/);
          }
  });
});
