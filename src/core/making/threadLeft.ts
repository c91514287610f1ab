import { END_MM } from '../supplies/threadPlan';
import { here, isSameUnit, type At, type Making } from './making';
import type { Mat, MatPart } from './mat';

/** How the thread on a needle stands. */
export interface ThreadLeft {
  readonly needle: string;
  /** What is left of it, mm, with what it has lost to pulling reckoned in. */
  readonly leftMm: number;
  /** Thread laid for each mm reckoned: as it was measured, or with what is usually spared. */
  readonly factor: number;
  readonly learned: boolean;
  /** What the unit takes that comes next. */
  readonly nextMm: number;
  /** What there is to lay until the thread is to be changed, or the work is done. */
  readonly toChangeMm: number;
  /** Whether it reaches there. */
  readonly reaches: boolean;
  /** Units that it still reaches through. */
  readonly units: number;
  /** The step before which it is to be woven in, at the latest; null where it reaches. */
  readonly stopBefore: number | null;
}

/** Fewer mm laid between two measures of a thread say nothing of how it goes (from memory). */
const LEAST_LAID_MM = 150;
/** A thread that went faster or slower than this was measured wrong (from memory). */
const LIKELY = [0.8, 1.8] as const;

/** Thread that steps of a part lay with one needle, mm. */
const laidMm = ({ steps }: MatPart, needle: string, from: number, to: number): number =>
  steps.slice(from, to).reduce((sum, step) => sum + (step.needle === needle ? step.threadMm : 0), 0);

/** Measures of the thread on one needle of one of a part, length by length: a new one begins where it was joined. */
function lengthsOf(
  threads: Making['threads'],
  { part, made, needle }: { readonly part: string; readonly made: number; readonly needle: string },
): At<'thread'>[][] {
  const lengths: At<'thread'>[][] = [];
  for (const one of threads) {
    if (one.needle !== needle || one.at.part !== part || one.at.made !== made) continue;
    const last = lengths.at(-1);
    if (last && !one.joined) last.push(one);
    else lengths.push([one]);
  }
  return lengths;
}

/** How thread went that was measured twice or oftener: as it was reckoned, and as it was, mm. Null where none was. */
export function threadGone(
  mat: Mat,
  { threads }: Pick<Making, 'threads'>,
): { readonly laidMm: number; readonly usedMm: number } | null {
  const seen = new Map(
    threads.map(({ needle, at: { part, made } }) => [`${part} ${made} ${needle}`, { part, made, needle }]),
  );
  let [laid, used] = [0, 0];
  for (const which of seen.values()) {
    const part = mat.parts.find(({ id }) => id === which.part);
    for (const measures of part ? lengthsOf(threads, which) : []) {
      const [first, last] = [measures[0], measures.at(-1)];
      if (!part || !first || !last) continue;
      const between = laidMm(part, which.needle, first.at.at, last.at.at);
      if (wentAt(between, first.mm - last.mm) === null) continue;
      laid += between;
      used += first.mm - last.mm;
    }
  }
  return laid > 0 ? { laidMm: laid, usedMm: used } : null;
}

/** How much faster thread went than it lies; null where too little was laid to say, or it was measured wrong. */
function wentAt(laid: number, used: number): number | null {
  const went = laid >= LEAST_LAID_MM ? used / laid : null;
  return went !== null && went >= LIKELY[0] && went <= LIKELY[1] ? went : null;
}

/** Measures of the length of thread that is on one needle of the part under way, from when it was threaded. */
function measuresOf({ threads }: Making, part: MatPart, made: number, needle: string): At<'thread'>[] {
  return lengthsOf(threads, { part: part.id, made, needle }).at(-1) ?? [];
}

/**
 * What is left of a thread, and how far it reaches: null where nobody has said how long it was. Two measures of the same length say
 * how fast it really goes; until then what is usually spared is counted with it.
 */
export function threadLeft(mat: Mat, state: Making, needle?: string): ThreadLeft | null {
  const { part, made, at, step } = here(mat, state);
  const on = needle ?? step?.needle;
  if (on === undefined) return null;
  const measures = measuresOf(state, part, made, on).filter((one) => one.at.at <= at);
  const [first, last] = [measures[0], measures.at(-1)];
  if (!first || !last) return null;
  const between = laidMm(part, on, first.at.at, last.at.at);
  const went = wentAt(between, first.mm - last.mm);
  const learned = went !== null;
  const factor = went ?? 1 + mat.margin;
  const leftMm = last.mm - factor * laidMm(part, on, last.at.at, at);

  const { steps } = part;
  const change = steps.findIndex((one, i) => i >= at && one.newThread && one.needle === on);
  const until = change < 0 ? steps.length : change;
  const toChangeMm = factor * laidMm(part, on, at, until);
  // What is held in the hand and woven in cannot be worked with.
  const usable = leftMm - END_MM;
  let [used, units, stopBefore] = [0, 0, at];
  for (const { from, to } of unitsOf(part, at, until)) {
    used += factor * laidMm(part, on, from, to);
    if (used > usable) break;
    units++;
    stopBefore = to;
  }
  const [next] = unitsOf(part, at, until);
  const reaches = toChangeMm <= usable;
  return {
    needle: on,
    leftMm,
    factor,
    learned,
    nextMm: next ? factor * laidMm(part, on, next.from, next.to) : 0,
    toChangeMm,
    reaches,
    units,
    stopBefore: reaches ? null : stopBefore,
  };
}

/** The steps from one place to another by the units that they belong to. */
function unitsOf(
  { steps }: MatPart,
  from: number,
  to: number,
): { readonly from: number; readonly to: number }[] {
  const units: { from: number; to: number }[] = [];
  for (let i = from; i < to; i++) {
    const [step, before] = [steps[i], steps[i - 1]];
    const last = units.at(-1);
    if (last && isSameUnit(step, before)) last.to = i + 1;
    else units.push({ from: i, to: i + 1 });
  }
  return units;
}
