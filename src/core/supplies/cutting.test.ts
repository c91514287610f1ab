import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { inStitch } from '../testing/planned';
import { byId, THREADS } from '../materials/catalogue';
import { newPart } from '../piece/newPiece';
import type { Plan } from '../plan/plan';
import { planPart } from '../plan/shipped';
import { USUAL_SETTINGS } from '../records/settings';
import { STRUCTURES } from '../structures/registry';
import { WOVEN } from '../weave/path';
import { cutLines } from './cutting';
import { BY_THE_TAIL, needs } from './needs';
import { END_MM, threadPlan, TYPICAL_WINGSPAN_MM } from './threadPlan';

describe('what to cut', () => {
  it('practice: a tail that sews a clasp is computed, 15 to 30 cm; one only woven in is 10 to 15 cm', () => {
    const tails = (trips: 1 | 2) => inStitch('strung-line', {}, { sequence: ['A'], trips }).thread.tailMm;
    expect(tails(1)).toBeGreaterThan(150);
    expect(tails(1)).toBeLessThan(300);
    expect(tails(2)).toBeGreaterThanOrEqual(100);
    expect(tails(2)).toBeLessThanOrEqual(150);
  });

  it('grows with units, with passes through the clasp, with spare; no length is longer than is handy', () => {
    fc.assert(
      fc.property(
        fc.constantFrom('flat-herringbone', 'ladder', 'flat-peyote', 'brick-stitch', 'cross-weave'),
        fc.integer({ min: 8, max: 150 }),
        fc.integer({ min: 1, max: 3 }),
        (id, units, passes) => {
          const base = newPart('Thread', id, null);
          const by = (change: { units?: number; passes?: number; threadMargin?: number }) => {
            const end = { ...base.ends.end, passes: change.passes ?? passes };
            const plan = planPart(
              { ...base, units: change.units ?? units, ends: { ...base.ends, start: end, end } },
              { habits: { ...USUAL_SETTINGS, threadMargin: change.threadMargin ?? 0.1 } },
            );
            if (!plan.ok) throw new Error(plan.problem.code);
            return plan.thread;
          };
          const thread = by({});
          expect(by({ units: units + 1 }).totalMm).toBeGreaterThan(thread.totalMm);
          expect(by({ passes: passes + 1 }).totalMm).toBeGreaterThan(thread.totalMm);
          expect(by({ threadMargin: 0.2 }).totalMm).toBeGreaterThan(thread.totalMm);
          const arms = thread.divisions.length;
          expect(thread.longestMm).toBeLessThanOrEqual(1.5 * TYPICAL_WINGSPAN_MM * arms + 1e-6);
        },
      ),
      { numRuns: 25, seed: 5 },
    );
  });

  it.each(STRUCTURES.map(({ id }) => [id] as const))(
    'of %s goes to its parts and passes, all of it',
    (id) => {
      const { thread } = inStitch(id);
      const told = needs(thread);
      const sum = told.reduce((mm, need) => mm + need.mm, 0);
      expect(sum).toBeCloseTo(thread.inWorkMm, 4);
      expect(told.find(({ pass }) => pass === BY_THE_TAIL)?.mm ?? 0).toBeCloseTo(thread.tailSewsMm, 9);
    },
  );

  it('practice: elastic is one length, with an end to hold on either side; it is never changed on the way', () => {
    const elastic = byId(THREADS, 'elastic-0.5');
    const plan = inStitch('strung-line', { units: 400, thread: elastic });
    expect(plan.thread.lengths).toBe(1);
    expect(plan.thread.endsMm).toBeCloseTo(2 * END_MM, 6);
    const thread = inStitch('strung-line', { units: 400 });
    expect(thread.thread.lengths).toBeGreaterThan(1);
    const words = plan.warnings.flatMap((warning) => (warning.code === 'thread' ? [warning.doubt] : []));
    expect(words).toContainEqual(expect.objectContaining({ code: 'length-too-long', joins: false }));
  });

  it('doubled, the work takes twice as much, and a length on the needle is as long as before', () => {
    const single = inStitch('flat-herringbone', { units: 60 });
    const doubled = inStitch('flat-herringbone', { units: 60, doubled: true });
    expect(doubled.thread.inWorkMm).toBeGreaterThan(1.98 * single.thread.inWorkMm);
    expect(doubled.thread.longestMm).toBeLessThanOrEqual(2 * 1.5 * TYPICAL_WINGSPAN_MM);
    expect(doubled.holes.byRole.get('A')?.strands).toBe(2 * (single.holes.byRole.get('A')?.strands ?? 0));
  });

  it('a change moved on one arm of a folded cord leaves the other arm’s changes where they are', () => {
    const change = (plan: Plan) =>
      plan.thread.divisions.map(({ changes }) => changes.map(({ after }) => after));
    const best = change(inStitch('cross-weave', { units: 900 }));
    const [one = [], other = []] = best;
    const [first] = one;
    if (!first) throw new Error('nothing is changed');
    const threadChanges = [{ ...first, unit: first.unit - 2 }, ...one.slice(1), ...other];
    const after = change(inStitch('cross-weave', { units: 900, threadChanges }));
    expect(after).toEqual([[{ ...first, unit: first.unit - 2 }, ...one.slice(1)], other]);
  });

  it('two needles are the two ends of one length, folded in the middle', () => {
    const { thread } = inStitch('cross-weave', { units: 20 });
    expect(thread.divisions).toHaveLength(2);
    expect(thread.lengths).toBe(1);
    const [one, other] = thread.divisions;
    expect((one?.cuts[0]?.mm ?? 0) + (other?.cuts[0]?.mm ?? 0)).toBeCloseTo(thread.totalMm, 6);
    expect(cutLines(thread)).toEqual([
      { mm: thread.totalMm, of: null, until: null, crowded: false, folded: true },
    ]);
  });

  it('every thread has two ends of its own: a tail sews with the first, two arms are one length, both at once', () => {
    const arm = (needle: string, mm: number) => ({
      needle,
      of: null,
      stretches: [{ needle, section: WOVEN, pass: 'base', unit: 0, mm, last: null }],
      hasRoom: () => true,
    });
    const plan = threadPlan(
      {
        threads: [
          { arms: [arm('working', 100)], tailSewsMm: 40 },
          { arms: [arm('left', 200), arm('right', 300)], tailSewsMm: 0 },
          { arms: [arm('second', 100)], tailSewsMm: 10 },
        ],
        strands: 1,
        inWorkMm: 750,
        wanted: null,
        whole: false,
      },
      USUAL_SETTINGS,
    );
    const more = 1 + USUAL_SETTINGS.threadMargin;
    const mm = [140 * more + 2 * END_MM, 500 * more + 2 * END_MM, 110 * more + 2 * END_MM];
    const lines = cutLines(plan);
    lines.forEach((line, k) => expect(line.mm).toBeCloseTo(mm[k] ?? 0, 6));
    expect(lines.map(({ of, folded }) => [of, folded])).toEqual([
      ['working', false],
      ['marked', true],
      ['second', false],
    ]);
    expect(plan.cutsMm).toHaveLength(3);
    expect(plan.tailSewsMm).toBe(50);
    expect(plan.tailMm).toBeCloseTo(40 * more + END_MM, 6);
  });
});
