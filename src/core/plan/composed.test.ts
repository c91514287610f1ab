import fc from 'fast-check';
import { expect, it } from 'vitest';
import { partOf } from '../piece/partOfPiece';
import { pieceSchema } from '../piece/piece';
import { tally } from '../read/tally';
import { anyComposed } from '../testing/anyComposed';
import { runs } from '../testing/thorough';
import { wordProblem } from '../words/problems';
import { wordWarning } from '../words/warnings';
import { beadsInAll, madeApart, threadInAllMm } from './madeApart';
import type { Plan } from './plan';
import { planPart } from './shipped';

const INCHES = { unit: 'in', denominator: 16 } as const;

/** Beads of a plan by its whole paths: as a second opinion, counted bead by bead. */
function countedBeadByBead(plan: Plan): number {
  const own = [...tally(plan.work().path)];
  const beads = own.reduce((sum, [role, n]) => sum + (plan.components.has(role) ? 0 : n), 0);
  const strung = own.reduce((sum, [role, n]) => {
    const component = plan.components.get(role);
    return component ? sum + n * countedBeadByBead(component.plan) : sum;
  }, 0);
  const others = [...(plan.closedBy ? [plan.closedBy] : []), ...plan.hung];
  return others.reduce((sum, one) => sum + countedBeadByBead(one.plan), beads + strung);
}

it('any piece of parts is planned, or told in words what stands in its way; its sums are those of its parts', () => {
  let planned = 0;
  fc.assert(
    fc.property(anyComposed, (piece) => {
      expect(pieceSchema.parse(piece)).toEqual(piece);
      const plan = planPart(partOf(piece));
      if (!plan.ok) {
        expect(plan.problem.code).not.toBe('fault');
        expect(wordProblem(plan.problem, INCHES)).not.toMatch(/undefined|NaN|null/);
        return;
      }
      planned++;
      for (const warning of plan.warnings)
        expect(Object.values(wordWarning(warning, INCHES)).join(' ')).not.toMatch(/undefined|NaN|null/);
      for (const figure of [
        beadsInAll(plan),
        threadInAllMm(plan),
        plan.weight.grams,
        plan.chosen.finishedMm,
      ]) {
        expect(figure).toBeGreaterThan(0);
        expect(Number.isFinite(figure)).toBe(true);
      }
      if (!plan.weaveable.pathless && plan.chosen.units < 200)
        expect(beadsInAll(plan)).toBe(countedBeadByBead(plan));
      for (const { component, times } of madeApart(plan)) {
        expect(times).toBeGreaterThan(0);
        // What is drawn is known by its bead.
        for (const { role } of component.sketch('above').shapes.values())
          expect(component.plan.seen.beads).toHaveProperty([role]);
      }
      for (const { role } of plan.sketch('above').shapes.values())
        expect(plan.seen.beads).toHaveProperty([role]);
    }),
    { numRuns: runs(240), seed: 20 },
  );
  expect(planned).toBeGreaterThan(15);
});
