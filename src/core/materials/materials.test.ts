import { describe, expect, it } from 'vitest';
import { BEADS, byId, CLASPS, FINDINGS, THREADS } from './catalogue';
import { simulatedInstruments } from './instruments';
import { learned, learnedClasp, learnedFinding, measureDoubts, measuredProblem } from './learn';
import { beadKindSchema, claspClosedMm, makeOf, needsNeedle } from './material';
import { readThread } from './threadName';

describe('a thread by any of its names', () => {
  it('practice: 6 lb is 0.006 in is 0.15 mm', () => {
    for (const name of ['6 lb', '6lb', '0.006 in', '0.006"', '0,15 mm', '.15 mm'])
      expect(readThread(name)?.diameterMm).toBeCloseTo(0.15, 2);
  });

  it('memory: nylon B and D are 0.20 and 0.30 mm', () => {
    expect(readThread('D')).toEqual({ diameterMm: 0.3, make: 'waxed nylon' });
    expect(readThread('size b')?.diameterMm).toBe(0.2);
  });

  it('refuses what is no thread', () => {
    for (const name of ['', 'banana', '3 lb', 'Q', '9 mm', '0 mm']) expect(readThread(name)).toBeNull();
    // From the finest to the thickest that is threaded, both counted in.
    for (const mm of [0.04, 2]) expect(readThread(`${mm} mm`)).toEqual({ diameterMm: mm, make: null });
    for (const mm of [0.039, 2.001]) expect(readThread(`${mm} mm`)).toBeNull();
  });

  it('every thread of the catalogue has a make, and the soft ones want a needle', () => {
    for (const thread of THREADS) expect(makeOf({ ...thread, make: null })).toBe(thread.make);
    expect(THREADS.filter(needsNeedle).map(({ id }) => id.split('-')[0])).not.toContain('elastic');
  });
});

describe('an entry learns', () => {
  const seed = byId(BEADS, 'seed-11');

  it('ten on a ruler and a hundred on a scale, by hand', () => {
    const after = learned(seed, { tenMm: 14.4, hundredGrams: 0.9 });
    expect(after.lengthMm).toBeCloseTo(1.44, 9);
    expect(after.perGram).toBeCloseTo(100 / 0.9, 9);
    expect(after).toMatchObject({ diameterMm: seed.diameterMm, source: 'measured', id: seed.id });
  });

  it('a hole wider than the bead is refused in words', () => {
    const wrong = learned(seed, { diameterMm: 0.8, holeMm: 0.9 });
    expect(measuredProblem(wrong)).toMatch(/wider than the bead/);
    expect(measuredProblem(seed)).toBeNull();
  });

  it('by hand: a measure further than a third from what is known is asked about; ten that measure one, by that', () => {
    const ten = 10 * seed.lengthMm;
    expect(measureDoubts({ tenMm: seed.lengthMm }, seed)).toEqual([
      { key: 'tenMm', value: seed.lengthMm, usual: ten, perhaps: ten },
    ]);
    expect(measureDoubts({ tenMm: 0.7 * ten }, seed)).toEqual([]);
    expect(measureDoubts({ tenMm: 1.3 * ten }, seed)).toEqual([]);
    expect(measureDoubts({ tenMm: 0.6 * ten }, seed)).toMatchObject([{ perhaps: null }]);
    expect(measureDoubts({ tenMm: 1.4 * ten }, seed)).toHaveLength(1);
    expect(measureDoubts({ diameterMm: 2 * seed.diameterMm, holeMm: seed.holeMm }, seed)).toMatchObject([
      { key: 'diameterMm', perhaps: null },
    ]);
    // A hundredth of what a hundred weigh is one bead on the scale.
    const weighed = { ...seed, perGram: 110 };
    expect(measureDoubts({ hundredGrams: 1 / 110 }, weighed)).toMatchObject([{ perhaps: 100 / 110 }]);
    expect(measureDoubts({ hundredGrams: 1 }, { ...seed, perGram: null })).toEqual([]);
    expect(measureDoubts({ widthMm: 5 }, seed)).toEqual([]);
  });

  it('no bead of the catalogue has its holes outside itself, or a hole wider than it is', () => {
    for (const kind of BEADS) expect([kind.id, measuredProblem(kind)]).toEqual([kind.id, null]);
  });

  it('two holes that would lie outside the bead are refused in words', () => {
    const lens = byId(BEADS, 'lens');
    expect(measuredProblem(learned(lens, { widthMm: 5.1, apartMm: 2.5 }))).toBeNull();
    expect(measuredProblem(learned(lens, { widthMm: 3 }))).toMatch(/outside the bead/);
  });

  it('by hand: a lobster and ring of 12 + 4 mm that measures 20 mm closed divides as 15 + 5', () => {
    const lobster = byId(CLASPS, 'lobster-12');
    expect([lobster.startMm, lobster.endMm]).toEqual([12, 4]);
    const after = learnedClasp(lobster, 20);
    expect([after.startMm, after.endMm, after.spreadMm]).toEqual([15, 5, 0]);
    expect(claspClosedMm(after)).toBe(20);
  });

  it('geometry: what hangs in a ring hangs at its inner edges', () => {
    const ring = learnedFinding(byId(FINDINGS, 'jump-ring-5'), 3.8);
    expect([ring.lengthMm, ring.insideMm]).toEqual([3.8, 3.8]);
    expect(learnedFinding(byId(FINDINGS, 'chain-link'), 2.6)).toMatchObject({
      lengthMm: 2.6,
      insideMm: null,
    });
  });

  it('what the simulated instruments read of any bead is what it is, as finely as they show', async () => {
    for (const kind of BEADS) {
      const { ten, across, hundred } = simulatedInstruments(kind);
      const after = learned(kind, {
        tenMm: await ten.read(),
        hundredGrams: await hundred.read(),
        diameterMm: await across.read(),
      });
      expect(Math.abs(after.lengthMm - kind.lengthMm)).toBeLessThanOrEqual(0.002);
      expect(Math.abs(after.diameterMm - kind.diameterMm)).toBeLessThanOrEqual(0.02);
      // Memory: seeds of known weight come out within what a hundredth of a gram in a hundred makes.
      if (kind.perGram !== null)
        expect(Math.abs(100 / (after.perGram ?? 0) - 100 / kind.perGram)).toBeLessThanOrEqual(0.02);
      expect(beadKindSchema.safeParse(after).success).toBe(true);
    }
  });
});
