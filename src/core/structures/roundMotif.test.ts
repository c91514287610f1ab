import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { holeEnd, distance, type Layout, type Point } from '../layout/layout';
import { BEADS, byId } from '../materials/catalogue';
import { sizeOf, type BeadSize } from '../materials/material';
import { inColour } from '../piece/newPiece';
import { closedLayout } from '../testing/closed';
import { runs } from '../testing/thorough';
import { checkPath } from '../weave/check';
import { isTraversal, type Bead, type Path } from '../weave/path';
import { roundMotif } from './roundMotif';
import { at } from './structure';

const NO_END = { seedsEachSide: 0, passes: 0 };
const OPEN = { start: NO_END, end: NO_END };
const size = (id: string): BeadSize => sizeOf(inColour(byId(BEADS, id), { name: 'grey', hex: '#888888' }));
const seeds = () => size('seed-11');
const WITHOUT = new Set<string>();

const motif = (params: Record<string, unknown> = {}) =>
  roundMotif.bind({ ...roundMotif.defaults, ...params });
const wovenIn = (params: Record<string, unknown> = {}) => motif(params).weave(1, OPEN);

/** The motif as its closed form lays it out. */
function laidOut(
  params: Record<string, unknown>,
  body: (role: string) => BeadSize,
): { path: Path; layout: Layout } {
  const weaveable = motif(params);
  const path = weaveable.weave(1, OPEN);
  const { pose } = weaveable.form(body, WITHOUT);
  return { path, layout: { poses: path.beads.map(pose), findings: [], body } };
}

const loop = fc.integer({ min: 0, max: 5 }).map((half) => Array<string>(2 * half + 1).fill('B'));
const anyMotif = fc.record({
  points: fc.integer({ min: 4, max: 16 }),
  ring: fc.integer({ min: 1, max: 4 }).map((n) => Array<string>(n).fill('A')),
  rounds: fc.constantFrom(1, 2, 3),
  first: loop,
  second: loop,
  third: loop,
});
/** Any beads of the catalogue that a loop can be strung of: seeds, balls, bugles, cubes, drops. */
const ONE_HOLE = BEADS.filter(({ holes }) => holes === 1).map(({ id }) => id);
const anySeeds = fc.record({ A: fc.constantFrom(...ONE_HOLE), B: fc.constantFrom(...ONE_HOLE) });

describe('a round motif', () => {
  it('by hand: a ring of 16 and rounds of 8 loops of 3, 5 and 7 are 136 beads', () => {
    expect(wovenIn({ rounds: 3 }).beads).toHaveLength(16 + 8 * 3 + 8 * 5 + 8 * 7);
  });

  it('is a sound path whatever its points, rounds and loops; every bead is strung once and gone through', () =>
    fc.assert(
      fc.property(anyMotif, (params) => {
        const path = wovenIn(params);
        expect(checkPath(path)).toEqual([]);
        const gone = new Set(path.moves.filter(isTraversal).map(({ bead }) => bead.id));
        expect(gone.size).toBe(path.beads.length);
        const loops = [params.first, params.second, params.third].slice(0, params.rounds);
        const each = loops.reduce((sum, { length }) => sum + length, params.ring.length);
        expect(path.beads).toHaveLength(params.points * each);
      }),
      { numRuns: runs(60), seed: 9 },
    ));

  it('its ring is a polygon: beads of length l lie l / (2 tan(π/n)) from the middle (elementary geometry)', () => {
    for (const points of [4, 6, 9, 16]) {
      const { path, layout } = laidOut({ points, ring: ['A', 'A'] }, seeds);
      const ring = path.beads.filter(({ slot }) => slot.of === 'ring');
      const middle = middleOf(ring, layout);
      for (const { id } of ring)
        expect(distance(at(layout.poses, id).centre, middle)).toBeCloseTo(
          seeds().lengthMm / (2 * Math.tan(Math.PI / ring.length)),
          6,
        );
    }
  });

  it('every point is like every other, turned about the middle', () =>
    fc.assert(
      fc.property(anyMotif, anySeeds, (params, beads) => {
        const { path, layout } = laidOut(params, (role) => size(beads[role as 'A' | 'B'] ?? beads.B));
        const middle = middleOf(path.beads, layout);
        const turn = (2 * Math.PI) / params.points;
        const slots = new Map(
          path.beads.map((bead) => [`${bead.place.pass}/${bead.name}/${bead.place.row}`, bead]),
        );
        for (const bead of path.beads) {
          const { pass, row } = bead.place;
          const next = slots.get(`${pass}/${bead.name}/${(row + 1) % params.points}`);
          if (!next) throw new Error(`Nothing like ${bead.name}.`);
          const [x, y] = offset(bead, layout, middle);
          const [u, v] = offset(next, layout, middle);
          expect(Math.cos(turn) * x - Math.sin(turn) * y).toBeCloseTo(u, 6);
          expect(Math.sin(turn) * x + Math.cos(turn) * y).toBeCloseTo(v, 6);
        }
      }),
      { numRuns: runs(40), seed: 3 },
    ));

  it('twice the size is the same twice as large, and told the same', () =>
    fc.assert(
      fc.property(anyMotif, (params) => {
        const twice = () => doubled(seeds());
        const [one, two] = [motif(params).form(seeds, WITHOUT), motif(params).form(twice, WITHOUT)];
        expect(two.pitchMm).toBeCloseTo(2 * one.pitchMm, 5);
        expect(two.widthMm).toBeCloseTo(2 * one.widthMm, 5);
        expect(motif(params).advise?.(twice)).toEqual(motif(params).advise?.(seeds));
      }),
      { numRuns: runs(40), seed: 5 },
    ));

  it('where it lies flat, no thread is bare between beads of a loop, and no loop passes the middle between two', () =>
    fc.assert(
      fc.property(anyMotif, (params) => {
        if ((motif(params).advise?.(seeds) ?? []).length > 0) return;
        const { path, layout } = laidOut(params, seeds);
        const middle = middleOf(path.beads, layout);
        const loops = path.beads.filter(({ slot }) => slot.of !== 'ring');
        for (const bead of loops) {
          const next = path.beads[bead.id + 1];
          if (!next || next.place.row !== bead.place.row || next.place.pass !== bead.place.pass) continue;
          expect(distance(holeEnd(layout, bead, 1), holeEnd(layout, next, 0))).toBeLessThan(
            seeds().diameterMm,
          );
        }
        // A loop's own sector, by the beads' middles.
        const points = new Map(loops.map((bead) => [`${bead.place.pass}/${bead.place.row}`, [] as Bead[]]));
        for (const bead of loops) points.get(`${bead.place.pass}/${bead.place.row}`)?.push(bead);
        for (const one of points.values()) {
          const apex = angle(at(one, (one.length - 1) / 2), layout, middle);
          for (const bead of one)
            expect(Math.abs(wrapped(angle(bead, layout, middle) - apex))).toBeLessThan(
              Math.PI / params.points + 1e-6,
            );
        }
      }),
      { numRuns: runs(80), seed: 4 },
    ));
});

describe('its counts against the circle', () => {
  it('what lies flat is left as it is; what cups or ruffles is told, and corrected to what lies flat', () =>
    fc.assert(
      fc.property(anyMotif, anySeeds, (params, beads) => {
        const body = (role: string) => size(beads[role as 'A' | 'B'] ?? beads.B);
        const told = motif(params).advise?.(body) ?? [];
        const suited = motif(params).suited?.(body) ?? null;
        if (told.length === 0) expect(suited).toBeNull();
        else if (suited === null) expect(told.at(-1)).toMatch(/No count of these beads/);
        else {
          expect(told.join()).toMatch(/\d beads? to a loop would lie flat/);
          expect(told.join()).not.toMatch(/\b1 beads/);
          expect(motif({ ...suited }).advise?.(body)).toEqual([]);
          expect(motif({ ...suited }).suited?.(body)).toBeNull();
        }
      }),
      { numRuns: runs(80), seed: 8 },
    ));

  it('common practice, no source: one bead over six cups, loops at every bead of a ring ruffle', () => {
    const of = (ring: number, first: number) =>
      motif({ ring: Array(ring).fill('A'), rounds: 1, first: Array(first).fill('B') }).advise?.(seeds) ?? [];
    expect(of(6, 1).join()).toMatch(/cup/);
    expect(of(3, 5)).toEqual([]);
    expect(of(1, 3).join()).toMatch(/ruffle/);
    const suited = motif({ ring: Array(6).fill('A'), rounds: 1, first: ['B'] }).suited?.(seeds);
    expect((suited?.first as string[]).length).toBeGreaterThan(1);
  });

  it('an even loop is refused in words', () => {
    expect(roundMotif.check({ ...roundMotif.defaults, first: ['B', 'B'] }).join()).toMatch(/odd number/);
  });
});

it('the layout solver, from the path alone, comes to a motif as flat and as wide', () => {
  const params = { points: 8, ring: ['A', 'A'], rounds: 1, first: ['B', 'C', 'B'] };
  const balls = () => size('pressed-4');
  const { path } = laidOut(params, balls);
  const form = motif(params).form(balls, WITHOUT);
  const layout = closedLayout(path, balls);
  const points = path.beads.filter(({ role }) => role === 'C');
  const middle = middleOf(points, layout);
  const out = points.map(({ id }) => distance(at(layout.poses, id).centre, middle));
  const mean = out.reduce((sum, mm) => sum + mm, 0) / out.length;
  const told = form.pitchMm / 2 - balls().diameterMm / 2;
  expect(mean / told).toBeGreaterThan(0.94);
  expect(mean / told).toBeLessThan(1.06);
});

function middleOf(beads: readonly Bead[], { poses }: Layout): Point {
  const mean = (k: 0 | 1 | 2) =>
    beads.reduce((sum, { id }) => sum + at(poses, id).centre[k], 0) / beads.length;
  return [mean(0), mean(1), mean(2)];
}
function offset({ id }: Bead, { poses }: Layout, middle: Point): [number, number] {
  const { centre } = at(poses, id);
  return [centre[0] - middle[0], centre[1] - middle[1]];
}
function angle(bead: Bead, layout: Layout, middle: Point): number {
  const [x, y] = offset(bead, layout, middle);
  return Math.atan2(y, x);
}
const wrapped = (a: number) => Math.atan2(Math.sin(a), Math.cos(a));
const doubled = (bead: BeadSize): BeadSize => ({
  ...bead,
  lengthMm: 2 * bead.lengthMm,
  diameterMm: 2 * bead.diameterMm,
});
