import { describe, expect, it } from 'vitest';
import { BEADS, byId, CLASPS, FINDINGS } from '../materials/catalogue';
import type { FindingMaterial } from '../materials/material';
import { withDangle, withoutPart, type WithPart } from '../piece/assembly';
import { newPart } from '../piece/newPiece';
import { asPiece } from '../piece/partOfPiece';
import { pieceSchema, type Piece } from '../piece/piece';
import { STRUCTURES } from '../structures/registry';
import { beadsInAll, madeApart } from './madeApart';
import type { Plan } from './plan';
import { planPiece } from './shipped';

const chain = { linkMm: 4.5, links: 9, rings: null };

const piece = (id = 'flat-herringbone', extender: Piece['ends']['extender'] = chain): Piece => {
  const bare = asPiece(newPart('Let out', id, null, 'necklace'));
  return { ...bare, ends: { ...bare.ends, closing: 'clasp', extender } };
};
function planned(one: Piece): Plan {
  const plan = planPiece(pieceSchema.parse(one));
  if (!plan.ok) throw new Error(JSON.stringify(plan.problem));
  return plan;
}
const codes = ({ warnings }: Plan) => warnings.map(({ code }) => code);
/** The drop with other beads in its loop. */
const withLoopOf = ({ piece: one, id }: WithPart, bead: string): Piece => ({
  ...one,
  parts: one.parts.map((part) =>
    part.id === id
      ? { ...part, beads: { ...part.beads, A: { ...part.beads.A, ...byId(BEADS, bead) } } }
      : part,
  ),
});

describe('a drop that hangs in the last link of an extender', () => {
  it.each(STRUCTURES.filter(({ madeWhole }) => !madeWhole).map(({ id }) => id))(
    'on %s is counted with it, and takes nothing of its length',
    (id) => {
      const bare = planned(piece(id));
      const plan = planned(withDangle(piece(id)).piece);
      const { dangle } = plan;
      if (!dangle) throw new Error('nothing hangs');
      expect(plan.chosen).toEqual(bare.chosen);
      expect(plan.closure.longestMm).toBe(bare.closure.longestMm);
      expect(beadsInAll(plan)).toBe(beadsInAll(bare) + beadsInAll(dangle.plan));
      expect(madeApart(plan).map(({ component, times }) => [component.id, times])).toEqual([[dangle.id, 1]]);
      expect(plan.weight.grams).toBeCloseTo(bare.weight.grams + dangle.plan.weight.grams, 9);
      expect(codes(plan)).toEqual(codes(bare));
    },
  );

  it('by hand: nine beads of a loop, three of a stem and one at the tip', () => {
    const plan = planned(withDangle(piece()).piece);
    expect(beadsInAll(plan.dangle?.plan as Plan)).toBe(9 + 3 + 1);
  });

  it('without an extender it is left lying, and says so; taken out, nothing hangs', () => {
    const { piece: one, id } = withDangle(piece());
    const cut = planned({ ...one, ends: { ...one.ends, extender: null } });
    expect(cut.dangle).toBeNull();
    expect(codes(cut)).toContain('loose-parts');
    const out = withoutPart(one, id);
    expect(out.ends.dangle).toBeNull();
    expect(planned(out).dangle).toBeNull();
  });

  it('over a ball there is no ring for links to hang in: nothing lets it out, and the drop is left lying', () => {
    const { piece: one } = withDangle(piece());
    const over = planned({ ...one, ends: { ...one.ends, clasp: byId(CLASPS, 'ball-6') } });
    expect(over.closure.longestMm).toBe(over.chosen.finishedMm);
    expect(over.closure.metal.map(({ use }) => use.kind)).not.toContain('extender');
    expect(over.dangle).toBeNull();
    expect(codes(over)).toContain('loose-parts');
  });

  it('its loop must go into the ring: what is said to help does', () => {
    const rings = (of: FindingMaterial) => ({ linkMm: of.lengthMm, links: 6, rings: of });
    const thick = 'seed-6';
    const small = byId(FINDINGS, 'jump-ring-4');
    const doubtful = planned(withLoopOf(withDangle(piece('ladder', rings(small))), thick));
    expect(codes(doubtful)).toContain('loop-too-thick');
    const finer = planned(withLoopOf(withDangle(piece('ladder', rings(small))), 'seed-11'));
    expect(codes(finer)).not.toContain('loop-too-thick');
    const larger = planned(
      withLoopOf(withDangle(piece('ladder', rings(byId(FINDINGS, 'jump-ring-6')))), thick),
    );
    expect(codes(larger)).not.toContain('loop-too-thick');
    // How wide a link of chain is inside nobody has said.
    expect(codes(planned(withLoopOf(withDangle(piece('ladder')), thick)))).not.toContain('loop-too-thick');
  });

  it('a document that hangs what it does not have is refused', () => {
    const one = piece();
    const wrong = { ...one, ends: { ...one.ends, dangle: 'nothing' } };
    expect(pieceSchema.safeParse(wrong).error?.issues[0]?.message).toMatch(/hangs from it/);
  });
});
