import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { KIND_FACTS, SCHOOLS, type Kind } from './body/kinds';
import { newPiece, usualWear, type Piece } from './piece';
import { planPiece } from './planShipped';
import { canWish, wishing } from './wishing';

const girths = { wrist: 159, hand: 200, 'upper arm': 280, ankle: 230, neck: 360, finger: 54, knuckle: 55 };
const wearer = { personId: null, name: 'Maren', girths, typical: null };
const inSchool = (kind: Kind, school: (typeof SCHOOLS)[number]): Piece => ({
  ...newPiece('Wish', kind === 'ring' ? 'right-angle-weave' : 'ladder', wearer, kind),
  wear: usualWear(kind, school),
});

function planned(piece: Piece) {
  const plan = planPiece(piece);
  if (!plan.ok) throw new Error(JSON.stringify(plan.problem));
  return plan;
}

describe('moving the wish', () => {
  const kinds = Object.keys(KIND_FACTS) as Kind[];
  const ways = kinds
    .filter((kind) => kind !== 'lariat' && kind !== 'bail')
    .flatMap((kind) => KIND_FACTS[kind].schools.map((school) => ({ kind, school })))
    .filter(({ school }) => school !== 'elastic');

  it.each(ways)(
    'of a $kind by $school lands where it was dropped, to half a millimetre',
    ({ kind, school }) => {
      const piece = inSchool(kind, school);
      const plan = planned(piece);
      const wish = plan.wear.wishMm + (school === 'drop' ? 20 : 2.25);
      const moved = planned({ ...piece, ...wishing(piece, plan, wish) });
      // A drop is rounded as a drop: the loop grows twice as fast as it falls.
      expect(Math.abs(moved.wear.wishMm - wish)).toBeLessThanOrEqual(school === 'drop' ? 0.55 : 0.2501);
    },
  );

  it('keeps snug the least and loose the most', () => {
    const piece = inSchool('bracelet', 'ease');
    const plan = planned(piece);
    fc.assert(
      fc.property(fc.double({ min: 90, max: 390, noNaN: true }), (wish) => {
        const { wear } = wishing(piece, plan, wish) ?? piece;
        if (wear.school !== 'ease') throw new Error('the school stays');
        const { snug, comfortable, loose } = wear.easeMm;
        expect(snug).toBeLessThanOrEqual(comfortable);
        expect(comfortable).toBeLessThanOrEqual(loose);
        expect(planPiece({ ...piece, wear }).ok).toBe(true);
      }),
    );
  });

  it('cannot be moved where the body alone decides', () => {
    const piece = inSchool('ring', 'elastic');
    expect(canWish(piece)).toBe(false);
    expect(wishing(piece, planned(piece), 60)).toBeNull();
  });
});
