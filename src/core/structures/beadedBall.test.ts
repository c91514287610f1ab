import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { NO_LOOP } from '../closures/sewnLoop';
import { solveClosed } from '../layout/solver/closed';
import { solidOf } from '../layout/solver/solid';
import { mean, sub } from '../layout/solver/vectors';
import type { Point } from '../layout/layout';
import { BEADS, byId } from '../materials/catalogue';
import { sizeOf, type BeadSize } from '../materials/material';
import { inColour } from '../piece/newPiece';
import { runs } from '../testing/thorough';
import { checkPath } from '../weave/check';
import { isTraversal, type Path } from '../weave/path';
import { BALL_BEADS, ballShape, edgeKey, edgesOf } from './ballShape';
import { beadedBall } from './beadedBall';
import { at } from './structure';

const OPEN = { start: NO_LOOP, end: NO_LOOP };
const size = (id: string): BeadSize => sizeOf(inColour(byId(BEADS, id), { name: 'grey', hex: '#888888' }));
const ball = (beads: number) => beadedBall.bind({ ...beadedBall.defaults, beads });
const woven = (beads: number): Path => ball(beads).weave(1, OPEN);

/** How far its beads lie from their middle, mm. */
function radii(centres: readonly Point[]): number[] {
  const middle = mean(centres);
  return centres.map((p) => Math.hypot(...sub(p, middle)));
}
const average = (values: readonly number[]) => values.reduce((sum, v) => sum + v, 0) / values.length;
const byForm = (beads: number, body: (role: string) => BeadSize) => {
  const { pose } = ball(beads).form(body, new Set());
  return radii(woven(beads).beads.map((bead) => pose(bead).centre));
};
const bySolver = (beads: number, body: (role: string) => BeadSize) =>
  radii(
    solveClosed(woven(beads), (role) => solidOf(body(role)), { starts: 2 }).beads.map(({ centre }) => centre),
  );

describe('the bodies that balls take after', () => {
  it.each([
    [12, 8, { 4: 6 }],
    [30, 20, { 5: 12 }],
    [90, 60, { 5: 12, 6: 20 }],
  ] as const)('of %i edges: %i corners and the faces of geometry books', (beads, corners, faces) => {
    const shape = ballShape(beads);
    const count: Record<number, number> = {};
    for (const { length } of shape.circles) count[length] = (count[length] ?? 0) + 1;
    expect(shape.corners).toHaveLength(corners);
    expect(count).toEqual(faces);
    // Euler: corners − edges + faces = 2.
    expect(corners - beads + shape.circles.length).toBe(2);
    expect(new Set(shape.circles.flatMap(edgesOf).map(edgeKey)).size).toBe(beads);
  });

  it.each(BALL_BEADS)(
    'of %i edges: each circle shares a side with the one before, the first faces the last',
    (beads) => {
      const { circles, corners } = ballShape(beads);
      circles.slice(1).forEach((circle, i) => {
        const before = new Set(edgesOf(at(circles, i)).map(edgeKey));
        expect(edgesOf(circle).some((edge) => before.has(edgeKey(edge)))).toBe(true);
      });
      const middle = (circle: readonly number[]) => mean(circle.map((i) => at(corners, i)));
      const [first, last] = [middle(at(circles, 0)), middle(at(circles, -1))];
      expect(first[0]).toBeLessThan(0);
      first.forEach((v, k) => expect(last[k as 0]).toBeCloseTo(-v, 9));
    },
  );
});

describe('a beaded ball', () => {
  it.each(BALL_BEADS)(
    'of %i beads is a sound path: each strung once, gone through once for each of its two circles at least',
    (beads) => {
      const path = woven(beads);
      expect(checkPath(path)).toEqual([]);
      expect(path.beads).toHaveLength(beads);
      const times = new Map<number, number>();
      for (const move of path.moves)
        if (isTraversal(move)) times.set(move.bead.id, (times.get(move.bead.id) ?? 0) + 1);
      expect(Math.min(...times.values())).toBeGreaterThanOrEqual(2);
      expect(Math.max(...times.values())).toBeLessThanOrEqual(4);
    },
  );

  it.each(BALL_BEADS)(
    'of %i beads has thread round every corner of every circle: no two neighbours are left apart',
    (beads) => {
      const path = woven(beads);
      const { circles } = ballShape(beads);
      const joined = new Set<string>();
      let last: number | null = null;
      for (const move of path.moves) {
        if (!isTraversal(move) || move.place.section.zone !== 'woven') continue;
        if (last !== null && last !== move.bead.id)
          joined.add([last, move.bead.id].sort((a, b) => a - b).join());
        last = move.bead.id;
      }
      // Three pairs meet at every corner, and each pair is of one circle.
      expect(joined.size).toBe(circles.reduce((sum, { length }) => sum + length, 0));
    },
  );

  it('of round beads lies as the closed solver lays it, which knows of no body: to 2 in 1,000', () => {
    const body = () => size('pressed-4');
    for (const beads of [12, 30]) {
      const [own, solved] = [byForm(beads, body), bySolver(beads, body)];
      expect(average(own) / average(solved)).toBeCloseTo(1, 2.4);
      expect(Math.max(...own) - Math.min(...own)).toBeLessThan(0.01);
    }
  });

  it('thirty round beads of 4 mm: a dodecahedron of edge 4 mm, its midradius 1.309 times that', () => {
    // Midradius (3 + √5) / 4 of the edge: geometry books. Round beads that touch lie a diameter apart along the circle’s sides,
    // whose middles are φ/2 = 0.809 of an edge from each other.
    const side = 4 / (((1 + Math.sqrt(5)) / 2) * 0.5);
    expect(average(byForm(30, () => size('pressed-4')))).toBeCloseTo(((3 + Math.sqrt(5)) / 4) * side, 2);
  });

  it('of other beads comes out within its band of the closed form, by the closed solver', () =>
    fc.assert(
      fc.property(
        fc.constantFrom(...['seed-11', 'seed-8', 'seed-15', 'cylinder-11', 'pressed-4']),
        fc.constantFrom(...['seed-11', 'seed-8', 'cylinder-11', 'pressed-4']),
        fc.constantFrom(12, 30),
        (a, b, beads) => {
          const body = (role: string) => size(role === 'A' ? a : b);
          const times = average(bySolver(beads, body)) / average(byForm(beads, body));
          expect(times).toBeGreaterThan(0.85);
          expect(times).toBeLessThan(1.06);
        },
      ),
      { numRuns: runs(4) },
    ));

  it('scales: beads twice as large make a ball twice as large', () =>
    fc.assert(
      fc.property(
        fc.constantFrom(...BALL_BEADS),
        fc.double({ min: 0.5, max: 3, noNaN: true }),
        (beads, times) => {
          const larger = (one: BeadSize): BeadSize => ({
            ...one,
            lengthMm: one.lengthMm * times,
            diameterMm: one.diameterMm * times,
          });
          const body = (role: string) => size(role === 'A' ? 'seed-8' : 'seed-11');
          const [one, other] = [
            ball(beads).form(body, new Set()),
            ball(beads).form((role) => larger(body(role)), new Set()),
          ];
          expect(other.pitchMm / one.pitchMm).toBeCloseTo(times, 6);
          expect(other.widthMm / one.widthMm).toBeCloseTo(times, 6);
        },
      ),
      { numRuns: runs(6) },
    ));
});
