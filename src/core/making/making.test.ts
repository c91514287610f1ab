import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { examplePiece } from '@/demo/choir';
import { planPiece } from '../plan/shipped';
import { newPart } from '../piece/newPiece';
import { asPiece, partOf } from '../piece/partOfPiece';
import { ownUnit } from '../structures/ownUnit';
import { STRUCTURES } from '../structures/registry';
import { anyComposed } from '../testing/anyComposed';
import { anyPiece } from '../testing/anyPiece';
import { event, LOOKUPS, onMat, worked } from '../testing/atTheMat';
import { runs } from '../testing/thorough';
import { given } from '../tools/given';
import { back, forward, forwardUnit, here, making, ripped, stepsDone, type Making } from './making';
import { lastPart, layOnMat, lookedUp, matSchema, sameChoices, workMark, type Mat } from './mat';
import { AWAY_MS, progress, spentMs, station } from './progress';

describe('what lies on the mat', () => {
  it('is what the plan was: the count, the beads, every step; read back, the same work is planned again', () => {
    for (const name of ['slack-water', 'net-floats', 'tide-rope', 'wake-lines']) {
      const mat = onMat(examplePiece(name));
      const plan = planPiece(examplePiece(name));
      if (!plan.ok) throw new Error(plan.problem.code);
      const again = matSchema.parse(JSON.parse(JSON.stringify(mat)));
      expect(again).toEqual(mat);
      const beads = new Map<string, number>();
      for (const { beads: picked } of lastPart(mat).steps)
        for (const { role, count } of picked) beads.set(role, (beads.get(role) ?? 0) + count);
      for (const { role, total } of plan.quantities) expect(beads.get(role) ?? 0, role).toBe(total);
      const replanned = planPiece(again.piece, lookedUp(again));
      expect(replanned.ok && workMark(replanned)).toBe(mat.work);
    }
  });

  it('stays as it is when the piece is changed, or fits otherwise by what is learnt later', () => {
    const mat = onMat(examplePiece('slack-water'));
    expect(partOf(mat.piece).units).not.toBeNull();
    const { piece } = mat;
    expect(planPiece({ ...piece, targetMm: 300 })).toMatchObject({
      chosen: { units: given(partOf(piece).units, 'count') },
    });
  });

  it('what nobody has told the path of is made unit by unit', () => {
    const part = newPart('Any', 'own-unit', null);
    const mat = onMat(asPiece(part));
    const { steps, units } = lastPart(mat);
    expect(steps.map(({ unit }) => unit)).toEqual(Array.from({ length: units }, (_, unit) => unit));
    expect(steps[0]?.text).toBe(`Make unit 1 of ${units}.`);
    expect(station(mat, making(mat, worked(mat, 3)))).toMatchObject({ unit: 4, steps: units });
  });
});

describe('where the work is', () => {
  it('goes forward to the last knot and back to the first bead; apart made parts come first, each as often as it is made', () => {
    const mat = onMat(examplePiece('net-floats'));
    const [float, line] = mat.parts;
    const all =
      given(float, 'float').times * given(float, 'float').steps.length + given(line, 'line').steps.length;
    let events = worked(mat, all);
    let state = making(mat, events);
    expect(here(mat, state).step).toBeNull();
    expect(progress(mat, state).done).toBe(1);
    expect(progress(mat, state).left.every(({ count }) => count === 0)).toBe(true);
    for (let i = 0; i < all; i++) {
      const to = given(back(mat, state), 'step back');
      events = [...events, event({ did: 'go', to }, state)];
      state = making(mat, events);
      expect(stepsDone(mat, state.where)).toBe(all - 1 - i);
    }
    expect(back(mat, state)).toBeNull();
    expect(progress(mat, state).done).toBe(0);
  });

  it('four of seven floats are done: that is said, and the beads that are left are those of three and of the line', () => {
    const mat = onMat(examplePiece('net-floats'));
    const float = given(mat.parts[0], 'float');
    const none = making(mat, []);
    const state = making(mat, [event({ did: 'go', to: { part: float.id, made: 4, at: 0 } }, none)]);
    expect(station(mat, state)).toMatchObject({ nth: 5, step: 1 });
    const one = float.steps.reduce((sum, { beads }) => sum + beads.reduce((s, { count }) => s + count, 0), 0);
    const left = progress(mat, state).left.filter(({ part }) => part === float.id);
    expect(left.reduce((sum, { count }) => sum + count, 0)).toBe(3 * one);
  });

  it('a whole unit at once, and an optional pass that is left out is passed over', () => {
    const mat = onMat(examplePiece('buoy-line'));
    const state = making(mat, []);
    const to = forwardUnit(mat, state);
    const { steps, id } = lastPart(mat);
    expect(new Set(steps.slice(0, to.at).map(({ unit, title }) => `${unit} ${title}`)).size).toBe(1);
    const optional = given(
      steps.find((step) => step.optional),
      'optional step',
    );
    const at = steps.indexOf(optional);
    const events = [
      event({ did: 'skip', part: id, pass: optional.pass, on: true }, state),
      event({ did: 'go', to: { part: id, made: 0, at: at - 1 } }, state),
    ];
    const next = forward(mat, making(mat, events));
    expect(next.at).toBeGreaterThan(at);
    expect(steps[next.at]?.pass).not.toBe(optional.pass);
  });

  it('time at the mat leaves out the breaks; what is left goes by the pace so far', () => {
    const mat = onMat(examplePiece('slack-water'));
    const events = worked(mat, 40, [], 12_000);
    const state = making(mat, events);
    expect(spentMs(state.times)).toBe(39 * 12_000);
    expect(spentMs([0, 1000, 1000 + AWAY_MS, 2000 + AWAY_MS])).toBe(2000);
    const { done, leftMs } = progress(mat, state);
    expect(given(leftMs, 'time left') / (39 * 12_000)).toBeCloseTo((1 - done) / done, 6);
  });
});

describe('whatever is planned can be made', () => {
  /** Through all steps, one by one, by what each says comes next; as many as there are. */
  function walked(mat: Mat): number {
    const none = making(mat, []);
    let [state, steps] = [none, 0];
    while (here(mat, state).step) {
      const to = forward(mat, state);
      // Folded onto where it was: every step from the first would take its square of the time.
      const where = making(mat, [event({ did: 'go', to }, none)]).where;
      state = {
        ...state,
        where: {
          part: where.part,
          done: { ...state.where.done, [to.part]: where.done[to.part] ?? { made: 0, at: 0 } },
        },
      };
      if (++steps > 100_000) throw new Error('no end');
    }
    return steps;
  }

  it.each([
    ['any piece', anyPiece([...STRUCTURES, ownUnit]).map(asPiece)],
    ['any piece of parts', anyComposed],
  ] as const)('%s: its beads are those of the plan, and forward leads to the end', (_, pieces) => {
    let laidOut = 0;
    fc.assert(
      fc.property(pieces, (piece) => {
        const plan = planPiece(piece);
        const laid = layOnMat(piece, LOOKUPS, 'this build');
        expect(laid.ok).toBe(plan.ok);
        if (!laid.ok || !plan.ok) return;
        laidOut++;
        const { mat } = laid;
        expect(matSchema.safeParse(JSON.parse(JSON.stringify(mat))).success).toBe(true);
        expect(sameChoices(piece, mat.piece)).toBe(true);
        if (!plan.weaveable.pathless) {
          const beads = lastPart(mat).steps.flatMap((step) => step.beads);
          for (const { role, total } of plan.quantities)
            expect(
              beads.reduce((sum, one) => sum + (one.role === role ? one.count : 0), 0),
              role,
            ).toBe(total);
        }
        const all = mat.parts.reduce((sum, { steps, times }) => sum + steps.length * times, 0);
        if (all <= 1500) expect(walked(mat)).toBe(all);
      }),
      { numRuns: runs(12), seed: 24 },
    );
    expect(laidOut).toBeGreaterThan(3);
  });

  it('what is left out is neither done nor left, and of units taken out the beads are left again', () => {
    const mat = onMat(examplePiece('buoy-line'));
    const part = lastPart(mat);
    const none = making(mat, []);
    const optional = given(
      part.steps.find((step) => step.optional && step.beads.length > 0),
      'pass',
    );
    const beads = (state: Making) => progress(mat, state).left.reduce((sum, { count }) => sum + count, 0);
    const without = making(mat, [event({ did: 'skip', part: part.id, pass: optional.pass, on: true }, none)]);
    const own = part.steps.reduce(
      (sum, step) =>
        sum + (step.pass === optional.pass ? step.beads.reduce((n, { count }) => n + count, 0) : 0),
      0,
    );
    expect(beads(none) - beads(without)).toBe(own);
    const at = 20;
    const to = ripped(part, at, 2);
    expect(new Set(part.steps.slice(to, at).map(({ title, unit }) => `${title} ${unit}`)).size).toBe(2);
    expect(ripped(part, at, 10_000)).toBe(0);
  });
});
