import { describe, expect, it } from 'vitest';
import { THREADS } from '../materials/catalogue';
import { makeOf } from '../materials/material';
import { newPart } from '../piece/newPiece';
import { planPart } from '../plan/plan';
import { planSteps } from '../plan/steps';
import { STRUCTURES } from '../structures/registry';
import { given } from '../tools/given';
import { checkPath } from '../weave/check';
import { isTraversal, type Path } from '../weave/path';

const LOOP = { seedsEachSide: 3, passes: 2 };
const NONE = { seedsEachSide: 0, passes: 0 };
const CLOSED = {
  clasp: { start: LOOP, end: LOOP },
  joined: { start: NONE, end: NONE, joined: true },
  open: { start: NONE, end: NONE },
};

const knots = ({ moves }: Path) => moves.flatMap((move) => (move.kind === 'knot' ? [move.knot] : []));
const worked = ({ moves }: Path) =>
  moves.flatMap((move) =>
    isTraversal(move) && move.place.section.zone !== 'finish'
      ? [`${move.bead.id} ${move.hole} ${move.enter}`]
      : [],
  );

/** No hitch holds on elastic: it is tied (common practice; the square knot with one more turn, from memory). */
describe.each(STRUCTURES.map(({ id }) => id))('%s of elastic', (id) => {
  const structure = given(
    STRUCTURES.find((one) => one.id === id),
    id,
  );
  const weaveable = structure.bind(structure.defaults);

  it('is tied and not hitched, however it is closed; all else is worked as it is', () => {
    for (const closing of weaveable.closings ?? (['clasp'] as const)) {
      const units = weaveable.minimumUnits + 6;
      const plain = weaveable.weave(units, CLOSED[closing]);
      const tied = weaveable.weave(units, { ...CLOSED[closing], tied: 'elastic' });
      expect(knots(tied)).not.toContain('half hitch');
      expect(worked(tied)).toEqual(worked(plain));
      expect(checkPath(tied)).toEqual(checkPath(plain));
      // In a ring the two ends are tied to each other, once.
      const finish = tied.moves.filter(({ place }) => place.section.zone === 'finish');
      const squares = finish.filter((move) => move.kind === 'knot');
      const ends = finish.filter((move) => move.kind === 'tail');
      if (closing === 'joined' && ends.length === 2) expect(squares).toHaveLength(1);
      expect(squares.length).toBeLessThanOrEqual(ends.length);
      if (ends.length > 0 && knots(plain).length > 0) expect(squares.length).toBeGreaterThan(0);
    }
  });

  it('is told so', () => {
    const elastic = given(
      THREADS.find((thread) => makeOf(thread) === 'elastic'),
      'elastic',
    );
    const plan = planPart({ ...newPart('x', id, null), thread: elastic });
    if (!plan.ok) throw new Error(plan.problem.code);
    const told = planSteps(plan)
      .flatMap(({ steps }) => steps.map(({ text }) => text))
      .join(' ');
    expect(told).not.toContain('half hitch');
    expect(told.toLowerCase()).toContain('tie a square knot with one more turn');
  });
});
