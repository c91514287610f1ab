import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { BEADS, byId } from '../materials/catalogue';
import { withStrungWhole, type StrungWhole } from '../piece/assembly';
import { newPart } from '../piece/newPiece';
import { asPiece, partOf, withPart } from '../piece/partOfPiece';
import type { Piece } from '../piece/piece';
import { BALL_BEADS } from '../structures/ballShape';
import { given } from '../tools/given';
import { runs } from '../testing/thorough';
import { beadsInAll, madeApart, threadInAllMm } from './madeApart';
import { planPiece, type Plan } from './plan';
import type { StrungComponent } from './planned';
import { planSteps } from './steps';

/** A line of beads A with something made whole in the place of bead B. */
function line(
  stitch: StrungWhole,
  { beside = 'pressed-8', own = 'seed-11', params = {} as Record<string, unknown>, units = 12 } = {},
): { piece: Piece; id: string } {
  const part = newPart('Line', 'strung-line', null);
  const beads = { ...part.beads, A: { ...part.beads.A, ...byId(BEADS, beside) } };
  const { piece, id } = withStrungWhole(asPiece({ ...part, beads, units }), stitch, 'B');
  const made = partOf(piece, id);
  const of = byId(BEADS, own);
  return {
    id,
    piece: withPart(
      piece,
      {
        structure: { ...made.structure, params: { ...made.structure.params, ...params } },
        beads: { ...made.beads, A: { ...made.beads.A, ...of }, B: { ...made.beads.B, ...of } },
      },
      id,
    ),
  };
}
function planned(piece: Piece): Plan {
  const plan = planPiece(piece);
  if (!plan.ok) throw new Error(JSON.stringify(plan.problem));
  return plan;
}
const strung = (plan: Plan): StrungComponent => given(plan.components.get('B'), 'what is strung');
const codes = (plan: Plan) => plan.warnings.map(({ code }) => code);

describe('a beaded ball, strung', () => {
  it.each([
    [12, 4],
    [30, 5],
  ] as const)(
    'of %i round beads: its neighbours rest on the %i beads round its hole as balls do',
    (beads, round) => {
      const { piece } = line('beaded-ball', { own: 'pressed-4', params: { beads } });
      const plan = planned(piece);
      // Middles of neighbours lie 2r apart, on a ball of radius 2r after a cube and 2rφ after a dodecahedron (geometry books: the
      // middles of its edges lie φ/2 of one from each other, φ²/2 from its middle). Round a hole they lie r / sin(π/n) from its
      // axis, and a ball of radius R on them √((R + r)² − that²) above their plane (Pythagoras).
      const [r, R] = [2, 4];
      const middles = beads === 12 ? 2 * r : r * (1 + Math.sqrt(5));
      const aside = r / Math.sin(Math.PI / round);
      const end = Math.sqrt(middles ** 2 - aside ** 2) + Math.sqrt((R + r) ** 2 - aside ** 2) - R;
      expect(strung(plan).alongMm).toBeCloseTo(2 * end, 2);
      expect(codes(plan)).not.toContain('slips');
    },
  );

  it('neighbours that its hole lets through are told of, and larger ones take more of the thread than smaller', () => {
    // Long beads round the holes leave them wide open.
    const wide = (beside: string) => {
      const { piece, id } = line('beaded-ball', { beside, own: 'seed-8' });
      const made = partOf(piece, id);
      return planned(
        withPart(piece, { beads: { ...made.beads, A: { ...made.beads.A, ...byId(BEADS, 'bugle-6') } } }, id),
      );
    };
    expect(codes(wide('seed-15'))).toContain('slips');
    expect(codes(wide('pressed-8'))).not.toContain('slips');
    const along = (beside: string) => strung(planned(line('beaded-ball', { beside }).piece)).alongMm;
    expect(along('seed-15')).toBeLessThan(along('pressed-4'));
    expect(along('pressed-4')).toBeLessThan(along('pressed-8'));
  });

  it('beside another ball it is rim to rim with it: as long as it is from hole to hole', () => {
    const part = newPart('Line', 'strung-line', null);
    const params = { ...part.structure.params, sequence: ['A'], extra: 0 };
    const { piece } = withStrungWhole(
      asPiece({ ...part, units: 9, structure: { ...part.structure, params } }),
      'beaded-ball',
      'A',
    );
    const ball = given(planned(piece).components.get('A'), 'ball');
    expect(ball.alongMm).toBeCloseTo(ball.plan.chosen.finishedMm, 6);
    expect(ball.slips).toBeNull();
  });

  it('is told circle by circle, each heading once', () => {
    const { plan } = strung(planned(line('beaded-ball').piece));
    expect(planSteps(plan).map(({ pass }) => pass)).toEqual([
      ...Array.from({ length: 12 }, (_, i) => `circle ${i + 1}`),
      'fasten off',
    ]);
  });
});

describe('a drop, strung by its loop', () => {
  it('takes as much of the thread as its loop is thick, and hangs below it', () => {
    const plan = planned(line('hanging-drop').piece);
    const { alongMm, betweenMm, inner, plan: own } = strung(plan);
    expect(alongMm).toBe(2.15);
    expect(betweenMm[0]).toBe(2.15);
    const low = Math.max(...inner().map(({ pose }) => pose.centre[1]));
    expect(low).toBeGreaterThan(own.chosen.finishedMm - 4);
    // Its loop stands across the thread, which lies in it: beads above it and below, none to either side along it.
    expect(Math.min(...inner().map(({ pose }) => pose.centre[1]))).toBeCloseTo(-2.15 / 2, 6);
    for (const { pose } of inner()) expect(pose.centre[0]).toBeCloseTo(0, 9);
  });

  it('beside another drop it does not slip, however wide its loop', () => {
    const part = newPart('Line', 'strung-line', null);
    const params = { ...part.structure.params, sequence: ['B'], extra: 0 };
    const { piece, id } = withStrungWhole(
      asPiece({ ...part, units: 9, structure: { ...part.structure, params } }),
      'hanging-drop',
      'B',
    );
    const made = partOf(piece, id);
    const wide = { ...made.structure.params, loop: Array<string>(15).fill('A') };
    const plan = planned(withPart(piece, { structure: { ...made.structure, params: wide } }, id));
    expect(strung(plan).slips).toBeNull();
  });

  it('a loop that slips over the beads beside it is told of; a smaller loop, or larger beads, hold it', () => {
    const loop = (n: number) => ({ params: { loop: Array<string>(n).fill('A') } });
    expect(codes(planned(line('hanging-drop', { beside: 'seed-15', ...loop(15) }).piece))).toContain('slips');
    expect(codes(planned(line('hanging-drop', { beside: 'seed-15', ...loop(8) }).piece))).not.toContain(
      'slips',
    );
    expect(codes(planned(line('hanging-drop', { beside: 'pressed-8', ...loop(15) }).piece))).not.toContain(
      'slips',
    );
  });
});

describe('whatever is made whole and strung', () => {
  const any = fc.record({
    stitch: fc.constantFrom<StrungWhole>('beaded-ball', 'hanging-drop'),
    beads: fc.constantFrom(...BALL_BEADS),
    beside: fc.constantFrom('seed-11', 'seed-8', 'pressed-4', 'pressed-8'),
    own: fc.constantFrom('seed-15', 'seed-11', 'seed-8', 'cylinder-11'),
    units: fc.integer({ min: 2, max: 30 }),
  });
  const paramsOf = ({ stitch, beads }: { stitch: StrungWhole; beads: number }) =>
    stitch === 'beaded-ball' ? { beads } : {};

  it('is made as often as its bead comes; beads and thread of the whole are its own and theirs', () =>
    fc.assert(
      fc.property(any, (asked) => {
        const plan = planned(line(asked.stitch, { ...asked, params: paramsOf(asked) }).piece);
        const [made, ...others] = madeApart(plan);
        expect(others).toEqual([]);
        // One B to a unit of the usual line, A, A, B, and the bead over is an A.
        expect(made?.times).toBe(asked.units);
        const one = given(made, 'made').component.plan;
        expect(beadsInAll(plan)).toBe(2 * asked.units + 1 + loopSeeds(plan) + asked.units * beadsInAll(one));
        expect(threadInAllMm(plan)).toBeCloseTo(plan.thread.totalMm + asked.units * one.thread.totalMm, 6);
      }),
      { numRuns: runs(12) },
    ));

  it('measured, that stands; else the length told lies within its band', () =>
    fc.assert(
      fc.property(any, fc.integer({ min: 2, max: 20 }), (asked, mm) => {
        const { piece, id } = line(asked.stitch, { ...asked, params: paramsOf(asked) });
        const { alongMm, betweenMm } = strung(planned(piece));
        expect(alongMm).toBeGreaterThanOrEqual(betweenMm[0]);
        expect(alongMm).toBeLessThanOrEqual(betweenMm[1]);
        const told = planned(withPart(piece, { count: { by: 'fixed', measuredMm: mm } }, id));
        expect(strung(told).alongMm).toBe(mm);
        // Two beads more in each unit: pitch by pitch the piece is longer by what each takes more.
        const longer = told.gauge.pitchMm - planned(piece).gauge.pitchMm;
        expect(longer).toBeCloseTo(mm - alongMm, 6);
      }),
      { numRuns: runs(12) },
    ));

  it('has holes that the thread of the piece goes through, and a picture with all of its beads', () =>
    fc.assert(
      fc.property(any, (asked) => {
        const plan = planned(line(asked.stitch, { ...asked, params: paramsOf(asked) }).piece);
        const one = strung(plan);
        expect(one.inner()).toHaveLength(one.plan.work().path.beads.length);
        const drawn = plan.sketch('above').shapes;
        expect(drawn.size).toBeGreaterThan(1);
        expect(one.bead.holeMm).toBeGreaterThan(0);
      }),
      { numRuns: runs(8) },
    ));
});

const loopSeeds = (plan: Plan): number => plan.quantities.find(({ role }) => role === 'loop')?.total ?? 0;
