// The pace of the machine. A shared one slows down to a half, and less, for seconds on end; what is timed is told at full
// pace, as a ratio to fixed work timed right beside it.

/** What the fixed work below takes at full pace, milliseconds: two cores that nothing else disturbs. */
const FULL_PACE_MS = 1.25;

/**
 * Fixed work like the planner's: bodies that push each other apart, and a map of what they pushed. Runs in a page as well,
 * and so stands for itself. Returns its milliseconds.
 */
export function fixedWork(): number {
  const start = performance.now();
  const bodies = 200;
  const at = new Float64Array(3 * bodies);
  for (let i = 0, seed = 1; i < at.length; i++) at[i] = (seed = (seed * 16807) % 2147483647) / 2147483647;
  const pushed = new Map<string, number>();
  for (let i = 0; i < bodies; i++)
    for (let j = 0; j < i; j++) {
      const x = (at[3 * i] ?? 0) - (at[3 * j] ?? 0);
      const y = (at[3 * i + 1] ?? 0) - (at[3 * j + 1] ?? 0);
      const z = (at[3 * i + 2] ?? 0) - (at[3 * j + 2] ?? 0);
      const apart = Math.sqrt(x * x + y * y + z * z) + 1e-3;
      at[3 * i] = (at[3 * i] ?? 0) + (x / apart) * 1e-4;
      if ((i * j) % 7 === 0) pushed.set(`${i}:${j}`, apart);
    }
  if (pushed.size === 0) throw new Error('Nothing was pushed.');
  return performance.now() - start;
}

for (let i = 0; i < 50; i++) fixedWork(); // warm

let [fastest, slowest] = [Infinity, 0];

/** How much longer than at full pace the machine takes, from a reading of the fixed work in milliseconds. */
function slowness(readingMs: number): number {
  const slow = readingMs / FULL_PACE_MS;
  [fastest, slowest] = [Math.min(fastest, slow), Math.max(slowest, slow)];
  return slow;
}

/** What was done between two readings of the pace. The faster of them counts: a hiccup of the reading excuses nothing. */
export function atFullPace(ms: number, before: number, after: number): number {
  return ms / slowness(Math.min(before, after));
}

/** How far the pace went apart in this run. */
export const paceTold = (): string =>
  `The machine took from ${fastest.toFixed(2)} to ${slowest.toFixed(2)} times what it takes at full pace.`;
