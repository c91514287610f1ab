import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { CLOSINGS, FITS, KIND_FACTS, KINDS } from '../body/kinds';
import { cautionsOfThread, type Caution } from '../plan/cautions';
import type { LengthStyle } from '../length/length';
import { BEADS, byId, CLASPS, NEEDLES, THREADS } from '../materials/catalogue';
import { newPiece, usualWear } from '../piece/newPiece';
import type { Piece } from '../piece/piece';
import { planPiece } from '../plan/shipped';
import { STRUCTURES } from '../structures/registry';
import { wordCaution } from './cautions';
import { wordProblem } from './problems';
import { wordWarning } from './warnings';

const INCHES: LengthStyle = { unit: 'in', denominator: 16 };
const CENTIMETRES: LengthStyle = { unit: 'cm', denominator: 16 };
const girths = { wrist: 159, hand: 200, 'upper arm': 280, ankle: 230, neck: 360, finger: 54, knuckle: 61 };
const wearers: Piece['wearer'][] = [
  null,
  { personId: null, name: 'Osk', girths, typical: null },
  { personId: null, name: 'a small adult', girths, typical: 'small' },
];

/** Any piece that the choices allow, sensible or not. */
const anyPiece: fc.Arbitrary<Piece> = fc
  .record({
    structure: fc.constantFrom(...STRUCTURES),
    kind: fc.constantFrom(...KINDS.filter((kind) => kind !== 'bail')),
    wearer: fc.constantFrom(...wearers),
    school: fc.nat(),
    fit: fc.constantFrom(...FITS),
    closing: fc.constantFrom(...CLOSINGS),
    clasp: fc.constantFrom(...CLASPS),
    passes: fc.integer({ min: 1, max: 3 }),
    seeds: fc.integer({ min: 0, max: 6 }),
    thread: fc.constantFrom(...THREADS),
    needle: fc.constantFrom(...NEEDLES),
    doubled: fc.boolean(),
    bead: fc.option(fc.constantFrom(...BEADS)),
    units: fc.option(fc.integer({ min: 2, max: 160 })),
    parity: fc.constantFrom('any' as const, 'even' as const, 'odd' as const),
    chain: fc.boolean(),
    measured: fc.option(fc.integer({ min: 5, max: 40 })),
  })
  .map((a) => {
    const usual = newPiece('Any', a.structure.id, a.wearer, a.kind);
    const { schools } = KIND_FACTS[a.kind];
    const wear = usualWear(a.kind, schools[a.school % schools.length] ?? 'flat');
    const end = { ...usual.ends.start, passes: a.passes, seedsEachSide: a.seeds };
    return {
      ...usual,
      wear: wear.school === 'ease' ? { ...wear, fit: a.fit } : wear,
      thread: a.thread,
      needle: a.needle,
      doubled: a.doubled,
      beads: a.bead ? { ...usual.beads, A: { ...usual.beads.A, ...a.bead } } : usual.beads,
      ends: {
        ...usual.ends,
        closing: a.closing,
        clasp: a.clasp,
        start: end,
        end,
        chain: a.chain ? { linkMm: 6, wovenMm: 120 } : null,
      },
      rules: { ...usual.rules, parity: a.parity },
      gauge: a.measured ? { source: 'this piece', units: 4, lengthMm: a.measured, finished: true } : null,
      units: a.units,
    };
  });

/** What is said of a piece, sentence by sentence, and by which findings. */
function said(piece: Piece, style: LengthStyle): { codes: string[]; texts: string[] } {
  const plan = planPiece(piece);
  if (!plan.ok) return { codes: [plan.problem.code], texts: [wordProblem(plan.problem, style)] };
  const codes = plan.warnings.map((warning) =>
    'doubt' in warning ? `${warning.code} ${warning.doubt.code}` : warning.code,
  );
  return {
    codes,
    texts: plan.warnings.flatMap((warning) => Object.values(wordWarning(warning, style)) as string[]),
  };
}

describe('whatever is planned, what is said of it', () => {
  it('is whole sentences, in the unit that was asked for, with figures that are figures', () => {
    const heard = new Set<string>();
    fc.assert(
      fc.property(anyPiece, (piece) => {
        const { codes, texts } = said(piece, INCHES);
        for (const code of codes) heard.add(code);
        for (const text of texts) {
          expect(text).toMatch(/^\S.*[.?!]$/s);
          expect(text).not.toMatch(/undefined|NaN|null|Infinity|\[object|\s\s/);
          expect(text).not.toMatch(/\d cm\b(?!\))/);
        }
        for (const text of said(piece, CENTIMETRES).texts) expect(text).not.toMatch(/\d in\b|\d"/);
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
