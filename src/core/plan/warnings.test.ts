import { describe, expect, it } from 'vitest';
import { usualWear, newPart } from '../piece/newPiece';
import type { PartOfPiece } from '../piece/partOfPiece';
import { planPart } from './shipped';
import type { Warning } from './warnings';

const IN = 25.4;
const girths = { wrist: 160, finger: 54, knuckle: 61, neck: 360 };
const wearer: PartOfPiece['wearer'] = { personId: null, name: 'Maren', girths, typical: null };

/** What is said of a piece, by its code. */
function told(piece: PartOfPiece): Map<string, Warning> {
  const plan = planPart(piece);
  if (!plan.ok) throw new Error(JSON.stringify(plan.problem));
  return new Map(plan.warnings.map((warning) => [warning.code, warning]));
}

const necklace = (stitch: string, finishedMm: number): PartOfPiece => ({
  ...newPart('x', stitch, wearer, 'necklace'),
  wear: { ...usualWear('necklace', 'flat'), finishedMm } as PartOfPiece['wear'],
});

describe('a necklace', () => {
  it('that holds flat and is longer than a choker, 16 in, stands off the neck; rope and cloth do not (common practice, no source)', () => {
    expect(told(necklace('ladder', 15.5 * IN)).has('flat-strip-long')).toBe(false);
    const long = told(necklace('ladder', 17 * IN)).get('flat-strip-long');
    expect(long).toMatchObject({ mostMm: 16 * IN });
    for (const other of ['tubular-herringbone', 'flat-peyote'])
      expect(told(necklace(other, 17 * IN)).has('flat-strip-long')).toBe(false);
    const bracelet = { ...newPart('x', 'ladder', wearer), targetMm: 17 * IN };
    expect(told(bracelet).has('flat-strip-long')).toBe(false);
  });

  it('counts only as long as it is woven, where the rest is chain', () => {
    const piece = necklace('ladder', 17 * IN);
    const chained = { ...piece, ends: { ...piece.ends, chain: { linkMm: 6, wovenMm: 120 } } };
    expect(told(chained).has('flat-strip-long')).toBe(false);
  });

  it('that is joined must pass the head, 600 mm (from memory)', () => {
    const joined = (mm: number): PartOfPiece => {
      const piece = necklace('strung-line', mm);
      return { ...piece, ends: { ...piece.ends, closing: 'joined' } };
    };
    expect(told(joined(560)).has('over-the-head')).toBe(true);
    expect(told(joined(640)).has('over-the-head')).toBe(false);
    expect(told(necklace('strung-line', 560)).has('over-the-head')).toBe(false);
    const bracelet = newPart('x', 'strung-line', wearer);
    expect(told({ ...bracelet, ends: { ...bracelet.ends, closing: 'joined' } }).has('over-the-head')).toBe(
      false,
    );
  });
});

describe('a measured unit', () => {
  it.each([
    [1.1, false],
    [1.2, true],
    [0.9, false],
    [0.8, true],
  ])('%s times what beads would make: looked at twice beyond 15 % (from memory)', (times, twice) => {
    const piece = newPart('x', 'flat-herringbone', wearer);
    const plan = planPart(piece);
    if (!plan.ok) throw new Error(plan.problem.code);
    const lengthMm = 10 * plan.gauge.workedOutMm * times;
    const measured: PartOfPiece = {
      ...piece,
      gauge: { source: 'this piece', units: 10, lengthMm, finished: true },
    };
    const codes = told(measured);
    expect(codes.has('gauge-differs')).toBe(twice);
    // What was measured needs no swatch.
    expect(codes.has('make-a-swatch')).toBe(false);
    expect(told(piece).has('make-a-swatch')).toBe(true);
  });
});

describe('a clasp', () => {
  const piece = newPart('x', 'flat-herringbone', wearer);
  const withPasses = (passes: number): PartOfPiece => {
    const end = { ...piece.ends.start, passes };
    return { ...piece, ends: { ...piece.ends, start: end, end } };
  };

  it('held by one pass of thread is warned of; by two it is not', () => {
    expect(told(withPasses(1)).has('one-pass-through-clasp')).toBe(true);
    expect(told(withPasses(2)).has('one-pass-through-clasp')).toBe(false);
  });

  it('that is sewn on before the body is final at that end', () => {
    const first = (id: string) => told(newPart('x', id, wearer)).get('end-fixed-first');
    // The two threads of cross-weave begin at the clasp; a ladder is begun free, and its clasp is sewn on later.
    expect(first('cross-weave')).toMatchObject({ ends: ['start'] });
    for (const id of ['flat-herringbone', 'ladder']) expect(first(id)).toBeUndefined();
  });
});

describe('whom it is for', () => {
  it('a size that is nobody’s own is said to be one', () => {
    expect(told(newPart('x', 'flat-peyote', wearer)).has('typical-size')).toBe(false);
    const usual = newPart('x', 'flat-peyote', { ...wearer, name: 'a small adult', typical: 'small' });
    expect(told(usual).has('typical-size')).toBe(true);
  });

  it('a ring must pass the knuckle: where that is larger than the finger, it is said to be a choice between both', () => {
    const ring = (knuckle: number) =>
      told(newPart('x', 'flat-peyote', { ...wearer, girths: { finger: 54, knuckle } }, 'ring'));
    expect(ring(61).has('between-knuckle')).toBe(true);
    expect(ring(54).has('between-knuckle')).toBe(false);
  });
});
