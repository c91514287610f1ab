import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { BEADS, byId } from '../materials/catalogue';
import { withMotif, withoutPart } from '../piece/assembly';
import { inColour, newPiece } from '../piece/newPiece';
import { partOf, withPart, type PartOfPiece } from '../piece/partOfPiece';
import { pieceSchema, type Piece } from '../piece/piece';
import { runs } from '../testing/thorough';
import { given } from '../tools/given';
import { checkPath } from '../weave/check';
import { isTraversal, type Path } from '../weave/path';
import { wordProblem } from '../words/problems';
import { wordWarning } from '../words/warnings';
import { beadsInAll, madeApart, threadInAllMm } from './madeApart';
import type { Plan } from './plan';
import type { StrungComponent } from './planned';
import { planPiece } from './shipped';
import { planSteps } from './steps';

const CM = { unit: 'cm', denominator: 8 } as const;

/** A bracelet of motifs, with these changes of the motif and of what joins them. */
function ofMotifs(
  motif: Partial<PartOfPiece> = {},
  joined: Record<string, unknown> = {},
  whole: Partial<PartOfPiece> = {},
) {
  const wearer = { personId: null, name: 'Maren', girths: { wrist: 165 }, typical: null };
  const { piece, id } = withMotif(newPiece('Compass', 'strung-line', wearer));
  const { structure } = partOf(piece);
  const set = { ...structure, params: { ...structure.params, ...joined } };
  return { piece: withPart(withPart(piece, motif, id), { structure: set, ...whole }), id };
}

function planned(piece: Piece): Plan {
  const plan = planPiece(pieceSchema.parse(piece));
  if (!plan.ok) throw new Error(wordProblem(plan.problem, CM));
  return plan;
}
const motifIn = (plan: Plan, role = 'A'): StrungComponent => given(plan.components.get(role), 'motif');
/** A V does not go on as it begins. */
const faults = (path: Path) => checkPath(path).filter(({ code }) => code !== 'cell-unlike');
const params = (change: Record<string, unknown>, piece = ofMotifs()) => {
  const part = partOf(piece.piece, piece.id);
  return { structure: { ...part.structure, params: { ...part.structure.params, ...change } } };
};

describe('motifs in a line', () => {
  it('are docked as they are: nothing is left to be laid out, and the nearest count is proposed', () => {
    const plan = planned(ofMotifs().piece);
    expect(plan.toLayOut).toBeNull();
    expect(Math.abs(plan.best.offMm)).toBeLessThanOrEqual(plan.gauge.pitchMm / 2);
  });

  it('four equal balls in a joint: the posts are √2 · D apart (checks: right-angle weave)', () => {
    const ball = inColour(byId(BEADS, 'pressed-4'), { name: 'grey', hex: '#888888' });
    const { piece, id } = ofMotifs();
    const beads = (of: PartOfPiece) => ({ ...of.beads, A: ball, B: ball, C: ball });
    const motif = withPart(piece, { beads: beads(partOf(piece, id)) }, id);
    const plan = planned(withPart(motif, { beads: beads(partOf(motif)) }));
    const apartMm = given(motifIn(plan).bead.apartMm, 'apart');
    expect(plan.gauge.pitchMm - apartMm).toBeCloseTo(4 * Math.SQRT2, 6);
    // By hand: n from point to point, n − 1 circles between, and half a ball beyond the first point and the last.
    const n = plan.chosen.units;
    const wovenMm = n * apartMm + (n - 1) * 4 * Math.SQRT2 + 4;
    expect(plan.stations.bodyEndMm - plan.stations.bodyStartMm).toBeCloseTo(wovenMm, 6);
  });

  it('are made first, as many as the piece takes, and counted bead by bead', () => {
    const { piece, id } = ofMotifs();
    const plan = planned(piece);
    const [made] = madeApart(plan);
    expect(made?.component.id).toBe(id);
    expect(made?.times).toBe(plan.chosen.units);
    // 16 in the ring, 8 loops of 3 and 8 of 5; two beads for every joint; 6 seeds for either loop.
    const each = 16 + 8 * 3 + 8 * 5;
    expect(beadsInAll(plan)).toBe(plan.chosen.units * each + 2 * (plan.chosen.units - 1) + 12);
    expect(threadInAllMm(plan)).toBeCloseTo(
      plan.thread.totalMm + plan.chosen.units * motifIn(plan).plan.thread.totalMm,
      6,
    );
  });

  it('take no more thread than practice: 136 seeds in four rounds from a ring of 16, at most 0.85 m (checks)', () => {
    const { piece, id } = ofMotifs();
    const plan = planned(withPart(piece, params({ rounds: 3 }), id));
    const motif = motifIn(plan).plan;
    expect(motif.quantities.reduce((sum, { total }) => sum + total, 0)).toBe(136);
    expect(motif.thread.totalMm).toBeLessThanOrEqual(850);
    // It cannot be less than the beads' own holes.
    expect(motif.thread.totalMm).toBeGreaterThan(136 * 1.3);
  });

  it('go through it, hidden, from joint to joint: more thread than straight across, less than half way round outside', () => {
    const { bead } = motifIn(planned(ofMotifs().piece));
    const { wayMm } = given(bead.inside, 'way through');
    expect(wayMm).toBeGreaterThan(given(bead.apartMm, 'apart'));
    expect(wayMm).toBeLessThan((Math.PI / 2) * 1.5 * given(bead.apartMm, 'apart'));
  });

  it('are a sound path in any count, and their steps name points and motifs, not holes', () => {
    for (const units of [1, 2, 3, 8, 15]) {
      const plan = planned(ofMotifs({}, {}, { units }).piece);
      const { path } = plan.work();
      expect(checkPath(path)).toEqual([]);
      expect(new Set(path.moves.filter(isTraversal).map(({ bead }) => bead.id)).size).toBe(path.beads.length);
      const told = planSteps(plan)
        .flatMap(({ steps }) => steps.map(({ text }) => text))
        .join(' ');
      expect(told).toContain('1 motif by its left point');
      expect(told).toContain('motif by its right point');
      expect(told).not.toMatch(/hole|motif motif|bead by its/);
    }
  });

  it('measured from point to point, they are as wide as that, and sure', () => {
    const { piece, id } = ofMotifs();
    const plan = planned(withPart(piece, { count: { by: 'fixed', measuredMm: 20 } }, id));
    expect(motifIn(plan).alongMm).toBeCloseTo(20, 9);
    expect(motifIn(plan).betweenMm).toEqual([20, 20]);
    expect(plan.warnings.map(({ code }) => code)).not.toContain('part-not-measured');
    const guessed = planned(piece);
    expect(guessed.warnings.map(({ code }) => code)).toContain('part-not-measured');
    expect(guessed.gauge.spread).toBeGreaterThan(plan.gauge.spread);
  });

  it('are strung with what lies in their points already: doubled thread in small beads finds no way', () => {
    const tiny = inColour(byId(BEADS, 'seed-15'), { name: 'grey', hex: '#888888' });
    const { piece, id } = ofMotifs();
    const part = partOf(piece, id);
    const small = withPart(piece, { beads: { ...part.beads, A: tiny, B: tiny, C: tiny } }, id);
    const warnings = planned(withPart(small, { doubled: true })).warnings;
    const full = warnings.filter(({ code }) => code === 'way-full');
    expect(full.length).toBeGreaterThan(0);
    for (const warning of full) expect(wordWarning(warning, CM).text).toMatch(/finer thread/);
    expect(planned(piece).warnings.map(({ code }) => code)).not.toContain('way-full');
  });

  it('taken out, the line joins beads of two holes again', () => {
    const { piece, id } = ofMotifs();
    const plan = planned(withoutPart(piece, id));
    expect(plan.components.size).toBe(0);
    expect(plan.quantities.find(({ role }) => role === 'A')?.total).toBe(plan.chosen.units);
  });

  it('a motif in a stitch that takes a bead of one hole is told in words', () => {
    const { piece } = ofMotifs();
    const line = newPiece('Line', 'strung-line', null).parts[0];
    const plan = planPiece(withPart(piece, { structure: given(line, 'part').structure }));
    expect(plan.ok).toBe(false);
    if (!plan.ok) expect(wordProblem(plan.problem, CM)).toMatch(/hole/);
  });
});

describe('motifs in a V', () => {
  const V = { set: 'V' };

  it('have one in the middle, held at points nearer to each other, and so are shorter by that', () => {
    const [line, v] = [
      planned(ofMotifs({}, {}, { units: 9 }).piece),
      planned(ofMotifs({}, V, { units: 9 }).piece),
    ];
    const [opposite, corner] = [motifIn(v).bead.apartMm, motifIn(v, 'M').bead.apartMm].map((mm) =>
      given(mm, 'apart'),
    );
    // Of eight points, three steps and four: chords of one circle (elementary geometry).
    expect((corner ?? 0) / (opposite ?? 1)).toBeCloseTo(Math.sin((3 * Math.PI) / 8), 6);
    expect(line.chosen.finishedMm - v.chosen.finishedMm).toBeCloseTo((opposite ?? 0) - (corner ?? 0), 6);
    expect(madeApart(v).map(({ times }) => times)).toEqual([9]);
    expect(beadsInAll(v)).toBe(beadsInAll(line));
  });

  it('are an odd number, and a sound path; the beads behind the middle lie as those before', () => {
    const plan = planned(ofMotifs({}, V).piece);
    expect(plan.chosen.units % 2).toBe(1);
    for (const units of [3, 5, 11]) {
      const one = planned(ofMotifs({}, V, { units }).piece);
      expect(faults(one.work().path)).toEqual([]);
      const { path, layout } = one.work();
      const xs = path.beads
        .filter(({ place }) => place.section.zone === 'woven')
        .map(({ id }) => given(layout.poses[id], 'pose').centre[0]);
      const [from, to] = [Math.min(...xs), Math.max(...xs)];
      const mirrored = xs.map((x) => from + to - x).sort((a, b) => a - b);
      [...xs].sort((a, b) => a - b).forEach((x, i) => expect(x).toBeCloseTo(given(mirrored[i], 'x'), 6));
    }
  });

  it('with chain on either side the chain makes up what the V leaves', () => {
    const wearer = { personId: null, name: 'Maren', girths: { neck: 350 }, typical: null };
    const { piece } = withMotif(newPiece('Compass', 'strung-line', wearer, 'necklace'));
    const { structure, ends } = partOf(piece);
    const plan = planned(
      withPart(piece, {
        structure: { ...structure, params: { ...structure.params, ...V } },
        ends: { ...ends, chain: { linkMm: 3, wovenMm: 120 } },
      }),
    );
    expect(plan.chosen.links).toBeGreaterThan(0);
    expect(plan.chosen.units % 2).toBe(1);
    expect(plan.closure.chainMm).toBeCloseTo(plan.chosen.links * 3, 9);
  });
});

it('any motif joined in any way is planned or told; parts are alike, and counts add up', () =>
  fc.assert(
    fc.property(
      fc.record({
        points: fc.integer({ min: 4, max: 16 }),
        rounds: fc.constantFrom(1, 2, 3),
        set: fc.constantFrom('line', 'V'),
        corner: fc.integer({ min: 1, max: 8 }),
        trips: fc.constantFrom(1, 2),
        joint: fc.integer({ min: 1, max: 5 }),
        units: fc.integer({ min: 3, max: 30 }),
        bead: fc.constantFrom('seed-15', 'seed-11', 'seed-8', 'cylinder-11', 'pressed-4', 'bicone-4'),
        hand: fc.constantFrom('right' as const, 'left' as const),
      }),
      ({ points, rounds, set, corner, trips, joint, units, bead, hand }) => {
        const one = ofMotifs(
          {},
          { set, corner, rounds: trips, joint: Array(joint).fill('B') },
          { units, hand },
        );
        const part = partOf(one.piece, one.id);
        const all = inColour(byId(BEADS, bead), { name: 'grey', hex: '#888888' });
        const piece = withPart(
          one.piece,
          { ...params({ points, rounds }, one), beads: { ...part.beads, A: all, B: all, C: all } },
          one.id,
        );
        const plan = planned(piece);
        expect(faults(plan.work().path)).toEqual([]);
        expect(madeApart(plan).map(({ times }) => times)).toEqual([units]);
        const each = motifIn(plan).plan.quantities.reduce((sum, { total }) => sum + total, 0);
        const own = plan.quantities.reduce(
          (sum, { role, total }) => sum + (plan.components.has(role) ? 0 : total),
          0,
        );
        expect(beadsInAll(plan)).toBe(units * each + own);
        for (const warning of plan.warnings)
          expect(Object.values(wordWarning(warning, CM)).join(' ')).not.toMatch(/undefined|NaN|null/);
        for (const view of ['above', 'side', 'end'] as const)
          for (const { role } of plan.sketch(view).shapes.values())
            expect(plan.seen.beads).toHaveProperty([role]);
        // The left hand's is the right hand's mirror image: as long, and of as much thread.
        const other = planned(withPart(piece, { hand: hand === 'left' ? 'right' : 'left' }));
        expect(other.chosen.finishedMm).toBeCloseTo(plan.chosen.finishedMm, 6);
        expect(threadInAllMm(other)).toBeCloseTo(threadInAllMm(plan), 4);
      },
    ),
    { numRuns: runs(40), seed: 11 },
  ));
