import { describe, expect, it } from 'vitest';
import { atPitch, gaugeOf, shorteningOf, type GaugeQuestion } from './gauge';
import type { CellLayout } from '../layout/cellLayout';
import type { Form } from '../structures/structure';

/** The figures of a gauge by hand: spread of a lot 1.375 % (half of the middle of 2 to 3.5 %, from memory). */
const LOT = 0.01375;
const uniform = (width: number) => width / Math.sqrt(12);

const form = (change: Partial<Form> = {}): Form =>
  ({
    pitchMm: 2,
    beyondMm: 0,
    widthMm: 4,
    thicknessMm: 2,
    mayShorten: 0,
    mirrored: false,
    pose: () => ({ centre: [4, 1, 0], axis: [1, 0, 0] }) as never,
    ...change,
  }) as Form;
const question = (change: Partial<GaugeQuestion> = {}): GaugeQuestion => ({
  form: form(),
  closed: change.form ?? form(),
  request: null,
  layout: null,
  restless: false,
  lean: 0,
  shortening: null,
  unsureMm: [0, 0],
  swatches: null,
  baseSwatches: null,
  own: null,
  ...change,
});

describe('how sure a gauge is, by hand', () => {
  it('of beads that lie as they must, only their lots vary', () => {
    const gauge = gaugeOf(question());
    expect(gauge).toMatchObject({ source: 'closed form', pitchMm: 2, basePitchMm: 2, mayShorten: 0 });
    expect(gauge.spread).toBeCloseTo(LOT, 9);
    expect(gauge.lowMm).toBeCloseTo(2 * (1 - 2 * LOT), 9);
    expect(gauge.highMm).toBeCloseTo(2 * (1 + 2 * LOT), 9);
    expect(gauge.perInch).toBeCloseTo(12.7, 9);
  });

  it('what the stitch may draw in widens the spread and lowers the least, and nothing else', () => {
    const gauge = gaugeOf(question({ form: form({ mayShorten: 0.06 }) }));
    expect(gauge.spread).toBeCloseTo(Math.hypot(LOT, uniform(0.06)), 9);
    expect(gauge.lowMm).toBeCloseTo(2 * (1 - 2 * LOT) * 0.94, 9);
    expect(gauge.highMm).toBeCloseTo(2 * (1 + 2 * LOT), 9);
    expect(gauge.pitchMm).toBe(2);
    expect(gauge.mayShorten).toBe(0.06);
  });

  it('later passes shorten by the middle of what they may, and their width adds to the spread', () => {
    const shortening = { passes: ['picots'], least: 0.02, most: 0.06, pieces: 0 };
    const gauge = gaugeOf(question({ shortening }));
    expect(gauge.pitchMm).toBeCloseTo(1.92, 9);
    expect(gauge.basePitchMm).toBe(2);
    expect(gauge.spread).toBeCloseTo(Math.hypot(LOT, uniform(0.04)), 9);
    expect(gauge.workedOutMm).toBeCloseTo(1.92, 9);
    const measured = { source: 'this piece', units: 20, lengthMm: 44, finished: false } as const;
    const own = gaugeOf(question({ shortening, own: measured }));
    expect([own.basePitchMm, own.pitchMm]).toEqual([2.2, 2.2 * 0.96]);
    expect(gaugeOf(question({ shortening, own: { ...measured, finished: true } })).pitchMm).toBe(2.2);
  });

  it('several passes shorten what the others have left', () => {
    const pass = (shortens?: { least: number; most: number }) => ({ shortens }) as never;
    const passes = new Map([
      ['base', pass()],
      ['crosses', pass({ least: 0.1, most: 0.2 })],
      ['edging', pass({ least: 0.1, most: 0.5 })],
    ]);
    const all = shorteningOf(passes, new Set());
    expect(all?.passes).toEqual(['crosses', 'edging']);
    expect(all?.least).toBeCloseTo(1 - 0.9 * 0.9, 9);
    expect(all?.most).toBeCloseTo(1 - 0.8 * 0.5, 9);
    expect(shorteningOf(passes, new Set(['crosses', 'edging']))).toBeNull();
    expect(shorteningOf(passes, new Set(['edging']))?.most).toBeCloseTo(0.2, 9);
  });

  it('a chart may be off by 4 % (from memory); what it says is taken as it is', () => {
    const gauge = gaugeOf(question({ own: { source: 'table', pitchMm: 2.5 } }));
    expect(gauge).toMatchObject({
      source: 'table',
      pitchMm: 2.5,
      spread: 0.04,
      mayShorten: 0,
      settled: true,
    });
    expect(gauge.lowMm).toBeCloseTo(2.5 * 0.92, 9);
    expect(gauge.highMm).toBeCloseTo(2.5 * 1.08, 9);
  });

  it('swatches win over a chart, those with every pass over those of the base alone', () => {
    const found = (lengthMm: number) => ({
      readings: [{ units: 20, lengthMm }],
      sameThread: true,
      pieces: 0,
    });
    const own = { source: 'table', pitchMm: 2.5 } as const;
    const shortening = { passes: ['picots'], least: 0.1, most: 0.1, pieces: 0 };
    const base = gaugeOf(question({ own, shortening, baseSwatches: found(50) }));
    expect(base).toMatchObject({ source: 'swatch', basePitchMm: 2.5 });
    expect(base.pitchMm).toBeCloseTo(2.25, 9);
    const both = gaugeOf(question({ own, shortening, swatches: found(40), baseSwatches: found(50) }));
    expect(both).toMatchObject({ source: 'swatch', pitchMm: 2, basePitchMm: 2, swatches: { count: 1 } });
  });

  it('a form at another pitch is as long as that along the piece, and as wide as before', () => {
    const stretched = atPitch(form(), 3);
    expect(stretched.pitchMm).toBe(3);
    expect(stretched.pose({} as never).centre).toEqual([6, 1, 0]);
    const same = form();
    expect(atPitch(same, 2)).toBe(same);
  });
});

describe('two opinions of one work: layout and closed form', () => {
  const layout = (change: Partial<CellLayout> = {}): CellLayout => ({
    pitchMm: 2,
    snugMm: 2,
    twist: 0,
    units: 1,
    beads: [],
    widthMm: 4,
    thicknessMm: 2,
    heightsMm: [],
    insideMm: 0,
    drape: 'firm',
    roundingMm: [2, 2],
    settled: true,
    ...change,
  });
  const asked = (closed: Partial<Form>, laid: Partial<CellLayout> = {}, laidOut: Partial<Form> = {}) =>
    gaugeOf(question({ form: form(laidOut), closed: form(closed), layout: layout(laid) }));

  it('agree within a tenth of the length and three tenths of the thickness', () => {
    expect(asked({ pitchMm: 2.2 }).disagrees).toBeNull();
    expect(asked({ pitchMm: 1.85 }).disagrees).toBeNull();
    expect(asked({ thicknessMm: 1.6 }).disagrees).toBeNull();
  });

  it('disagree beyond that, and both figures are told', () => {
    expect(asked({ pitchMm: 2.3 }).disagrees?.pitchMm).toEqual([2, 2.3]);
    expect(asked({ pitchMm: 1.8 }).disagrees?.pitchMm).toEqual([2, 1.8]);
    expect(asked({ thicknessMm: 1.5 }).disagrees?.thicknessMm).toEqual([2, 1.5]);
    expect(asked({ thicknessMm: 3 }).disagrees?.thicknessMm).toEqual([2, 3]);
  });

  it('the band covers both, and edges rounded less and more, with the spread of a lot beyond', () => {
    const gauge = asked({ pitchMm: 2.4 }, { roundingMm: [1.9, 2.1] });
    expect(gauge.pitchMm).toBe(2);
    expect(gauge.lowMm).toBeCloseTo(1.9 * (1 - 2 * LOT), 9);
    expect(gauge.highMm).toBeCloseTo(2.4 * (1 + 2 * LOT), 9);
    expect(gauge.spread).toBeCloseTo(Math.hypot(LOT, uniform(0.5 / 2)), 9);
  });

  it('a net is soft from its snuggest to its squarest; one that gives less than a twentieth is not', () => {
    expect(asked({ pitchMm: 2.1, net: 'square' }, { snugMm: 1.8 }).soft).toEqual([1.8, 2.1]);
    expect(asked({ pitchMm: 2.02, net: 'square' }, { snugMm: 1.98 }).soft).toBeNull();
    expect(asked({ pitchMm: 2.1 }, { snugMm: 1.8 }).soft).toBeNull();
  });

  it('of what was measured none of that is said', () => {
    const own = { source: 'this piece' as const, units: 10, lengthMm: 22, finished: true };
    const gauge = gaugeOf(
      question({
        closed: form({ pitchMm: 3, net: 'round' }),
        layout: layout({ snugMm: 1 }),
        own: own as never,
      }),
    );
    expect(gauge).toMatchObject({ disagrees: null, soft: null, source: 'this piece' });
  });

  it('what did not come to rest says so, and stands on the closed form', () => {
    expect(gaugeOf(question({ restless: true }))).toMatchObject({ settled: false, source: 'closed form' });
    expect(gaugeOf(question()).settled).toBe(true);
  });
});
