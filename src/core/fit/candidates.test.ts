import fc from 'fast-check';
import { cumulativeStdNormalProbability } from 'simple-statistics';
import { describe, expect, it } from 'vitest';
import { candidate, nearestUnits, neighbours, type FitQuestion } from './candidates';
import { chanceWithin, normalBelow } from './chance';

const question = fc.record({
  fixedMm: fc.double({ min: 5, max: 60, noNaN: true }),
  pitchMm: fc.double({ min: 0.5, max: 40, noNaN: true }),
  spread: fc.double({ min: 0, max: 0.05, noNaN: true }),
  wishMm: fc.double({ min: 80, max: 900, noNaN: true }),
  minimum: fc.integer({ min: 1, max: 4 }),
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
        const off = (n: number) => Math.abs(candidate(n, q).offMm);
        for (let n = q.minimum; n < 2000; n++) if (off(n) < off(best)) best = n;
        expect(off(nearestUnits(q))).toBeCloseTo(off(best), 9);
      }),
    );
  });

  it('never falls when the wish grows', () => {
    fc.assert(
      fc.property(question, fc.double({ min: 0, max: 100, noNaN: true }), (raw, more) => {
        const q = withBand(raw);
        expect(nearestUnits({ ...q, wishMm: q.wishMm + more })).toBeGreaterThanOrEqual(nearestUnits(q));
      }),
    );
  });

  it('stands among its neighbours, n − 2 to n + 2, none below the minimum', () => {
    const q = withBand({ fixedMm: 20, pitchMm: 8, spread: 0.01, wishMm: 180, minimum: 1 });
    expect(neighbours(20, q).map((c) => c.units)).toEqual([18, 19, 20, 21, 22]);
    expect(neighbours(2, { ...q, minimum: 2 }).map((c) => c.units)).toEqual([2, 3, 4]);
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
