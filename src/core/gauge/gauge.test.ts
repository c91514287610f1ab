import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { planned } from '../testing/planned';
import { LOOP_ROLE } from '../closures/sewnLoop';
import { byId, THREADS } from '../materials/catalogue';
import { newPart } from '../piece/newPiece';
import type { PartOfPiece } from '../piece/partOfPiece';
import { planSteps } from '../plan/steps';
import { planPart } from '../plan/shipped';
import { USUAL_SETTINGS } from '../records/settings';
import { swatchPlan } from './swatchPlan';
import { bookOf, keyOfSwatch, readingsOf, readSwatch, swatchOf, type Swatch } from '../records/swatches';

const wearer = { personId: null, name: 'Maren', girths: { wrist: 160 }, typical: null };
const bracelet = (id: string, change: Partial<PartOfPiece> = {}): PartOfPiece => ({
  ...newPart('Gauge', id, wearer),
  ...change,
});
const measured = (piece: PartOfPiece, lengthMm: number, change: Partial<Swatch> = {}): Swatch => ({
  ...swatchOf(piece, {
    units: 20,
    lengthMm,
    takenOn: '2026-06-01',
    tension: 'medium',
    note: '',
    without: piece.without,
  }),
  ...change,
});

describe('where the gauge comes from', () => {
  const piece = bracelet('flat-herringbone');
  const laidOut = planned(piece).gauge;

  it('a swatch of the same stitch and beads wins over the layout, in any colour and under any name', () => {
    const tar = { ...piece.beads.A, colour: '#2f3330', colourName: 'tar' };
    const swatch = measured({ ...piece, beads: { ...piece.beads, A: tar } }, 20 * laidOut.pitchMm * 1.02);
    const plan = planned(piece, { swatches: bookOf([swatch]) });
    expect(plan.gauge.source).toBe('swatch');
    expect(plan.gauge.swatches).toEqual({ count: 1, sameThread: true, pieces: 0 });
    expect(plan.gauge.pitchMm).toBeCloseTo(laidOut.pitchMm * 1.02, 9);
    expect(plan.warnings.map(({ code }) => code)).not.toContain('make-a-swatch');
  });

  it('of other beads, another stitch, or a width of its own it says nothing', () => {
    const eight = { ...piece, beads: { ...piece.beads, A: newPart('x', 'ladder', null).beads.A } };
    const wide = {
      ...piece,
      structure: { ...piece.structure, params: { ...piece.structure.params, columns: 4 } },
    };
    for (const other of [eight, wide, bracelet('tubular-peyote')]) {
      const book = bookOf([measured(other, 33)]);
      expect(planned(piece, { swatches: book }).gauge.source).toBe('solver');
    }
  });

  it('worked in a pattern of several rows it serves plain rows as well: a row is as long in either', () => {
    const { params } = piece.structure;
    const beads = { ...piece.beads, B: piece.beads.A };
    const pattern = {
      ...piece,
      beads,
      structure: { ...piece.structure, params: { ...params, sequence: ['A', 'A', 'B'] } },
    };
    const swatch = measured(pattern, 20 * 3 * 1.45); // twenty units of three rows each
    expect(planned(pattern, { swatches: bookOf([swatch]) }).gauge.pitchMm).toBeCloseTo(3 * 1.45, 9);
    const plain = planned(piece, { swatches: bookOf([swatch]) }).gauge;
    expect(plain).toMatchObject({ source: 'swatch' });
    expect(plain.pitchMm).toBeCloseTo(1.45, 9);
    const [one, other] = readingsOf([swatch, measured(piece, 20 * 1.45)]);
    expect((one?.lengthMm ?? 0) / (one?.units ?? 1)).toBeCloseTo(
      (other?.lengthMm ?? 0) / (other?.units ?? 1),
      9,
    );
  });

  it('this piece on a ruler wins over the swatch; a chart wins over the layout only', () => {
    const swatches = bookOf([measured(piece, 30)]);
    const own = { source: 'this piece', units: 30, lengthMm: 45, finished: true } as const;
    const plan = planned({ ...piece, gauge: own }, { swatches });
    expect(plan.gauge).toMatchObject({ source: 'this piece', pitchMm: 1.5 });
    const chart = { ...piece, gauge: { source: 'table', pitchMm: 1.6 } as const };
    expect(planned(chart).gauge).toMatchObject({ source: 'table', pitchMm: 1.6 });
    expect(planned(chart, { swatches }).gauge.source).toBe('swatch');
  });

  it('in another thread it counts where there is none in the same, and says so', () => {
    const cord = { thread: byId(THREADS, 'nylon-d') };
    const other = bookOf([measured(piece, 30, cord)]);
    const plan = planned(piece, { swatches: other });
    expect(plan.gauge.swatches).toEqual({ count: 1, sameThread: false, pieces: 0 });
    expect(plan.warnings.map(({ code }) => code)).toContain('other-thread');
    const both = bookOf([measured(piece, 30, cord), measured(piece, 32)]);
    expect(planned(piece, { swatches: both }).gauge).toMatchObject({
      pitchMm: 1.6,
      swatches: { count: 1, sameThread: true, pieces: 0 },
    });
  });

  it('the picture is as long as the gauge says, whatever it comes from', () => {
    for (const lengthMm of [28, 30, 32]) {
      const plan = planned(piece, { swatches: bookOf([measured(piece, lengthMm)]) });
      expect(plan.stations.totalMm).toBeCloseTo(plan.chosen.finishedMm, 9);
      const xs = plan.work().layout.poses.map(({ centre }) => centre[0]);
      expect(Math.max(...xs)).toBeLessThan(plan.stations.totalMm);
    }
  });

  it('a unit far from what the beads would make is looked at twice', () => {
    const off = {
      source: 'this piece',
      units: 20,
      lengthMm: 20 * laidOut.pitchMm * 1.3,
      finished: true,
    } as const;
    const near = { ...off, lengthMm: 20 * laidOut.pitchMm * 1.05 };
    const codes = (gauge: PartOfPiece['gauge']) =>
      planned({ ...piece, gauge }).warnings.map(({ code }) => code);
    expect(codes(off)).toContain('gauge-differs');
    expect(codes(near)).not.toContain('gauge-differs');
  });

  it('a longer unit never asks for more of them', () => {
    fc.assert(
      fc.property(fc.integer({ min: 24, max: 40 }), fc.integer({ min: 0, max: 8 }), (mm, more) => {
        const units = (lengthMm: number) =>
          planned(piece, { swatches: bookOf([measured(piece, lengthMm)]) }).chosen.units;
        expect(units(mm + more)).toBeLessThanOrEqual(units(mm));
      }),
      { numRuns: 20, seed: 5 },
    );
  });
});

describe('later passes draw the base in', () => {
  const piece = bracelet('two-hole-line', { units: 12 });

  it('memory: crosses over a two-hole base shorten it by 2 to 5 %; left out, by nothing', () => {
    const { gauge } = planned(piece);
    expect(gauge.shortening?.passes).toEqual(['crosses']);
    const part = 1 - gauge.pitchMm / gauge.basePitchMm;
    expect(part).toBeGreaterThan(0.02);
    expect(part).toBeLessThan(0.05);
    const bare = planned({ ...piece, without: ['crosses'] }).gauge;
    expect(bare.shortening).toBeNull();
    expect(bare.pitchMm).toBe(bare.basePitchMm);
  });

  it('what was measured before them is shortened, what was measured after them is not', () => {
    const own = (finished: boolean): PartOfPiece['gauge'] => ({
      source: 'this piece',
      units: 10,
      lengthMm: 50,
      finished,
    });
    expect(planned({ ...piece, gauge: own(true) }).gauge.pitchMm).toBe(5);
    expect(planned({ ...piece, gauge: own(false) }).gauge).toMatchObject({ basePitchMm: 5 });
    expect(planned({ ...piece, gauge: own(false) }).gauge.pitchMm).toBeLessThan(5);
  });

  it('a swatch of the base serves a piece with the later pass, and is shortened', () => {
    const base = measured(piece, 100, { without: ['crosses'] });
    const plan = planned(piece, { swatches: bookOf([base]) });
    expect(plan.gauge.source).toBe('swatch');
    expect(plan.gauge.basePitchMm).toBe(5);
    expect(plan.gauge.pitchMm).toBeLessThan(5);
    const whole = measured(piece, 98);
    expect(planned(piece, { swatches: bookOf([base, whole]) }).gauge.pitchMm).toBeCloseTo(4.9, 9);
  });
});

describe('swatches', () => {
  it('come back the same through JSON, under the same key', () => {
    for (const id of ['ladder', 'flat-peyote', 'right-angle-weave']) {
      const swatch = measured(bracelet(id), 40);
      const back = readSwatch(JSON.parse(JSON.stringify(swatch)));
      expect(back).toEqual(swatch);
      expect(keyOfSwatch(back)).toEqual(keyOfSwatch(swatch));
    }
    expect(() => readSwatch({})).toThrow();
  });

  it('the swatch worth making is shorter than the piece, and has the beads of so many units', () => {
    const piece = bracelet('flat-herringbone');
    const plan = planned(piece);
    const swatch = swatchPlan(piece, plan, {});
    if (!swatch) throw new Error('no swatch');
    expect(swatch.units).toBeLessThan(plan.chosen.units);
    expect(swatch.lengthMm).toBeGreaterThanOrEqual(40);
    expect(swatch.beads).toEqual([{ role: 'A', total: 2 * swatch.units }]);
    expect(swatch.threadMm).toBeLessThan(plan.thread.totalMm);
    // A piece of a few large units may as well be begun and measured on the way.
    expect(swatchPlan(piece, planned({ ...piece, units: 4 }), {})).toBeNull();
  });
});

describe('a stitch of the maker’s own', () => {
  const base = newPart('Own', 'own-unit', wearer);
  const params = {
    sequence: ['A', 'A', 'B', 'C'],
    units: 8,
    lengthMm: 40,
    threadMm: 800,
    widthMm: 7,
    thicknessMm: 3,
  };
  const own = (change: Partial<typeof params> = {}, piece: Partial<PartOfPiece> = {}): PartOfPiece => ({
    ...base,
    structure: { id: 'own-unit', params: { ...params, ...change } },
    ...piece,
  });

  it('has the same plan as any other: count, beads, thread, fit; no steps, and it says why', () => {
    const plan = planned(own());
    expect(plan.gauge).toMatchObject({ source: 'swatch', pitchMm: 5 });
    expect(plan.chosen.fits).toBe(true);
    const total = (role: string) => plan.quantities.find((q) => q.role === role)?.total;
    expect([total('A'), total('B'), total('C')]).toEqual([2, 1, 1].map((n) => n * plan.chosen.units));
    expect(total(LOOP_ROLE)).toBe(12);
    expect(planSteps(plan)).toEqual([]);
    expect(plan.warnings.map(({ code }) => code)).toContain('no-path');
    expect(plan.work().layout.poses.every(({ centre }) => centre.every(Number.isFinite))).toBe(true);
  });

  it('draws no thread that nobody has told, and says so while its figures are only examples', () => {
    const plan = planned(own());
    expect(plan.work().thread.every(({ move }) => move.place.section.zone === 'joint')).toBe(true);
    expect(plan.warnings.map(({ code }) => code)).not.toContain('example-figures');
    const fresh = planned(base);
    expect(fresh.warnings.map(({ code }) => code)).toContain('example-figures');
    expect(fresh.gauge.source).not.toBe('swatch');
  });

  it('its thread is what the measured units took, unit by unit', () => {
    const inWork = (units: number) => planned(own({}, { units })).thread.inWorkMm;
    expect(inWork(31) - inWork(30)).toBeCloseTo(100, 6);
    const twice = planned(own({ threadMm: 1600 }, { units: 30 })).thread.inWorkMm;
    expect(twice - inWork(30)).toBeCloseTo(30 * 100, 6);
  });

  it('what is not measured yet is asked for in words', () => {
    const plan = planPart(own({ lengthMm: 0 }));
    expect(plan).toMatchObject({ ok: false, problem: { code: 'structure' } });
    expect(planPart(own({ sequence: [] }))).toMatchObject({ ok: false });
  });

  it('serves a ring joined into a band as well as a necklace', () => {
    const joined = own({}, { ends: { ...base.ends, closing: 'joined' } });
    expect(planned(joined).closure.allowanceMm).toBe(0);
  });
});

describe('habits', () => {
  it('a longer wingspan never takes more lengths of thread; a greater margin never less thread', () => {
    const piece = bracelet('flat-peyote');
    const lengths = (wingspanMm: number) =>
      planned(piece, { habits: { ...USUAL_SETTINGS, wingspanMm } }).thread.lengths;
    expect(lengths(1400)).toBeGreaterThanOrEqual(lengths(1900));
    const total = (threadMargin: number) =>
      planned(piece, { habits: { ...USUAL_SETTINGS, threadMargin } }).thread.totalMm;
    expect(total(0.2)).toBeGreaterThan(total(0.1));
  });
});

describe('a graduated line', () => {
  const line = newPart('Graded', 'graduated-line', wearer);

  it('is fitted by its steps; rules on units, or a measured number of them, do not touch it', () => {
    const plain = planned(line);
    const ruled: PartOfPiece = {
      ...line,
      rules: { parity: 'even', multipleOf: 4 },
      gauge: { source: 'this piece', units: 20, lengthMm: 60, finished: true },
    };
    const plan = planned(ruled);
    expect(plan.chosen).toEqual(plain.chosen);
    expect(plan.chosen.breaks).toEqual([]);
    expect(plan.gauge.source).toBe('closed form');
  });

  it('has as many beads of each step as it says, whether the fit chose or the maker', () => {
    for (const counts of [[], [2, 5, 3]]) {
      const plan = planned({
        ...line,
        structure: { ...line.structure, params: { ...line.structure.params, counts } },
      });
      const told = plan.arrangement?.counts ?? [];
      if (counts.length > 0) expect(told).toEqual(counts);
      else expect(told).toHaveLength(3);
      const total = (role: string) => plan.quantities.find((q) => q.role === role)?.total;
      expect([total('A'), total('B'), total('C')]).toEqual([
        2 * (told[0] ?? 0),
        2 * (told[1] ?? 0),
        2 * (told[2] ?? 0) + 1, // one alone in the middle
      ]);
      expect(plan.stations.totalMm).toBeCloseTo(plan.chosen.finishedMm, 9);
    }
  });
});

it('a ring is never of fewer units than go round', () => {
  const bail = newPart('Bail', 'right-angle-weave', null, 'bail');
  const plan = planned({ ...bail, units: 1 });
  expect(plan.chosen.units).toBe(3);
  expect(plan.candidates.every(({ units }) => units >= 3)).toBe(true);
});
