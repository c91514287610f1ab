import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { FITS, KIND_FACTS, KINDS } from './kinds';
import {
  easeBand,
  missingGirth,
  sit,
  thicknessEffect,
  wear,
  type WearChoice,
  type WearQuestion,
} from './wear';

const IN = 25.4;
const { easeMm } = KIND_FACTS.bracelet;
const eased = (fit: (typeof FITS)[number], thickness = true): WearChoice => ({
  school: 'ease',
  fit,
  easeMm,
  thicknessEffect: thickness,
});
const worn = (change: Partial<WearQuestion>) =>
  wear({
    kind: 'bracelet',
    girths: { wrist: 160 },
    choice: eased('snug'),
    targetMm: null,
    thicknessMm: 4,
    widthMm: 6,
    ...change,
  });

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

  it('every amount is shown, and together they are the wish', () => {
    for (const kind of KINDS)
      for (const school of KIND_FACTS[kind].schools) {
        const girths = {
          wrist: 160,
          hand: 195,
          ankle: 230,
          neck: 350,
          finger: 54,
          knuckle: 56,
          'upper arm': 280,
        };
        const amounts = {
          fit: 'comfortable',
          easeMm: KIND_FACTS[kind].easeMm,
          thicknessEffect: true,
        } as const;
        const choices: Record<typeof school, WearChoice> = {
          ease: { school: 'ease', ...amounts },
          over: { school: 'over', ...amounts, overMm: kind === 'bail' ? 20 : null },
          flat: { school: 'flat', finishedMm: 180 },
          like: { school: 'like', finishedMm: 180, thicknessMm: 2 },
          drop: { school: 'drop', dropMm: 50 },
          elastic: { school: 'elastic' },
        };
        const found = worn({ kind, girths, choice: choices[school] });
        expect(found.parts.reduce((sum, { mm }) => sum + mm, 0)).toBeCloseTo(found.wishMm, 9);
        expect(found.band.minMm).toBeLessThanOrEqual(found.wishMm);
        expect(found.band.maxMm).toBeGreaterThanOrEqual(found.wishMm);
      }
    expect(worn({ choice: eased('snug', false) }).wishMm).toBe(166); // memory: snug is about 6 mm over the body
  });

  it('practice: the flat rule is 7 to 7 1/2 in with the clasp, whatever the wrist', () => {
    const rule = worn({ choice: { school: 'flat', finishedMm: KIND_FACTS.bracelet.flat.wishMm } });
    expect(rule.band.minMm / IN).toBeCloseTo(7);
    expect(rule.band.maxMm / IN).toBeCloseTo(7.5);
    expect(rule.thicknessEffectMm).toBe(0);
    expect(worn({ girths: {}, choice: { school: 'flat', finishedMm: 184 } }).bodyMm).toBeNull();
  });

  it('by hand: like a bracelet 2 mm thick that fits, one of 4 mm is longer by π · 2 mm, and one of 1 mm shorter', () => {
    const like = { school: 'like', finishedMm: 180, thicknessMm: 2 } as const;
    const wish = (thicknessMm: number, choice: WearChoice = like) =>
      wear({ kind: 'bracelet', girths: {}, choice, targetMm: null, thicknessMm, widthMm: 8 });
    expect(wish(4).wishMm).toBeCloseTo(180 + Math.PI * 2, 9);
    expect(wish(1).wishMm).toBeCloseTo(180 - Math.PI, 9);
    expect(wish(4).parts.map(({ what }) => what)).toEqual(['length', 'other thickness']);
    // Nobody has measured it: then it is taken as thick as this one.
    expect(wish(4, { ...like, thicknessMm: null }).wishMm).toBe(180);
  });

  it('by hand: with a target of one’s own all else stays what it was, with as much room about it', () => {
    const by = worn({});
    const own = worn({ targetMm: by.wishMm + 7 });
    expect(own.wishMm).toBe(by.wishMm + 7);
    expect(own.parts.reduce((sum, { mm }) => sum + mm, 0)).toBeCloseTo(own.wishMm, 9);
    expect(own.parts.slice(0, -1)).toEqual(by.parts);
    expect(own.band.maxMm - own.band.minMm).toBeCloseTo(by.band.maxMm - by.band.minMm, 9);
    expect(own.band.minMm).toBeCloseTo(by.band.minMm + 7, 9);
    // How it sits is told by the body, whatever was aimed at.
    expect(sit(own.wishMm + 40, own, eased('snug'))).toBe('too loose');
    // What must pass over a hand must do so whatever is aimed at.
    const over: WearChoice = { school: 'over', fit: 'snug', easeMm, thicknessEffect: true, overMm: null };
    const bangle = { kind: 'bangle', girths: { hand: 200 }, choice: over } as const;
    expect(worn({ ...bangle, targetMm: 150 }).band).toEqual(worn(bangle).band);
    expect(sit(150, worn({ ...bangle, targetMm: 150 }), over)).toBe('too tight');
  });

  it('names the girth that is missing, and refuses to do without', () => {
    const question = { kind: 'ring', girths: { wrist: 160 }, choice: eased('snug') } as const;
    expect(missingGirth(question)).toBe('finger');
    expect(() => worn(question)).toThrow();
    expect(
      missingGirth({ ...question, choice: { school: 'like', finishedMm: 60, thicknessMm: null } }),
    ).toBeNull();
  });

  it('the bands of the three fits meet without gap or overlap, each around its own ease', () => {
    expect(easeBand('snug', easeMm).maxMm).toBe(easeBand('comfortable', easeMm).minMm);
    expect(easeBand('comfortable', easeMm).maxMm).toBe(easeBand('loose', easeMm).minMm);
    for (const fit of FITS) {
      expect(easeBand(fit, easeMm).minMm).toBeLessThan(easeMm[fit]);
      expect(easeBand(fit, easeMm).maxMm).toBeGreaterThan(easeMm[fit]);
    }
  });

  it('says how a length sits', () => {
    const choice = eased('snug', false);
    const words = [160, 167, 174, 186, 200].map((finished) => sit(finished, worn({ choice }), choice));
    expect(words).toEqual(['too tight', 'snugly', 'comfortably', 'loosely', 'too loose']);
    const flat = { school: 'flat', finishedMm: 450 } as const;
    const necklace = worn({ kind: 'necklace', girths: {}, choice: flat });
    expect([400, 450, 500].map((mm) => sit(mm, necklace, flat))).toEqual([
      'too short',
      'right length',
      'too long',
    ]);
  });

  it('a larger girth never asks for a shorter piece', () => {
    fc.assert(
      fc.property(
        fc.constantFrom(...KINDS.filter((kind) => KIND_FACTS[kind].place !== null)),
        fc.integer({ min: 40, max: 400 }),
        fc.integer({ min: 0, max: 60 }),
        (kind, girth, more) => {
          const place = KIND_FACTS[kind].place ?? 'wrist';
          const [school = 'ease'] = KIND_FACTS[kind].schools.filter(
            (one) => one !== 'flat' && one !== 'like',
          );
          const amounts = { fit: 'loose', easeMm, thicknessEffect: true, overMm: null, dropMm: 40 } as const;
          const at = (mm: number) =>
            worn({ kind, girths: { [place]: mm }, choice: { school, ...amounts } }).wishMm;
          expect(at(girth + more)).toBeGreaterThanOrEqual(at(girth));
        },
      ),
    );
  });
});

describe('what must pass over a hand, a knuckle or a rope', () => {
  const choice = (kind: 'bangle' | 'ring' | 'bail', overMm: number | null = null): WearChoice => ({
    school: 'over',
    fit: 'comfortable',
    easeMm: KIND_FACTS[kind].easeMm,
    thicknessEffect: true,
    overMm,
  });

  it('closed form: the inside of a bangle that fits is never less than the hand', () => {
    const { band, thicknessEffectMm } = worn({
      kind: 'bangle',
      girths: { hand: 200 },
      choice: choice('bangle'),
    });
    expect(band.minMm - thicknessEffectMm).toBeCloseTo(200, 9);
  });

  it('a ring passes the knuckle; more than two sizes apart it goes between, and says so', () => {
    const ring = (girths: WearQuestion['girths'], widthMm = 3) =>
      worn({ kind: 'ring', girths, widthMm, thicknessMm: 2, choice: choice('ring') });
    expect(ring({ finger: 54, knuckle: 57 }).wishMm - ring({ finger: 54 }).wishMm).toBeCloseTo(3, 9);
    expect(ring({ finger: 54, knuckle: 57 }).between).toBe(false);
    const apart = ring({ finger: 54, knuckle: 62 });
    expect(apart.between).toBe(true);
    expect(apart.wishMm - ring({ finger: 54 }).wishMm).toBeCloseTo(4, 9);
    // memory: about 0.4 mm more round inside for each 2 mm of width over 4 mm
    expect(ring({ finger: 54 }, 8).wishMm - ring({ finger: 54 }, 4).wishMm).toBeCloseTo(0.8, 9);
  });

  it('a bail passes the rope it is for, whatever the wearer', () => {
    const bail = worn({ kind: 'bail', girths: {}, choice: choice('bail', Math.PI * 8), thicknessMm: 2 });
    expect(bail.band.minMm).toBeCloseTo(Math.PI * 8 + Math.PI * 2, 9);
  });
});
