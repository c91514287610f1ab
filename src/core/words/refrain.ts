/** More phrases than this are not said in one breath. */
const LONGEST_REFRAIN = 4;

/** Phrases that come so many times running. */
interface Refrain {
  readonly phrases: readonly string[];
  readonly times: number;
}

/** What is done several times running, told once: `3 times: pick up 1 A, go through the next B …`. */
export function withRefrains(phrases: readonly string[]): string[] {
  const lines = refrains(phrases).map(({ phrases: once, times }) =>
    times > 1 ? `${times} times: ${once.join(', ')};` : once.join(', '),
  );
  return lines.map((phrase, i) => (i === lines.length - 1 ? phrase.replace(/;$/, '') : phrase));
}

/** The same in one line: `3 × 1 A, turn at the edge`. */
export const lineOf = (phrases: readonly string[]): string =>
  refrains(phrases)
    .map(({ phrases: once, times }) => {
      const line = once.join(', ');
      return times === 1 ? line : `${times} × ${once.length > 1 ? `(${line})` : line}`;
    })
    .join(', ');

/** Phrases one after another, each refrain that saves the most of them taken together. */
function refrains(phrases: readonly string[]): Refrain[] {
  const found: Refrain[] = [];
  for (let i = 0; i < phrases.length;) {
    const { length, times } = refrain(phrases, i);
    found.push({ phrases: phrases.slice(i, i + length), times });
    i += length * times;
  }
  return found;
}

/** The refrain at a place that saves the most phrases; one phrase, once, where nothing repeats. */
function refrain(phrases: readonly string[], from: number): { length: number; times: number } {
  let best = { length: 1, times: 1 };
  for (let length = 1; length <= LONGEST_REFRAIN; length++) {
    let times = 1;
    while (phrases.slice(from, from + length).every((p, k) => phrases[from + times * length + k] === p))
      times++;
    if (length * (times - 1) > best.length * (best.times - 1)) best = { length, times };
  }
  return best;
}
