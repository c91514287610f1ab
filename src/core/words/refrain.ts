/** More phrases than this are not said in one breath. */
const LONGEST_REFRAIN = 4;

/** What is done several times running is told once: `3 times: pick up 1 A, go through the next B …`. */
export function withRefrains(phrases: readonly string[]): string[] {
  const lines: string[] = [];
  for (let i = 0; i < phrases.length;) {
    const { length, times } = refrain(phrases, i);
    const once = phrases.slice(i, i + length).join(', ');
    lines.push(times > 1 ? `${times} times: ${once};` : once);
    i += length * times;
  }
  return lines.map((phrase, i) => (i === lines.length - 1 ? phrase.replace(/;$/, '') : phrase));
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

/** Phrases in one line, with what comes several times running told once: `3 × 1 A, turn at the edge`. */
export function lineOf(phrases: readonly string[], times: string): string {
  const lines: string[] = [];
  for (let i = 0; i < phrases.length;) {
    const found = refrain(phrases, i);
    const once = phrases.slice(i, i + found.length).join(', ');
    lines.push(found.times === 1 ? once : `${found.times}${times}${found.length > 1 ? `(${once})` : once}`);
    i += found.length * found.times;
  }
  return lines.join(', ');
}
