import { describe, expect, it } from 'vitest';
import { EASE_MM, FITS, easeBand, sit, thicknessEffect, wear } from './wear';

const IN = 25.4;
const eased = (fit: (typeof FITS)[number], thicknessEffect = true) =>
  ({ school: 'ease', fit, thicknessEffect }) as const;

describe('from the body to the finished length', () => {
  it('closed form: inside circumference of a closed ring is its middle line less π·t', () => {
    // Checked on circles: a middle line of 200 mm and a thickness of 8 mm.
    const middleRadius = 200 / (2 * Math.PI);
    const inside = 2 * Math.PI * (middleRadius - 4);
    expect(200 - thicknessEffect(8)).toBeCloseTo(inside, 9);
  });

  it('practice: with 8 mm beads the thickness is worth about an inch', () => {
    expect(Math.abs(thicknessEffect(8) / IN - 1)).toBeLessThan(0.02);
  });

  it('adds body, ease and thickness, and shows each', () => {
    const { bodyMm, easeMm, thicknessEffectMm, wishMm } = wear(160, 4, eased('snug'));
    expect(wishMm).toBe((bodyMm ?? 0) + (easeMm ?? 0) + thicknessEffectMm);
    expect(wear(160, 4, eased('snug', false)).wishMm).toBe(166); // memory: snug is about 6 mm over the body
  });

  it('practice: the flat rule is 7 to 7 1/2 in with the clasp, whatever the wrist', () => {
    const rule = wear(150, 8, { school: 'flat', finishedMm: 7.25 * IN });
    expect(rule.band.minMm / IN).toBeCloseTo(7);
    expect(rule.band.maxMm / IN).toBeCloseTo(7.5);
    expect(rule.thicknessEffectMm).toBe(0);
    expect(wear(null, 8, { school: 'flat', finishedMm: 184 }).easeMm).toBeNull();
  });

  it('refuses ease without a body', () => {
    expect(() => wear(null, 2, eased('snug'))).toThrow();
  });

  it('the bands of the three fits meet without gap or overlap, each around its own ease', () => {
    expect(easeBand('snug').maxMm).toBe(easeBand('comfortable').minMm);
    expect(easeBand('comfortable').maxMm).toBe(easeBand('loose').minMm);
    for (const fit of FITS) {
      expect(easeBand(fit).minMm).toBeLessThan(EASE_MM[fit]);
      expect(easeBand(fit).maxMm).toBeGreaterThan(EASE_MM[fit]);
    }
  });

  it('says how a length sits', () => {
    const words = [160, 167, 174, 186, 200].map((finished) => sit(finished, 160));
    expect(words).toEqual(['too tight', 'snugly', 'comfortably', 'loosely', 'too loose']);
  });
});
