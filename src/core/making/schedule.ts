import * as z from 'zod';
import { tripMsOf } from './progress';

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
 */
export function schedule(jobs: readonly Job[], week: Week, from: string): Schedule {
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
    let free = week[weekday(day)] ?? 0;
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

/** A trip of the needle through a bead takes so long until one's own pace is known, ms (from memory: a guess). */
export const GUESSED_TRIP_MS = 5000;

/** Trips that a bead takes in all, until its steps are laid out (from memory: a guess between one and four). */
export const TRIPS_OF_BEAD = 2.3;

/** Own pace from what was made, ms a trip; the guess where there is too little to go by. */
export function pace(made: readonly { readonly trips: number; readonly spentMs: number }[]): {
  readonly tripMs: number;
  /** Pieces that it stands on; 0 where it is a guess. */
  readonly pieces: number;
} {
  const known = made.filter((one) => tripMsOf(one) !== null);
  if (known.length === 0) return { tripMs: GUESSED_TRIP_MS, pieces: 0 };
  const all = (of: 'trips' | 'spentMs') => known.reduce((sum, one) => sum + one[of], 0);
  return { tripMs: all('spentMs') / all('trips'), pieces: known.length };
}
