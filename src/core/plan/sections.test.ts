import { describe, expect, it } from 'vitest';
import { BEADS, byId, FINDINGS } from '../materials/catalogue';
import { newPart } from '../piece/newPiece';
import type { PartOfPiece } from '../piece/partOfPiece';
import { tally } from '../read/tally';
import { seamOf, USUAL_SEAM, type Seam } from '../structures/seam';
import type { Sections } from '../structures/sections';
import { cutLines } from '../supplies/cutting';
import { THOROUGH } from '../testing/thorough';
import { planned } from '../testing/planned';
import { checkMeetings } from '../weave/check';
import { isEdgeName } from '../weave/edge';
import { WOVEN } from '../weave/path';
import { needleWords } from '../words/needles';
import { planPart, planSolved } from './shipped';
import { planSteps } from './steps';
import type { Plan } from './plan';

const WEARER: PartOfPiece['wearer'] = { personId: null, name: 'Osk', girths: { wrist: 165 }, typical: null };

/** A piece in a stitch with sections. */
function sectioned(
  id: string,
  sections: Sections,
  params: Readonly<Record<string, unknown>> = {},
  change: Partial<PartOfPiece> = {},
): PartOfPiece {
  const piece = newPart('Test', id, WEARER);
  return {
    ...piece,
    structure: { id, params: { ...piece.structure.params, ...params }, sections },
    ...change,
  };
}

const ROPE: Sections = {
  before: [{ sequence: ['A'], times: 12 }],
  after: [{ sequence: ['B'], times: 6 }],
  mirrored: true,
};

describe('a rope with sections, mirrored about its middle', () => {
  const piece = sectioned('tubular-herringbone', ROPE, { sequence: ['A', 'A', 'B'], extra: 0 });
  const plan = planned(piece);

  it('is fitted by what takes up the rest, on either side, and is as long as its sections together', () => {
    const { units } = plan.chosen;
    const spans = plan.along.sections;
    expect(spans.map(({ of, back, fitted }) => [of, back, fitted])).toEqual([
      [0, false, false],
      [1, false, true],
      [2, false, false],
      [1, true, true],
      [0, true, false],
    ]);
    expect(spans.map(({ fromUnit, toUnit }) => toUnit - fromUnit)).toEqual([12, units, 6, units, 12]);
    expect(plan.along.units).toBe(2 * 12 + 6 + 2 * units);
    const each = spans.map(({ fromMm, toMm }) => toMm - fromMm);
    // Alike on both sides.
    expect(each.toReversed().map((mm) => mm.toFixed(6))).toEqual(each.map((mm) => mm.toFixed(6)));
    const { bodyStartMm, bodyEndMm } = plan.stations;
    expect(each.reduce((sum, mm) => sum + mm, 0)).toBeCloseTo(bodyEndMm - bodyStartMm, 1);
    expect(plan.chosen.offMm).toBeLessThanOrEqual(plan.gauge.pitchMm);
    const [one, more] = plan.candidates.slice(-2).map(({ finishedMm }) => finishedMm);
    // One unit more is one on either side.
    expect((more ?? 0) - (one ?? 0)).toBeCloseTo(2 * plan.gauge.pitchMm, 6);
  });

  it('takes the beads that its rounds have: four to a round (by hand)', () => {
    const { units } = plan.chosen;
    const totals = Object.fromEntries(plan.quantities.map(({ role, total }) => [role, total]));
    expect(totals.A).toBe(4 * (2 * 12 + 2 * 2 * units));
    expect(totals.B).toBe(4 * (6 + 2 * units));
    // A unit is one of those that are fitted.
    expect(plan.quantities.map(({ role, perUnit }) => [role, perUnit]).slice(0, 2)).toEqual([
      ['A', 8],
      ['B', 4],
    ]);
  });

  it('is told section by section', () => {
    const told = planSteps(plan).filter(({ section }) => section === WOVEN);
    // Each of the five reads its units once, but for the first units of the rope and the first round over a seam.
    expect(told.length).toBeLessThan(5 * 3);
    expect(told.reduce((sum, { times }) => sum + times, 0)).toBeGreaterThanOrEqual(plan.along.units);
  });
});

it('a section that is the plain work changes nothing: length, beads and thread are those of the piece without', () => {
  for (const id of ['tubular-herringbone', 'flat-peyote', 'ladder', 'strung-line']) {
    const params = { sequence: ['A'], extra: 0 };
    const plain = planned({
      ...sectioned(id, { before: [], after: [], mirrored: false }, params),
      units: 60,
    });
    const same: Sections = { before: [{ sequence: ['A'], times: 7 }], after: [], mirrored: false };
    const plan = planned({ ...sectioned(id, same, params), units: 53 });
    expect(plan.chosen.finishedMm).toBeCloseTo(plain.chosen.finishedMm, 6);
    expect(plan.thread.totalMm).toBeCloseTo(plain.thread.totalMm, 3);
    expect(plan.quantities.map(({ role, total }) => [role, total])).toEqual(
      plain.quantities.map(({ role, total }) => [role, total]),
    );
  }
});

it('measured, the own units stand on the ruler, and the sections stay as they are', () => {
  const piece = sectioned('flat-herringbone', ROPE, { sequence: ['A'], extra: 0 });
  const [free, measured] = [
    planned({ ...piece, units: 20 }),
    planned({
      ...piece,
      units: 20,
      gauge: { source: 'this piece', units: 10, lengthMm: 16, finished: true },
    }),
  ];
  const lengths = (plan: Plan) => plan.along.sections.map(({ fromMm, toMm }) => toMm - fromMm);
  const [was, is] = [lengths(free), lengths(measured)];
  expect(is[1]).toBeCloseTo(20 * 1.6, 6);
  expect(is[2]).toBeCloseTo(was[2] ?? 0, 6);
  // What lies in A before it is the same work, and was measured with it.
  expect(is[0]).toBeCloseTo(12 * 1.6, 6);
});

const LAID_OUT = THOROUGH
  ? ['tubular-herringbone', 'tubular-peyote', 'flat-herringbone', 'flat-peyote', 'brick-stitch', 'ladder']
  : ['tubular-herringbone', 'flat-herringbone'];

it.each(LAID_OUT)(
  'laid out section by section, thread reaches across every seam: %s',
  (id) => {
    for (const change of [{}, { hand: 'left' as const }]) {
      const piece = sectioned(
        id,
        { before: [], after: [{ sequence: ['B'], times: 5 }], mirrored: true },
        { sequence: ['A'] },
        {
          units: 8,
          ...change,
        },
      );
      const plan = planSolved(piece);
      if (!plan.ok) throw new Error(JSON.stringify(plan.problem));
      expect(plan.toLayOut).toBeNull();
      const { path, layout } = plan.work();
      const torn = checkMeetings(path, layout).filter(
        (fault) => 'place' in fault && fault.place.section === WOVEN,
      );
      expect(torn).toEqual([]);
      const total = [...tally(path).values()].reduce((sum, n) => sum + n, 0);
      expect(plan.quantities.reduce((sum, one) => sum + one.total, 0)).toBe(total);
    }
  },
  120_000,
);

const CHAIN: Seam = {
  by: 'finding',
  across: 2,
  back: 1,
  rounds: 1,
  finding: { what: byId(FINDINGS, 'chain-link'), count: 5 },
};

/** Straps of herringbone on either side of right-angle weave, in any beads, hands and threads. */
describe.each(['right', 'left'] as const)('sections in another stitch, needle in the %s hand', (hand) => {
  const straps = (seam: Seam): Sections => ({
    before: [
      {
        sequence: ['A'],
        times: 8,
        other: {
          id: 'flat-herringbone',
          params: { columns: 2, sequence: ['C', 'D'] },
          matched: true,
          seam,
        },
      },
    ],
    after: [],
    mirrored: true,
  });
  const sections = straps(USUAL_SEAM);

  it.each(['seed-11', 'seed-15', 'seed-6', 'cube-3', 'pressed-6', 'bugle-6'])('in %s', (id) => {
    for (const doubled of [false, true]) {
      const piece = sectioned('right-angle-weave', sections, {}, { hand, doubled });
      const kind = byId(BEADS, id);
      const beads = { ...piece.beads, A: { ...piece.beads.A, ...kind }, C: { ...piece.beads.C, ...kind } };
      const plan = planned({ ...piece, beads });
      const { path, layout } = plan.work();
      // Beads, counted one by one: two straps, and four seeds in two seams beside those of the clasp.
      const counted = Object.fromEntries(tally(path));
      expect(Object.fromEntries(plan.quantities.map(({ role, total }) => [role, total]))).toEqual(counted);
      expect([counted.C, counted.D]).toEqual([2 * 8 * 2, 2 * 8 * 2]);
      // Each stretch and each seam has a thread of its own, called by what it works.
      expect(cutLines(plan.thread).map(({ of }) => of)).toEqual([
        'working',
        'section 2',
        'section 1, again',
        'seam 1',
        'seam 2',
      ]);
      // Short as they are, nothing is changed on the way.
      expect(plan.warnings.map(({ code }) => code)).not.toContain('several-lengths');
      const mm = plan.thread.divisions.flatMap(({ cuts }) => cuts.map((cut) => cut.mm));
      expect(mm.every((one) => Number.isFinite(one) && one > 0)).toBe(true);
      for (const { centre, axis } of layout.poses)
        expect([...centre, ...axis].every(Number.isFinite)).toBe(true);
      // The whole lies between its ends, and the straps are alike.
      const spans = plan.along.sections.map(({ fromMm, toMm }) => toMm - fromMm);
      expect(spans[2]).toBeCloseTo(spans[0] ?? 0, 6);
      const steps = planSteps(plan).flatMap((group) => group.steps);
      const told = steps.map(({ by, text }) => `${needleWords(by)}: ${text}`).join(' ');
      expect(told).not.toMatch(/undefined|NaN|null|main\//);
      // What sews the second seam is called by it.
      const sewing = steps.filter(({ moves }) => moves.some(({ place }) => seamOf(place.section) === 1));
      expect(new Set(sewing.map(({ by }) => needleWords(by)))).toEqual(new Set(['needle of seam 2']));
    }
  });

  it.each(['seed-11', 'seed-15', 'seed-6', 'cube-3', 'pressed-6', 'bugle-6'])('on chain, in %s', (id) => {
    const piece = sectioned('right-angle-weave', straps(CHAIN), {}, { hand });
    const kind = byId(BEADS, id);
    const beads = { ...piece.beads, A: { ...piece.beads.A, ...kind }, C: { ...piece.beads.C, ...kind } };
    const plan = planned({ ...piece, beads });
    const { path, layout } = plan.work();
    expect(Object.fromEntries(plan.quantities.map(({ role, total }) => [role, total]))).toEqual(
      Object.fromEntries(tally(path)),
    );
    // What lies between is sewn to each edge by the thread that it was woven with.
    expect(cutLines(plan.thread).map(({ of }) => of)).toEqual(['working', 'section 2', 'section 1, again']);
    expect(plan.cautions).toContain('wire-ends');
    // Two chains of five links of 3 mm, each between a loop and a loop.
    expect(plan.along.findings.map(({ count, what }) => count * what.lengthMm)).toEqual([15, 15]);
    const loopMm = 2 * piece.beads.loop.lengthMm;
    const [first, own, last] = plan.along.sections;
    const [before, after] = plan.along.findings;
    expect(before?.fromMm).toBeGreaterThan((first?.toMm ?? NaN) + loopMm - 0.01);
    expect((before?.fromMm ?? NaN) + 15 + loopMm).toBeCloseTo(own?.fromMm ?? NaN, 6);
    expect((after?.fromMm ?? NaN) + 15 + loopMm).toBeCloseTo(last?.fromMm ?? NaN, 6);
    // Where thread comes to each chain, it lies: at either end of it.
    const xs = path.findings.flatMap(({ at, id: nth }) =>
      at && isEdgeName(at.joint) ? [] : [layout.findings[nth]?.[0] ?? NaN],
    );
    const wanted = plan.along.findings.flatMap(({ fromMm }) => [fromMm, fromMm + 15]);
    xs.sort((a, b) => a - b).forEach((x, i) => expect(x).toBeCloseTo(wanted[i] ?? NaN, 6));
    const told = planSteps(plan).flatMap(({ steps }) => steps.map(({ text }) => text));
    expect(told.filter((text) => text.includes('go through the end link of the chain'))).toHaveLength(4);
  });
});

it('what cannot be is told at its place', () => {
  const swags = planPart(
    sectioned(
      'strung-line',
      { before: [], after: [{ sequence: ['B'], times: 3 }], mirrored: false },
      { swags: 1 },
    ),
  );
  expect(swags).toMatchObject({ ok: false, problem: { code: 'structure' } });
  // Sections that are longer than the wish leave room for the fewest units there can be, and the plan says what fits.
  const long = planPart(
    sectioned('flat-peyote', { before: [], after: [{ sequence: ['B'], times: 400 }], mirrored: false }),
  );
  expect(long.ok && long.sit).not.toBe('fits');
  expect(long.ok && long.warnings.map(({ code }) => code)).toContain('none-fits');
});
