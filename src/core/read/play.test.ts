import { describe, expect, it } from 'vitest';
import { distance, type Point } from '../layout/layout';
import { newPart } from '../piece/newPiece';
import { planUnits } from '../plan/steps';
import { planPart } from '../plan/shipped';
import { STRUCTURES } from '../structures/registry';
import { frames } from './play';

const played = (id: string) => {
  const plan = planPart({ ...newPart('Sample', id, null), units: 7 });
  if (!plan.ok) throw new Error(plan.problem.code);
  const { path, layout, thread } = plan.work();
  return { plan, path, thread, all: frames(thread, layout) };
};

describe.each(STRUCTURES.map((s) => [s.name, s.id] as const))('%s, move by move', (_, id) => {
  it('has one picture for each move, and beads only ever come on', () => {
    const { path, all } = played(id);
    expect(all).toHaveLength(path.moves.length);
    all.forEach(({ strung }, i) => expect(strung).toBeGreaterThanOrEqual(all[i - 1]?.strung ?? 0));
    expect(all.at(-1)?.strung).toBe(path.beads.length);
  });

  it('the ways drawn are as long as the thread that is counted', () => {
    const { all, thread } = played(id);
    const drawn = all.reduce((sum, { way }) => sum + length(way), 0);
    const counted = thread.reduce((sum, { holeMm, gapMm, span }) => sum + holeMm + (span ? gapMm : 0), 0);
    expect(drawn).toBeCloseTo(counted, 6);
  });

  it('each needle goes on from where it was', () => {
    const { all } = played(id);
    const at = new Map<string, Point>();
    let joined = 0;
    for (const { move, way } of all) {
      const [first] = way;
      const before = at.get(move.needle);
      if (first && before) {
        joined++;
        expect(distance(first, before)).toBeLessThan(1e-9);
      }
      const last = way.at(-1);
      if (last) at.set(move.needle, last);
    }
    expect(joined).toBeGreaterThan(all.length / 2);
  });

  it('words every move once', () => {
    const { plan, path } = played(id);
    const told = planUnits(plan).flatMap((unit) => unit.steps.flatMap(({ moves }) => moves));
    expect(told).toEqual(path.moves);
  });
});

const length = (way: readonly Point[]): number =>
  way.reduce((sum, point, i) => sum + (i === 0 ? 0 : distance(point, way[i - 1] as Point)), 0);
