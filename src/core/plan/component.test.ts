import { describe, expect, it } from 'vitest';
import { CORE_ROLE } from '../joints/setIn';
import { distance } from '../layout/layout';
import { BEADS, PALETTE, byId } from '../materials/catalogue';
import { sizeOf } from '../materials/material';
import { ballRoles, strungAs, strungAt, withFramedBall, withoutPart } from '../piece/assembly';
import { inColour, newPart } from '../piece/newPiece';
import { beadOf, type Part } from '../piece/part';
import { asPiece, carrying, partOf, withPart } from '../piece/partOfPiece';
import { pieceSchema, type Piece } from '../piece/piece';
import { tally } from '../read/tally';
import { STRUCTURES } from '../structures/registry';
import { at } from '../structures/structure';
import { given } from '../tools/given';
import { wordProblem } from '../words/problems';
import { wordWarning } from '../words/warnings';
import { beadsInAll, madeApart, threadInAllMm } from './madeApart';
import { examplePiece } from '@/demo/choir';
import { planPiece, type Plan } from './plan';
import { planSolved } from './shipped';
import { planSteps } from './steps';

const CM = { unit: 'cm', denominator: 8 } as const;
const colour = at(PALETTE, 0);
const bead = (id: string) => inColour(byId(BEADS, id), colour);

/** A line of spacers and one more bead a unit, on a wrist. */
function line(sequence: readonly string[] = ['B', 'A', 'B']): Piece {
  const part = newPart('Buoys', 'strung-line', {
    personId: null,
    name: 'Tove',
    girths: { wrist: 165 },
    typical: null,
  });
  return asPiece({
    ...part,
    structure: { id: 'strung-line', params: { ...part.structure.params, sequence, extra: 0 } },
    beads: { ...part.beads, B: bead('seed-8') },
  });
}

/** The same with framed balls in the place of A. */
const buoys = (change: (part: Part) => Partial<Part> = () => ({})): Piece => {
  const { piece, id } = withFramedBall(line(), 'A');
  const parts = piece.parts.map((part) => (part.id === id ? { ...part, ...change(part) } : part));
  return { ...piece, parts };
};

function planned(piece: Piece): Plan {
  const plan = planPiece(pieceSchema.parse(piece));
  if (!plan.ok) throw new Error(JSON.stringify(plan.problem));
  return plan;
}
/** The one part that it strings, and how often. */
function only(plan: Plan) {
  const { component, times } = at(madeApart(plan), 0);
  const strung = [...plan.components.values()].find(({ id }) => id === component.id);
  return { component: given(strung, 'strung part'), times };
}

/** A frame of a stitch of 11/0 about a ball, strung. */
const framed = (ball: string, stitch: Pick<Part, 'structure'> = { structure: flatTwo }, frame = 'seed-11') =>
  buoys(({ beads }) => ({ ...stitch, beads: { ...beads, A: bead(frame), [CORE_ROLE]: bead(ball) } }));
const flatTwo = { id: 'flat-herringbone', params: { sequence: ['A'], extra: 0, columns: 2 } };

describe('a ball in a frame', () => {
  it('practice: 19 to 21 rows of herringbone of 11/0, two columns, close round an 8 mm ball; of 20 rows, 40 seeds', () => {
    const { component } = only(planned(framed('pressed-8')));
    const { candidates, chosen, path } = { ...component.plan, path: component.plan.work().path };
    expect(chosen.units).toBe(20);
    expect(candidates.filter(({ fits }) => fits).every(({ units }) => units >= 19 && units <= 21)).toBe(true);
    expect(tally(path).get('A')).toBe(40);
    expect(tally(path).get(CORE_ROLE)).toBe(1);
  });

  it('the ball is set in before the strip is closed, once, and no thread of the frame goes through it', () => {
    const { moves } = only(planned(framed('pressed-8'))).component.plan.work().path;
    const set = moves.findIndex(({ kind }) => kind === 'enclose');
    const closed = moves.findIndex(({ place }) => place.section.joint === 'join');
    expect(set).toBeGreaterThan(0);
    expect(set).toBeLessThan(closed);
    expect(moves.filter((move) => 'bead' in move && move.bead.role === CORE_ROLE)).toHaveLength(1);
  });

  it('geometry: every bead of the frame touches the ball, and none lies in it', () => {
    const { component } = only(planned(framed('pressed-8')));
    const radius = sizeOf(bead('pressed-8')).diameterMm / 2;
    const thick = sizeOf(bead('seed-11')).diameterMm / 2;
    for (const { role, pose } of component.inner()) {
      if (role === CORE_ROLE) continue;
      const apart = distance(pose.centre, [0, 0, 0]) - radius - thick;
      expect(apart).toBeGreaterThan(-1e-6);
      expect(apart).toBeLessThan(0.1);
    }
  });

  it('a greater ball takes more rows, smaller beads take more still', () => {
    const rows = (ball: string, frame?: string) =>
      only(planned(framed(ball, undefined, frame))).component.plan.chosen.units;
    expect(rows('pressed-4')).toBeLessThan(rows('pressed-6'));
    expect(rows('pressed-6')).toBeLessThan(rows('pressed-8'));
    expect(rows('pressed-8')).toBeLessThan(rows('pressed-8', 'seed-15'));
  });

  // Every stitch that can be closed into a ring, about every ball that ships.
  const rings = STRUCTURES.filter(({ bind, defaults }) => bind(defaults).closings?.includes('joined'));
  it.each(rings.map(({ id, defaults }) => [id, defaults] as const))(
    'a frame of %s goes round every ball: one is set in, and within its beads',
    (id, params) => {
      for (const ball of ['pressed-4', 'pressed-6', 'pressed-8']) {
        const plan = planPiece(framed(ball, { structure: { id, params } }));
        if (!plan.ok) throw new Error(wordProblem(plan.problem, CM));
        const { component } = only(plan);
        expect(tally(component.plan.work().path).get(CORE_ROLE)).toBe(1);
        const { lengthMm, widthMm } = component.bead;
        expect(lengthMm).toBeGreaterThanOrEqual(beadOf(component.plan.seen, CORE_ROLE).lengthMm);
        expect(given(widthMm, 'width')).toBeGreaterThan(lengthMm - 1e-9);
        // Nothing of the frame lies within the ball by more than a tenth of a bead: beads of nets and of peyote stand apart.
        const radius = sizeOf(bead(ball)).diameterMm / 2;
        const inside = component.inner().filter(({ role, pose }) => {
          if (role === CORE_ROLE) return false;
          const { diameterMm } = sizeOf(beadOf(component.plan.seen, role));
          return distance(pose.centre, [0, 0, 0]) < radius + 0.4 * diameterMm;
        });
        expect(inside).toEqual([]);
      }
    },
  );
});

describe('strung in the place of a bead', () => {
  it('by hand: parts made apart and what strings them count as the flat piece does', () => {
    const plan = planned(framed('pressed-8'));
    const { component, times } = only(plan);
    expect(times).toBe(plan.chosen.units);
    const spacers = 2 * plan.chosen.units;
    const loops = given(
      plan.quantities.find(({ role }) => role === 'loop'),
      'loops',
    ).total;
    expect(beadsInAll(plan)).toBe(spacers + loops + times * 41);
    expect(threadInAllMm(plan)).toBeCloseTo(plan.thread.totalMm + times * component.plan.thread.totalMm, 6);
  });

  it('takes as much of the length as it was measured to take, and the count is as sure as the beads', () => {
    const measured = (mm: number | null) =>
      planned(buoys(() => ({ count: { by: 'around', way: 'between', measuredMm: mm } })));
    const plan = measured(9.5);
    expect(plan.gauge.pitchMm).toBeCloseTo(9.5 + 2 * bead('seed-8').lengthMm, 9);
    expect(plan.warnings.map(({ code }) => code)).not.toContain('part-not-measured');
    expect(measured(null).warnings.map(({ code }) => code)).toContain('part-not-measured');
    expect(measured(null).gauge.spread).toBeGreaterThan(2 * plan.gauge.spread);
  });

  it('until it is laid out its reach stands, with a band as wide as it may come out', () => {
    const one = (way: 'between' | 'under') =>
      only(planned(buoys(() => ({ count: { by: 'around', way, measuredMm: null } })))).component;
    for (const { bead, betweenMm } of [one('between'), one('under')]) {
      expect(bead.lengthMm).toBeCloseTo(given(bead.widthMm, 'width'), 9);
      expect(betweenMm[0]).toBeLessThan(bead.lengthMm);
    }
    // Between its beads a neighbour may come as near as the ball; under its threads it stands off them.
    expect(one('between').betweenMm[0]).toBe(8);
    expect(one('under').betweenMm[0]).toBeGreaterThan(9);
    expect(one('under').betweenMm[1]).toBeGreaterThan(one('between').betweenMm[1] + 1);
  });

  it('laid out between its neighbours, it takes what it takes, and the plan is as sure as the beads', () => {
    const plan = planSolved(partOf(pieceSchema.parse(examplePiece('net-floats'))));
    if (!plan.ok) throw new Error('no plan');
    const { component, times } = only(plan);
    expect(times).toBe(7);
    expect(component.toLayOut).toBeNull();
    expect(component.betweenMm[0]).toBe(component.betweenMm[1]);
    expect(component.bead.lengthMm).toBeGreaterThan(8);
    // The neighbours nestle between the beads of the frame: less than from outside to outside, and more than within it.
    expect(component.bead.lengthMm).toBeLessThan(given(component.bead.widthMm, 'width'));
    expect(component.bead.lengthMm).toBeGreaterThan(given(component.bead.widthMm, 'width') - 2.15);
    expect(plan.warnings.map(({ code }) => code)).not.toContain('part-not-measured');
  });

  it('the layout and the rule agree where the beads of the frame lie: on the ball, as far from its girth', () => {
    const plan = planSolved(partOf(pieceSchema.parse(examplePiece('net-floats'))));
    const ruled = planPiece(examplePiece('net-floats'));
    if (!plan.ok || !ruled.ok) throw new Error('no plan');
    const far = (one: Plan) =>
      only(one)
        .component.inner()
        .filter(({ role }) => role !== CORE_ROLE)
        .map(({ pose }) => distance(pose.centre, [0, 0, 0]));
    const mean = (all: readonly number[]) => all.reduce((sum, mm) => sum + mm, 0) / all.length;
    expect(mean(far(plan)) / mean(far(ruled))).toBeCloseTo(1, 1);
    const off = (one: Plan) =>
      mean(
        only(one)
          .component.inner()
          .map(({ pose }) => Math.abs(pose.centre[2])),
      );
    expect(Math.abs(off(plan) - off(ruled))).toBeLessThan(0.15);
  });

  it('its beads stand in the picture, each where its ball does; pointed at, it is one bead', () => {
    const plan = planned(buoys());
    const { component, times } = only(plan);
    const drawn = plan
      .sketch('above')
      .parts.flatMap(({ beads, times: n }) =>
        beads.filter(({ nth }) => nth !== undefined).flatMap((one) => Array<typeof one>(n).fill(one)),
      );
    expect(drawn).toHaveLength(times * 41);
    expect(new Set(drawn.map(({ bead: { role } }) => role))).toEqual(new Set(['A']));
    expect([...plan.sketch('above').shapes.values()].map(({ role }) => role)).toContain(
      `${component.id}/${CORE_ROLE}`,
    );
  });

  it('is told by its name in the steps of what strings it', () => {
    const text = planSteps(planned(buoys(() => ({ name: 'buoy' }))))
      .flatMap(({ steps }) => steps.map((step) => step.text))
      .join(' ');
    expect(text).toContain('1 B, 1 buoy');
    expect(text).not.toMatch(/\b1 A\b/);
  });

  it('can be strung in a frame that is itself strung; each is made as often as all of them take', () => {
    const { piece, id } = withFramedBall(buoys(), 'B');
    const inner = at(
      piece.parts.map((part) => part.id).filter((one) => one !== id && one !== carrying(piece).id),
      0,
    );
    // The ring of spacers: every bead of it is a framed ball.
    const nested = strungAs(piece, inner, { part: id, role: 'A' });
    const plan = planned(withPart(nested, { strung: { B: id } }));
    const made = madeApart(plan);
    expect(made.map(({ component }) => component.id)).toEqual([inner, id]);
    const outer = given(made.at(-1), 'outer');
    const each = given(
      outer.component.plan.quantities.find(({ role }) => role === 'A'),
      'A',
    ).total;
    expect(at(made, 0).times).toBe(outer.times * each);
  });

  it('what would be strung in itself is a problem in words, and so is what cannot be planned', () => {
    const { piece, id } = withFramedBall(line(), 'A');
    const knot = { ...piece, parts: piece.parts.map((p) => (p.id === id ? { ...p, strung: { A: id } } : p)) };
    const plan = planPiece(knot);
    expect(plan).toMatchObject({ ok: false, problem: { code: 'strung-in-itself' } });
    if (!plan.ok) expect(wordProblem(plan.problem, CM)).toMatch(/framed ball would be strung in itself/);
    const broken = buoys(() => ({ structure: { id: 'flat-herringbone', params: { sequence: [] } } }));
    const none = planPiece(broken);
    expect(none).toMatchObject({ ok: false, problem: { code: 'part', part: 'framed ball' } });
    const tube = buoys(() => ({ structure: { id: 'tubular-peyote', params: { ...tubular } } }));
    expect(planPiece(tube)).toMatchObject({
      ok: false,
      problem: { code: 'part', of: { code: 'cannot-close' } },
    });
  });

  it('a part that nothing strings is told of, and the piece is planned', () => {
    const piece = withPart(buoys(), {
      structure: { id: 'strung-line', params: { ...line().parts[0]?.structure.params, sequence: ['B'] } },
    });
    const plan = planned(piece);
    const warning = given(
      plan.warnings.find(({ code }) => code === 'loose-parts'),
      'warning',
    );
    expect(wordWarning(warning, CM).title).toBe('Nothing takes up the framed ball.');
    expect(madeApart(plan)).toEqual([]);
  });
});
const tubular = STRUCTURES.find(({ id }) => id === 'tubular-peyote')?.defaults;

describe('the parts of a piece', () => {
  it('one is made and taken out again, and the piece is as it was', () => {
    const before = line();
    const { piece, id } = withFramedBall(before, 'A');
    expect(strungAt(piece, id)).toEqual([{ part: carrying(before).id, role: 'A' }]);
    expect(carrying(piece)).toMatchObject({ id: carrying(before).id });
    expect(withoutPart(piece, id)).toEqual(before);
    expect(pieceSchema.parse(piece)).toEqual(piece);
  });

  it('strung elsewhere, the bead comes back whose place it had', () => {
    const { piece, id } = withFramedBall(line(), 'A');
    const moved = strungAs(piece, id, { part: carrying(piece).id, role: 'B' });
    expect(carrying(moved).strung).toEqual({ B: id });
    expect(carrying(moved).beads).toEqual(carrying(piece).beads);
  });

  it('changed one by one: what is of the piece is of all of them', () => {
    const { piece, id } = withFramedBall(line(), 'A');
    const next = withPart(piece, { units: 22, hand: 'left', partName: 'buoy' }, id);
    expect(partOf(next, id)).toMatchObject({ units: 22, hand: 'left', partName: 'buoy', name: 'Buoys' });
    expect(partOf(next)).toMatchObject({ units: null, hand: 'left', partName: '' });
    expect(asPiece(partOf(next)).parts).toEqual(next.parts);
  });

  it('is refused where it strings what it does not have, has two parts of one id, or a frame about nothing', () => {
    const { piece, id } = withFramedBall(line(), 'A');
    const refused = (doc: unknown) => pieceSchema.safeParse(doc).error?.issues[0]?.message;
    expect(refused({ ...piece, parts: piece.parts.filter((part) => part.id !== id) })).toMatch(
      /does not have/,
    );
    expect(refused({ ...piece, parts: [...piece.parts, piece.parts[0]] })).toMatch(/same id/);
    const empty = piece.parts.map((part) =>
      part.id === id ? { ...part, beads: line().parts[0]?.beads } : part,
    );
    expect(refused({ ...piece, parts: empty })).toMatch(/must have one/);
  });
});

it('a ball is offered for beads of one hole only, and where it is, it can be strung', () => {
  for (const structure of STRUCTURES) {
    const part = newPart('Any', structure.id, null);
    for (const role of ballRoles(part)) {
      const plan = planPiece(withFramedBall(asPiece({ ...part, units: 12 }), role).piece);
      expect(plan.ok || plan.problem.code, `${structure.id} ${role}`).toBe(true);
    }
  }
  expect(ballRoles(newPart('Any', 'tile-ladder', null))).toEqual([]);
  expect(ballRoles(newPart('Any', 'two-hole-line', null))).not.toContain('A');
});
