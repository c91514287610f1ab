import { describe, expect, it } from 'vitest';
import { newPart } from '../piece/newPiece';
import type { Closing } from '../body/kinds';
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
