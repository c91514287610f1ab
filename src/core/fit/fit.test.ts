import fc from 'fast-check';
import highs from 'highs';
import { mean, sampleStandardDeviation } from 'simple-statistics';
import { describe, expect, it } from 'vitest';
import { arrange, arrangedMm } from './arrange';
import { programme } from '../testing/programme';
import { runs } from '../testing/thorough';
import { allowed, broken, canBeKept, cycle, type CountRule } from './rules';
import { studentT, studentWithin } from './student';
import { measuredGauge, pieceGauge, smallestSwatch } from './swatch';

describe('Student’s t', () => {
  // Published: two-sided 95 %, any statistics table.
  it.each([
    [1, 12.706],
    [2, 4.303],
    [3, 3.182],
    [4, 2.776],
    [9, 2.262],
    [10, 2.228],
    [30, 2.042],
  ])('with %i degrees of freedom is %f', (freedom, t) => {
    expect(studentT(0.95, freedom)).toBeCloseTo(t, 3);
  });

  it('comes to the normal distribution with many degrees', () => {
    expect(studentWithin(1.96, 2000)).toBeCloseTo(0.95, 3);
  });

  it('refuses degrees that are none', () => {
    expect(() => studentT(0.95, 0)).toThrow();
    expect(() => studentT(0.95, 2.5)).toThrow();
  });
});

const swatches = fc.array(
  fc.record({
    units: fc.integer({ min: 4, max: 40 }),
    lengthMm: fc.double({ min: 20, max: 90, noNaN: true }),
  }),
  { minLength: 2, maxLength: 8 },
);

describe('a gauge from swatches', () => {
  it('library: mean and interval agree with simple-statistics', () => {
    fc.assert(
      fc.property(swatches, (readings) => {
        const pitches = readings.map(({ units, lengthMm }) => lengthMm / units);
        const gauge = measuredGauge(readings);
        expect(gauge.pitchMm).toBeCloseTo(mean(pitches), 9);
        const half =
          (studentT(0.95, readings.length - 1) * sampleStandardDeviation(pitches)) /
          Math.sqrt(readings.length);
        const [low, high] = gauge.meanBetweenMm ?? [NaN, NaN];
        expect(high - low).toBeCloseTo(2 * half, 6);
      }),
    );
  });

  it('grows surer with every swatch that agrees, and never certain', () => {
    const same = { units: 20, lengthMm: 60 };
    const spreads = [1, 2, 4, 9].map((n) => measuredGauge(Array(n).fill(same)).spread);
    for (let i = 1; i < spreads.length; i++) expect(spreads[i]).toBeLessThan(spreads[i - 1] ?? 0);
    expect(spreads.at(-1)).toBeGreaterThan(0.002);
  });

  it('published: the next piece lies within t · s · √(1 + 1/n) of the mean of n (any statistics textbook)', () => {
    // Swatches that agree show the spread of a hand only, 1 %, counted as five: s = 1 % · √(4/(3 + n)).
    const same = { units: 20, lengthMm: 60 };
    const reading = 1 / Math.sqrt(12) / 60;
    for (const [n, t] of [
      [1, 2.776],
      [4, 2.365],
      [7, 2.228],
    ] as const) {
      const s = Math.hypot(0.01 * Math.sqrt(4 / (3 + n)), reading);
      const { spread } = measuredGauge(Array(n).fill(same));
      expect(spread).toBeCloseTo((t * s * Math.sqrt(1 + 1 / n)) / 1.96, 5);
    }
  });

  it('by hand: swatches that disagree add their own squares to those of the hand', () => {
    // Pitches 2.9, 3.0, 3.1: squares 0.02; the hand’s 4 · 0.03² = 0.0036; six degrees of freedom, t = 2.447.
    const three = [58, 60, 62].map((lengthMm) => ({ units: 20, lengthMm }));
    const s = Math.hypot(Math.sqrt((0.02 + 4 * 0.03 ** 2) / 6) / 3, 1 / Math.sqrt(12) / 60);
    expect(measuredGauge(three).spread).toBeCloseTo((2.447 * s * Math.sqrt(4 / 3)) / 1.96, 5);
    expect(measuredGauge(three).meanBetweenMm?.[1]).toBeCloseTo(3 + (4.303 * 0.1) / Math.sqrt(3), 3);
    expect(measuredGauge([three[0] ?? { units: 1, lengthMm: 1 }]).meanBetweenMm).toBeNull();
    expect(() => measuredGauge([])).toThrow();
  });

  it('by hand: a piece under way varies by half a hand and by the reading', () => {
    expect(pieceGauge({ units: 20, lengthMm: 60 }).spread).toBeCloseTo(
      Math.hypot(0.005, 1 / Math.sqrt(12) / 60),
      9,
    );
  });

  it('is less sure where swatches disagree', () => {
    const agree = measuredGauge([60, 60.2, 59.9].map((lengthMm) => ({ units: 20, lengthMm })));
    const differ = measuredGauge([56, 60, 64].map((lengthMm) => ({ units: 20, lengthMm })));
    expect(differ.spread).toBeGreaterThan(2 * agree.spread);
  });

  it('a piece that was measured itself is surer than one swatch of the same length', () => {
    const reading = { units: 20, lengthMm: 60 };
    expect(pieceGauge(reading).pitchMm).toBe(3);
    expect(pieceGauge(reading).spread).toBeLessThan(measuredGauge([reading]).spread);
  });

  it('the smallest swatch that serves: half a millimetre misread moves the count by half a unit at most', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 4, max: 49 }),
        fc.double({ min: 1, max: 12, noNaN: true }),
        (units, pitchMm) => {
          const n = smallestSwatch(units, pitchMm, 1);
          const counted = (units * pitchMm) / (pitchMm + 0.5 / n);
          expect(units - counted).toBeLessThanOrEqual(0.5);
          expect(n).toBeGreaterThanOrEqual(4);
        },
      ),
    );
  });
});

describe('rules on a count', () => {
  const rule = (of: number, rest: number, must = true): CountRule => ({ of, rest, must, why: 'test' });
  const rules = fc.array(
    fc
      .record({ of: fc.integer({ min: 1, max: 6 }), rest: fc.integer({ min: 0, max: 5 }) })
      .map((r) => rule(r.of, r.rest)),
    { maxLength: 3 },
  );

  it('repeat after their cycle', () => {
    fc.assert(
      fc.property(rules, fc.integer({ min: 1, max: 200 }), (all, n) => {
        expect(allowed(n + cycle(all), all)).toBe(allowed(n, all));
      }),
    );
  });

  it('cannot be kept exactly where no count of many keeps them', () => {
    fc.assert(
      fc.property(rules, (all) => {
        const any = Array.from({ length: 400 }, (_, n) => n).some((n) => allowed(n, all));
        expect(canBeKept(all)).toBe(any);
      }),
    );
  });

  it('a preference is named, not enforced', () => {
    const odd = rule(2, 1, false);
    expect(allowed(8, [odd])).toBe(true);
    expect(broken(8, [odd])).toEqual([odd]);
    expect(broken(9, [odd])).toEqual([]);
  });
});

describe('a graduated sequence', () => {
  const asked = fc.record({
    stepsMm: fc.array(
      fc.integer({ min: 12, max: 90 }).map((tenths) => tenths / 10),
      {
        minLength: 1,
        maxLength: 5,
      },
    ),
    fixedMm: fc.integer({ min: 0, max: 400 }).map((tenths) => tenths / 10),
    wishMm: fc.integer({ min: 500, max: 6000 }).map((tenths) => tenths / 10),
    least: fc.integer({ min: 1, max: 3 }),
    apart: fc.integer({ min: 0, max: 3 }),
  });

  it('library: no integer programme (highs) finds one nearer to the wish', async () => {
    const solver = await highs();
    fc.assert(
      fc.property(asked, (q) => {
        const reference = solver.solve(programme(q)).ObjectiveValue;
        expect(Math.abs(arrange(q).offMm)).toBeCloseTo(reference, 4);
      }),
      { numRuns: runs(40), seed: 3 },
    );
  });

  it('keeps to the least and to how far steps may differ, and is as long as it says', () => {
    fc.assert(
      fc.property(asked, (q) => {
        const { counts, finishedMm, offMm } = arrange(q);
        expect(Math.min(...counts)).toBeGreaterThanOrEqual(q.least);
        expect(Math.max(...counts) - Math.min(...counts)).toBeLessThanOrEqual(q.apart);
        expect(arrangedMm(q, counts)).toBeCloseTo(finishedMm, 9);
        expect(finishedMm - q.wishMm).toBeCloseTo(offMm, 9);
      }),
    );
  });

  it('a longer wish is never answered by a shorter line', () => {
    fc.assert(
      fc.property(asked, fc.integer({ min: 0, max: 500 }), (q, more) => {
        const longer = arrange({ ...q, wishMm: q.wishMm + more / 10 });
        expect(longer.finishedMm).toBeGreaterThanOrEqual(arrange(q).finishedMm - 1e-6);
      }),
    );
  });

  it('of equally near ones it takes the more even', () => {
    // Two steps of the same length: 3 and 3 is as long as 2 and 4.
    expect(arrange({ stepsMm: [4, 4], fixedMm: 0, wishMm: 48, least: 1, apart: 2 }).counts).toEqual([3, 3]);
  });

  it('counted by hand: 4, 6 and 8 mm with one 8 mm in the middle, closed by 24 mm, on a wish of 184 mm', () => {
    // 24 + 8 + 2 · (4a + 6b + 8c): four of each make 32 + 144 = 176; 5, 4, 4 make 184.
    const q = { stepsMm: [4, 6, 8], fixedMm: 32, wishMm: 184, least: 1, apart: 1 };
    expect(arrange(q)).toMatchObject({ counts: [5, 4, 4], finishedMm: 184, offMm: 0 });
  });
});
