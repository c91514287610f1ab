import { createEvents, type DateArray } from 'ics';
import type { Job, Schedule } from '@/core/making/schedule';

const dateOf = (on: string): DateArray => on.split('-').map(Number) as unknown as DateArray;
const after = (on: string): DateArray =>
  dateOf(new Date(Date.parse(`${on}T00:00:00Z`) + 86_400_000).toISOString().slice(0, 10));

/** The schedule as an open calendar file (RFC 5545): a day's work on each day, and the days by which pieces are wanted. Throws what the writer says. */
export function calendarFile(jobs: readonly Job[], { days }: Pick<Schedule, 'days'>): string {
  const nameOf = new Map(jobs.map(({ id, name }) => [id, name]));
  const { value, error } = createEvents([
    ...days.flatMap(({ on, jobs: today }) =>
      today.map(({ id, minutes }) => ({
        uid: `${id}-${on}@ivyloom`,
        title: `${nameOf.get(id)}: ${Math.round(minutes)} min at the mat`,
        start: dateOf(on),
        end: after(on),
      })),
    ),
    ...jobs.flatMap(({ id, name, dueOn }) =>
      dueOn === null
        ? []
        : [{ uid: `${id}-due@ivyloom`, title: `${name} is wanted`, start: dateOf(dueOn), end: after(dueOn) }],
    ),
  ]);
  if (error || !value) throw error ?? new Error('The calendar could not be written.');
  return value;
}
