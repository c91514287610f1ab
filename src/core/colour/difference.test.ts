import { lab } from 'd3';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { difference, labOf } from './difference';

const hex = fc
  .tuple(...[0, 1, 2].map(() => fc.integer({ min: 0, max: 255 })))
  .map((rgb) => `#${rgb.map((n) => n.toString(16).padStart(2, '0')).join('')}`);

describe('how different two colours look', () => {
  it('reference (d3-color, which sees in D50): greys have the same lightness', () => {
    for (let n = 0; n < 256; n += 15) {
      const grey = `#${n.toString(16).padStart(2, '0').repeat(3)}`;
      const [l, a, b] = labOf(grey);
      expect(l).toBeCloseTo(lab(grey).l, 1);
      expect(Math.hypot(a, b)).toBeLessThan(0.1);
    }
  });

  it('reference (d3-color): differences agree but for the other white', () => {
    fc.assert(
      fc.property(hex, hex, (one, other) => {
        const [p, q] = [lab(one), lab(other)];
        const told = Math.hypot(p.l - q.l, p.a - q.a, p.b - q.b);
        expect(Math.abs(difference(one, other) - told)).toBeLessThanOrEqual(1 + 0.2 * told);
      }),
    );
  });

  it('published (CIE 15): black and white lie 100 apart; a colour does not differ from itself', () => {
    expect(difference('#000000', '#ffffff')).toBeCloseTo(100, 1);
    expect(difference('#2b6c76', '#2b6c76')).toBe(0);
  });
});
