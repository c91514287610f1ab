// Pictures of steps, for every stitch: what is new is drawn, the thread goes on where it was left, and the face that is up is seen.
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { newPart } from '../piece/newPiece';
import { planPart } from '../plan/plan';
import type { Plan } from '../plan/planned';
import { planPictures, planSteps, planUnits } from '../plan/steps';
import { MADE_WHOLE, STRUCTURES } from '../structures/registry';
import type { Structure } from '../structures/structure';
import { anyParams } from '../testing/anyParams';
import { runs } from '../testing/thorough';
import type { Move } from '../weave/path';
import type { StepPicture } from './picture';

const every = [...STRUCTURES, ...MADE_WHOLE];

const planOf = (structure: Structure, more: object = {}) => {
  const part = newPart('Drawn', structure.id, null);
  const closing = structure.madeWhole ? ('open' as const) : ('clasp' as const);
  return planPart({ ...part, units: 5, ends: { ...part.ends, closing }, ...more });
};

/** Each step of a plan with its picture. */
const drawn = (plan: Plan): { moves: readonly Move[]; picture: StepPicture | null }[] => {
  const pictureOf = planPictures(plan);
  return planUnits(plan).flatMap(({ steps }) =>
    steps.map(({ moves }) => ({ moves, picture: pictureOf(moves) })),
  );
};

describe.each(every.map((structure) => [structure.id, structure] as const))('%s', (_, structure) => {
  it('every step shows all that is new in it, within the picture, and numbers what it goes through in turn', () => {
    let seen = 0;
    fc.assert(
      fc.property(anyParams(structure), fc.constantFrom('right', 'left'), (params, hand) => {
        const asked = planOf(structure, { structure: { id: structure.id, params }, hand });
        const plan = asked.ok ? asked : planOf(structure, { hand });
        if (!plan.ok) return;
        for (const { moves, picture } of drawn(plan)) {
          const picks = moves.flatMap((move) => (move.kind === 'pick' ? [move.bead.id] : []));
          const through = moves.filter(({ kind }) => kind === 'pass' || kind === 'attach').length;
          if (!picture) {
            expect(picks.length + through).toBe(0);
            continue;
          }
          seen++;
          const { from, to, beads, marks } = picture;
          const shown = beads.filter(
            ({ at: [x, y] }) => x >= from[0] && x <= to[0] && y >= from[1] && y <= to[1],
          );
          const fresh = new Set(shown.filter(({ part }) => part === 'new').map(({ bead }) => bead.id));
          // Round a tube, beads are drawn at every turn; of a ball the side away is not seen.
          for (const id of picks) if (structure.madeWhole?.by !== 'its middle') expect(fresh).toContain(id);
          for (const id of fresh) expect(picks).toContain(id);
          const numbers = marks.flatMap(({ text }) => text.split(' ').map(Number)).sort((a, b) => a - b);
          expect(numbers).toEqual(Array.from({ length: through }, (_, i) => i + 1));
          for (const { at } of marks) {
            expect(at[0]).toBeGreaterThanOrEqual(from[0]);
            expect(at[1]).toBeLessThanOrEqual(to[1]);
          }
        }
      }),
      { numRuns: runs(6) },
    );
    expect(seen).toBeGreaterThan(0);
  });
});

/** Where the first new bead of each step lies from the middle of its picture, towards the right. */
const sides = (plan: Plan): number[] =>
  drawn(plan).flatMap(({ picture }) => {
    const first = picture?.beads.find(({ part }) => part === 'new');
    if (!picture || !first) return [];
    return [first.at[0] - (picture.from[0] + picture.to[0]) / 2];
  });

it('turned over at the end of each row, its other face is drawn: every second row is seen in a mirror', () => {
  const [still, turned] = [false, true].map((turning) => {
    const plan = planOf(STRUCTURES.find(({ id }) => id === 'brick-stitch') as Structure, { turning });
    if (!plan.ok) throw new Error(plan.problem.code);
    return sides(plan);
  });
  expect(turned).toHaveLength(still?.length ?? 0);
  const rows = (all: readonly number[] = []) => all.slice(1, 7).map((x) => Math.sign(Math.round(x)));
  const [as, other] = [rows(still), rows(turned)];
  // As it lies rows begin on either side by turns; turned, all on the same.
  expect(new Set(as).size).toBe(2);
  expect(new Set(other).size).toBe(1);
});

it('the picture of a step is of the moves that its words tell', () => {
  const plan = planOf(STRUCTURES.find(({ id }) => id === 'flat-peyote') as Structure);
  if (!plan.ok) throw new Error(plan.problem.code);
  const pictureOf = planPictures(plan);
  for (const { steps } of planSteps(plan))
    for (const { moves, text } of steps) {
      const picked = pictureOf(moves)?.beads.filter(({ part }) => part === 'new').length ?? 0;
      expect(picked > 0).toBe(/pick up/i.test(text));
    }
});
