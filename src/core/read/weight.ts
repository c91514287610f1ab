import type { Tally } from './tally';

/** What a bead weighs, grams; null where nobody knows. */
export type Weigh = (role: string) => number | null;

export interface Weight {
  readonly grams: number;
  /** Roles whose weight is not known, and not counted. */
  readonly unknown: readonly string[];
}

/** Weight of the beads of a piece. Thread weighs next to nothing: 10 m of 6 lb thread about a gram (memory). */
export function weight(counts: Tally, weigh: Weigh): Weight {
  let grams = 0;
  const unknown: string[] = [];
  for (const [role, count] of counts) {
    const each = weigh(role);
    if (each === null) unknown.push(role);
    else grams += each * count;
  }
  return { grams, unknown };
}
