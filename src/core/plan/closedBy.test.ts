import { describe, expect, it } from 'vitest';
import { ringMm } from '../body/ringSize';
import { beadAt, standing } from '../layout/sketch';
import { BEADS, CLASPS, NEEDLES, PALETTE, THREADS, byId } from '../materials/catalogue';
import { strungAs, withClosingWhole, withWovenTop, withoutPart } from '../piece/assembly';
import { inColour, newPart } from '../piece/newPiece';
import type { Part } from '../piece/part';
import { asPiece, carrying, type PartOfPiece } from '../piece/partOfPiece';
import { pieceSchema, type Piece } from '../piece/piece';
import { STRUCTURES } from '../structures/registry';
import { at } from '../structures/structure';
import { given } from '../tools/given';
import { strandsOf } from '../testing/woven';
import { checkPath } from '../weave/check';
import { wordProblem } from '../words/problems';
import { wordWarning } from '../words/warnings';
import { beadsInAll, madeApart, threadInAllMm } from './madeApart';
import type { Plan } from './plan';
import { planPiece } from './shipped';
import { planSteps } from './steps';

const CM = { unit: 'cm', denominator: 8 } as const;
const bead = (id: string) => inColour(byId(BEADS, id), at(PALETTE, 0));

/** A band for a finger, closed by a woven top. */
function ringWithTop(
  stitch = 'right-angle-weave',
  { change = {}, top = {} }: { change?: Partial<PartOfPiece>; top?: Partial<Part> } = {},
): Piece {
  const band = newPart(
    'Capstan',
    stitch,
    { personId: null, name: 'Pell', girths: { finger: 60, knuckle: 61 }, typical: null },
    'ring',
  );
  const { piece, id } = withWovenTop(
    asPiece({ ...band, ends: { ...band.ends, closing: 'clasp' }, ...change }),
  );
  return { ...piece, parts: piece.parts.map((part) => (part.id === id ? { ...part, ...top } : part)) };
}

function planned(piece: Piece): Plan {
  const plan = planPiece(pieceSchema.parse(piece));
  if (!plan.ok) throw new Error(wordProblem(plan.problem, CM));
  return plan;
}

describe('a piece that closes over a ball of beads', () => {
  const open = (stitch: string) =>
    asPiece(
      newPart(
        'Any',
        stitch,
        { personId: null, name: 'Pell', girths: { neck: 360 }, typical: null },
        'necklace',
      ),
    );
  const rope = (stitch: string) => planned(withClosingWhole(open(stitch), 'beaded-ball').piece);

  it('by hand: the ball takes no length, and the loop has as many seeds as go over any ball of its size', () => {
    const plan = rope('tubular-herringbone');
    const { plan: ball } = given(plan.closedBy, 'ball');
    const acrossMm = Math.max(ball.widthMm, ball.thicknessMm);
    const loop = given(plan.closure.button, 'loop');
    expect(loop.girthMm).toBeCloseTo(Math.PI * acrossMm, 6);
    const one = open('tubular-herringbone');
    const clasp = { ...byId(CLASPS, 'ball-8'), buttonsMm: Math.PI * acrossMm };
    const other = planned({ ...one, ends: { ...one.ends, clasp } });
    expect(loop).toEqual(other.closure.button);
    expect(plan.chosen.finishedMm).toBeCloseTo(other.chosen.finishedMm, 6);
    // Thirty beads, made first, once.
    const [made] = madeApart(plan);
    expect(made).toMatchObject({ times: 1 });
    expect(beadsInAll(plan) - beadsInAll(other)).toBe(30);
  });

  it('lies before the start of the piece, and the steps say what is sewn to it and what goes over it', () => {
    const plan = rope('tubular-herringbone');
    const xs = plan
      .sketch('above')
      .parts.filter((part) => part.apart)
      .flatMap(({ beads, atMm }) => beads.map(({ at: [x] }) => x + atMm));
    expect(xs).toHaveLength(30);
    expect(Math.max(...xs)).toBeLessThan(0);
    const text = planSteps(plan)
      .flatMap(({ pass, steps }) => [pass, ...steps.map((step) => step.text)])
      .join(' ');
    expect(text).toContain('sew on the beaded ball');
    expect(text).toContain('circle of the beaded ball at the start');
    expect(text).toContain('work the loop');
  });

  it('a motif goes through edge on, and a drop by its round: each gives the loop its count', () => {
    for (const [stitch, shape] of [
      ['round-motif', 'button'],
      ['hanging-drop', 'ball'],
    ] as const) {
      const plan = planned(withClosingWhole(open('flat-herringbone'), stitch).piece);
      const { plan: made } = given(plan.closedBy, stitch);
      expect(plan.clasp.shape).toBe(shape);
      const girth = given(plan.closure.button, 'loop').girthMm;
      const [across, thick] = [Math.min(made.chosen.finishedMm, made.widthMm), made.thicknessMm];
      // A flat thing on edge: across and back, and round its rims (geometry).
      if (shape === 'button') expect(girth).toBeCloseTo(2 * (across - thick) + Math.PI * thick, 6);
      else expect(girth).toBeCloseTo(Math.PI * Math.max(made.widthMm, thick), 6);
      expect(checkPath(plan.work().path), stitch).toEqual([]);
      const text = planSteps(plan)
        .flatMap(({ pass, steps }) => [pass, ...steps.map((step) => step.text)])
        .join(' ');
      expect(text).toContain(`${shape === 'button' ? 'point' : 'circle'} of the`);
    }
  });

  it('every stitch that a clasp can close can close so', () => {
    for (const { id, bind, defaults } of STRUCTURES) {
      if (!(bind(defaults).closings?.includes('clasp') ?? true)) continue;
      const plan = rope(id);
      expect(checkPath(plan.work().path), id).toEqual([]);
      expect(plan.closedBy, id).not.toBeNull();
    }
  });
});

describe('a piece that a woven part closes', () => {
  it('by hand: top, a seed on either side, and band add up to the ring, and that makes up the finger', () => {
    const plan = planned(ringWithTop());
    const top = given(plan.closedBy, 'top');
    const seed = bead('seed-11').lengthMm;
    const bandMm =
      plan.chosen.units * plan.gauge.pitchMm + plan.stations.bodyEndMm - plan.stations.bodyStartMm;
    expect(bandMm).toBeGreaterThan(0);
    const wovenMm = plan.stations.bodyEndMm - plan.stations.bodyStartMm;
    expect(plan.chosen.finishedMm).toBeCloseTo(top.plan.chosen.finishedMm + 2 * seed + wovenMm, 6);
    expect(plan.sit).toBe('right length');
    expect(plan.closure.parts).toEqual([
      { what: 'clasp', mm: top.plan.chosen.finishedMm },
      { what: 'loops', mm: 2 * seed },
    ]);
  });

  it('a unit more of the top is so much less for the band', () => {
    const units = (of: number) => planned(ringWithTop(undefined, { top: { units: of } })).chosen.units;
    expect(units(5)).toBeLessThan(units(2));
  });

  it('by hand: is counted with all that it is made of, once', () => {
    const plan = planned(ringWithTop());
    const [made] = madeApart(plan);
    expect(madeApart(plan)).toHaveLength(1);
    expect(made?.times).toBe(1);
    const top = given(plan.closedBy, 'top').plan;
    // Three rows of three circles of right-angle weave: 12 sides and 12 rungs, shared.
    expect(top.quantities.reduce((sum, { total }) => sum + total, 0)).toBe(24);
    const band = plan.quantities.reduce((sum, { total }) => sum + total, 0);
    expect(beadsInAll(plan)).toBe(band + 24);
    expect(threadInAllMm(plan)).toBeCloseTo(plan.thread.totalMm + top.thread.totalMm, 6);
    expect(plan.weight.grams).toBeGreaterThan(top.weight.grams);
  });

  // Every stitch that can have two free edges, as a top; every one that a clasp can close, as a band.
  const tops = STRUCTURES.filter(({ bind, defaults }) => bind(defaults).closings?.includes('open'));
  const bands = STRUCTURES.filter(({ bind, defaults }) => bind(defaults).closings?.includes('clasp') ?? true);
  it.each(tops.map(({ id, defaults }) => [id, defaults] as const))(
    'a top of %s is sewn to any band',
    (id, params) => {
      for (const { id: stitch } of bands) {
        const kind = 'bracelet' as const;
        const wearer = { personId: null, name: 'Pell', girths: { wrist: 175 }, typical: null };
        const band = newPart('Any', stitch, wearer, kind);
        const { piece, id: made } = withWovenTop(asPiece(band));
        const parts = piece.parts.map((part) =>
          part.id === made
            ? { ...part, structure: { id, params }, beads: newPart('Any', id, null).beads }
            : part,
        );
        const plan = planned({ ...piece, parts });
        const { path } = plan.work();
        expect(checkPath(path), `${stitch} with a top of ${id}`).toEqual([]);
        // Through the edge of the top as often as is asked, at either end.
        const through = path.moves.filter(({ kind: move }) => move === 'attach').length;
        const { mostLoops = 1 } = plan.weaveable;
        const loops = Math.max(Math.min(plan.clasp.loops, mostLoops), strandsOf(plan.weaveable));
        expect(through).toBe(2 * 2 * loops);
        const total = plan.closure.allowanceMm + plan.stations.bodyEndMm - plan.stations.bodyStartMm;
        expect(plan.chosen.finishedMm).toBeCloseTo(total, 6);
      }
    },
  );

  it('practice: an elastic band of 3 mm balls in cross-weave beside a top about 20 mm wide has 6 to 8 units in sizes 6 to 8', () => {
    const elastic = THREADS.find(({ make }) => make === 'elastic');
    for (const size of [6, 7, 8]) {
      const finger = given(ringMm('us', String(size)), 'size');
      const plan = planned(
        ringWithTop('cross-weave', {
          change: {
            wearer: { personId: null, name: 'Pell', girths: { finger, knuckle: finger }, typical: null },
            wear: { school: 'elastic' },
            thread: given(elastic, 'elastic'),
            beads: {
              ...newPart('Any', 'cross-weave', null).beads,
              A: bead('fire-polished-3'),
              B: bead('fire-polished-3'),
            },
          },
          top: {
            units: 3,
            beads: {
              ...newPart('Any', 'right-angle-weave', null).beads,
              A: bead('fire-polished-4'),
              B: bead('fire-polished-4'),
            },
          },
        }),
      );
      expect(given(plan.closedBy, 'top').plan.chosen.finishedMm).toBeGreaterThan(18);
      expect(given(plan.closedBy, 'top').plan.chosen.finishedMm).toBeLessThan(22);
      expect(plan.chosen.units).toBeGreaterThanOrEqual(6);
      expect(plan.chosen.units).toBeLessThanOrEqual(8);
    }
  });

  it('is seen beside the band, and is no bead of it', () => {
    const plan = planned(ringWithTop());
    const { id } = given(plan.closedBy, 'top');
    const sketch = plan.sketch('above');
    const apart = sketch.parts.filter((part) => part.apart).flatMap(({ beads }) => beads);
    expect(apart).toHaveLength(24);
    for (const { at: place, shape } of apart) {
      expect(place[0]).toBeLessThan(plan.stations.ringStartMm);
      expect(sketch.shapes.get(shape)?.role.startsWith(`${id}/`)).toBe(true);
      expect(beadAt(sketch, place)).toBeNull();
    }
    expect(standing(sketch)).toHaveLength(plan.work().path.beads.length);
  });

  it('the steps say what the ends are sewn to', () => {
    const text = planSteps(planned(ringWithTop(undefined, { top: { name: 'top' } })))
      .flatMap(({ pass, steps }) => [pass, ...steps.map((step) => step.text)])
      .join(' ');
    expect(text).toContain('sew on the top');
    expect(text).toContain('go through the edge of the top at the end');
    expect(text).not.toContain('clasp');
  });

  it('beads of its edge that have no room for the thread that sews it on are told of', () => {
    const warned = (needle: string, seed: string) =>
      planned(
        ringWithTop(undefined, {
          change: {
            needle: byId(NEEDLES, needle),
            thread: given(
              THREADS.find(({ id }) => id === 'gel-10'),
              'thread',
            ),
            doubled: true,
          },
          top: {
            beads: { ...newPart('Any', 'right-angle-weave', null).beads, A: bead(seed), B: bead(seed) },
            name: 'top',
          },
        }),
      ).warnings.find(({ code }) => code === 'edge-full');
    expect(warned('needle-11', 'seed-6')).toBeUndefined();
    const full = given(warned('needle-10', 'seed-15'), 'warning');
    expect(wordWarning(full, CM).title).toBe('The edge of the top is too full.');
  });

  it('made and taken out again, the piece is closed by its clasp as before', () => {
    const band = asPiece(newPart('Any', 'ladder', null));
    const { piece, id } = withWovenTop(band);
    const back = withoutPart(piece, id);
    expect(back.parts).toEqual(band.parts);
    expect(back.ends.woven).toBeNull();
    expect(back.ends.clasp).toEqual(band.ends.clasp);
  });

  it('what is about no body cannot be strung; what is not there closes nothing', () => {
    const { piece, id } = withWovenTop(asPiece(newPart('Any', 'strung-line', null)));
    const plan = planPiece(strungAs(piece, id, { part: carrying(piece).id, role: 'A' }));
    expect(plan).toMatchObject({ ok: false, problem: { code: 'cannot-be-strung', part: 'woven top' } });
    if (!plan.ok) expect(wordProblem(plan.problem, CM)).toMatch(/woven top is about no body/);
    const gone = pieceSchema.safeParse({ ...piece, parts: [carrying(piece)] });
    expect(gone.error?.issues[0]?.message).toMatch(/does not have/);
  });
});
