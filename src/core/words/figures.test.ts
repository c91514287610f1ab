import fc from 'fast-check';
import { expect, it } from 'vitest';
import { formatLength, parseLength } from '../length/length';
import { counted, offTarget, percent, withArticle, withCapital } from './figures';

it('one stands alone; none, and more, are many', () => {
  expect([0, 1, 2].map((n) => counted(n, 'bead'))).toEqual(['0 beads', '1 bead', '2 beads']);
  expect(counted(2, 'swatch', 'swatches')).toBe('2 swatches');
  expect(percent(0.346)).toBe('35 %');
});

it('an article goes by how a thing is spoken', () => {
  expect(
    ['8 mm ball', '6 mm ball', '11/0', '18 mm ring', '15/0', '80 mm', 'oval', 'lens', 'unit'].map(
      withArticle,
    ),
  ).toEqual([
    'an 8 mm ball',
    'a 6 mm ball',
    'an 11/0',
    'an 18 mm ring',
    'a 15/0',
    'an 80 mm',
    'an oval',
    'a lens',
    'a unit',
  ]);
  expect(withCapital(withArticle('anklet'))).toBe('An anklet');
});

it('by hand: how far a length is off its target is the difference of the two as they are shown', () => {
  const inches = { unit: 'in', denominator: 16 } as const;
  const mm = (whole: number) => 25.4 * whole;
  const told = (finishedMm: number, targetMm: number) =>
    offTarget({ finishedMm, offMm: finishedMm - targetMm }, inches);
  expect(told(mm(7.75), mm(8))).toBe('1/4 in short');
  // 7 3/4 and 8 as they are shown, though it is 5/16 that is nearest between them.
  expect(told(mm(7.75) - 0.7, mm(8) + 0.7)).toBe('1/4 in short');
  expect(told(mm(8) + 0.3, mm(8) - 0.3)).toBe('on target');
  expect(offTarget({ finishedMm: 184.4, offMm: 1.6 }, { unit: 'cm', denominator: 8, decimal: ',' })).toBe(
    '0,1 cm long',
  );
});

it('whoever takes one shown length from the other comes to what is told', () => {
  const style = fc.record({
    unit: fc.constantFrom('in' as const, 'cm' as const),
    denominator: fc.constantFrom(8 as const, 16 as const),
  });
  const length = fc.double({ min: 30, max: 900, noNaN: true });
  const read = (text: string, unit: 'in' | 'cm') => {
    const reading = parseLength(text, unit);
    if (!reading.ok) throw new Error(text);
    return reading.mm;
  };
  fc.assert(
    fc.property(length, length, style, (finishedMm, targetMm, s) => {
      const told = offTarget({ finishedMm, offMm: finishedMm - targetMm }, s);
      const [finished, target] = [finishedMm, targetMm].map((mm) => read(formatLength(mm, s), s.unit));
      const off =
        told === 'on target'
          ? 0
          : (told.endsWith('short') ? -1 : 1) * read(told.replace(/ \w+$/, ''), s.unit);
      expect(off).toBeCloseTo((finished ?? 0) - (target ?? 0), 6);
    }),
  );
});
