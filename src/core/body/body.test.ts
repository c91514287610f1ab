import fc from 'fast-check';
import { unit } from 'mathjs';
import { describe, expect, it } from 'vitest';
import {
  dropMm,
  droppedMm,
  hangingLoop,
  LOWEST_ROUND,
  nameOfLength,
  namedLengthMm,
  NECKLACE_LENGTHS,
} from './necklace';
import { PLACE_FACTS, PLACES, typicalGirths } from './places';
import { parseGirth } from './girth';
import { namedRingMm, ringMm, ringSize, RING_SCALES, SCALES } from './ringSize';

const across = (roundMm: number | null) => (roundMm ?? NaN) / Math.PI;

describe('ring sizes', () => {
  it('published, ISO 8653: size 54 is 54.0 mm round, 17.19 mm across', () => {
    expect(ringMm('iso', '54')).toBe(54);
    expect(across(ringMm('iso', '54'))).toBeCloseTo(17.19, 2);
    expect(ringSize('diameter', 54)).toBe('17.2');
  });

  // ASTM-style linear scale, constants from memory.
  it.each([
    ['7', 17.32],
    ['10', 19.76],
  ])('published, US: size %s is %f mm across', (size, mm) => {
    expect(across(ringMm('us', size))).toBeCloseTo(mm, 2);
  });

  it('published, BS 6820 (constants from memory): N is 53.75 mm round; the older gauge is 0.4 mm more', () => {
    expect(ringMm('uk', 'N')).toBeCloseTo(53.75, 9);
    for (const [text, scale, size] of [
      ['US 7 3/4', 'us', '7.75'],
      ['us7¾', 'us', '7.75'],
      ['uk size N½', 'uk', 'N½'],
      ['ISO 54', 'iso', '54'],
    ] as const)
      expect([text, namedRingMm(text)]).toEqual([text, ringMm(scale, size)]);
    // Of a finger a ring size is read too; of a wrist it is no length.
    expect(parseGirth('finger', 'US 7', 'in')).toEqual({ ok: true, mm: ringMm('us', '7') });
    expect(parseGirth('finger', 'US 99', 'in').ok).toBe(false);
    expect(parseGirth('wrist', 'US 7', 'in').ok).toBe(false);
    for (const text of ['7 3/4', '54 mm', 'US', 'US lots', '2 1/8 in']) expect(namedRingMm(text)).toBeNull();
    expect(ringMm('uk', 'n½')).toBeCloseTo(54.375, 9);
    expect((ringMm('uk older', 'N') ?? 0) - (ringMm('uk', 'N') ?? 0)).toBeCloseTo(0.4, 9);
    // Library: a sixty-fourth of an inch of diameter a letter.
    const letter = (ringMm('uk older', 'O') ?? 0) - (ringMm('uk older', 'N') ?? 0);
    expect(letter).toBeCloseTo(Math.PI * unit(1 / 64, 'inch').toNumber('mm'), 9);
  });

  it('published, Japan (constants from memory): 13 is 17.0 mm across', () => {
    expect(across(ringMm('japan', '13'))).toBeCloseTo(17, 9);
  });

  it('every size of every scale comes back as it was written', () => {
    fc.assert(
      fc.property(
        fc.constantFrom(...RING_SCALES),
        fc.double({ min: 41, max: 75, noNaN: true }),
        (scale, mm) => {
          const written = ringSize(scale, mm);
          const read = ringMm(scale, written) ?? NaN;
          expect(Math.abs(read - mm)).toBeLessThanOrEqual(
            (SCALES[scale].part * SCALES[scale].stepMm) / 2 + 1e-9,
          );
          expect(ringSize(scale, read)).toBe(written);
        },
      ),
    );
  });

  it('reads sizes as people write them, and nothing else', () => {
    expect(ringMm('us', '7 1/2')).toBeCloseTo(ringMm('us', '7.5') ?? NaN, 9);
    expect(ringMm('us', '7½')).toBeCloseTo(ringMm('us', '7,5') ?? NaN, 9);
    expect(ringMm('uk', 'Z+2')).toBeCloseTo((ringMm('uk', 'Z') ?? NaN) + 2 * 1.25, 9);
    for (const [scale, text] of [
      ['us', 'N'],
      ['us', ''],
      ['us', '7/0'],
      ['uk', '7'],
      ['uk', 'NN'],
    ] as const)
      expect(ringMm(scale, text)).toBeNull();
  });
});

describe('necklaces', () => {
  it('the named lengths do not overlap, and each is its own name', () => {
    NECKLACE_LENGTHS.forEach(({ name, fromIn, toIn }, i) => {
      expect(fromIn).toBeLessThan(toIn);
      expect(fromIn).toBeGreaterThan(NECKLACE_LENGTHS[i - 1]?.toIn ?? 0);
      expect(nameOfLength(namedLengthMm(name))).toBe(name);
    });
    // memory: a princess necklace is 17 to 19 in
    expect(unit(18, 'inch').toNumber('mm')).toBeCloseTo(namedLengthMm('princess'), 9);
  });

  it('a V: longer than the neck, shorter than neck and both legs, and back again', () => {
    const neck = fc.double({ min: 280, max: 450, noNaN: true });
    fc.assert(
      fc.property(neck, fc.double({ min: 1, max: 400, noNaN: true }), (neckMm, drop) => {
        const length = droppedMm(neckMm, drop);
        expect(length).toBeGreaterThan(neckMm);
        // Two legs straight from the middle line of the neck would be the longest way round.
        expect(length).toBeLessThan(neckMm + 2 * Math.hypot(drop, neckMm / Math.PI));
        expect(dropMm(neckMm, length)).toBeCloseTo(drop, 4);
      }),
    );
    expect(droppedMm(360, 0)).toBeCloseTo(360, 6);
    expect(dropMm(360, 300)).toBe(0);
  });

  it('closed form: with the point a radius below the neck, the tangents are √3 radii and two thirds of the neck are behind', () => {
    const r = 50;
    expect(droppedMm(2 * Math.PI * r, r)).toBeCloseTo(2 * Math.sqrt(3) * r + (2 / 3) * 2 * Math.PI * r, 9);
  });
});

describe('typical sizes', () => {
  it('lie in what a body can be, and grow from small to large', () => {
    for (const place of PLACES) {
      const { typical, range } = PLACE_FACTS[place];
      if (!typical) continue;
      expect(typical.small).toBeGreaterThan(range.minMm);
      expect(typical.small).toBeLessThan(typical.medium);
      expect(typical.medium).toBeLessThan(typical.large);
      expect(typical.large).toBeLessThan(range.maxMm);
    }
    expect(typicalGirths('medium').finger).toBeUndefined(); // nobody's finger is guessed
  });
});

describe('how a necklace hangs', () => {
  // Facts of geometry: the loop is as long as it is told, closed, and outside the neck.
  it('runs once round its own length, and comes back to the nape', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 280, max: 480, noNaN: true }),
        fc.double({ min: 200, max: 1500, noNaN: true }),
        fc.constantFrom(LOWEST_ROUND.V, LOWEST_ROUND.rope),
        (neckMm, lengthMm, round) => {
          const { at } = hangingLoop(neckMm, lengthMm, round);
          const points = Array.from({ length: 801 }, (_, i) => at((i / 800) * lengthMm));
          const run = points.slice(1).reduce((sum, p, i) => {
            const before = points[i] ?? p;
            return sum + Math.hypot(p.x - before.x, p.y - before.y);
          }, 0);
          expect(run / lengthMm).toBeGreaterThan(0.998);
          expect(run / lengthMm).toBeLessThanOrEqual(1 + 1e-9);
          const [nape, again] = [at(0), at(lengthMm)];
          expect(Math.hypot(nape.x - again.x, nape.y - again.y)).toBeLessThan(1e-6);
          if (lengthMm > neckMm)
            for (const p of points)
              expect(Math.hypot(p.x, p.y)).toBeGreaterThanOrEqual(neckMm / (2 * Math.PI) - 1e-6);
        },
      ),
      { numRuns: 60 },
    );
  });

  it('falls as far as the drop that its length was reckoned from, in a sharp V', () => {
    for (const drop of [20, 60, 150])
      expect(hangingLoop(360, droppedMm(360, drop), 1e-6).fallsMm).toBeCloseTo(drop, 3);
  });

  it('hangs alike on either side: as far along from the nape, the mirror image', () => {
    const { at } = hangingLoop(360, 520, LOWEST_ROUND.V);
    for (const mm of [20, 90, 150, 230]) {
      const [one, other] = [at(mm), at(520 - mm)];
      expect(Math.abs(one.x)).toBeGreaterThan(1);
      expect(other.x).toBeCloseTo(-one.x, 6);
      expect(other.y).toBeCloseTo(one.y, 6);
      expect(Math.sin(other.angle)).toBeCloseTo(-Math.sin(one.angle), 6);
    }
  });
});
