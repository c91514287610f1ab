// A tube whose ends are drawn together in a V: legs counted, measured by Pythagoras, and hung in what closes it.
import { describe, expect, it } from 'vitest';
import { BEADS, byId, CLASPS } from '../materials/catalogue';
import { sizeOf } from '../materials/material';
import { inColour, newPart } from '../piece/newPiece';
import type { PartOfPiece } from '../piece/partOfPiece';
import type { Plan } from '../plan/plan';
import { planSteps } from '../plan/steps';
import { findingPasses } from '../read/traversals';
import { STRUCTURES } from '../structures/registry';
import { ends as chosen } from '../testing/endsChosen';
import { planned } from '../testing/planned';
import { checkPath } from '../weave/check';
import { isTraversal } from '../weave/path';
import { closureOf } from './closure';
import { isOfLeg, legReachMm, loopLengthMm } from './sewnLoop';

const seed = sizeOf(inColour(byId(BEADS, 'seed-11'), { name: 'foam', hex: '#e9e3d0' }));

function onLegs(id: string, clasp = 'lobster-12', seeds = 6, passes = 2): Plan {
  const part = newPart('Legs', id, null, 'necklace');
  const end = { ...part.ends.start, seedsEachSide: seeds, passes, legs: true };
  const ends: PartOfPiece['ends'] = { ...part.ends, clasp: byId(CLASPS, clasp), start: end, end };
  return planned({ ...part, units: 40, ends });
}
const tubes = STRUCTURES.filter(({ bind, defaults }) => (bind(defaults).legs ?? 0) > 2);
const loopSeeds = (plan: Plan) => plan.quantities.find(({ role }) => role === 'loop')?.total ?? 0;

describe('ends in a V of legs', () => {
  it('are for tubes', () => {
    expect(tubes.map(({ id }) => id)).toEqual(['tubular-peyote', 'helix-tube', 'netted-tube']);
  });

  it('by hand: three legs of six seeds and one in which they meet, at either end', () => {
    const plan = onLegs('helix-tube');
    expect(loopSeeds(plan)).toBe(2 * (3 * 6 + 1));
    // Over a ball of 6 mm the loop of seeds begins where they meet.
    const over = onLegs('helix-tube', 'ball-6');
    expect(loopSeeds(over)).toBe(2 * (3 * 6 + 1) + (over.closure.button?.seeds ?? NaN));
  });

  it('Pythagoras: legs of 13 from a wall 5 off the middle reach 12 along', () => {
    const body = { lengthMm: 1, diameterMm: 2 };
    const loop = { seedsEachSide: 13, passes: 2, legs: { count: 3, fromMm: 5 } };
    expect(legReachMm(loop, body)).toBeCloseTo(12, 9);
    expect(loopLengthMm(loop, body)).toBeCloseTo(13, 9);
    expect(loopLengthMm({ ...loop, passes: 0 }, body)).toBe(0);
    expect(loopLengthMm({ ...loop, buttonSeeds: 20 }, body)).toBeCloseTo(23, 9);
    const asked = chosen('lobster-12', { end: { seedsEachSide: 13, passes: 2, rings: null, legs: true } });
    const { loops } = closureOf(asked, seed, { legs: { count: 3, fromMm: 5 } });
    expect([loops.start.legs, loops.end.legs?.count]).toEqual([undefined, 3]);
    // What has no places for them is sewn on as ever.
    expect(closureOf(asked, seed).loops.end.legs).toBeUndefined();
  });

  it.each(
    tubes.flatMap(({ id }) => ['lobster-12', 'ball-6', 'toggle-12'].map((clasp) => [id, clasp] as const)),
  )('%s on %s: a sound path, as often through what closes it as asked or as legs make it', (id, clasp) => {
    for (const passes of [1, 2, 3]) {
      const plan = onLegs(id, clasp, 6, passes);
      const { path, layout } = plan.work();
      expect(checkPath(path)).toEqual([]);
      const { count } = plan.closure.loops.start.legs ?? { count: 0 };
      expect(count).toBe(Math.min(3, plan.weaveable.legs ?? 0));
      for (const strands of findingPasses(path).values()) expect(strands).toBe(Math.max(passes, count - 1));
      const legs = path.beads.filter(isOfLeg);
      expect(legs).toHaveLength(2 * 6 * count);
      const gone = new Set(path.moves.filter(isTraversal).map(({ bead }) => bead));
      expect(legs.every((bead) => gone.has(bead))).toBe(true);
      expect(plan.stations.totalMm).toBeCloseTo(plan.chosen.finishedMm, 6);
      // Between the work and what closes it, and no two in one place.
      const places = legs.map(({ id: bead }) => layout.poses[bead]?.centre ?? [NaN, NaN, NaN]);
      const { ringStartMm, bodyStartMm, bodyEndMm, ringEndMm } = plan.stations;
      for (const [x] of places)
        expect((x > ringStartMm && x < bodyStartMm) || (x > bodyEndMm && x < ringEndMm)).toBe(true);
      expect(new Set(places.map((place) => place.map((v) => v.toFixed(3)).join())).size).toBe(legs.length);
      expect(path.passes.has('ends drawn shut')).toBe(false);
    }
  });

  it('legs that hardly lead on are told; so many as are said do', () => {
    for (const { id } of tubes) {
      const doubt = (seeds: number) =>
        onLegs(id, 'lobster-12', seeds).warnings.flatMap((one) =>
          one.code === 'closure' && one.doubt.code === 'legs-too-short' ? [one.doubt.seeds] : [],
        );
      const [enough = NaN] = doubt(1);
      expect(doubt(enough)).toEqual([]);
      expect(doubt(enough - 1)).toEqual([enough, enough]);
    }
  });

  it('is told leg by leg', () => {
    const words = planSteps(onLegs('helix-tube'))
      .filter(({ section }) => section.joint === 'end')
      .flatMap(({ steps }) => steps.map(({ text }) => text))
      .join(' ');
    expect(words).toMatch(/pick up 7 loop seeds, then go through the clasp at the end/i);
    expect(words).toMatch(/pick up 6 loop seeds/i);
  });
});
