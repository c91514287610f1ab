import { describe, expect, it } from 'vitest';
import { examplePiece } from '@/demo/choir';
import { newPart } from '../piece/newPiece';
import { asPiece, partOf, withPart } from '../piece/partOfPiece';
import { planPiece } from '../plan/shipped';
import { event, onMat } from '../testing/atTheMat';
import { given } from '../tools/given';
import { carriedOver } from './carryOver';
import type { Place } from './events';
import { making, type Making } from './making';
import { lastPart, lookedUp, sameChoices, type Mat } from './mat';

const at = (mat: Mat, to: Place): Making => making(mat, [event({ did: 'go', to })]);

describe('what is done is carried over to a changed plan', () => {
  const piece = examplePiece('slack-water');
  const mat = onMat(piece);
  const part = lastPart(mat);
  const changed = (change: Parameters<typeof withPart>[1]) => onMat(withPart(mat.piece, change));

  it('two units more: all that is done is done, and the end is still to come', () => {
    const next = changed({ units: part.units + 2 });
    expect(carriedOver(mat, at(mat, { part: part.id, made: 0, at: 30 }), next)).toEqual([
      { part: part.id, made: 0, at: 30 },
    ]);
    // Fastened off already, it is taken up again where the last unit was.
    const [whole] = carriedOver(mat, at(mat, { part: part.id, made: 1, at: 0 }), next);
    const step = given(lastPart(next).steps[given(whole, 'place').at], 'step');
    expect(step).toMatchObject({ woven: true, unit: part.units });
  });

  it('of parts made apart as many are made as were', () => {
    const floats = onMat(examplePiece('net-floats'));
    const float = given(floats.parts[0], 'float');
    expect(carriedOver(floats, at(floats, { part: float.id, made: 4, at: 3 }), floats)).toEqual([
      { part: float.id, made: 4, at: 3 },
    ]);
  });

  it('nothing done is nothing carried over', () => {
    expect(carriedOver(mat, making(mat, []), changed({ units: part.units + 2 }))).toEqual([]);
  });

  it('the choices are the same until one is changed; that the count was left to the plan is none', () => {
    expect(sameChoices(piece, mat.piece)).toBe(true);
    expect(sameChoices({ ...piece, name: 'Slacker' }, mat.piece)).toBe(false);
    expect(sameChoices(withPart(piece, { units: (partOf(mat.piece).units ?? 0) + 1 }), mat.piece)).toBe(
      false,
    );
  });

  it('a count below the fewest that can be made is hers still, and its plan has the fewest', () => {
    const piece = asPiece(newPart('Ring', 'strung-line', null));
    const ring = withPart({ ...piece, ends: { ...piece.ends, closing: 'joined' } }, { units: 2 });
    const laid = onMat(ring);
    expect(sameChoices(ring, laid.piece)).toBe(true);
    const again = planPiece(laid.piece, lookedUp(laid));
    if (!again.ok) throw new Error(again.problem.code);
    expect(again.chosen.units).toBeGreaterThan(2);
    expect(
      lastPart(laid)
        .steps.flatMap(({ beads }) => beads)
        .reduce((n, { count }) => n + count, 0),
    ).toBe(again.quantities.reduce((n, { total }) => n + total, 0));
  });
});
