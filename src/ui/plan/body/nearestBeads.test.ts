import { expect, it } from 'vitest';
import { examplePiece } from '@/demo/choir';
import { planPiece } from '@/core/plan/shipped';
import { nearestBeads } from './nearestBeads';

const worn = (name: string) => {
  const plan = planPiece(examplePiece(name));
  if (!plan.ok) throw new Error(plan.problem.code);
  const { parts } = plan.sketch('above');
  const all = parts.reduce((sum, { beads, times }) => sum + beads.length * times, 0);
  return { all, beads: nearestBeads({ parts } as Parameters<typeof nearestBeads>[0]) };
};

it('of many beads in rows the nearest stand for all; of what is made apart and strung none is left out', () => {
  const rope = worn('bollard');
  expect(rope.all).toBeGreaterThan(500);
  expect(rope.beads.length).toBeLessThan(rope.all);
  // What closes it stands beside its rows, and hides none of them.
  const closed = worn('windlass');
  expect(closed.all).toBeGreaterThan(500);
  expect(closed.beads.filter(({ x }) => x < 0)).toHaveLength(30);
  expect(closed.beads.length - 30).toBeGreaterThan((closed.all - 30) / 4);
  const drops = worn('spray-drops');
  expect(drops.all).toBeGreaterThan(500);
  expect(drops.beads).toHaveLength(drops.all);
  // Balls and drops do not bend: all beads of one go where its middle goes.
  expect(new Set(drops.beads.map(({ x }) => x)).size).toBeLessThan(drops.all / 2);
});
