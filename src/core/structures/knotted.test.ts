import { describe, expect, it } from 'vitest';
import { BEADS, THREADS, byId } from '../materials/catalogue';
import { inColour, newPart } from '../piece/newPiece';
import type { PartOfPiece } from '../piece/partOfPiece';
import { planPart } from '../plan/shipped';
import { planned } from '../testing/planned';
import { structureById } from '../structures/registry';

const pearl = inColour(byId(BEADS, 'pearl-6'), { name: 'foam', hex: '#e9e3d0' });
const nylon = byId(THREADS, 'nylon-d');
const thin = byId(THREADS, 'nylon-b');

function line(params: object, change: Partial<PartOfPiece> = {}): PartOfPiece {
  const base = newPart('Knotted', 'strung-line', null, 'necklace');
  const usual = structureById('strung-line')?.defaults;
  return {
    ...base,
    beads: { ...base.beads, A: pearl },
    thread: nylon,
    structure: { id: 'strung-line', params: { ...usual, sequence: ['A'], extra: 0, ...params } },
    units: 20,
    ...change,
  };
}
const knotsOf = (piece: PartOfPiece) =>
  planned(piece)
    .work()
    .path.moves.filter((move) => move.kind === 'knot' && move.knot === 'between beads').length;

describe('knots between beads', () => {
  it('are one fewer than there are beads, or units', () => {
    expect(knotsOf(line({ knots: 'none' }))).toBe(0);
    expect(knotsOf(line({ knots: 'bead' }))).toBe(19);
    expect(knotsOf(line({ knots: 'bead', sequence: ['A', 'A', 'B'] }))).toBe(59);
    expect(knotsOf(line({ knots: 'unit', sequence: ['A', 'A', 'B'] }))).toBe(19);
    // Before the beads beyond the last unit there are some too.
    expect(knotsOf(line({ knots: 'bead', sequence: ['A', 'A', 'B'], extra: 'section' }))).toBe(61);
    expect(knotsOf(line({ knots: 'unit', sequence: ['A', 'A', 'B'], extra: 'section' }))).toBe(20);
  });

  it('practice: knots of doubled thread make a line of 6 mm pearls a good tenth longer (no source)', () => {
    const [plain, knotted] = ['none', 'bead'].map(
      (knots) => planned(line({ knots }, { doubled: true })).gauge.pitchMm,
    );
    const longer = (knotted ?? 0) / (plain ?? 1);
    expect(longer).toBeGreaterThan(1.08);
    expect(longer).toBeLessThan(1.2);
  });

  it('by hand: twenty pearls and nineteen knots of 0.3 mm nylon, each two threads long and ten threads round', () => {
    const [plain, knotted] = ['none', 'bead'].map((knots) => planned(line({ knots, trips: 1 })));
    const more = (of: (plan: typeof plain) => number | undefined) => (of(knotted) ?? 0) - (of(plain) ?? 0);
    expect(more((plan) => plan?.chosen.finishedMm)).toBeCloseTo(19 * 2 * 0.3, 6);
    expect(more((plan) => plan?.thread.inWorkMm)).toBeGreaterThan(19 * 10 * 0.3);
    expect(more((plan) => plan?.thread.inWorkMm)).toBeLessThan(19 * 12 * 0.3 + 10);
  });

  it('is drawn in every gap, as thick as it is', () => {
    const knots = planned(line({ knots: 'bead' }))
      .sketch('above')
      .parts.flatMap(({ threads, times }) =>
        threads.flatMap(({ knotMm }) => (knotMm > 0 ? Array<number>(times).fill(knotMm) : [])),
      );
    expect(knots).toHaveLength(19);
    for (const mm of knots) expect(mm).toBeCloseTo(3 * 0.3, 9);
  });

  it('goes by the thread: another one lays them anew', () => {
    const finer = planned(line({ knots: 'bead' }, { thread: byId(THREADS, 'gel-6') }));
    expect(planned(line({ knots: 'bead' })).gauge.pitchMm - finer.gauge.pitchMm).toBeCloseTo(0.3, 9);
    const bare = (thread: string) =>
      planned(line({ knots: 'none' }, { thread: byId(THREADS, thread) })).gauge.pitchMm;
    expect(bare('gel-6')).toBe(bare('nylon-d'));
  });

  it('slips into a hole as wide as it is; what is said to help does', () => {
    const doubtOf = (change: Partial<PartOfPiece>, params: object = { knots: 'bead' }) =>
      planned(line(params, { thread: thin, ...change })).warnings.flatMap((one) =>
        one.code === 'thread' && one.doubt.code === 'knot-slips' ? [one.doubt] : [],
      )[0];
    const said = doubtOf({});
    expect(said).toMatchObject({ bead: pearl.name, holeMm: pearl.holeMm, doubledHolds: true });
    expect(doubtOf({ doubled: true })).toBeUndefined();
    expect(doubtOf({}, { knots: 'none' })).toBeUndefined();
    const thick = { ...nylon, diameterMm: (said?.holdsMm ?? 0) * 1.001 };
    expect(doubtOf({ thread: thick })).toBeUndefined();
    expect(doubtOf({ thread: { ...thick, diameterMm: (said?.holdsMm ?? 0) * 0.999 } })).toBeDefined();
    // Thread so thin that doubling does not help is not said to be helped by it.
    expect(doubtOf({ thread: byId(THREADS, 'gel-4') })?.doubledHolds).toBe(false);
  });

  it('has one way along the line, so no swags, and no free end', () => {
    const structure = structureById('strung-line');
    expect(structure?.check({ ...structure.defaults, swags: 1, knots: 'bead' }).join()).toMatch(
      /leave out the swags, or the knots/i,
    );
    const open = planPart(line({ knots: 'bead' }, { ends: { ...line({}).ends, closing: 'open' } }));
    expect(open.ok ? null : open.problem.code).toBe('cannot-close');
  });

  it('graduated: the fit counts a knot to every bead and spacer', () => {
    const params = { ...structureById('graduated-line')?.defaults, counts: [2, 2, 3] };
    for (const spacer of ['none', 'D'])
      for (const centre of ['one', 'none']) {
        const [plain, knotted] = ['none', 'bead'].map((knots) =>
          planned(
            line({}, { structure: { id: 'graduated-line', params: { ...params, spacer, centre, knots } } }),
          ),
        );
        if (!plain || !knotted) throw new Error('no plan');
        const beads = plain.work().path.beads.filter(({ place }) => place.section.zone === 'woven').length;
        expect(knotted.chosen.finishedMm - plain.chosen.finishedMm).toBeCloseTo((beads - 1) * 0.6, 6);
        expect(knotted.stations.totalMm).toBeCloseTo(knotted.chosen.finishedMm, 6);
      }
  });
});
