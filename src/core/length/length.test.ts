import fc from 'fast-check';
import { unit as mathUnit } from 'mathjs';
import { describe, expect, it } from 'vitest';
import { PLACE_FACTS } from '../body/places';
import {
  formatChange,
  formatFine,
  formatTenth,
  formatLength,
  formatThread,
  shownParts,
  withDecimal,
  parseLength,
  MM_PER_INCH,
  MM_PER_YARD,
} from './length';

const mm = (text: string, unit: 'in' | 'cm' = 'in') => {
  const reading = parseLength(text, unit);
  return reading.ok ? reading.mm : reading.problem.code;
};

const WRIST_RANGE = PLACE_FACTS.wrist.range;

describe('reading lengths as people write them', () => {
  // Library: mathjs units, an independent table of conversions.
  it.each([
    ['7.25 in', 7.25, 'inch'],
    ['7 1/4"', 7.25, 'inch'],
    ['7-1/4', 7.25, 'inch'],
    ['7¼ in', 7.25, 'inch'],
    ['7 ¼″', 7.25, 'inch'],
    ['3/8 inch', 0.375, 'inch'],
    ['18,5 cm', 18.5, 'cm'],
    ['185 mm', 185, 'mm'],
    ['185mm', 185, 'mm'],
    ['1.5 m', 1.5, 'm'],
    ['2 yd', 2, 'yard'],
    ['5\' 4"', 64, 'inch'],
    ['5 ft 4 in', 64, 'inch'],
    ["5'", 5, 'ft'],
    ['.5 in', 0.5, 'inch'],
  ] as const)('%s', (text, value, unit) => {
    expect(mm(text)).toBeCloseTo(mathUnit(value, unit).toNumber('mm'), 9);
  });

  it('takes a bare number in the weaver’s own unit', () => {
    expect(mm('7', 'in')).toBeCloseTo(177.8);
    expect(mm('18,5', 'cm')).toBe(185);
  });

  it('says what kind of mistake it met, never a number', () => {
    expect(mm('banana')).toBe('unreadable');
    expect(mm('')).toBe('empty');
    expect(mm('   ')).toBe('empty');
    expect(mm('0')).toBe('not-positive');
    expect(mm('-3')).toBe('not-positive');
    expect(mm('− 3 cm')).toBe('not-positive');
    for (const text of [
      '7 1/0',
      '7 1/4 1/4',
      '7 in 3 cm',
      '7 parsecs',
      '1.2.3',
      '1e3',
      '7 in extra',
      '7;',
      '١٢',
    ])
      expect(mm(text)).toBe('unreadable');
  });

  it('questions a length that no wrist has, and says in which unit it would make sense', () => {
    expect(parseLength('900 cm', 'cm', WRIST_RANGE)).toMatchObject({
      ok: false,
      problem: { code: 'implausible', perhaps: [] },
    });
    expect(parseLength('165', 'in', WRIST_RANGE)).toMatchObject({
      problem: { code: 'implausible', perhaps: ['mm'] },
    });
    expect(parseLength('16', 'in', WRIST_RANGE)).toMatchObject({
      problem: { code: 'implausible', perhaps: ['cm'] },
    });
    expect(parseLength('6.5', 'cm', WRIST_RANGE)).toMatchObject({
      problem: { code: 'implausible', perhaps: ['in'] },
    });
  });
});

describe('wording lengths', () => {
  it('rounds inches to the eighth or sixteenth, in lowest terms', () => {
    expect(formatLength(7.25 * MM_PER_INCH, { unit: 'in', denominator: 8 })).toBe('7 1/4 in');
    expect(formatLength(7.3125 * MM_PER_INCH, { unit: 'in', denominator: 16 })).toBe('7 5/16 in');
    expect(formatLength(0.99 * MM_PER_INCH, { unit: 'in', denominator: 16 })).toBe('1 in');
    expect(formatLength(0.5 * MM_PER_INCH, { unit: 'in', denominator: 16 })).toBe('1/2 in');
    expect(formatLength(0, { unit: 'in', denominator: 16 })).toBe('0 in');
    expect(formatLength(184, { unit: 'cm', denominator: 16 })).toBe('18.4 cm');
  });

  it('gives changes their sign, and none to nothing', () => {
    expect(formatChange(0.25 * MM_PER_INCH, { unit: 'in', denominator: 8 })).toBe('+1/4 in');
    expect(formatChange(-9.5, { unit: 'cm', denominator: 8 })).toBe('−1.0 cm');
    expect(formatChange(0.2, { unit: 'cm', denominator: 8 })).toBe('0.0 cm');
    expect(formatChange(-0.2, { unit: 'in', denominator: 8 })).toBe('0 in');
  });

  it('writes decimals with the weaver’s own sign', () => {
    const comma = { unit: 'cm', denominator: 8, decimal: ',' } as const;
    expect(formatLength(184, comma)).toBe('18,4 cm');
    expect(formatChange(0.2, comma)).toBe('0,0 cm');
    expect(formatFine(1.4, comma)).toBe('1,40 mm');
    expect(formatTenth(4.26, comma)).toBe('4,3 mm');
    expect(formatThread(2941, 'cm', ',')).toBe('2,95 m');
  });

  it('words are told with the weaver’s decimal sign; what she wrote herself is left as it is', () => {
    const words = 'Write it like 14.2 mm, or 0.9 g. “1.2.3” is none.';
    expect(withDecimal(words, ',')).toBe('Write it like 14,2 mm, or 0,9 g. “1.2.3” is none.');
    expect(withDecimal(words, '.')).toBe(words);
  });

  it('nothing is told finer than a hand can measure: three figures, a hundredth of a millimetre at most', () => {
    const told = [0.147, 1.404, 9.99, 9.996, 17.364, 99.94, 99.96, 174.8].map((mm) => formatFine(mm, {}));
    expect(told).toEqual([
      '0.15 mm',
      '1.40 mm',
      '9.99 mm',
      '10.0 mm',
      '17.4 mm',
      '99.9 mm',
      '100 mm',
      '175 mm',
    ]);
  });

  it('nothing is a length only where it is asked for', () => {
    expect(parseLength('0', 'cm', { minMm: 0, maxMm: 30 })).toEqual({ ok: true, mm: 0 });
    expect(parseLength('0', 'cm', { minMm: 1, maxMm: 30 }).ok).toBe(false);
  });

  it('rounds thread up, never short', () => {
    expect(formatThread(2941, 'cm')).toBe('2.95 m');
    expect(formatThread(2940, 'cm')).toBe('2.94 m');
    expect(formatThread(MM_PER_YARD + 1, 'in')).toBe('1 yd 1 in');
    expect(formatThread(3 * MM_PER_YARD, 'in')).toBe('3 yd');
    expect(formatThread(155, 'cm')).toBe('16 cm');
  });

  it('comes back the same when what it wrote is read again', () => {
    const style = fc.record({
      unit: fc.constantFrom('in' as const, 'cm' as const),
      denominator: fc.constantFrom(8 as const, 16 as const),
      decimal: fc.constantFrom('.' as const, ',' as const),
    });
    fc.assert(
      fc.property(fc.integer({ min: 1, max: 4000 }), style, (parts, s) => {
        const length = s.unit === 'cm' ? parts : (parts / s.denominator) * MM_PER_INCH;
        const written = formatLength(length, s);
        const read = parseLength(written, s.unit);
        expect(read.ok && Math.abs(read.mm - length)).toBeLessThan(1e-9);
      }),
    );
  });

  it('is never off by more than half of its smallest step', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 2, max: 5000, noNaN: true }),
        fc.constantFrom(8 as const, 16 as const),
        (length, denominator) => {
          const read = parseLength(formatLength(length, { unit: 'in', denominator }), 'in');
          expect(read.ok && Math.abs(read.mm - length)).toBeLessThanOrEqual(
            MM_PER_INCH / denominator / 2 + 1e-9,
          );
        },
      ),
    );
  });
});

it('millimetres of a bead are shown as they were measured, and read back bare', () => {
  const style = { unit: 'mm', denominator: 8 } as const;
  expect([5.5, 1.34, 6, 0.125].map((one) => formatLength(one, style))).toEqual([
    '5.5 mm',
    '1.34 mm',
    '6 mm',
    '0.13 mm',
  ]);
  expect(formatLength(1.5, { ...style, decimal: ',' })).toBe('1,5 mm');
  expect(parseLength('1,34', 'mm')).toEqual({ ok: true, mm: 1.34 });
  // A unit that is written counts, whatever is usual there.
  expect(parseLength('1 in', 'mm')).toEqual({ ok: true, mm: 25.4 });
});

it('parts are shown so that what is shown adds up', () => {
  const style = { unit: 'in', denominator: 8 } as const;
  const parts = [6.06, 0.44, 0.31].map((inches) => inches * MM_PER_INCH);
  const shown = shownParts(parts, style);
  const eighths = shown.map((one) => (one / MM_PER_INCH) * 8);
  expect(eighths.map((n) => Math.round(n))).toEqual([48, 4, 2]);
  for (const n of eighths) expect(n).toBeCloseTo(Math.round(n), 9);
  // 6.81 inches in all are 6 6/8.
  expect(eighths.reduce((sum, n) => sum + n, 0)).toBeCloseTo(54, 9);
});
