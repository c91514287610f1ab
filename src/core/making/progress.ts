import { tripMsOf } from '../records/pace';
import { here, isSkipped, type Making } from './making';
import { isMadeApart, type Mat, type MatPart, type MatStep } from './mat';

/** How far the work is, and what is left of it. */
export interface Progress {
  /** Of all there is to do, by the trips through beads: from 0 to 1. */
  readonly done: number;
  /** Beads left to string of each part, by role; of shades apart. */
  readonly left: readonly {
    readonly part: string;
    readonly role: string;
    readonly shade: number | null;
    readonly count: number;
  }[];
  /** Time at the mat so far, and what is left at that pace, ms; null until there is enough to go by. */
  readonly spentMs: number;
  readonly leftMs: number | null;
}

/** What has no trips is something to do all the same. */
const workOf = ({ trips }: MatStep): number => Math.max(1, trips);

const sum = (work: readonly number[]): number => work.reduce((all, one) => all + one, 0);

/** Work done, and work in all, by trips through beads. */
function worked(
  mat: Mat,
  { where: { done }, skipped }: Pick<Making, 'where' | 'skipped'>,
): { readonly done: number; readonly all: number } {
  return mat.parts.reduce(
    (so, { id, steps: all, times }) => {
      // What is left out is neither done nor left.
      const steps = all.map((step) => (isSkipped({ id }, step, skipped) ? 0 : workOf(step)));
      const one = sum(steps);
      const { made = 0, at = 0 } = done[id] ?? {};
      return { done: so.done + made * one + sum(steps.slice(0, at)), all: so.all + times * one };
    },
    { done: 0, all: 0 },
  );
}

/** Longer between two steps than this she was not at the mat, ms (from memory: five minutes). */
export const AWAY_MS = 5 * 60_000;
/** Time at the mat: from step to step, but for the breaks. */
export const spentMs = (times: readonly number[]): number =>
  times
    .toSorted((a, b) => a - b)
    .reduce((all, time, i, sorted) => {
      const gap = time - (sorted[i - 1] ?? time);
      return gap < AWAY_MS ? all + gap : all;
    }, 0);

/** How far a work is. */
export function progress(mat: Mat, state: Making): Progress {
  const { done, all } = worked(mat, state);
  const spent = spentMs(state.times);
  const tripMs = tripMsOf({ trips: done, spentMs: spent });
  const counts = new Map<string, Progress['left'][number]>();
  for (const { id, steps, times } of mat.parts) {
    const { made = 0, at = 0 } = state.where.done[id] ?? {};
    const add = (step: MatStep, often: number) => {
      for (const { role, shade, count } of step.beads) {
        // What is made apart is counted by its own beads.
        if (isMadeApart(mat, id, role)) continue;
        const key = `${id} ${role} ${shade ?? ''}`;
        const before = counts.get(key)?.count ?? 0;
        counts.set(key, { part: id, role, shade, count: before + often * count });
      }
    };
    steps.forEach((step, i) => {
      if (!isSkipped({ id }, step, state.skipped)) add(step, Math.max(0, times - made - (i < at ? 1 : 0)));
    });
  }
  return {
    done: all === 0 ? 0 : Math.min(1, done / all),
    left: [...counts.values()],
    spentMs: spent,
    leftMs: tripMs === null ? null : tripMs * (all - done),
  };
}

/** The work of a piece in trips through beads, and the time that it took so far. */
export function workload(
  mat: Mat,
  state: Making,
): { readonly trips: number; readonly left: number; readonly spentMs: number } {
  const { done, all } = worked(mat, state);
  return { trips: done, left: state.finished ? 0 : Math.max(0, all - done), spentMs: spentMs(state.times) };
}

/** Where in its part the next step is, as it is said: which unit of how many, which row, which pass. */
export interface Station {
  readonly part: MatPart;
  /** Which of the part it is, from 1. */
  readonly nth: number;
  /** From 1; null of what is not woven. */
  readonly unit: number | null;
  readonly row: number | null;
  /** Steps of this part, and which the next is, from 1. */
  readonly step: number;
  readonly steps: number;
  /** Whether there is a next one. */
  readonly toDo: boolean;
}

/** Where the work is, in words to be put. */
export function station(mat: Mat, state: Making): Station {
  const { part, made, at, step } = here(mat, state);
  const woven = step?.woven ?? false;
  return {
    part,
    nth: Math.min(made + 1, part.times),
    unit: woven && step ? Math.max(0, step.unit) + 1 : null,
    row: woven && step ? Math.max(0, step.row) + 1 : null,
    step: Math.min(at + 1, part.steps.length),
    steps: part.steps.length,
    toDo: step !== null,
  };
}
