// Flowers of four, bands of bars, and what grows to the middle, counted on paper.
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { arrangedMm } from '../fit/arrange';
import { BEADS, byId } from '../materials/catalogue';
import { holeUses } from '../read/traversals';
import { newPart } from '../piece/newPiece';
import { laid } from '../testing/layoutCells';
import { planned } from '../testing/planned';
import { all, counted, eleven, ends, woven } from '../testing/woven';
import { isTraversal } from '../weave/path';
import { barBand } from './barBand';
import { flowerBand } from './flowerBand';
import { graduatedCrossWeave } from './graduatedCrossWeave';

const usual =
  ({ usual: of }: { readonly usual: Readonly<Record<string, string | undefined>> }) =>
  (role: string) =>
    byId(BEADS, of[role] ?? 'seed-11');

describe('flowers of four by hand', () => {
  const band = flowerBand.bind(flowerBand.defaults);

  it('three units of two: seven flowers of four petals and a centre, six diamonds, two edges', () => {
    // A flower: sides C D C twice, four legs of C, a far corner; the first corner; a diamond: two of C and a corner; an edge: C D D D C.
    const c = 7 * (4 + 4) + 6 * 2 + 2 * 6 * 2;
    const d = 7 * 2 + 7 + 7 + 2 * 6 * 3;
    expect(counted(band, 3)).toEqual({ A: 4 * 4, B: 3 * 4, C: c, D: d, E: 7 });
    expect(counted(band, 3, { without: new Set(['edges']) })).toEqual({
      A: 16,
      B: 12,
      C: c - 24,
      D: d - 36,
      E: 7,
    });
  });

  it('ends on a petal like the first; a flower beyond the last unit makes it the other', () => {
    const last = (extra: number) =>
      flowerBand
        .bind({ ...flowerBand.defaults, extra })
        .weave(3, ends)
        .beads.filter(({ slot }) => slot.of === 'petal')
        .at(-1)?.role;
    expect([last(0), last(1), last(2)]).toEqual(['A', 'B', 'A']);
  });

  it('round by the inner holes each petal is gone through once, the first and the third twice', () => {
    // Once round by the inner holes; twice through the first, and once more through the third, out of the middle.
    const inner = holeUses(band.weave(4, ends)).filter(
      ({ bead, hole }) => bead.slot.of === 'petal' && bead.place.row === 3 && hole === 1,
    );
    expect(inner.map(({ traversals }) => traversals).sort()).toEqual([1, 1, 2, 2]);
  });

  it('the centre lies between two gaps that face each other', () => {
    const form = band.form(usual(flowerBand), all);
    const path = band.weave(3, ends);
    const petals = path.beads.filter(({ slot, place }) => slot.of === 'petal' && place.row === 2);
    const centre = path.beads.find(({ slot, place }) => slot.of === 'centre' && place.row === 2);
    if (!centre) throw new Error('no centre');
    const at = form.pose(centre).centre;
    const mean = (k: 0 | 1) =>
      petals.reduce((sum, petal) => sum + form.pose(petal).centre[k], 0) / petals.length;
    expect(at[0]).toBeCloseTo(mean(0), 9);
    expect(at[1]).toBeCloseTo(mean(1), 9);
  });

  it('what does not reach, ruffles, or is lost in its hole is told', () => {
    const advice = (params: object, beads: Readonly<Record<string, string>> = {}) =>
      flowerBand
        .bind({ ...flowerBand.defaults, ...params })
        .advise?.((role) => byId(BEADS, beads[role] ?? flowerBand.usual[role as 'A'] ?? 'seed-11'))
        .join(' ');
    expect(advice({})).toBe('');
    expect(advice({ side: ['C'] })).toMatch(/too few to reach/);
    expect(advice({ corner: 'C' }, { C: 'seed-15' })).toMatch(/do not reach/);
    expect(advice({ side: ['D', 'D', 'D', 'D', 'D'] })).toMatch(/ruffles/);
    expect(advice({}, { A: 'tile' })).toMatch(/small for the hole/);
    expect(advice({ edge: ['C', 'C'] })).toMatch(/reach from flower to flower/);
    expect(advice({ edge: Array(12).fill('D') })).toMatch(/stands away in bows/);
  });
});

describe('a band of bars by hand', () => {
  const band = barBand.bind(barBand.defaults);

  it('its bars lie flat under the diagonals that pull at their outer holes', () => {
    const plan = planned({ ...newPart('Bars', barBand.id, null), units: 8 });
    expect(plan.gauge).toMatchObject({ source: 'solver', settled: true });
    const { path, layout } = plan.work();
    const bars = path.beads.filter((bead) => woven(bead) && bead.holes === 2);
    expect(bars.length).toBeGreaterThan(40);
    // A quarter of the way to standing on edge at most.
    for (const bar of bars)
      expect(Math.abs(layout.poses[bar.id]?.across?.[2] ?? 1)).toBeLessThan(Math.sin(Math.PI / 8));
  });

  it('three units: four plus groups and three brick groups, links, a small cross over each plus, diagonals there and back', () => {
    const links = 3 * 2 * 2 * 2;
    const crosses = { C: 4 * 4, D: 4 };
    const diagonals = { C: 3 * (10 + 10), E: 3 };
    expect(counted(band, 3)).toEqual({
      A: 1 + 3 * 4 + 3,
      B: 3 * 2,
      C: links + crosses.C + diagonals.C,
      D: crosses.D,
      E: diagonals.E,
    });
    expect(counted(band, 3, { without: new Set(['small crosses', 'diagonals along']) })).toEqual({
      A: 16,
      B: 6,
      C: links,
    });
    expect(counted(band, 3, { without: new Set(['diagonals back']) })).toMatchObject({
      C: links + crosses.C + 3 * 10,
      E: 3,
    });
  });

  it('each row of holes of a brick group is gone through three times', () => {
    // The base: strung or turned into, and once more; then on the way from cross to cross.
    const uses = holeUses(band.weave(4, ends)).filter(
      ({ bead }) => bead.slot.of === 'brick' && bead.place.row === 2,
    );
    expect(uses.map(({ traversals }) => traversals)).toEqual([3, 3, 3, 3]);
  });

  it('is worked with any of its passes left out, at every count', () => {
    const passes = ['small crosses', 'diagonals along', 'diagonals back'];
    for (let left = 0; left < 2 ** passes.length; left++) {
      const without = new Set(passes.filter((_, k) => (left >> k) % 2 === 1));
      for (const units of [2, 3, 4, 5]) {
        const path = band.weave(units, { ...ends, without, room: () => 5 });
        const gone = new Set(path.moves.filter(isTraversal).map(({ bead }) => bead.id));
        expect(gone.size).toBe(path.beads.length);
        expect(path.beads.some(({ slot }) => slot.of === 'across')).toBe(
          !without.has('diagonals along') && !without.has('diagonals back'),
        );
      }
    }
  });

  it('diagonals start at an edge and end at the other, there and back', () => {
    const form = band.form(usual(barBand), all);
    const over = band.weave(4, ends).beads.filter(({ slot, place }) => slot.of === 'over' && place.row === 1);
    const ys = over.map((bead) => form.pose(bead).centre[1]);
    expect(ys[0]).toBeCloseTo(-(ys.at(-1) ?? 0), 9);
    expect(Math.abs(ys[0] ?? 0)).toBeGreaterThan(4);
  });

  it('what does not reach or stands up is told', () => {
    const advice = (params: object, beads: Readonly<Record<string, string>> = {}) =>
      barBand
        .bind({ ...barBand.defaults, ...params })
        .advise?.((role) => byId(BEADS, beads[role] ?? barBand.usual[role as 'A'] ?? 'seed-11'))
        .join(' ');
    expect(advice({})).toBe('');
    expect(advice({ bricks: 3, link: ['C'] })).toMatch(/do not reach from hole to hole/);
    expect(advice({ link: ['C', 'C', 'C', 'C', 'C'] })).toMatch(/hold them apart/);
    expect(advice({ cross: ['C', 'C', 'C'] })).toMatch(/too short for its plus/);
    expect(advice({ over: ['C', 'C', 'C'] })).toMatch(/from edge to edge/);
    expect(advice({}, { E: 'pressed-8' })).toMatch(/stand up/);
    expect(advice({ link: ['E'] }, { E: 'pressed-6' })).toMatch(/too thick for the corners/);
  });
});

describe('a graduated cross-weave by hand', () => {
  const beads = usual(graduatedCrossWeave);

  it('2 of A, 1 of B, 1 of C and one more in the middle: nine units, ten rungs, of two steps always the smaller', () => {
    const band = graduatedCrossWeave.bind({ ...graduatedCrossWeave.defaults, counts: [2, 1, 1] });
    expect(counted(band, 1)).toEqual({ A: 2 * 4 + 6, B: 2 * 2 + 2, C: 2 * 3 + 2 });
  });

  it('is alike from both ends', () => {
    const band = graduatedCrossWeave.bind({
      ...graduatedCrossWeave.defaults,
      counts: [1, 2, 2],
      centre: 'none',
    });
    const path = band.weave(1, ends);
    const of = (slot: string) =>
      path.beads.filter((bead) => woven(bead) && bead.slot.of === slot).map(({ role }) => role);
    for (const slot of ['rung', 'left', 'right']) expect(of(slot).toReversed()).toEqual(of(slot));
  });

  it('is as long as the fit was told, for any counts and beads', () => {
    const balls = BEADS.filter(({ shape }) => shape === 'ball' || shape === 'bicone').map(({ id }) => id);
    fc.assert(
      fc.property(
        fc.array(fc.integer({ min: 1, max: 9 }), { minLength: 3, maxLength: 3 }),
        fc.constantFrom('one', 'none'),
        fc.array(fc.constantFrom(...balls), { minLength: 3, maxLength: 3 }),
        (counts, centre, ids) => {
          const band = graduatedCrossWeave.bind({ ...graduatedCrossWeave.defaults, counts, centre });
          const body = (role: string) => byId(BEADS, ids['ABC'.indexOf(role)] ?? 'pressed-4');
          const { pitchMm, extraMm } = band.form(body, all);
          const question = band.arrangement?.question(body);
          if (!question) throw new Error('nothing to arrange');
          expect(pitchMm + extraMm).toBeCloseTo(arrangedMm({ ...question, wishMm: 0 }, counts), 6);
        },
      ),
      { numRuns: 60, seed: 3 },
    );
  });

  it('closed form and layout agree, though neither knows of the other', () => {
    for (const [counts, ids] of [
      [[1, 1, 1], { A: 'pressed-4', B: 'pressed-6', C: 'pressed-8' }],
      [[2, 1, 2], { A: 'pearl-3', B: 'fire-polished-4', C: 'fire-polished-6' }],
      [[1, 2, 1], { A: 'bicone-3', B: 'bicone-4', C: 'bicone-6' }],
    ] as const) {
      const one = laid({ stitch: graduatedCrossWeave.id, params: { counts }, beads: ids });
      expect(one.rests).toBe(true);
      expect(Math.abs(one.pitchMm / one.form.pitchMm - 1)).toBeLessThan(0.01);
    }
  });

  it('of equal beads it is plain cross-weave: √2 of their size from rung to rung', () => {
    const { pitchMm, extraMm } = graduatedCrossWeave
      .bind({ ...graduatedCrossWeave.defaults, counts: [1, 1, 1] })
      .form(() => byId(BEADS, 'pressed-4'), all);
    expect(pitchMm).toBeCloseTo(7 * Math.SQRT2 * 4, 2);
    expect(extraMm).toBe(4);
  });

  it('a step that shrinks on the way to the middle is told', () => {
    const band = graduatedCrossWeave.bind({ ...graduatedCrossWeave.defaults, steps: ['B', 'A'] });
    expect(band.advise?.(beads).join()).toMatch(/smaller than the one before/);
    expect(band.advise?.(() => eleven)).toEqual([]);
  });
});
