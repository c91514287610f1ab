import { atFullPace, fixedWork } from './pace';

/**
 * Times `work` over and over for at least `ms` and `least` runs; returns each run's milliseconds at the machine's full
 * pace, sorted.
 */
export function time(work: () => unknown, { least = 30, ms = 600 } = {}): number[] {
  for (let i = 0; i < 5; i++) work(); // warm
  const runs: number[] = [];
  const until = performance.now() + ms;
  let before = fixedWork();
  while (runs.length < least || performance.now() < until) {
    const start = performance.now();
    work();
    const took = performance.now() - start;
    const after = fixedWork();
    runs.push(atFullPace(took, before, after));
    before = after;
  }
  return runs.sort((a, b) => a - b);
}

/** The value below which a part of the sorted runs lies. */
export const quantile = (sorted: readonly number[], part: number): number =>
  sorted[Math.min(sorted.length - 1, Math.floor(part * sorted.length))] ?? Number.NaN;

let misses = 0;
/** Figures so far that are not what they should be. */
export const missed = (): number => misses;

export const section = (name: string): void => console.log(`\n${name}\n`);

/**
 * Prints one figure beside what is wanted of it. A miss that is known, and why, is marked and told, and does not hide a
 * new one.
 */
export function line(name: string, value: number, holds: boolean, wanted: string, known?: string): void {
  if (!holds && known === undefined) misses++;
  const mark = holds ? ' ' : known === undefined ? '!' : '?';
  const told = holds || known === undefined ? wanted : `${wanted}; known: ${known}`;
  console.log(`${mark} ${name.padEnd(66)} ${value.toFixed(3).padStart(12)}   ${told}`);
}
