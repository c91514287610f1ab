import type { SwatchFinding } from '../gauge';
import type { Measured } from './swatch';

/** A swatch as the plan looks for it. */
export interface SwatchEntry extends Measured {
  /** What it was worked in: stitch and bead sizes, as the layout is keyed. */
  readonly key: string;
  readonly threadId: string;
}

/** Finds the swatches of a stitch in these beads; null where there is none. */
export type SwatchBook = (key: string, threadId: string) => SwatchFinding | null;

export const NO_SWATCHES: SwatchBook = () => null;

/** A book to look swatches up in. Those in the same thread count alone; where there is none, all of them do. */
export function swatchBook(entries: readonly SwatchEntry[]): SwatchBook {
  const byKey = new Map<string, SwatchEntry[]>();
  for (const entry of entries) byKey.set(entry.key, [...(byKey.get(entry.key) ?? []), entry]);
  return (key, threadId) => {
    const all = byKey.get(key);
    if (!all) return null;
    const same = all.filter((entry) => entry.threadId === threadId);
    return same.length > 0 ? { readings: same, sameThread: true } : { readings: all, sameThread: false };
  };
}
