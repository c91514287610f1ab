import { describe, expect, it } from 'vitest';
import { withBail, withFramedBall, withoutPart } from '../piece/assembly';
import { newPart } from '../piece/newPiece';
import { carrying, asPiece, partOf, withPart } from '../piece/partOfPiece';
import { pieceSchema, type Piece } from '../piece/piece';
import { inStructure } from '../piece/variants';
import { STRUCTURES } from '../structures/registry';
import { given } from '../tools/given';
import { girthOf } from './attachedPart';
import { beadsInAll, madeApart } from './madeApart';
import type { Plan } from './plan';
import { planPart, planPiece } from './shipped';

const rope = (id = 'tubular-peyote'): Piece => asPiece(newPart('Rope', id, null, 'necklace'));

function planned(piece: Piece): Plan {
  const plan = planPiece(pieceSchema.parse(piece));
  if (!plan.ok) throw new Error(JSON.stringify(plan.problem));
  return plan;
}
const bailOf = (plan: Plan) => given(plan.hung[0], 'bail');

describe('a bail that runs on a piece', () => {
  it('geometry: the girth of a rope is π times its thickness; of a strip, its breadth twice and its rounded edges', () => {
    expect(girthOf({ widthMm: 6, thicknessMm: 6 })).toBeCloseTo(Math.PI * 6, 9);
    expect(girthOf({ widthMm: 10, thicknessMm: 2 })).toBeCloseTo(16 + Math.PI * 2, 9);
    expect(girthOf({ widthMm: 2, thicknessMm: 10 })).toBeCloseTo(16 + Math.PI * 2, 9);
  });

  it.each(STRUCTURES.map(({ id }) => id))('passes over %s, and takes nothing of its length', (id) => {
    const bare = planned(rope(id));
    const { piece } = withBail(rope(id));
    const plan = planned(piece);
    expect(plan.chosen.finishedMm).toBe(bare.chosen.finishedMm);
    const bail = bailOf(plan).plan;
    const inside = bail.chosen.finishedMm - Math.PI * bail.thicknessMm;
    expect(inside).toBeGreaterThan(girthOf(plan));
    // Ease, and no more than the count cannot help.
    expect(inside).toBeLessThan(girthOf(plan) + 12 + 2 * bail.gauge.pitchMm);
    expect(beadsInAll(plan)).toBe(beadsInAll(bare) + beadsInAll(bail));
    expect(plan.weight.grams).toBeCloseTo(bare.weight.grams + bail.weight.grams, 9);
  });

  it('a thicker rope has a larger bail', () => {
    const round = (beads: number) => {
      const { piece } = withBail(rope());
      const { structure } = carrying(piece);
      const params = { ...structure.params, around: beads };
      return bailOf(planned(withPart(piece, { structure: { ...structure, params } }))).plan.chosen.finishedMm;
    };
    expect(round(12)).toBeGreaterThan(round(6) + 3);
  });

  it('planned by itself it is what it is on the piece', () => {
    const { piece, id } = withBail(rope());
    const alone = planPart(partOf(piece, id));
    const on = bailOf(planned(piece)).plan;
    expect(alone).toMatchObject({ ok: true, chosen: on.chosen, kind: 'bail' });
  });

  it('is seen in the middle of the rope, as wide as it is, round it', () => {
    const plan = planned(withBail(rope()).piece);
    const seen = plan.sketch('above').parts.filter(({ apart }) => apart);
    const at = seen.flatMap(({ beads, atMm }) => beads.map(({ at: [x, y] }) => [x + atMm, y] as const));
    expect(at.length).toBe(bailOf(plan).plan.work().path.beads.length);
    const middle = (plan.stations.bodyStartMm + plan.stations.bodyEndMm) / 2;
    const { widthMm, chosen } = bailOf(plan).plan;
    for (const [x, y] of at) {
      expect(Math.abs(x - middle)).toBeLessThan(widthMm / 2);
      expect(Math.abs(y)).toBeLessThan(chosen.finishedMm / (2 * Math.PI) + 0.01);
    }
    expect(Math.max(...at.map(([, y]) => y))).toBeGreaterThan(plan.thicknessMm / 2);
  });

  it('two of them, and a framed ball beside, are each made once, and as often as they are strung', () => {
    const first = withBail(asPiece(newPart('Line', 'strung-line', null, 'necklace')));
    const second = withBail(first.piece);
    const { piece } = withFramedBall(second.piece, 'B');
    const plan = planned(piece);
    expect(plan.hung).toHaveLength(2);
    const times = madeApart(plan).map((one) => one.times);
    expect(times.filter((n) => n === 1)).toHaveLength(2);
    expect(Math.max(...times)).toBe(plan.quantities.find(({ role }) => role === 'B')?.total);
    expect(withoutPart(piece, second.id).parts).toHaveLength(3);
  });
});

it('another stitch for a part made apart leaves the ends of the piece as they are', () => {
  const { piece, id } = withFramedBall(asPiece(newPart('Line', 'strung-line', null)), 'A');
  const next = withPart(piece, inStructure(partOf(piece, id), 'flat-peyote'), id);
  expect(next.ends).toEqual(piece.ends);
  expect(next.parts.find((part) => part.id === id)?.structure.id).toBe('flat-peyote');
  expect(carrying(next)).toEqual(carrying(piece));
  // Of the part that carries the others they are its own.
  expect(withPart(piece, { ends: { ...piece.ends, closing: 'joined' } }).ends.closing).toBe('joined');
});
