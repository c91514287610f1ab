// Steps for who knows the stitch: one line a row, that says what is strung and what is out of the way.
import { describe, expect, it } from 'vitest';
import { newPart } from '../piece/newPiece';
import { planPart } from '../plan/plan';
import { planSteps } from '../plan/steps';
import { MADE_WHOLE, STRUCTURES } from '../structures/registry';

const steps = (id: string, made = false) => {
  const part = newPart('Brief', id, null);
  const plan = planPart({ ...part, units: 8, ends: { ...part.ends, closing: made ? 'open' : 'clasp' } });
  if (!plan.ok) throw new Error(plan.problem.code);
  return planSteps(plan);
};

it('a row of peyote, of herringbone and of brick in one line', () => {
  const rows = (id: string) =>
    steps(id)
      .filter(({ pass }) => pass === 'base')
      .at(-1)
      ?.steps.map(({ brief }) => brief);
  expect(rows('flat-peyote')).toEqual(['From left to right. 3 × 1 A.', 'From right to left. 3 × 1 B.']);
  expect(rows('flat-herringbone')?.[0]).toBe('2 A.');
  expect(rows('tubular-peyote')?.at(-1)).toBe('Round to the right. 4 × 1 B, step up.');
});

describe.each([...STRUCTURES, ...MADE_WHOLE].map((structure) => [structure.id, structure] as const))(
  '%s',
  (id, { madeWhole }) => {
    it('is shorter told, names every bead that is picked up, and says as much where nothing is', () => {
      const all = steps(id, madeWhole !== undefined).flatMap((group) => group.steps);
      let [full, brief] = [0, 0];
      for (const step of all) {
        full += step.text.length;
        brief += step.brief.length;
        expect(step.brief).toMatch(/^[A-Z1-9].*\.$/);
        const strung = step.moves.filter(({ kind }) => kind === 'pick').length;
        // Every number before a bead's letter or name, times what it is repeated by, adds up to what is strung.
        if (strung > 0) expect(counted(step.brief)).toBe(strung);
      }
      if (all.length > 0) expect(brief).toBeLessThan(full);
    });
  },
);

/** How many beads a line in brief says are picked up. */
function counted(brief: string): number {
  const flat = brief
    .replace(/(\d+) × \(([^)]*)\)/g, (_, n: string, once: string) => Array(Number(n)).fill(once).join(', '))
    .replace(/(\d+) × ([^,.]*)/g, (_, n: string, once: string) => Array(Number(n)).fill(once).join(', '));
  return [...flat.matchAll(/(?:^|[\s,])(\d+) (?:[A-Z]\b|loop seed|motif)/g)].reduce(
    (sum, [, n]) => sum + Number(n),
    0,
  );
}
