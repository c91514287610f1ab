import type { SwatchFinding } from '../gauge/gauge';

/** A swatch as the plan looks for it. */
export interface SwatchEntry {
  /** What it was worked in: stitch and bead sizes, as the layout is keyed. */
  readonly key: string;
  readonly threadId: string;
  /** Rows measured: two patterns in one stitch may call more or fewer of them a unit. */
  readonly rows: number;
  readonly lengthMm: number;
}

/** What a stitch is kept under, and how many rows its maker calls a unit. */
export interface StitchKey {
  readonly key: string;
  readonly rowsOfUnit: number;
}

/** Finds the swatches of a stitch in these beads, told in its own units; null where there is none. */
export type SwatchBook = (stitch: StitchKey, threadId: string) => SwatchFinding | null;

export const NO_SWATCHES: SwatchBook = () => null;

/** A book to look swatches up in. Those in the same thread count alone; where there is none, all of them do. */
export function swatchBook(entries: readonly SwatchEntry[]): SwatchBook {
  const byKey = new Map<string, SwatchEntry[]>();
  for (const entry of entries) byKey.set(entry.key, [...(byKey.get(entry.key) ?? []), entry]);
  return ({ key, rowsOfUnit }, threadId) => {
    const all = byKey.get(key);
    if (!all) return null;
    const same = all.filter((entry) => entry.threadId === threadId);
    const counted = same.length > 0 ? same : all;
    const readings = counted.map(({ rows, lengthMm }) => ({ units: rows / rowsOfUnit, lengthMm }));
    return { readings, sameThread: same.length > 0 };
  };
}
