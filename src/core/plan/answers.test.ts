import { describe, expect, it } from 'vitest';
import { answersOf } from './answers';
import { newPart } from '../piece/newPiece';
import { planPart } from './shipped';
import { STRUCTURES } from '../structures/registry';

describe('what a plan answers first', () => {
  it.each(STRUCTURES.map(({ id }) => [id] as const))(
    'of %s says the same as the plan, and arrives as it was sent',
    (id) => {
      const wearer = { personId: null, name: 'Maren', girths: { wrist: 159 }, typical: null };
      const plan = planPart(newPart('x', id, wearer));
      if (!plan.ok) throw new Error(plan.problem.code);
      const answers = answersOf(plan);
      expect(JSON.parse(JSON.stringify(answers))).toEqual(answers);
      expect(plan).toMatchObject(answers);
      expect(answers.candidates).toContainEqual(answers.chosen);
    },
  );
});
