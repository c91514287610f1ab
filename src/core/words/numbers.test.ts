import { describe, expect, it } from 'vitest';
import { inTurn, ordinal, plural } from './numbers';

describe('numbers in words', () => {
  it('several of what has a name', () =>
    expect(['A', 'loop', 'stitch', 'daisy', 'cross', 'day'].map(plural)).toEqual([
      'A',
      'loops',
      'stitches',
      'daisies',
      'crosses',
      'days',
    ]));

  it('twenty-first, not twenty-oneth', () =>
    expect([1, 4, 11, 12, 13, 21, 22, 23, 24, 111].map(ordinal)).toEqual([
      'first',
      'fourth',
      '11th',
      '12th',
      '13th',
      '21st',
      '22nd',
      '23rd',
      '24th',
      '111th',
    ]));

  it('a run of numbers goes from the first to the last, others one by one', () => {
    expect(inTurn([2, 3, 4, 5, 6])).toBe('2 to 6');
    expect(inTurn([14, 13, 12, 11])).toBe('14 to 11');
    expect(inTurn([6, 5, 4, 5, 6])).toBe('6, 5, 4, 5 and 6');
    expect(inTurn([3, 2, 1])).toBe('3, 2 and 1');
    expect(inTurn([1, 1, 1, 1])).toBe('1, 1, 1 and 1');
    expect(inTurn([9])).toBe('9');
  });
});
