// Pictures of steps, for every stitch: what is new is drawn, the thread goes on where it was left, and the face that is up is seen.
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import type { Point } from '../layout/layout';
import type { Flat } from '../layout/outline';
import { cross, dot, mean, sub, unit } from '../layout/solver/vectors';
import { BEADS } from '../materials/catalogue';
import { newPart } from '../piece/newPiece';
import { madeApart } from '../plan/madeApart';
import { planPart, planPiece } from '../plan/plan';
import type { Plan } from '../plan/planned';
import { planPictures, planSteps, planUnits } from '../plan/steps';
import { MADE_WHOLE, STRUCTURES } from '../structures/registry';
import type { Structure } from '../structures/structure';
import { anyComposed } from '../testing/anyComposed';
import { anyParams } from '../testing/anyParams';
import { runs } from '../testing/thorough';
import type { Bead, Move } from '../weave/path';
import type { StepPicture } from './picture';

const every = [...STRUCTURES, ...MADE_WHOLE];

const planOf = (structure: Structure, more: object = {}) => {
  const part = newPart('Drawn', structure.id, null);
  const closing = structure.madeWhole ? ('open' as const) : ('clasp' as const);
  return planPart({ ...part, units: 5, ends: { ...part.ends, closing }, ...more });
};

/** Other beads than the stitch starts with, role by role; or its own. */
const anyBeads = fc.array(fc.option(fc.constantFrom(...BEADS)), { minLength: 8, maxLength: 8 });

/** Each step of a plan with its picture. */
const drawn = (plan: Plan): { moves: readonly Move[]; picture: StepPicture | null }[] => {
  const pictureOf = planPictures(plan);
  return planUnits(plan).flatMap(({ steps }) =>
    steps.map(({ moves }) => ({ moves, picture: pictureOf(moves) })),
  );
};

describe.each(every.map((structure) => [structure.id, structure] as const))('%s', (_, structure) => {
  it('every step shows all that is new in it, within the picture, and numbers what it goes through in turn', () => {
    let seen = 0;
    fc.assert(
      fc.property(anyParams(structure), fc.constantFrom('right', 'left'), anyBeads, (params, hand, beads) => {
        const own = { structure: { id: structure.id, params }, hand };
        const usual = newPart('Drawn', structure.id, null).beads;
        const inBeads = Object.fromEntries(
          Object.entries(usual).map(([role, bead], i) => [role, { ...bead, ...beads[i] }]),
        );
        const tries = [
          planOf(structure, { ...own, beads: inBeads }),
          planOf(structure, own),
          planOf(structure, { hand }),
        ];
        const plan = tries.find(({ ok }) => ok);
        if (!plan?.ok) return;
        for (const { moves, picture } of drawn(plan)) {
          const picks = moves.flatMap((move) => (move.kind === 'pick' ? [move.bead.id] : []));
          const through = moves.filter(({ kind }) => kind === 'pass' || kind === 'attach').length;
          if (!picture) {
            expect(picks.length + through).toBe(0);
            continue;
          }
          seen++;
          const { from, to, beads, marks } = picture;
          const shown = beads.filter(
            ({ at: [x, y] }) => x >= from[0] && x <= to[0] && y >= from[1] && y <= to[1],
          );
          const fresh = new Set(shown.filter(({ part }) => part === 'new').map(({ bead }) => bead.id));
          // Round a tube, beads are drawn at every turn; of a ball the side away is not seen.
          for (const id of picks) if (structure.madeWhole?.by !== 'its middle') expect(fresh).toContain(id);
          for (const id of fresh) expect(picks).toContain(id);
          const numbers = marks.flatMap(({ text }) => text.split(' ').map(Number)).sort((a, b) => a - b);
          expect(numbers).toEqual(Array.from({ length: through }, (_, i) => i + 1));
          for (const { at } of marks) {
            expect(at[0]).toBeGreaterThanOrEqual(from[0]);
            expect(at[1]).toBeLessThanOrEqual(to[1]);
          }
        }
      }),
      { numRuns: runs(6) },
    );
    expect(seen).toBeGreaterThan(0);
  });
});

/** Where a bead lies in a picture: of several turns of a tube, where it is nearest to a place. */
const nearestTo = ([x, y]: Flat, bead: Bead, { beads }: StepPicture): Flat =>
  beads
    .filter((one) => one.bead === bead)
    .map(({ at }) => at)
    .reduce((best, at) =>
      Math.hypot(at[0] - x, at[1] - y) < Math.hypot(best[0] - x, best[1] - y) ? at : best,
    );

/**
 * Three beads that turn clockwise for whoever looks at them from outside turn clockwise in the picture, whose y leads down: in a mirror
 * they would turn the other way. From outside is from the front, or from the other face when it is turned over; of a tube
 * and a ball it is away from the middle.
 */
describe.each(
  every.flatMap((structure) =>
    (['right', 'left'] as const).flatMap((hand) =>
      [false, true].map((turning) => [structure.id, hand, turning, structure] as const),
    ),
  ),
)('%s, %s hand, turned: %s', (_, hand, turning, structure) => {
  it('is never seen in a mirror', () => {
    const plan = planOf(structure, { hand, turning });
    if (!plan.ok) throw new Error(plan.problem.code);
    const { path, layout } = plan.work();
    const place = (id: number) => layout.poses[id]?.centre ?? [0, 0, 0];
    const middle = mean(path.beads.map(({ id }) => place(id)));
    const inBall = structure.madeWhole?.by === 'its middle';
    let [turns, seen] = [0, 0];
    for (const { moves, picture } of drawn(plan)) {
      turns += moves.filter((move) => move.kind === 'turn').length;
      if (!picture || moves.some((move) => move.place.section.zone === 'joint')) continue;
      // Of what is laid open, only what lies near to each other is as in the hand.
      const all = [...new Map(picture.beads.map((one) => [one.bead.id, one])).values()];
      for (let i = 0; i + 2 < all.length; i++) {
        const three = all.slice(i, i + 3);
        const [a, b, c] = three.map(({ bead }) => nearestTo(three[0]?.at ?? [0, 0], bead, picture)) as [
          Flat,
          Flat,
          Flat,
        ];
        const [p, q, r] = three.map(({ bead }) => place(bead.id)) as [Point, Point, Point];
        const normal = cross(sub(q, p), sub(r, p));
        const at = mean([p, q, r]);
        const out: Point = inBall
          ? unit(sub(at, middle))
          : plan.round === 'tube'
            ? unit([0, at[1], at[2]])
            : [0, 0, turns % 2 === 0 ? -1 : 1];
        const facing = dot(unit(normal), out);
        const area = (b[0] - a[0]) * (c[1] - a[1]) - (b[1] - a[1]) * (c[0] - a[0]);
        const near = [sub(q, p), sub(r, p)].every((v) => Math.hypot(...v) < 3 * picture.beadMm);
        const asFar =
          Math.hypot(b[0] - a[0], b[1] - a[1]) < 4 * picture.beadMm &&
          Math.hypot(c[0] - a[0], c[1] - a[1]) < 4 * picture.beadMm;
        if (!near || !asFar || Math.abs(facing) < 0.8 || Math.abs(area) < 0.2 * picture.beadMm ** 2) continue;
        seen++;
        // Turning with the clock as one looks is against the right hand's thumb; y leads down, so that is a positive area.
        expect(Math.sign(area)).toBe(-Math.sign(facing));
      }
    }
    // In a single line no three beads turn either way.
    if (!['strung-line', 'graduated-line'].includes(structure.id)) expect(seen).toBeGreaterThan(0);
  });
});

it('pieces of parts are drawn too, part by part', () => {
  let pictures = 0;
  fc.assert(
    fc.property(anyComposed, (piece) => {
      const few = {
        ...piece,
        parts: piece.parts.map((part) => ({ ...part, units: Math.min(part.units ?? 6, 6) })),
      };
      const plan = planPiece(few);
      if (!plan.ok) return;
      for (const one of [plan, ...madeApart(plan).map(({ component }) => component.plan)]) {
        if (one.weaveable.pathless) continue;
        for (const { picture } of drawn(one)) {
          if (!picture) continue;
          pictures++;
          for (const value of [...picture.from, ...picture.to, ...picture.ways.flat(2)])
            expect(Number.isFinite(value)).toBe(true);
        }
      }
    }),
    { numRuns: runs(20) },
  );
  expect(pictures).toBeGreaterThan(0);
});

/** Where the first new bead of each step lies from the middle of its picture, towards the right. */
const sides = (plan: Plan): number[] =>
  drawn(plan).flatMap(({ picture }) => {
    const first = picture?.beads.find(({ part }) => part === 'new');
    if (!picture || !first) return [];
    return [first.at[0] - (picture.from[0] + picture.to[0]) / 2];
  });

it('turned over at the end of each row, its other face is drawn: every second row is seen in a mirror', () => {
  const [still, turned] = [false, true].map((turning) => {
    const plan = planOf(STRUCTURES.find(({ id }) => id === 'brick-stitch') as Structure, { turning });
    if (!plan.ok) throw new Error(plan.problem.code);
    return sides(plan);
  });
  expect(turned).toHaveLength(still?.length ?? 0);
  const rows = (all: readonly number[] = []) => all.slice(1, 7).map((x) => Math.sign(Math.round(x)));
  const [as, other] = [rows(still), rows(turned)];
  // As it lies rows begin on either side by turns; turned, all on the same.
  expect(new Set(as).size).toBe(2);
  expect(new Set(other).size).toBe(1);
});

it('the picture of a step is of the moves that its words tell', () => {
  const plan = planOf(STRUCTURES.find(({ id }) => id === 'flat-peyote') as Structure);
  if (!plan.ok) throw new Error(plan.problem.code);
  const pictureOf = planPictures(plan);
  for (const { steps } of planSteps(plan))
    for (const { moves, text } of steps) {
      const picked = pictureOf(moves)?.beads.filter(({ part }) => part === 'new').length ?? 0;
      expect(picked > 0).toBe(/pick up/i.test(text));
    }
});
