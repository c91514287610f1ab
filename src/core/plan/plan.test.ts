import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { planned } from '../testing/planned';
import { BEADS, CLASPS, PALETTE, byId } from '../materials/catalogue';
import { bodyOf } from '../materials/material';
import { inColour, newPart } from '../piece/newPiece';
import { inStructure } from '../piece/variants';
import { migratePiece, PIECE_FORMAT } from '../piece/piece';
import { asPiece, partOf, withPart, type PartOfPiece } from '../piece/partOfPiece';
import type { Plan } from './plan';
import { planSteps } from './steps';
import { planPart } from './shipped';
import { misfit } from '../structures/parts';
import { STRUCTURES, structureById } from '../structures/registry';
import { wordProblem } from '../words/problems';

const IN = 25.4;
const wearer = (wrist: number) => ({ personId: null, name: 'Maren', girths: { wrist }, typical: null });
const bracelet = (structureId: string, change: Partial<PartOfPiece> = {}): PartOfPiece => ({
  ...newPart('Test', structureId, wearer(160)),
  ...change,
});

describe('a plan', () => {
  it('says the same finished length by its arithmetic and by its layout', () => {
    for (const { id } of STRUCTURES)
      for (const units of [null, 7, 40, 90]) {
        const plan = planned(bracelet(id, { units }));
        expect(plan.stations.totalMm).toBeCloseTo(plan.chosen.finishedMm, 6);
      }
  });

  it('for the left hand picture and words are mirrored, and every figure is the same', () => {
    for (const { id } of STRUCTURES) {
      const right = planned(bracelet(id, { units: 9 }));
      const left = planned(bracelet(id, { units: 9, hand: 'left' }));
      expect(left.quantities).toEqual(right.quantities);
      expect(left.thread.totalMm).toBeCloseTo(right.thread.totalMm, 6);
      const y = (plan: Plan) =>
        plan.work().path.beads.map((bead) => plan.work().layout.poses[bead.id]?.centre[1] ?? NaN);
      y(left).forEach((mm, i) => expect(mm).toBeCloseTo(-(y(right)[i] ?? NaN), 9));
    }
    const words = (hand: PartOfPiece['hand']) =>
      planSteps(planned(bracelet('flat-herringbone', { hand })))
        .flatMap((group) => group.steps.map((step) => step.text))
        .join(' ');
    expect(words('right')).toContain('the rightmost bead of the row before');
    expect(words('right')).toMatch(/pick up 3 loop seeds?/i);
    expect(words('left')).toBe(
      words('right').replace(/left|right/g, (side) => (side === 'left' ? 'right' : 'left')),
    );
  });

  it('for the left hand it is mirrored however it is closed: by several loops, joined, open, over a button', () => {
    let compared = 0;
    for (const { id } of STRUCTURES)
      for (const [clasp, closing] of [
        ['slide-tube-2', 'clasp'],
        ['button-12', 'clasp'],
        ['lobster-12', 'joined'],
        ['lobster-12', 'open'],
      ] as const) {
        const kind = closing === 'joined' ? 'bangle' : closing === 'open' ? 'lariat' : 'bracelet';
        const who = { ...wearer(160), girths: { wrist: 160, hand: 200 } };
        const fresh = newPart('Test', id, who, kind);
        const piece = { ...fresh, units: 12, ends: { ...fresh.ends, closing, clasp: byId(CLASPS, clasp) } };
        const [right, left] = [planPart(piece), planPart({ ...piece, hand: 'left' })];
        expect(left.ok).toBe(right.ok);
        if (!right.ok || !left.ok) continue;
        compared++;
        const [one, other] = [right.work(), left.work()];
        expect(other.path.moves.length).toBe(one.path.moves.length);
        expect(left.thread.totalMm).toBeCloseTo(right.thread.totalMm, 6);
        one.layout.poses.forEach(({ centre: [x, y, z], axis }, i) => {
          const there = other.layout.poses[i];
          expect(there?.centre[0]).toBeCloseTo(x, 9);
          expect(there?.centre[1]).toBeCloseTo(-y, 9);
          expect(there?.centre[2]).toBeCloseTo(z, 9);
          expect(Math.abs(there?.axis[1] ?? 9)).toBeCloseTo(Math.abs(axis[1]), 9);
        });
        one.layout.findings.forEach(([x, y], i) => {
          expect(other.layout.findings[i]?.[0]).toBeCloseTo(x, 9);
          expect(other.layout.findings[i]?.[1]).toBeCloseTo(-y, 9);
        });
      }
    expect(compared).toBeGreaterThan(2 * STRUCTURES.length);
  });

  it('chains hang at both ends, each with its own half of the clasp; the woven part lies between', () => {
    const piece = bracelet('flat-herringbone', { kind: 'necklace' });
    const chain = { linkMm: 4, wovenMm: 120 };
    const plan = planned({
      ...piece,
      wear: { school: 'flat', finishedMm: 440 },
      ends: { ...piece.ends, chain },
    });
    const { stations, closure, chosen } = plan;
    expect(chosen.links).toBeGreaterThan(10);
    expect(closure.chainMm).toBe(chosen.links * 4);
    expect(stations.ringStartMm).toBeCloseTo(closure.startMm + closure.chainMm, 9);
    expect(stations.totalMm - stations.ringEndMm).toBeCloseTo(closure.endMm + closure.chainMm, 9);
    expect(stations.bodyStartMm - stations.ringStartMm).toBeCloseTo(
      stations.ringEndMm - stations.bodyEndMm,
      9,
    );
    expect(stations.totalMm).toBeCloseTo(chosen.finishedMm, 6);
    // As near to the wish as whole links on both sides allow.
    expect(Math.abs(chosen.offMm)).toBeLessThanOrEqual(4 + 1e-9);
  });

  it('a piece that is let out to its last link is longer by all of them', () => {
    const piece = bracelet('strung-line');
    const extender = { linkMm: 5, links: 6, rings: null };
    const plan = planned({ ...piece, ends: { ...piece.ends, extender } });
    expect(plan.closure.longestMm).toBeCloseTo(plan.chosen.finishedMm + 30, 9);
    expect(planned(piece).closure.longestMm).toBe(planned(piece).chosen.finishedMm);
  });

  it('practice: a toggle with its sewn loops takes 0.7 to 1.2 in', () => {
    const plan = planned(
      bracelet('flat-herringbone', {
        ends: { ...bracelet('flat-herringbone').ends, clasp: byId(CLASPS, 'toggle-12') },
      }),
    );
    expect(plan.closure.allowanceMm / IN).toBeGreaterThan(0.7);
    expect(plan.closure.allowanceMm / IN).toBeLessThan(1.2);
  });

  it('practice: two passes of thread or more hold the clasp; one is warned of', () => {
    const base = bracelet('strung-line');
    expect(planned(base).closure.passes).toBe(2);
    const end = { ...base.ends.start, passes: 1 };
    const once = planned({ ...base, ends: { ...base.ends, end } });
    expect(once.warnings.map((w) => w.code)).toContain('one-pass-through-clasp');
    expect(planned(base).warnings.map((w) => w.code)).not.toContain('one-pass-through-clasp');
  });

  it('lists nothing per unit or inch as if it were the whole', () => {
    const plan = planned(bracelet('strung-line'));
    for (const q of plan.quantities.filter((q) => q.perUnit > 0)) {
      expect(q.total).toBeGreaterThan(q.perInch);
      expect(q.perInch).toBeCloseTo((q.perUnit * IN) / plan.gauge.pitchMm);
    }
  });

  it('a plated finish makes longer units and, in the end, fewer of them; a matte one the reverse', () => {
    const inFinish = (finish: 'plain' | 'plated' | 'matte') => {
      const base = bracelet('strung-line');
      const A = { ...base.beads.A, finish };
      return planned({ ...base, beads: { ...base.beads, A, B: A } }).gauge.pitchMm;
    };
    expect(inFinish('plated')).toBeGreaterThan(inFinish('plain'));
    expect(inFinish('matte')).toBeLessThan(inFinish('plain'));
    // memory: plated runs 1.02 to 1.04, matte 0.97 to 0.99 of the plain size
    const plain = bodyOf({ ...inColour(byId(BEADS, 'seed-8'), { name: 'x', hex: '#000000' }) });
    const plated = bodyOf({
      ...inColour(byId(BEADS, 'seed-8'), { name: 'x', hex: '#000000' }),
      finish: 'plated',
    });
    expect(plated.lengthMm / plain.lengthMm).toBeGreaterThanOrEqual(1.02);
    expect(plated.lengthMm / plain.lengthMm).toBeLessThanOrEqual(1.04);
  });

  it('a larger wrist never gets fewer units, nor a shorter line', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 100, max: 280 }),
        fc.integer({ min: 0, max: 20 }),
        fc.constantFrom(...STRUCTURES.map((s) => s.id)),
        fc.constantFrom(...BEADS),
        (wrist, more, id, kind) => {
          const base = bracelet(id);
          const bead = inColour(kind, { name: 'foam', hex: '#e9e3d0' });
          const parts = structureById(id)?.bind(base.structure.params).parts ?? [];
          const plays = (role: string) =>
            parts.every((part) => part.role !== role || misfit(part, kind) !== 'holes');
          const beads = { ...base.beads, ...(plays('A') && { A: bead }), ...(plays('B') && { B: bead }) };
          // A graduated line may have fewer beads of a larger step: it is longer.
          const on = (mm: number) => {
            const { chosen, arrangement } = planned({ ...base, beads, wearer: wearer(mm) });
            return arrangement ? chosen.finishedMm : chosen.units;
          };
          expect(on(wrist + more)).toBeGreaterThanOrEqual(on(wrist));
        },
      ),
      { numRuns: 60, seed: 11 },
    );
  });

  it('shows the neighbours of the count, each a pitch apart', () => {
    const { candidates, gauge, chosen } = planned(bracelet('strung-line'));
    expect(candidates.map((c) => c.units - chosen.units)).toEqual([-2, -1, 0, 1, 2]);
    for (let i = 1; i < candidates.length; i++)
      expect((candidates[i]?.finishedMm ?? 0) - (candidates[i - 1]?.finishedMm ?? 0)).toBeCloseTo(
        gauge.pitchMm,
      );
  });

  it('counts only the beads that its structure uses', () => {
    expect(planned(bracelet('flat-herringbone')).quantities.map((q) => q.role)).toEqual(['A', 'loop']);
  });
});

describe('what stands in the way is said, not hidden', () => {
  it('a clasp longer than the piece', () => {
    const base = bracelet('strung-line', { wearer: wearer(80) });
    const clasp = { ...base.ends.clasp, startMm: 90, endMm: 90 };
    const plan = planPart({ ...base, ends: { ...base.ends, clasp } });
    expect(plan).toMatchObject({ ok: false, problem: { code: 'clasp-longer-than-piece' } });
  });

  it('nobody to fit it to', () => {
    const piece = { ...bracelet('strung-line'), wearer: null };
    expect(planPart(piece)).toMatchObject({
      ok: false,
      problem: { code: 'no-girth', place: 'wrist', nobody: true },
    });
    expect(planPart(newPart('Flat', 'strung-line', null)).ok).toBe(true);
  });

  it('a sequence with no beads, and a structure that is not known', () => {
    const empty = planPart(
      bracelet('strung-line', {
        structure: { id: 'strung-line', params: { sequence: [], extra: 1, trips: 2 } },
      }),
    );
    expect(empty).toMatchObject({ ok: false, problem: { code: 'structure' } });
    expect(planPart(bracelet('strung-line', { structure: { id: 'knitting', params: {} } }))).toMatchObject({
      ok: false,
    });
  });

  it('a count that is chosen but does not fit, and a pitch with which none fits', () => {
    const far = planned(bracelet('strung-line', { units: 20 }));
    expect(far.warnings[0]).toMatchObject({ code: 'chosen-does-not-fit', sit: 'too tight' });
    const base = bracelet('strung-line');
    const big = inColour(byId(BEADS, 'bugle-6'), { name: 'tar', hex: '#000000' });
    const params = { sequence: Array<string>(12).fill('A'), extra: 0, trips: 1 };
    const plan = planned({
      ...base,
      beads: { ...base.beads, A: big },
      structure: { id: 'strung-line', params },
    });
    expect(plan.warnings[0]).toMatchObject({ code: 'none-fits' });
  });

  it('cautions stand where the choice raises them, and only there', () => {
    const base = bracelet('strung-line');
    const magnet = { ...base, ends: { ...base.ends, clasp: byId(CLASPS, 'magnet') } };
    expect(planned(magnet).cautions).toContain('magnet');
    expect(planned(base).cautions).not.toContain('magnet');
    const bugle = inColour(byId(BEADS, 'bugle-3'), { name: 'tar', hex: '#000000' });
    expect(planned({ ...base, beads: { ...base.beads, A: bugle } }).cautions).toContain('sharp-edges');
    expect(planned({ ...base, beads: { ...base.beads, F: bugle } }).cautions).not.toContain('sharp-edges');
  });
});

describe('the document', () => {
  it('comes back the same through JSON', () => {
    for (const { id } of STRUCTURES) {
      const piece = asPiece(bracelet(id));
      expect(migratePiece(JSON.parse(JSON.stringify(piece)))).toEqual(piece);
    }
  });

  it('is refused when it is not a piece', () => {
    const piece = asPiece(bracelet('strung-line'));
    expect(migratePiece(piece)).toEqual(piece);
    for (const bad of [
      null,
      {},
      { ...piece, format: 99 },
      { ...piece, wearer: wearer(9000) },
      withPart(piece, { units: 0.5 }),
      { ...piece, parts: [] },
      { ...piece, name: ' ' },
    ])
      expect(() => migratePiece(bad)).toThrow();
  });

  it('the palette has a colour for each role and the loop', () => {
    expect(PALETTE.length).toBeGreaterThanOrEqual(7);
  });
});

describe('beads and their parts', () => {
  it('a bead of one hole where two are needed stands in the way, in words that say what to do', () => {
    const piece = bracelet('two-hole-line');
    const plan = planPart({ ...piece, beads: { ...piece.beads, A: piece.beads.B } });
    expect(plan).toMatchObject({ ok: false, problem: { code: 'wrong-holes' } });
    if (!plan.ok)
      expect(wordProblem(plan.problem, { unit: 'in', denominator: 8 })).toMatch(
        /bead A .*needs two holes.*choose another/i,
      );
  });

  it('an unusual shape and sizes that do not suit are told, and do not stand in the way', () => {
    const ladder = bracelet('ladder');
    const cube = inColour(byId(BEADS, 'cube-3'), { name: 'foam', hex: '#e9e3d0' });
    const codes = (piece: PartOfPiece) => planned(piece).warnings.map(({ code }) => code);
    expect(codes({ ...ladder, beads: { ...ladder.beads, B: cube } })).toContain('odd-shape');
    expect(codes(ladder)).not.toContain('odd-shape');
    const line = bracelet('strung-line');
    const swags = { ...line.structure.params, swags: 1, swag: ['C'] };
    expect(codes({ ...line, structure: { ...line.structure, params: swags } })).toContain('sizes');
  });

  it('another stitch keeps the beads that it can use, and takes its own for the rest in their colour', () => {
    const tar = { colourName: 'tar', colour: '#2f3330' };
    const piece = bracelet('ladder');
    const before = { ...piece, beads: { ...piece.beads, A: { ...piece.beads.A, ...tar } } };
    const after = inStructure(before, 'two-hole-line');
    expect(after.beads.A).toMatchObject({ id: 'lens', holes: 2, ...tar });
    expect(after.beads.B).toEqual(before.beads.B);
    expect(inStructure(after, 'ladder').beads.A).toMatchObject({ holes: 1, ...tar });
    expect(planPart(after).ok).toBe(true);
  });

  it('where units take turns, a unit’s beads are the average of both', () => {
    const line = bracelet('strung-line');
    const params = { ...line.structure.params, swags: 1 };
    const plan = planned({ ...line, units: 31, structure: { ...line.structure, params } });
    // Every second unit of the middle has a swag of six C and one D.
    expect(plan.quantities.find(({ role }) => role === 'D')).toMatchObject({ perUnit: 0.5, total: 15 });
    expect(plan.quantities.find(({ role }) => role === 'C')).toMatchObject({ perUnit: 3, total: 90 });
  });
});

describe('an older document', () => {
  it('format 1 comes into the present one with nothing lost: wrist, ease, ends, closing row', () => {
    const now = bracelet('flat-herringbone');
    const { rules: _rules, gauge: _gauge, ...rest } = now;
    const old = {
      ...rest,
      format: 1,
      wearer: { personId: null, name: 'Maren', wristMm: 160 },
      wear: { school: 'ease', fit: 'loose', thicknessEffect: false },
      structure: { id: 'flat-herringbone', params: { sequence: ['A', 'B'], alike: true } },
      ends: { clasp: now.ends.clasp, seedsEachSide: 4, passes: 3 },
      units: 31,
    };
    const piece = migratePiece(old);
    expect(piece).toMatchObject({
      format: PIECE_FORMAT,
      wearer: wearer(160),
      wear: { school: 'ease', fit: 'loose', thicknessEffect: false },
      parts: [{ structure: { params: { sequence: ['A', 'B'], extra: 1 } }, units: 31 }],
      ends: {
        closing: 'clasp',
        start: { seedsEachSide: 4, passes: 3 },
        end: { seedsEachSide: 4, passes: 3 },
      },
    });
    expect(planned(partOf(piece)).quantities.find(({ role }) => role === 'A')?.total).toBe(2 * 32);
    expect(migratePiece(JSON.parse(JSON.stringify(piece)))).toEqual(piece);
  });
});

describe('a count and its neighbours', () => {
  it('the nearest allowed count is among the candidates, whatever the rules', () => {
    fc.assert(
      fc.property(
        fc.constantFrom('any', 'even', 'odd') as fc.Arbitrary<'any' | 'even' | 'odd'>,
        fc.integer({ min: 1, max: 7 }),
        fc.integer({ min: 130, max: 220 }),
        (parity, multipleOf, wrist) => {
          const piece = bracelet('strung-line', { rules: { parity, multipleOf }, wearer: wearer(wrist) });
          const plan = planPart(piece);
          if (!plan.ok) {
            expect(plan.problem.code).toBe('rules');
            return;
          }
          expect(plan.candidates.map((c) => c.units)).toContain(plan.best.units);
          expect(plan.best.breaks.filter(({ must }) => must)).toEqual([]);
          expect(plan.best.units % multipleOf).toBe(0);
        },
      ),
      { numRuns: 60, seed: 2 },
    );
  });

  it('ends on a given row: rows beyond the last unit are woven, counted and measured', () => {
    const piece = (extra: number) =>
      bracelet('flat-herringbone', {
        units: 12,
        structure: { id: 'flat-herringbone', params: { sequence: ['A', 'A', 'B'], extra, columns: 2 } },
      });
    const total = (plan: Plan, role: string) => plan.quantities.find((q) => q.role === role)?.total ?? 0;
    const [none, two, three] = [0, 2, 3].map((extra) => planned(piece(extra)));
    if (!none || !two || !three) throw new Error('no plan');
    expect(total(two, 'A') - total(none, 'A')).toBe(4);
    expect(total(two, 'B') - total(none, 'B')).toBe(0);
    expect(total(three, 'B') - total(none, 'B')).toBe(2);
    // As many rows as a unit has are as long as a unit.
    expect(three.chosen.finishedMm - none.chosen.finishedMm).toBeCloseTo(none.gauge.pitchMm, 2);
  });

  it.each([
    ['tubular-herringbone', 4],
    ['flat-herringbone', 2],
    ['ladder', 1],
    ['strung-line', 1],
    ['daisy-chain', 8],
  ] as const)(
    'craft: %s has n sections of large beads between n + 1 of seeds, whatever the count',
    (id, each) => {
      const total = (plan: Plan, role: string) => plan.quantities.find((q) => q.role === role)?.total ?? 0;
      // Rows of seeds in a section at either end, and rows of A and of D in n units with what ends them.
      const sections = [
        { unit: 'AAAD', a: (n: number) => 3 * n + 3, d: (n: number) => n },
        { unit: 'ADDA', a: (n: number) => 2 * n + 1, d: (n: number) => 2 * n },
        { unit: 'AA', a: (n: number) => 2 * n, d: () => 0 },
      ];
      for (const { unit, a, d } of sections)
        for (const n of [7, 12]) {
          const params = { ...structureById(id)?.defaults, sequence: unit.split(''), extra: 'section' };
          const plan = planned(bracelet(id, { units: n, structure: { id, params } }));
          expect([total(plan, 'A'), total(plan, 'D')], `${unit} × ${n}`).toEqual([each * a(n), each * d(n)]);
        }
    },
  );

  it('the chance and the interval tell the same: 19 of 20 pieces lie in it', () => {
    const { chosen } = planned(bracelet('flat-peyote'));
    expect((chosen.highMm - chosen.lowMm) / (2 * chosen.sdMm)).toBeCloseTo(1.96, 9); // any statistics table
    expect(chosen.lowMm).toBeLessThan(chosen.finishedMm);
  });

  it('a clasp whose length is less sure makes the whole less sure', () => {
    const base = bracelet('strung-line');
    const sd = (id: string) =>
      planned({ ...base, units: 20, ends: { ...base.ends, clasp: byId(CLASPS, id) } }).chosen.sdMm;
    expect(sd('magnet')).toBeGreaterThan(sd('lobster-12'));
  });
});
