import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { BEADS, byId, NEEDLES, THREADS } from '../materials/catalogue';
import { newPart } from '../piece/newPiece';
import type { PartOfPiece } from '../piece/partOfPiece';
import { planPart } from '../plan/shipped';
import { holeUses } from '../read/traversals';
import { STRUCTURES } from '../structures/registry';
import { Weave } from '../weave/builder';
import { type Bead } from '../weave/path';
import {
  EASY,
  factorFrom,
  fillOf,
  goingOf,
  HARD,
  holeFill,
  liesSideBySide,
  PACKED,
  tripsThatGo,
  type Gear,
} from './holeFill';

const gear = (needle: string | null, thread: string, factor = 1): Gear => ({
  needleMm: needle === null ? null : byId(NEEDLES, needle).diameterMm,
  threadMm: byId(THREADS, thread).diameterMm,
  factor,
});
const empty = { strands: 0, knots: 0, adds: 1 };
const trips = (bead: string, ...args: Parameters<typeof gear>) =>
  tripsThatGo(byId(BEADS, bead).holeMm, gear(...args));

describe('how full a hole is', () => {
  it('by hand: a 0.8 mm hole, needle 11, thread 6 lb, three strands there already', () => {
    // (3·0.15² + 0.41² + 2·0.15²) / 0.8² = 0.2806 / 0.64
    expect(fillOf(0.8, { ...empty, strands: 3 }, gear('needle-11', 'gel-6'))).toBeCloseTo(0.2806 / 0.64, 9);
  });

  it('by hand: a doubled thread goes through four strands thick, and leaves two', () => {
    expect(fillOf(0.8, { ...empty, adds: 2 }, gear('needle-11', 'gel-6'))).toBeCloseTo(
      (0.41 ** 2 + 4 * 0.15 ** 2) / 0.64,
      9,
    );
  });

  it('grows with strands, knots, thread and needle, and falls with the hole; finer never goes worse', () => {
    const worse = { easy: 0, hard: 1, no: 2 };
    fc.assert(
      fc.property(
        fc.double({ min: 0.4, max: 2, noNaN: true }),
        fc.nat(12),
        fc.nat(3),
        fc.double({ min: 0.1, max: 0.4, noNaN: true }),
        fc.double({ min: 0.2, max: 0.5, noNaN: true }),
        (holeMm, strands, knots, threadMm, needleMm) => {
          const lying = { strands, knots, adds: 1 };
          const with_: Gear = { threadMm, needleMm, factor: 1 };
          const fill = fillOf(holeMm, lying, with_);
          expect(fillOf(holeMm, { ...lying, strands: strands + 1 }, with_)).toBeGreaterThan(fill);
          expect(fillOf(holeMm, { ...lying, knots: knots + 1 }, with_)).toBeGreaterThan(fill);
          expect(fillOf(holeMm * 1.1, lying, with_)).toBeLessThan(fill);
          const going = worse[goingOf(holeMm, lying, with_)];
          expect(worse[goingOf(holeMm, lying, { ...with_, needleMm: needleMm * 0.9 })]).toBeLessThanOrEqual(
            going,
          );
          expect(worse[goingOf(holeMm, lying, { ...with_, threadMm: threadMm * 0.9 })]).toBeLessThanOrEqual(
            going,
          );
          expect(worse[goingOf(holeMm * 1.1, lying, with_)]).toBeLessThanOrEqual(going);
        },
      ),
    );
  });

  it('published (Kravitz 1967, from memory): no packing of equal circles is denser than its circle; two cords want twice their width', () => {
    PACKED.forEach((ratio, i) => expect((i + 1) / ratio ** 2).toBeLessThanOrEqual(1));
    // Seven lie as six round one, as dense as 7/9; the limits stand on either side of what a few circles reach.
    expect(7 / PACKED[6] ** 2).toBeCloseTo(7 / 9, 9);
    expect(3 / PACKED[2] ** 2).toBeGreaterThan(EASY);
    expect(6 / PACKED[5] ** 2).toBeLessThan(HARD);
    expect(liesSideBySide(1, 2, 0.5)).toBe(true);
    expect(liesSideBySide(0.99, 2, 0.5)).toBe(false);
  });
});

describe('room, by hand', () => {
  it('the eye is 1.3 times as wide as the shaft (from memory): by a hair’s breadth it goes, or does not', () => {
    const fine: Gear = { threadMm: 0.05, needleMm: 0.4, factor: 1 };
    expect(goingOf(0.5199, empty, fine)).toBe('no');
    expect(goingOf(0.5201, empty, fine)).not.toBe('no');
    // What goes without a needle asks for no eye.
    expect(goingOf(0.3, empty, { ...fine, needleMm: null })).toBe('easy');
  });

  it('a doubled thread lays two strands a trip: it goes three times where a single one goes seven', () => {
    // Needle 0.36, thread 0.2, hole 0.8: (n · 0.04 + 0.1296 + 0.08) / 0.64 ≤ 0.75 up to n = 6; doubled
    // (2n · 0.04 + 0.1296 + 0.16) / 0.64 ≤ 0.75 up to n = 2. The trip that finds so many strands is the next.
    const twelve: Gear = { threadMm: 0.2, needleMm: 0.36, factor: 1 };
    expect(tripsThatGo(0.8, twelve)).toBe(7);
    expect(tripsThatGo(0.8, twelve, 2)).toBe(3);
    expect(tripsThatGo(0.8, twelve, 1, 4)).toBe(4);
    // Where beads have gone sooner, the limits are lower.
    expect(tripsThatGo(0.8, { ...twelve, factor: 0.8 })).toBe(5);
  });

  it('easy up to 60 % of the area, hard up to 75 %, then no more', () => {
    const gear: Gear = { threadMm: 0.1, needleMm: 0.1, factor: 1 };
    // Needle and folded thread take 3 parts of a hundredth, every strand one.
    const going = (strands: number) => goingOf(1, { strands, knots: 0, adds: 1 }, gear);
    expect([56, 58, 71, 73].map(going)).toEqual(['easy', 'hard', 'hard', 'no']);
    // A knot takes the room of three strands.
    expect(goingOf(1, { strands: 53, knots: 1, adds: 1 }, gear)).toBe('easy');
    expect(goingOf(1, { strands: 55, knots: 1, adds: 1 }, gear)).toBe('hard');
  });

  it('a doubled piece has fuller holes than the same worked single', () => {
    for (const { id } of STRUCTURES) {
      const piece = newPart('Doubled', id, {
        personId: null,
        name: 'Maren',
        girths: { wrist: 160 },
        typical: null,
      });
      const fill = (doubled: boolean) => {
        const plan = planPart({ ...piece, doubled });
        if (!plan.ok) throw new Error(JSON.stringify(plan.problem));
        return plan.holes.bottleneck?.fill ?? 0;
      };
      expect(fill(true)).toBeGreaterThan(fill(false));
    }
  });
});

describe('known hard cases', () => {
  it('practice: pearls of 3 mm and seeds 15/0 often need needle 12 or finer', () => {
    for (const bead of ['pearl-3', 'seed-15']) {
      expect(trips(bead, 'needle-10', 'gel-6')).toBeLessThan(trips(bead, 'needle-12', 'gel-6'));
      expect(goingOf(byId(BEADS, bead).holeMm, empty, gear('needle-12', 'gel-6'))).toBe('easy');
      expect(goingOf(byId(BEADS, bead).holeMm, empty, gear('needle-10', 'gel-6'))).not.toBe('easy');
    }
    // Through a small pearl needle 10 goes once, and not again.
    expect(trips('pearl-3', 'needle-10', 'gel-6')).toBe(1);
  });

  it('practice: a bead that must take a fourth or sixth trip may be impassable: 15/0 with nylon D', () => {
    expect(trips('seed-15', 'needle-12', 'nylon-d')).toBeLessThan(4);
    expect(trips('seed-15', 'needle-12', 'gel-4')).toBeGreaterThanOrEqual(6);
  });

  it('practice: reinforced bugles and seeds 11/0 take four trips of 6 lb with needle 11', () => {
    for (const bead of ['bugle-6', 'seed-11'])
      expect(trips(bead, 'needle-11', 'gel-6')).toBeGreaterThanOrEqual(4);
  });

  it('practice: a set stone’s channel takes the common needle; two elastic cords of 0.5 mm cross in a ball, not in a 15/0', () => {
    expect(trips('set-stone', 'needle-11', 'gel-6')).toBeGreaterThanOrEqual(3);
    expect(trips('pressed-4', null, 'elastic-0.5')).toBeGreaterThanOrEqual(2);
    expect(trips('seed-15', null, 'elastic-0.5')).toBeLessThan(2);
  });

  it('the eye must pass at all: needle 10 is no needle for a hole of half a millimetre', () => {
    expect(goingOf(0.5, empty, gear('needle-10', 'gel-4'))).toBe('no');
    expect(goingOf(0.5, empty, gear('needle-13', 'gel-4'))).not.toBe('no');
  });

  it('learns from a trip that did not go: from then on that trip does not go, and a finer needle still may', () => {
    const hole = byId(BEADS, 'seed-15').holeMm;
    const lying = { strands: 3, knots: 0, adds: 1 };
    const before = gear('needle-12', 'gel-6');
    expect(goingOf(hole, lying, before)).not.toBe('no');
    const factor = factorFrom(fillOf(hole, lying, before));
    expect(goingOf(hole, lying, { ...before, factor })).toBe('no');
    expect(goingOf(hole, lying, { ...gear('needle-15', 'gel-6'), factor })).not.toBe('no');
  });
});

describe('a path through holes', () => {
  /** Three beads gone through `times`, a knot pulled into the last after the second trip. */
  function thrice(times: number) {
    const w = new Weave();
    const t = w.needle('working').begin('none');
    const beads: Bead[] = t.string(['A', 'A', 'P']);
    for (let n = 1; n < times; n++) {
      w.in({ pass: `round ${n + 1}` }, () => t.through(...beads));
      if (n === 1) t.knot('half hitch', { pullInto: true });
    }
    return w.path();
  }
  const hole = (role: string) => byId(BEADS, role === 'P' ? 'pearl-3' : 'seed-11').holeMm;

  it('names the bead, the trip and the pass where it will not go', () => {
    const { bottleneck, byRole } = holeFill(thrice(6), hole, gear('needle-12', 'gel-6'));
    // By hand: before trip n lie n−1 strands, and from the third on a knot worth three: 0.1296 + 0.045 + (n+2)·0.0225
    // over 0.36 passes 0.75 at n = 3: (0.1746 + 5·0.0225) / 0.36 = 0.797.
    expect(bottleneck?.bead.role).toBe('P');
    expect(bottleneck?.going).toBe('no');
    expect(bottleneck?.at.trip).toBe(3);
    expect(bottleneck?.at.fill).toBeCloseTo((0.1746 + 5 * 0.0225) / 0.36, 9);
    expect(bottleneck?.at.move.place.pass).toBe('round 3');
    expect(byRole.get('A')?.going).toBe('easy');
  });

  it('where all goes, it names the fullest hole', () => {
    const { bottleneck } = holeFill(thrice(2), hole, gear('needle-13', 'gel-4'));
    expect(bottleneck?.going).not.toBe('no');
    expect(bottleneck?.bead.role).toBe('P');
    expect(bottleneck?.at.trip).toBe(2);
  });

  it('later passes in another order leave every hole as full at its fullest trip', () => {
    const beads = fc.constantFrom('A', 'P');
    const passes = fc.array(fc.record({ of: beads, twice: fc.boolean() }), { minLength: 2, maxLength: 7 });
    const woven = (order: readonly { of: string; twice: boolean }[]) => {
      const w = new Weave();
      const t = w.needle('working').begin('none');
      const strung = t.string(['A', 'P', 'A']);
      order.forEach(({ of, twice }, i) =>
        w.in({ pass: `pass ${i}` }, () => {
          for (const bead of strung.filter(({ role }) => role === of)) {
            t.through(bead);
            if (twice) t.back(bead);
          }
        }),
      );
      return holeFill(w.path(), hole, gear('needle-12', 'gel-6')).holes.map(({ fill }) => fill);
    };
    fc.assert(
      fc.property(
        passes.chain((all) =>
          fc.tuple(fc.constant(all), fc.shuffledSubarray(all, { minLength: all.length })),
        ),
        ([all, other]) => {
          expect(woven(other)).toEqual(woven(all));
        },
      ),
    );
  });

  it.each(STRUCTURES.map(({ id }) => [id] as const))(
    'counts trips, strands and knots of %s as they are',
    (id) => {
      const piece: PartOfPiece = newPart('Holes', id, null);
      const plan = planPart({ ...piece, units: 12 });
      if (!plan.ok) throw new Error(plan.problem.code);
      const { path } = plan.work();
      const told = holeFill(path, (role) => piece.beads[role as 'A'].holeMm, plan.gear).holes;
      const counted = holeUses(path);
      expect(told.map(({ trips: n, strands, knots }) => [n, strands, knots])).toEqual(
        counted.map(({ traversals, strands, knots }) => [traversals, strands, knots]),
      );
    },
  );
});
