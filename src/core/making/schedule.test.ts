import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { GUESSED_TRIP_MS, pace } from '../records/pace';
import { schedule, type Job } from './schedule';

const job = (id: string, minutes: number, dueOn: string | null): Job => ({ id, name: id, minutes, dueOn });
/** An hour on weekdays, two on Saturdays, none on Sundays. */
const WEEK = [60, 60, 60, 60, 60, 120, 0];

describe('when to make what', () => {
  it('by hand: from a Friday on, three hours take Friday, Saturday; what is due first comes first', () => {
    // 19 June 2026 is a Friday (calendar).
    const { days, ends } = schedule(
      [job('late', 60, null), job('first', 180, '2026-06-20'), job('second', 90, '2026-06-22')],
      WEEK,
      '2026-06-19',
    );
    expect(days).toEqual([
      { on: '2026-06-19', jobs: [{ id: 'first', minutes: 60 }] },
      { on: '2026-06-20', jobs: [{ id: 'first', minutes: 120 }] },
      { on: '2026-06-22', jobs: [{ id: 'second', minutes: 60 }] },
      {
        on: '2026-06-23',
        jobs: [
          { id: 'second', minutes: 30 },
          { id: 'late', minutes: 30 },
        ],
      },
      { on: '2026-06-24', jobs: [{ id: 'late', minutes: 30 }] },
    ]);
    expect(ends).toEqual([
      { id: 'late', doneOn: '2026-06-24', lateDays: 0 },
      { id: 'first', doneOn: '2026-06-20', lateDays: 0 },
      { id: 'second', doneOn: '2026-06-23', lateDays: 1 },
    ]);
  });

  it('without an hour in the week nothing is ever done, and that is no crash', () => {
    expect(schedule([job('a', 60, '2026-06-20')], [0, 0, 0, 0, 0, 0, 0], '2026-06-19')).toEqual({
      days: [],
      ends: [{ id: 'a', doneOn: null, lateDays: 0 }],
    });
  });

  it('no other order makes the worst of them less late (Jackson 1955), and no minute is lost or made up', () => {
    const orders = <T>(of: readonly T[]): T[][] =>
      of.length <= 1
        ? [[...of]]
        : of.flatMap((one, i) => orders(of.toSpliced(i, 1)).map((rest) => [one, ...rest]));
    const day = fc.integer({ min: 1, max: 28 }).map((n) => `2026-06-${String(n).padStart(2, '0')}`);
    fc.assert(
      fc.property(
        fc.array(fc.tuple(fc.integer({ min: 1, max: 400 }), day), { minLength: 1, maxLength: 4 }),
        fc
          .array(fc.integer({ min: 0, max: 180 }), { minLength: 7, maxLength: 7 })
          .filter((week) => Math.max(...week) > 0),
        (told, week) => {
          const jobs = told.map(([minutes, dueOn], i) => job(`${i}`, minutes, dueOn));
          const { days, ends } = schedule(jobs, week, '2026-06-01');
          const worst = Math.max(...ends.map(({ lateDays }) => lateDays));
          for (const order of orders(jobs)) {
            // Worked strictly in this order: due days that only put them in it.
            const { ends: other } = schedule(
              order.map((one, i) => ({ ...one, dueOn: `2030-01-${String(i + 1).padStart(2, '0')}` })),
              week,
              '2026-06-01',
            );
            const late = other.map(({ id, doneOn }) => {
              const due = jobs.find((one) => one.id === id)?.dueOn ?? '';
              return (Date.parse(doneOn ?? '') - Date.parse(due)) / 86_400_000;
            });
            expect(worst).toBeLessThanOrEqual(Math.max(0, ...late));
          }
          for (const { id, minutes } of jobs)
            expect(
              days
                .flatMap((one) => one.jobs)
                .reduce((sum, one) => sum + (one.id === id ? one.minutes : 0), 0),
            ).toBeCloseTo(minutes, 6);
        },
      ),
      { seed: 24, numRuns: 60 },
    );
  });

  it('pace is one’s own as soon as there is one, and until then a guess that says so', () => {
    expect(pace([])).toEqual({ tripMs: GUESSED_TRIP_MS, pieces: 0 });
    expect(pace([{ trips: 10, spentMs: 1e6 }])).toMatchObject({ pieces: 0 });
    // Leafed through, nothing was made.
    expect(pace([{ trips: 1000, spentMs: 9000 }])).toMatchObject({ pieces: 0 });
    expect(
      pace([
        { trips: 100, spentMs: 400_000 },
        { trips: 300, spentMs: 2_000_000 },
      ]),
    ).toEqual({ tripMs: 6000, pieces: 2 });
  });
});
