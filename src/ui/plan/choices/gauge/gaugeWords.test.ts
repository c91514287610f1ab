import { describe, expect, it } from 'vitest';
import { newPiece } from '@/core/piece/newPiece';
import { planPiece, type Plan } from '@/core/plan/plan';
import { sourceWords } from './gaugeWords';

const planned = (id: string): Plan => {
  const plan = planPiece(newPiece('x', id, null));
  if (!plan.ok) throw new Error(plan.problem.code);
  return plan;
};

describe('where a gauge comes from, in words', () => {
  it('while it is laid out, how far that is; where it cannot be, why', () => {
    const plan = planned('flat-herringbone');
    expect(sourceWords(plan, null)).toBe('by rule of thumb');
    expect(sourceWords(plan, 0.428)).toBe('by rule of thumb; laying it out, 43 %');
    expect(sourceWords(plan, { why: 'the beads do not come to rest' })).toBe(
      'by rule of thumb; it could not be laid out: the beads do not come to rest',
    );
  });

  it('what is exact needs no layout', () => {
    expect(sourceWords(planned('graduated-line'), null)).toBe('the beads’ own lengths, end to end');
  });
});
