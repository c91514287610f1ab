// Pieces that nobody would make, and what is said of them.
import fc from 'fast-check';
import { CLOSINGS, FITS, KIND_FACTS, KINDS } from '../body/kinds';
import type { LengthStyle } from '../length/length';
import { BEADS, CLASPS, NEEDLES, THREADS } from '../materials/catalogue';
import { newPart, usualWear } from '../piece/newPiece';
import type { PartOfPiece } from '../piece/partOfPiece';
import { planPart } from '../plan/shipped';
import { STRUCTURES } from '../structures/registry';
import type { Structure } from '../structures/structure';
import { wordProblem } from '../words/problems';
import { wordWarning } from '../words/warnings';

const girths = { wrist: 159, hand: 200, 'upper arm': 280, ankle: 230, neck: 360, finger: 54, knuckle: 61 };
const wearers: PartOfPiece['wearer'][] = [
  null,
  { personId: null, name: 'Osk', girths, typical: null },
  { personId: null, name: 'a small adult', girths, typical: 'small' },
];

/** Any piece that the choices allow, sensible or not, in one of these stitches. */
export const anyPiece = (structures: readonly Structure[] = STRUCTURES): fc.Arbitrary<PartOfPiece> =>
  fc
    .record({
      structure: fc.constantFrom(...structures),
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
      const usual = newPart('Any', a.structure.id, a.wearer, a.kind);
      const { schools } = KIND_FACTS[a.kind];
      const wear = usualWear(a.kind, schools[a.school % schools.length] ?? 'flat');
      const end = {
        ...usual.ends.start,
        passes: a.passes,
        seedsEachSide: a.seeds,
        turned: a.seeds % 3 === 2,
        legs: a.seeds % 2 === 1,
      };
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

/** One thing that is said of a piece: the finding that it is said of, and its sentences. */
export interface Heard {
  readonly code: string;
  readonly texts: readonly string[];
}

/** What is said of a piece, finding by finding. */
export function heardOf(piece: PartOfPiece, style: LengthStyle): Heard[] {
  const plan = planPart(piece);
  if (!plan.ok) return [{ code: plan.problem.code, texts: [wordProblem(plan.problem, style)] }];
  return plan.warnings.map((warning) => ({
    code: 'doubt' in warning ? `${warning.code} ${warning.doubt.code}` : warning.code,
    texts: Object.values(wordWarning(warning, style)) as string[],
  }));
}
