import { describe, expect, it } from 'vitest';
import { KIND_FACTS, SCHOOLS, type Kind } from '../body/kinds';
import { newPart, usualWear } from './newPiece';
import { pieceSchema } from './piece';
import { asPiece, type PartOfPiece } from './partOfPiece';
import { planPart } from '../plan/shipped';
import { wearing, wishing } from './wishing';

const girths = { wrist: 159, hand: 200, 'upper arm': 280, ankle: 230, neck: 360, finger: 54, knuckle: 55 };
const wearer = { personId: null, name: 'Maren', girths, typical: null };
const inSchool = (kind: Kind, school: (typeof SCHOOLS)[number]): PartOfPiece => ({
  ...newPart('Wish', kind === 'ring' ? 'right-angle-weave' : 'ladder', wearer, kind),
  wear: usualWear(kind, school),
});

function planned(piece: PartOfPiece) {
  const plan = planPart(piece);
  if (!plan.ok) throw new Error(JSON.stringify(plan.problem));
  return plan;
}

describe('moving the target length', () => {
  const kinds = Object.keys(KIND_FACTS) as Kind[];
  const ways = kinds
    .filter((kind) => kind !== 'lariat' && kind !== 'bail')
    .flatMap((kind) => KIND_FACTS[kind].schools.map((school) => ({ kind, school })));

  it.each(ways)(
    'of a $kind by $school lands where it was dropped, to half a millimetre; ease and body stay',
    ({ kind, school }) => {
      const piece = inSchool(kind, school);
      const wish = planned(piece).wear.wishMm + 2.25;
      const now = { ...piece, ...wishing(piece, wish) };
      expect(Math.abs(planned(now).wear.wishMm - wish)).toBeLessThanOrEqual(0.2501);
      expect(pieceSchema.safeParse(asPiece(now)).success).toBe(true);
      if (school !== 'flat') expect(now.wear).toEqual(piece.wear);
      // Chosen anew, how it sits counts again.
      expect(planned({ ...now, ...wearing(piece.wear) }).wear).toEqual(planned(piece).wear);
    },
  );

  it('stops at the ends of what a piece can be', () => {
    const piece = inSchool('bracelet', 'ease');
    const { minMm, maxMm } = KIND_FACTS.bracelet.finished;
    expect(wishing(piece, 3).targetMm).toBe(minMm);
    expect(wishing(piece, 99_999).targetMm).toBe(maxMm);
  });
});
