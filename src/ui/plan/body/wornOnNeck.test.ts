import { max, pairs, sort, sum } from 'd3';
import { describe, expect, it } from 'vitest';
import { examplePiece } from '@/demo/choir';
import { planPiece } from '@/core/plan/shipped';
import { partOf } from '@/core/piece/partOfPiece';
import { nearestBeads } from './nearestBeads';
import { wornOnNeck } from './wornOnNeck';

const worn = (name: string) => {
  const piece = examplePiece(name);
  const plan = planPiece(piece);
  if (!plan.ok) throw new Error(plan.problem.code);
  const on = wornOnNeck(partOf(piece), plan, plan.wear.bodyMm ?? 350);
  return {
    plan,
    on,
    beads: nearestBeads(plan.sketch('above')).map((bead) => ({ bead, ...on.placeOf(bead) })),
  };
};

describe('a necklace as it is worn', () => {
  it('what hangs below a line hangs below it on the breast', () => {
    const { plan, beads } = worn('string-of-lights');
    // No longer than the neck, it lies in a circle.
    const lineMm = plan.chosen.finishedMm / (2 * Math.PI);
    expect(max(beads, ({ y }) => y)).toBeGreaterThan(lineMm + plan.widthMm / 4);
  });

  it('each strand lies along a line of its own, as close as the innermost, and below the one inside it', () => {
    const { plan, on, beads } = worn('wake-lines');
    const strands = plan.weaveable.strands?.(plan.chosen.units) ?? [];
    expect(on.lines).toHaveLength(strands.length);
    const { bodyStartMm, bodyEndMm } = plan.stations;
    const [middleMm, within] = [(bodyStartMm + bodyEndMm) / 2, (bodyEndMm - bodyStartMm) / 2];
    const lying = strands.map(({ fromRow, units }) => {
      const own = beads.filter(
        ({ bead: { of, x } }) =>
          of.row >= fromRow && of.row < fromRow + units && Math.abs(x - middleMm) < within,
      );
      const gaps = pairs(
        sort(own, ({ bead }) => bead.x),
        (a, b) => Math.hypot(a.x - b.x, a.y - b.y),
      );
      return { units, lowest: max(own, ({ y }) => y) ?? 0, mm: sum(gaps), widest: max(gaps) ?? 0 };
    });
    expect(lying.length).toBeGreaterThan(1);
    for (const [one, next] of pairs(lying)) {
      expect(next.lowest).toBeGreaterThan(one.lowest + 5);
      expect(next.mm - one.mm).toBeCloseTo((next.units - one.units) * plan.gauge.pitchMm, -1);
      expect(next.widest).toBeLessThan(one.widest * 1.1);
    }
  });
});
