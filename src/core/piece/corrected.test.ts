import { describe, expect, it } from 'vitest';
import { correctedBeads, withCorrected } from './corrected';
import { BEADS, byId } from '../materials/catalogue';
import { learned } from '../materials/learn';
import { inBead } from './variants';
import { newPart } from './newPiece';
import { asPiece } from './partOfPiece';
import { pieceSchema } from './piece';
import { planPart } from '../plan/shipped';

const piece = newPart('Ebb', 'flat-peyote', null);
const seed = byId(BEADS, piece.beads.A.id);
const measured = learned(seed, { tenMm: 10 * seed.lengthMm * 0.8 });
const catalogue = BEADS.map((kind) => (kind.id === measured.id ? measured : kind));

describe('a bead that was measured anew', () => {
  it('is offered once, in the roles that are asked for, and never while it is as it was', () => {
    expect(correctedBeads(piece, ['A', 'B'], BEADS)).toEqual([]);
    expect(correctedBeads(piece, ['A'], catalogue)).toEqual([{ was: piece.beads.A, now: measured }]);
    expect(correctedBeads(piece, [], catalogue)).toEqual([]);
    // A bead of one's own that is not in the catalogue any more is nobody's to correct.
    expect(correctedBeads(piece, ['A'], [])).toEqual([]);
  });

  it('taken, it is in every role that has it, in its colour; and there is nothing more to take', () => {
    const taken = { ...piece, ...withCorrected(piece, correctedBeads(piece, ['A'], catalogue)) };
    for (const role of ['A', 'B'] as const) {
      const had = piece.beads[role];
      expect(taken.beads[role]).toEqual(
        had.id === seed.id ? { ...had, lengthMm: measured.lengthMm, source: 'measured' } : had,
      );
    }
    expect(pieceSchema.safeParse(asPiece(taken)).success).toBe(true);
    expect(correctedBeads(taken, Object.keys(taken.beads), catalogue)).toEqual([]);
  });

  it('a piece in another main bead: every role that had the first one’s, and no other', () => {
    const rope = newPart('Rope', 'ladder', null);
    const eight = byId(BEADS, 'seed-8');
    const next = inBead(rope, eight);
    expect(next.beads.A.id).toBe('seed-8');
    expect(next.beads.A.colourName).toBe(rope.beads.A.colourName);
    for (const role of ['B', 'C'] as const)
      expect(next.beads[role].id).toBe(
        rope.beads[role].id === rope.beads.A.id ? 'seed-8' : rope.beads[role].id,
      );
    // A bead with two holes cannot be woven there: all stays as it was.
    const lens = BEADS.find(({ holes }) => holes === 2);
    if (!lens) throw new Error('there is no bead with two holes');
    expect(inBead(rope, lens)).toEqual(rope);
  });

  it('by hand: a fifth shorter along the hole, a bracelet takes more units', () => {
    const plan = (one: typeof piece) => {
      const found = planPart(one);
      if (!found.ok) throw new Error(found.problem.code);
      return found.chosen.units;
    };
    const rope = newPart('Line', 'strung-line', null);
    const kind = byId(BEADS, rope.beads.A.id);
    const shorter = learned(kind, { tenMm: 8 * kind.lengthMm });
    const change = withCorrected(rope, [{ was: kind, now: shorter }]);
    expect(plan({ ...rope, ...change })).toBeGreaterThan(plan(rope));
  });
});
