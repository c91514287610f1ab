import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { cautionsOfThread, type Caution } from '../plan/cautions';
import type { LengthStyle } from '../length/length';
import { byId, THREADS } from '../materials/catalogue';
import { anyPiece, heardOf } from '../testing/anyPiece';
import { wordCaution } from './cautions';

const INCHES: LengthStyle = { unit: 'in', denominator: 16 };
const CENTIMETRES: LengthStyle = { unit: 'cm', denominator: 16 };
describe('whatever is planned, what is said of it', () => {
  it('is whole sentences, in the unit that was asked for, with figures that are figures', () => {
    const heard = new Set<string>();
    fc.assert(
      fc.property(anyPiece(), (piece) => {
        const inInches = heardOf(piece, INCHES);
        for (const { code } of inInches) heard.add(code);
        for (const text of inInches.flatMap(({ texts }) => texts)) {
          expect(text).toMatch(/^\S.*[.?!]$/s);
          expect(text).not.toMatch(/undefined|NaN|null|Infinity|\[object|\s\s/);
          expect(text).not.toMatch(/\d cm\b(?!\))/);
        }
        for (const text of heardOf(piece, CENTIMETRES).flatMap(({ texts }) => texts))
          expect(text).not.toMatch(/\d in\b|\d"/);
      }),
      { numRuns: 400, seed: 7 },
    );
    // The pieces are as various as that: most of what can be said was said.
    expect(heard.size).toBeGreaterThan(25);
  });
});

describe('cautions', () => {
  const all: readonly Caution[] = [
    'children',
    'swelling',
    'magnet',
    'nickel',
    'wire-ends',
    'glue',
    'sharp-edges',
    'flame',
  ];
  it('have a title and say what to do', () => {
    for (const caution of all) {
      const { title, text } = wordCaution(caution);
      expect(title).toMatch(/\.$/);
      expect(text).toMatch(/\.$/);
    }
  });

  it.each([
    // Common practice in the trade; rules differ by country and are not repeated here.
    ['magnet', /heart devices.*swallowed.*not for children/s],
    ['children', /choking.*strangle.*breakaway clasp.*differ by country/s],
    ['swelling', /take it off at night/],
    ['wire-ends', /eye protection/],
    ['glue', /[Aa]ir the room.*gloves/],
    ['nickel', /release nickel.*differ by country/s],
    ['flame', /hot.*fumes/],
  ] as const)('%s: names the danger and what is usually done', (caution, words) => {
    expect(wordCaution(caution).text).toMatch(words);
  });

  it('heat is a matter of threads whose ends can be melted off', () => {
    expect(cautionsOfThread(byId(THREADS, 'gel-6'))).toEqual(['flame']);
    const elastic = THREADS.find(({ make }) => make === 'elastic');
    expect(elastic && cautionsOfThread(elastic)).toEqual([]);
  });
});
