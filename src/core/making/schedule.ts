import * as z from 'zod';

// When to make what: work that is left, shared out over the evenings there are.

/** A day by which something is wanted, as it is written in files: it may lie ahead. */
export const dueDaySchema = z.iso.date('Write the day as year, month and day.');

/** A piece that is still to be made, or to be finished. */
export interface Job {
  readonly id: string;
  readonly name: string;
  /** Work left, minutes. */
  readonly minutes: number;
  /** The day by which it is wanted, `2026-06-20`; null where nobody waits. */
  readonly dueOn: string | null;
}

/** Minutes that one works on each day of the week, from Monday on. */
export type Week = readonly number[];

/** Days on which one makes nothing, both counted: a journey, a feast. */
export const daysOffSchema = z
  .object({ from: dueDaySchema, to: dueDaySchema })
  .refine(({ from, to }) => from <= to, 'The last day off comes before the first. Change one of them.');
export type DaysOff = z.infer<typeof daysOffSchema>;

/** Whether a day is one of them: days written year first stand in their order as text. */
export const isOff = (on: string, off: readonly DaysOff[]): boolean =>
  off.some(({ from, to }) => from <= on && on <= to);

export interface WorkingDay {
  readonly on: string;
  /** What is made on it, in this order, and for how long. */
  readonly jobs: readonly { readonly id: string; readonly minutes: number }[];
}

export interface JobEnd {
  readonly id: string;
  /** The day on which it is done; null where it is not within the years that are looked at, or there are no hours at all. */
  readonly doneOn: string | null;
  /** Days that it comes too late; 0 where it is in time, or nobody waits. */
  readonly lateDays: number;
}

export interface Schedule {
  readonly days: readonly WorkingDay[];
  readonly ends: readonly JobEnd[];
}

const DAY_MS = 86_400_000;
/** Farther than this nobody plans, days. */
const MOST_DAYS = 3 * 366;

const dayOf = (on: string): number => Math.round(Date.parse(`${on}T00:00:00Z`) / DAY_MS);
const onDay = (day: number): string => new Date(day * DAY_MS).toISOString().slice(0, 10);
/** Which day of the week, from 0 for Monday: the first day of 1970 was a Thursday. */
const weekday = (day: number): number => (((day + 3) % 7) + 7) % 7;

/**
 * Shares work out over the days from one on: what is due first is made first, for no other order makes the worst of them less late
 * (Jackson, Scheduling a production line to minimize maximum tardiness, 1955). What nobody waits for comes last, in the order given.
 * @param off days on which nothing is made
 */
export function schedule(
  jobs: readonly Job[],
  week: Week,
  from: string,
  off: readonly DaysOff[] = [],
): Schedule {
  const order = jobs
    .map((job, i) => ({ ...job, i, due: job.dueOn === null ? Infinity : dayOf(job.dueOn) }))
    .sort((a, b) => (a.due === b.due ? a.i - b.i : a.due - b.due));
  const left = new Map(order.map(({ id, minutes }) => [id, minutes]));
  const doneOn = new Map(
    order.flatMap(({ id, minutes }) => (minutes <= 0 ? [[id, dayOf(from)] as const] : [])),
  );
  const days: WorkingDay[] = [];
  const first = dayOf(from);
  for (let day = first; day < first + MOST_DAYS && doneOn.size < order.length; day++) {
    let free = isOff(onDay(day), off) ? 0 : (week[weekday(day)] ?? 0);
    const today: { id: string; minutes: number }[] = [];
    for (const { id } of order) {
      const toDo = left.get(id) ?? 0;
      if (toDo <= 0 || free <= 0) continue;
      const minutes = Math.min(toDo, free);
      today.push({ id, minutes });
      free -= minutes;
      left.set(id, toDo - minutes);
      if (toDo - minutes <= 1e-9) doneOn.set(id, day);
    }
    if (today.length > 0) days.push({ on: onDay(day), jobs: today });
  }
  return {
    days,
    ends: jobs.map(({ id, dueOn }): JobEnd => {
      const day = doneOn.get(id);
      if (day === undefined) return { id, doneOn: null, lateDays: 0 };
      return { id, doneOn: onDay(day), lateDays: dueOn === null ? 0 : Math.max(0, day - dayOf(dueOn)) };
    }),
  };
}
