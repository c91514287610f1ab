import { describe, expect, it } from 'vitest';
import { quantileSorted } from 'simple-statistics';
import { examplePiece } from '@/demo/choir';
import { seeded } from '../layout/solver/random';
import { event, onMat } from '../testing/atTheMat';
import { pieceSchema } from '../piece/piece';
import { making } from './making';
import { lastPart } from './mat';
import { refit } from './refit';

describe('measured, and fitted anew', () => {
  it('by hand: ten units of 41 mm are 4.1 each, and the count follows', () => {
    const mat = onMat(examplePiece('slack-water'));
    const part = lastPart(mat);
    const none = making(mat, []);
    const state = making(mat, [
      event(
        { did: 'measure', part: part.id, units: 10, from: 1, lengthMm: part.pitchMm * 10.6, finished: true },
        none,
      ),
    ]);
    const found = refit(mat, state);
    if (!found || 'ok' in found) throw new Error('no refit');
    expect(found.pitchMm).toBeCloseTo(part.pitchMm * 1.06, 6);
    expect(found.now.units).toBe(part.units);
    expect(found.now.finishedMm).toBeGreaterThan(mat.planned.finishedMm);
    expect(found.best.units).toBeLessThan(part.units);
    expect(refit(mat, none)).toBeNull();
  });

  it('100 makers whose true pitch is known: it lies in the 95 % interval of at least 90', () => {
    const mat = onMat(examplePiece('slack-water'));
    const part = lastPart(mat);
    const random = seeded(2411);
    const normal = () => Math.sqrt(-2 * Math.log(1 - random())) * Math.cos(2 * Math.PI * random());
    const none = making(mat, []);
    let within = 0;
    const off: number[] = [];
    const wide: number[] = [];
    for (let i = 0; i < 100; i++) {
      const truth = part.pitchMm * (1 + 0.03 * normal());
      const units = 8 + Math.floor(random() * 20);
      // Her units are uneven, and her ruler is read to the millimetre.
      const made = Array.from({ length: units }, () => truth * (1 + 0.015 * normal())).reduce(
        (a, b) => a + b,
        0,
      );
      const lengthMm = Math.round(made);
      const found = refit(
        mat,
        making(mat, [
          event({ did: 'measure', part: part.id, units, from: 1, lengthMm, finished: true }, none),
        ]),
      );
      if (!found || 'ok' in found) throw new Error('no refit');
      wide.push(found.betweenMm[1] / found.pitchMm - 1);
      off.push(Math.abs(found.pitchMm / truth - 1));
      if (truth >= found.betweenMm[0] && truth <= found.betweenMm[1]) within++;
    }
    expect(within).toBeGreaterThanOrEqual(90);
    // And it says something: half of them are less than 1 % off, and it is no more than 4 % wide on either side.
    expect(
      quantileSorted(
        off.toSorted((a, b) => a - b),
        0.5,
      ),
    ).toBeLessThan(0.01);
    expect(Math.max(...wide)).toBeLessThan(0.04);
    expect(pieceSchema.safeParse(mat.piece).success).toBe(true);
  });
});
