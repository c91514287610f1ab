import { countsOf, here, type Making } from './making';
import type { Mat } from './mat';
import { AWAY_MS } from './progress';
import { rowsOf } from './recount';

/** Since when she has been at the mat without a rest, ms; null where she is away. */
export function sittingSince(times: readonly number[], now: number): number | null {
  let since: number | null = null;
  let last = now;
  for (const time of times.toSorted((a, b) => b - a)) {
    if (last - time >= AWAY_MS) break;
    since = time;
    last = time;
  }
  return since;
}

/** Whether eyes and hands are to rest: so many minutes at the mat, and no rest among them. */
export const restDue = (times: readonly number[], now: number, afterMin: number | null): boolean => {
  const since = sittingSince(times, now);
  return afterMin !== null && since !== null && now - since >= afterMin * 60_000;
};

/** Whether a count of her own pays: so many rows since the last, and a unit just done. */
export function countDue(mat: Mat, state: Making, every: number | null): boolean {
  const now = here(mat, state);
  const { part, at, step } = now;
  if (every === null || !step || at === 0) return false;
  const between = part.steps[at - 1]?.unit !== step.unit;
  const counted = countsOf(state, now).map((count) => rowsOf(part, count.at.at).length);
  return between && rowsOf(part, at).length - Math.max(0, ...counted) >= every;
}
