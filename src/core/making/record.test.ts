import { examplePiece } from '@/demo/choir';
import { mean } from 'simple-statistics';
import { describe, expect, it } from 'vitest';
import { planPiece } from '../plan/plan';
import { timeMs } from '../plan/time';
import { madeApart } from '../plan/madeApart';
import { bookOfKeyed, keyOfSwatch } from '../records/swatches';
import { experienceBook, type PieceRecord } from '../records/experience';
import { seeded } from '../layout/solver/random';
import { shippedLayouts } from '../layout/shipped';
import { partOf } from '../piece/partOfPiece';
import { event, onMat, worked } from '../testing/atTheMat';
import { given } from '../tools/given';
import { beadsUsed, planAgainstFact } from './against';
import type { Happening, MakingEvent } from './events';
import { making, stepsDone } from './making';
import { lastPart, type Mat } from './mat';
import { recordOf } from './record';

/** All of it made, one step every so many ms, with what else happens before the last. */
function made(mat: Mat, also: readonly Happening[], everyMs = 12_000): MakingEvent[] {
  const none = making(mat, []);
  const all = mat.parts.reduce((sum, { steps, times }) => sum + steps.length * times, 0);
  const done = worked(mat, all, [], everyMs);
  return [...done, ...also.map((what) => event(what, none, 'one', all * everyMs))];
}

const FINISH = { did: 'finish', finalMm: null, sits: 'well' } as const;

describe('what a finished piece tells the next', () => {
  const mat = onMat(examplePiece('slack-water'));
  const woven = given(mat.planned.woven, 'units that repeat');

  it('its units are a swatch: the closing takes what it was planned to take', () => {
    const closing = mat.planned.finishedMm - woven.mm;
    const state = making(mat, made(mat, [{ ...FINISH, finalMm: closing + 1.05 * woven.mm }]));
    const { swatch, structure } = recordOf(mat, state);
    expect(structure).toBe(partOf(mat.piece).structure.id);
    expect(swatch?.units).toBe(woven.units);
    expect(swatch?.lengthMm).toBeCloseTo(1.05 * woven.mm, 6);
    expect(swatch?.takenOn).toBe('2026-06-01');
    // The next plan in its stitch and beads stands on it, and says so.
    const doc = given(swatch, 'a swatch');
    const swatches = bookOfKeyed([{ doc, stitch: keyOfSwatch(doc), piece: true }]);
    const next = planPiece(mat.piece, { layouts: shippedLayouts, swatches });
    if (!next.ok) throw new Error(next.problem.code);
    expect(next.gauge).toMatchObject({
      source: 'swatch',
      swatches: { count: 1, pieces: 1, sameThread: true },
    });
    expect(next.gauge.pitchMm).toBeCloseTo((1.05 * woven.mm) / woven.units, 6);
  });

  it('a length that cannot be of this piece, or none, is no swatch', () => {
    for (const finalMm of [null, mat.planned.finishedMm / 2, mat.planned.finishedMm * 2])
      expect(recordOf(mat, making(mat, made(mat, [{ ...FINISH, finalMm }]))).swatch).toBeNull();
    expect(recordOf(mat, making(mat, made(mat, []))).swatch).toBeNull();
  });

  it('what later passes drew in is what was measured before them against how it came out', () => {
    const drawn = onMat(examplePiece('buoy-line'));
    const { planned } = drawn;
    const units = given(planned.woven, 'units').units;
    const own = lastPart(drawn).id;
    expect(planned.woven?.drawnInBy.length).toBeGreaterThan(0);
    const closing = planned.finishedMm - given(planned.woven, 'units').mm;
    const pitchMm = given(planned.woven, 'units').mm / units;
    const state = making(
      drawn,
      made(drawn, [
        { did: 'measure', part: own, units: 10, from: 1, lengthMm: 10 * pitchMm * 1.1, finished: false },
        { ...FINISH, finalMm: closing + units * pitchMm },
      ]),
    );
    const { shrink } = recordOf(drawn, state);
    expect(shrink?.passes).toEqual(planned.woven?.drawnInBy);
    expect(shrink?.by).toBeCloseTo(1 - 1 / 1.1, 9);
    // The next plan draws in by as much, and by no more than practice allows about it.
    const record = recordOf(drawn, state);
    const plan = (records: readonly PieceRecord[]) => {
      const found = planPiece(drawn.piece, { layouts: shippedLayouts, experience: experienceBook(records) });
      if (!found.ok) throw new Error(found.problem.code);
      return found.gauge;
    };
    const [usual, learnt, twice] = [plan([]), plan([record]), plan([record, record])];
    expect(usual.shortening?.pieces).toBe(0);
    expect(learnt.shortening).toMatchObject({ pieces: 1 });
    expect(1 - learnt.pitchMm / learnt.basePitchMm).toBeCloseTo(1 - 1 / 1.1, 9);
    expect(learnt.basePitchMm).toBeCloseTo(usual.basePitchMm, 9);
    // Two that agree to the hair leave nothing open.
    expect(twice.shortening?.pieces).toBe(2);
    expect((twice.shortening?.most ?? 0) - (twice.shortening?.least ?? 1)).toBeCloseTo(0, 9);
  });

  it('thread that went faster than it lies is spared for the next, over all lengths that were measured twice', () => {
    const { id, steps } = lastPart(mat);
    const laid = (from: number, to: number) =>
      steps
        .slice(from, to)
        .reduce((sum, { threadMm, needle }) => sum + (needle === 'working' ? threadMm : 0), 0);
    const at = (step: number) => ({ part: id, made: 0, at: step });
    const half = Math.floor(steps.length / 2);
    const end = steps.length - 1;
    const thread = (step: number, mm: number, joined: boolean): Happening => ({
      did: 'thread',
      needle: 'working',
      mm,
      at: at(step),
      joined,
    });
    const used = [1.2 * laid(0, half), 1.3 * laid(half, end)] as const;
    const told = [
      thread(0, 2000, true),
      thread(half, 2000 - used[0], false),
      thread(half, 2500, true),
      thread(end, 2500 - used[1], false),
    ];
    const record = recordOf(mat, making(mat, made(mat, told)));
    expect(record.thread?.laidMm).toBeCloseTo(laid(0, end), 6);
    expect(record.thread?.usedMm).toBeCloseTo(used[0] + used[1], 6);
    const plain = planPiece(mat.piece, { layouts: shippedLayouts });
    const next = planPiece(mat.piece, { layouts: shippedLayouts, experience: experienceBook([record]) });
    if (!plain.ok || !next.ok) throw new Error('no plan');
    expect(plain.thread.margin).toBe(0.1);
    expect(next.thread.margin).toBeCloseTo((used[0] + used[1]) / laid(0, end) - 1, 9);
    expect(next.thread.marginMm).toBeCloseTo(next.thread.inWorkMm * next.thread.margin, 6);
    expect(next.experience.margin?.pieces).toBe(1);
    // Measured once it says nothing.
    expect(recordOf(mat, making(mat, made(mat, told.slice(0, 1)))).thread).toBeNull();
  });

  it('pace is that of the stitch, then that of all, then a guess; and time is trips at that pace', () => {
    const record = recordOf(mat, making(mat, made(mat, [], 20_000)));
    expect(record.spentMs).toBe((stepsDone(mat, making(mat, made(mat, [])).where) - 1) * 20_000);
    const plan = (records: readonly PieceRecord[]) => {
      const found = planPiece(mat.piece, { layouts: shippedLayouts, experience: experienceBook(records) });
      if (!found.ok) throw new Error(found.problem.code);
      return found;
    };
    const known = plan([record]);
    expect(known.experience.pace).toMatchObject({ pieces: 1, ofStitch: true });
    // As long as it took, for it is the same piece again.
    expect(timeMs(known)).toBeCloseTo(record.spentMs, -4);
    const elsewhere = plan([{ ...record, structure: 'another' }]);
    expect(elsewhere.experience.pace).toMatchObject({ pieces: 1, ofStitch: false });
    expect(plan([]).experience.pace).toBeNull();
    // Five seconds a trip until then (from memory), parts made apart each as often as it is made.
    const composed = planPiece(onMat(examplePiece('capstan')).piece, { layouts: shippedLayouts });
    if (!composed.ok) throw new Error(composed.problem.code);
    const trips = madeApart(composed).reduce(
      (sum, one) => sum + one.times * one.component.plan.trips,
      composed.trips,
    );
    expect(timeMs(composed)).toBeCloseTo(5000 * trips, 6);
  });

  it('margins of many: the mean, and one standard deviation more, never less than nothing', () => {
    const random = seeded(24);
    const record = recordOf(mat, making(mat, []));
    const factors = Array.from({ length: 12 }, () => 1.05 + 0.2 * random());
    const records = factors.map((factor) => ({ ...record, thread: { laidMm: 1000, usedMm: 1000 * factor } }));
    const { margin } = experienceBook(records)(record.structure);
    expect(margin?.pieces).toBe(12);
    expect(margin?.part).toBeGreaterThan(mean(factors) - 1);
    expect(margin?.part).toBeLessThan(Math.max(...factors) - 1);
    const slow = experienceBook([{ ...record, thread: { laidMm: 1000, usedMm: 900 } }])(record.structure);
    expect(slow.margin?.part).toBe(0);
  });
});

describe('plan and fact', () => {
  it('beads really used are those strung and those lost; what is not made yet is not used', () => {
    const mat = onMat(examplePiece('slack-water'));
    const all = planAgainstFact(mat, making(mat, made(mat, [])));
    const beads = given(
      all.find(({ what }) => what === 'beads'),
      'beads',
    );
    const counted = lastPart(mat)
      .steps.flatMap((step) => step.beads)
      .reduce((sum, { count }) => sum + count, 0);
    expect(beads).toMatchObject({ planned: counted, fact: counted });
    const { id } = lastPart(mat);
    const lost = making(mat, made(mat, [{ did: 'waste', why: 'lost', part: id, role: 'A', count: 3 }]));
    expect(planAgainstFact(mat, lost).find(({ what }) => what === 'beads')?.fact).toBe(counted + 3);
    expect(beadsUsed(mat, lost).find(({ role }) => role === 'A')).toMatchObject({ gone: 3 });
    const begun = making(mat, worked(mat, 5));
    const strung = lastPart(mat)
      .steps.slice(0, 5)
      .flatMap((step) => step.beads)
      .reduce((sum, { count }) => sum + count, 0);
    expect(planAgainstFact(mat, begun).find(({ what }) => what === 'beads')?.fact).toBe(strung);
  });

  it('of parts, frames are counted by their beads and not as beads themselves', () => {
    const mat = onMat(examplePiece('capstan'));
    const plan = planPiece(mat.piece, { layouts: shippedLayouts });
    if (!plan.ok) throw new Error(plan.problem.code);
    const own = plan.quantities.reduce(
      (sum, { role, total }) => sum + (plan.components.has(role) ? 0 : total),
      0,
    );
    const apart = madeApart(plan).reduce(
      (sum, { component, times }) =>
        sum + times * component.plan.quantities.reduce((all, { total }) => all + total, 0),
      0,
    );
    const { planned } = given(
      planAgainstFact(mat, making(mat, [])).find(({ what }) => what === 'beads'),
      'beads',
    );
    expect(planned).toBe(own + apart);
  });
});
