import fc from 'fast-check';
import { cumulativeStdNormalProbability } from 'simple-statistics';
import { describe, expect, it } from 'vitest';
import { bestUnits, candidate, nearestUnits, neighbours, type FitQuestion } from './candidates';
import { allowed, type CountRule } from './rules';
import { chanceWithin, normalBelow } from './chance';

const question = fc.record({
  fixedMm: fc.double({ min: 5, max: 60, noNaN: true }),
  pitchMm: fc.double({ min: 0.5, max: 40, noNaN: true }),
  spread: fc.double({ min: 0, max: 0.05, noNaN: true }),
  wishMm: fc.double({ min: 80, max: 900, noNaN: true }),
  minimum: fc.integer({ min: 1, max: 4 }),
  fixedSdMm: fc.double({ min: 0, max: 2, noNaN: true }),
  rules: fc.constantFrom<readonly CountRule[]>(
    [],
    [{ of: 2, rest: 1, must: true, why: 'test' }],
    [
      { of: 3, rest: 0, must: true, why: 'test' },
      { of: 2, rest: 0, must: true, why: 'test' },
    ],
  ),
  chain: fc.constant(null),
});
const withBand = (q: Omit<FitQuestion, 'band'>): FitQuestion => ({
  ...q,
  band: { minMm: q.wishMm - 4, maxMm: q.wishMm + 6 },
});

describe('the count', () => {
  it('is the nearest of all counts, found by trying them one by one', () => {
    fc.assert(
      fc.property(question, (raw) => {
        const q = withBand(raw);
        let best = q.minimum;
        while (!allowed(best, q.rules)) best++;
        const off = (n: number) => Math.abs(candidate(n, q).offMm);
        for (let n = best; n < 2000; n++) if (allowed(n, q.rules) && off(n) < off(best)) best = n;
        expect(off(nearestUnits(q))).toBeCloseTo(off(best), 9);
      }),
    );
  });

  it('never falls when the wish grows', () => {
    fc.assert(
      fc.property(question, fc.double({ min: 0, max: 100, noNaN: true }), (raw, more) => {
        const q = withBand(raw);
        const longer = withBand({ ...raw, wishMm: raw.wishMm + more });
        expect(nearestUnits(longer)).toBeGreaterThanOrEqual(nearestUnits(q));
        expect(bestUnits(longer)).toBeGreaterThanOrEqual(bestUnits(q));
      }),
    );
  });

  it('that is proposed fits whenever any count does, and is then the nearest of those', () => {
    fc.assert(
      fc.property(question, (raw) => {
        const q = withBand(raw);
        const fitting = Array.from({ length: 2000 }, (_, n) => candidate(q.minimum + n, q)).filter(
          (c) => c.fits && allowed(c.units, q.rules),
        );
        const best = candidate(bestUnits(q), q);
        expect(best.fits && allowed(best.units, q.rules)).toBe(fitting.length > 0);
        for (const c of fitting) expect(Math.abs(best.offMm)).toBeLessThanOrEqual(Math.abs(c.offMm) + 1e-9);
      }),
      { numRuns: 60 },
    );
  });

  it('stands among its neighbours, n − 2 to n + 2, none below the minimum', () => {
    const plain = { fixedSdMm: 0, rules: [], chain: null };
    const q = withBand({ fixedMm: 20, pitchMm: 8, spread: 0.01, wishMm: 180, minimum: 1, ...plain });
    expect(neighbours(20, q).map((c) => c.units)).toEqual([18, 19, 20, 21, 22]);
    expect(neighbours(2, { ...q, minimum: 2 }).map((c) => c.units)).toEqual([2, 3, 4]);
  });
});

describe('the count, by hand', () => {
  const q: FitQuestion = {
    fixedMm: 20,
    pitchMm: 10,
    spread: 0.03,
    fixedSdMm: 4,
    wishMm: 185,
    band: { minMm: 180, maxMm: 190 },
    minimum: 1,
    rules: [],
    chain: null,
  };

  it('of two equally near it is the longer: a piece can be let go slack, not stretched', () => {
    // 20 + 16 · 10 = 180 and 20 + 17 · 10 = 190 are both 5 off.
    expect(nearestUnits(q)).toBe(17);
    expect(bestUnits(q)).toBe(17);
    expect(nearestUnits({ ...q, wishMm: 184.9 })).toBe(16);
  });

  it('at the very edge of the band it still fits, and just beyond it does not', () => {
    for (const units of [16, 17]) expect(candidate(units, q).fits).toBe(true);
    expect(candidate(16, { ...q, band: { minMm: 180.001, maxMm: 190 } }).fits).toBe(false);
    expect(candidate(17, { ...q, band: { minMm: 180, maxMm: 189.999 } }).fits).toBe(false);
  });

  it('the nearest that does not fit gives way to its neighbour that does', () => {
    const uneven = { ...q, wishMm: 183, band: { minMm: 182, maxMm: 191 } };
    expect(nearestUnits(uneven)).toBe(16);
    expect(bestUnits(uneven)).toBe(17);
    expect(bestUnits({ ...uneven, band: { minMm: 182, maxMm: 184 } })).toBe(16);
  });

  it('varies by what is woven and what is not, and 19 of 20 come out within 1.96 deviations (any statistics table)', () => {
    // Ten units of 10 mm vary by 3 mm, the clasp by 4: together by 5.
    const ten = candidate(10, q);
    expect(ten.sdMm).toBeCloseTo(5, 9);
    expect(ten.finishedMm).toBe(120);
    expect(ten.offMm).toBe(-65);
    expect([ten.lowMm, ten.highMm]).toEqual([120 - 9.8, 120 + 9.8]);
    expect(candidate(17, q).chance).toBeCloseTo(
      cumulativeStdNormalProbability(0) - cumulativeStdNormalProbability(-10 / Math.hypot(5.1, 4)),
      2,
    );
  });

  it('chains make up the rest in whole links, as many on either side; the count goes by what is to be woven', () => {
    const chained = { ...q, chain: { linkMm: 5, wovenMm: 104 } };
    expect(bestUnits(chained)).toBe(10);
    // 185 less 120 is 65: six and a half pairs of 5 mm links, so seven on either side.
    expect(candidate(10, chained)).toMatchObject({ links: 7, finishedMm: 190 });
    expect(candidate(11, chained)).toMatchObject({ links: 6, finishedMm: 190 });
    expect(candidate(30, chained)).toMatchObject({ links: 0, finishedMm: 320 });
  });

  it('a rule that must be kept decides, a preference does not; neither goes below the minimum', () => {
    const even: CountRule = { of: 2, rest: 0, must: true, why: 'test' };
    expect(bestUnits({ ...q, rules: [even] })).toBe(16);
    expect(bestUnits({ ...q, rules: [{ ...even, must: false }] })).toBe(17);
    expect(candidate(17, { ...q, rules: [{ ...even, must: false }] }).breaks).toHaveLength(1);
    expect(bestUnits({ ...q, minimum: 30 })).toBe(30);
    expect(bestUnits({ ...q, minimum: 31, rules: [even] })).toBe(32);
    const never = [even, { ...even, rest: 1 }];
    expect(() => nearestUnits({ ...q, rules: never })).toThrow(/No count/);
  });
});

describe('the chance to fit', () => {
  it('library: agrees with the table of simple-statistics', () => {
    for (let z = -3; z <= 3; z += 0.25)
      expect(normalBelow(z)).toBeCloseTo(cumulativeStdNormalProbability(z), 3);
  });

  it('published: 95.45 % lie within two standard deviations (any statistics table)', () => {
    expect(chanceWithin(180, 2, { minMm: 176, maxMm: 184 })).toBeCloseTo(0.9545, 4);
  });

  it('is certain either way when nothing varies', () => {
    expect(chanceWithin(180, 0, { minMm: 180, maxMm: 190 })).toBe(1);
    expect(chanceWithin(179, 0, { minMm: 180, maxMm: 190 })).toBe(0);
  });
});
