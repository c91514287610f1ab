import { isSkipped, type Making } from './making';
import { isMadeApart, type Mat } from './mat';
import { progress } from './progress';
import { threadGone } from './threadLeft';

/** A figure of a piece as it was planned, and as it came. Lengths in mm, time in ms. */
export interface Against {
  readonly what: 'finished length' | 'beads' | 'thread in the work' | 'time at the mat';
  readonly planned: number;
  /** Null where nobody measured it. */
  readonly fact: number | null;
}

/** Plan and fact of a piece: what was finished in time, and what it really took. What no plan reckoned is left out. */
export function planAgainstFact(mat: Mat, state: Making): Against[] {
  const { finishedMm, threadMm, timeMs } = mat.planned;
  const { spentMs } = progress(mat, state);
  const beads = beadsUsed(mat, state);
  const all = (of: 'planned' | 'strung' | 'gone') => beads.reduce((sum, one) => sum + one[of], 0);
  const thread = threadGone(mat, state);
  const figures: Against[] = [
    { what: 'finished length', planned: finishedMm, fact: state.finished?.finalMm ?? null },
    { what: 'beads', planned: all('planned'), fact: all('strung') + all('gone') },
    {
      what: 'thread in the work',
      planned: threadMm,
      fact: thread && (threadMm * thread.usedMm) / thread.laidMm,
    },
    { what: 'time at the mat', planned: timeMs, fact: spentMs > 0 ? spentMs : null },
  ];
  return figures.filter(({ planned }) => planned > 0);
}

/** Beads of a role of a part: as planned without what is left out, strung so far, and lost, culled or broken. */
export interface BeadsUsed {
  readonly part: string;
  readonly role: string;
  readonly planned: number;
  readonly strung: number;
  readonly gone: number;
}

/** What the beads of each role really came to: those strung so far, and those lost, culled or broken. */
export function beadsUsed(mat: Mat, state: Making): BeadsUsed[] {
  const { left } = progress(mat, state);
  return mat.parts.flatMap((part) => {
    const roles = [...new Set(part.steps.flatMap(({ beads }) => beads.map(({ role }) => role)))];
    return roles
      .filter((role) => !isMadeApart(mat, part.id, role))
      .map((role) => {
        const one = part.steps
          .filter((step) => !isSkipped(part, step, state.skipped))
          .flatMap(({ beads }) => beads)
          .reduce((sum, bead) => sum + (bead.role === role ? bead.count : 0), 0);
        const toCome = left
          .filter((one) => one.part === part.id && one.role === role)
          .reduce((sum, { count }) => sum + count, 0);
        const gone = state.wastes
          .filter((waste) => waste.part === part.id && waste.role === role)
          .reduce((sum, { count }) => sum + count, 0);
        const planned = part.times * one;
        return { part: part.id, role, planned, strung: planned - toCome, gone };
      });
  });
}
