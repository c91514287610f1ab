import { describe, expect, it } from 'vitest';
import { newPart } from '@/core/piece/newPiece';
import { partOf } from '@/core/piece/partOfPiece';
import { planPart, planSolved } from '@/core/plan/shipped';
import { examplePiece } from '@/demo/choir';
import { looksOf } from '../../piece/looks';
import { fromAfar } from './fromAfar';
import { nearestBeads } from './nearestBeads';

const { beads } = newPart('x', 'flat-peyote', null);
const black = { ...beads, A: { ...beads.A, colour: '#000000' }, B: { ...beads.B, colour: '#ffffff' } };
const looks = looksOf({ beads: black }, { teaching: false, marks: false });

function seen(units: number) {
  const plan = planPart({ ...newPart('x', 'flat-peyote', null), beads: black, units });
  if (!plan.ok) throw new Error(plan.problem.code);
  const sketch = plan.sketch('above');
  const drawn = nearestBeads(sketch);
  return { drawn, far: fromAfar(drawn, (shape) => sketch.shapes.get(shape), looks) };
}

describe('a long piece from afar', () => {
  it('is drawn bead by bead while they can be told apart', () => {
    expect(seen(60).far).toBeNull();
  });

  it('covers the piece without a gap, from its first bead to its last', () => {
    const { drawn, far } = seen(500);
    if (!far) throw new Error('drawn bead by bead');
    const xs = drawn.map(({ x }) => x).sort((a, b) => a - b);
    expect(far[0]?.fromMm).toBeCloseTo(xs[0] ?? NaN, 6);
    expect(far.at(-1)?.toMm).toBeCloseTo(xs.at(-1) ?? NaN, 6);
    far.slice(1).forEach(({ fromMm }, i) => expect(fromMm).toBeCloseTo(far[i]?.toMm ?? NaN, 6));
  });

  it('black and white beads in equal number look grey', () => {
    const { far } = seen(500);
    // Away from the loops of the ends, half the beads are A and half are B.
    for (const { colour } of (far ?? []).slice(20, -20)) {
      const level = Number.parseInt(colour.slice(1, 3), 16);
      expect(Math.abs(level - 127.5)).toBeLessThan(40);
    }
  });
});

it('what is made apart does not bend: the beads of a motif keep their distances, whatever they are bent about', () => {
  const plan = planSolved(partOf(examplePiece('compass-roses')));
  if (!plan.ok) throw new Error(plan.problem.code);
  const sketch = plan.sketch('above');
  const drawn = nearestBeads(sketch);
  const motifs = new Set(drawn.filter(({ on }) => on !== 0).map(({ x }) => x));
  expect(motifs.size).toBe(plan.chosen.units);
  // The middles are a pitch apart, but for the one in the middle of the V.
  const xs = [...motifs].sort((a, b) => a - b);
  expect((xs[1] ?? NaN) - (xs[0] ?? NaN)).toBeCloseTo(plan.gauge.pitchMm, 2);
  expect(new Set(drawn.map(({ key }) => key)).size).toBe(drawn.length);
});
