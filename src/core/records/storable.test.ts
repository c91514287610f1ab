import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { copyOf, forWearer, named, pieceName } from '../piece/variants';
import { migratePiece, MOST_LETTERS } from '../piece/piece';
import { newPiece } from '../piece/newPiece';
import { cutTo, mendedForStoring, whyNotStorable } from './storable';
import { withPart } from '../piece/partOfPiece';

const nested = (depth: number): unknown => {
  let value: unknown = {};
  for (let i = 0; i < depth; i++) value = i % 2 === 0 ? [value] : { value };
  return value;
};

describe('what can be stored', () => {
  it('is all of Unicode but U+0000 and half characters, in texts and keys, however deep', () => {
    for (const good of ['', 'å', '👩‍👧', '\u0001', '\uffff', 7, null, { a: ['b', { c: true }] }])
      expect(whyNotStorable(good)).toBeNull();
    for (const bad of ['\0', 'a\0b', '\ud800', '\udc00\ud800', { '\0': 1 }, { a: [{ b: '\ud800' }] }])
      expect(whyNotStorable(bad)).toMatch(/cannot be kept/);
  });

  it('is nested so far and no farther, and looking never runs out of room', () => {
    expect(whyNotStorable(nested(63))).toBeNull();
    expect(whyNotStorable(nested(64))).toMatch(/nested/);
    expect(whyNotStorable(nested(200_000))).toMatch(/nested/);
  });

  it('is what is left of anything after mending', () => {
    fc.assert(
      fc.property(fc.anything({ withNullPrototype: false }), fc.string({ unit: 'binary' }), (value, text) => {
        expect(whyNotStorable(mendedForStoring({ value, text: `${text}\0\ud800` }))).toBeNull();
      }),
      { seed: 5, numRuns: 300 },
    );
    expect(mendedForStoring({ name: 'a\0b', n: [1, 'x'] })).toEqual({ name: 'ab', n: [1, 'x'] });
    expect(whyNotStorable(mendedForStoring(nested(5000)))).toBeNull();
  });

  it('a piece with such a character is none', () => {
    const piece = newPiece('x', 'strung-line', null);
    expect(() => migratePiece({ ...piece, name: 'a\0b' })).toThrow(/U\+0000/);
    expect(() =>
      migratePiece(withPart(piece, { structure: { id: 'strung-line', params: { '\ud800': 1 } } })),
    ).toThrow(/surrogate/);
  });
});

describe('names made from names', () => {
  const piece = newPiece('x', 'strung-line', null);

  it('are cut between whole characters, as short as they must and no shorter', () => {
    expect(cutTo('abc', 3)).toBe('abc');
    expect(cutTo('abcd', 3)).toBe('abc');
    expect(cutTo('ab cd', 3)).toBe('ab');
    // A family of three joined figures is one character: eight code units.
    expect(cutTo('ab👩‍👧', 3)).toBe('ab');
    expect(cutTo('ab👩‍👧', 7)).toBe('ab👩‍👧');
    expect(cutTo('e\u0301e\u0301', 3)).toBe('e\u0301');
  });

  it('are names still, whatever they are made from', () => {
    fc.assert(
      fc.property(fc.string({ minLength: 1, maxLength: 90, unit: 'grapheme' }), (text) => {
        const name = pieceName(`Bracelet for ${text}`);
        const all = [
          name,
          copyOf({ ...piece, name }).name,
          named({ ...piece, name }, ' (other version)').name,
        ];
        for (const one of all) {
          expect(one.length).toBeLessThanOrEqual(MOST_LETTERS);
          expect(one.isWellFormed()).toBe(true);
          expect(migratePiece({ ...piece, name: one }).name).toBe(one.trim());
        }
      }),
      { seed: 9, numRuns: 200 },
    );
  });

  it('hold another’s name as it is written, whatever it is written with', () => {
    const who = (name: string) => ({ personId: null, name, girths: {}, typical: null });
    const first = { ...newPiece('Line for Osk', 'strung-line', who('Osk')) };
    expect(forWearer(first, who('$& and $1')).name).toBe('Line for $& and $1');
  });
});
