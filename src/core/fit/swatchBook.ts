import type { SwatchFinding } from '../gauge/gauge';

/** A swatch as the plan looks for it. */
export interface SwatchEntry {
  /** What it was worked in: stitch and bead sizes, as the layout is keyed. */
  readonly key: string;
  readonly threadId: string;
  /** Rows measured: two patterns in one stitch may call more or fewer of them a unit. */
  readonly rows: number;
  readonly lengthMm: number;
  /** It is a piece that was finished and measured. */
  readonly piece: boolean;
  /** The mat that the work lay on when it was measured; null where it lay on none. */
  readonly mat: string | null;
}

/** What a stitch is kept under, and how many rows its maker calls a unit. */
export interface StitchKey {
  readonly key: string;
  readonly rowsOfUnit: number;
}

/** Finds the swatches of a stitch in these beads, told in its own units; null where there is none. */
export type SwatchBook = (stitch: StitchKey, threadId: string) => SwatchFinding | null;

export const NO_SWATCHES: SwatchBook = () => null;

/** Work that was measured while it was made, and again when it was finished, counts once: as it was finished. */
const eachOnce = (entries: readonly SwatchEntry[]): SwatchEntry[] => {
  const finished = new Set(entries.flatMap(({ piece, mat }) => (piece && mat !== null ? [mat] : [])));
  return entries.filter(({ piece, mat }) => piece || mat === null || !finished.has(mat));
};

/** A book to look swatches up in. Those in the same thread count alone; where there is none, all of them do. */
export function swatchBook(entries: readonly SwatchEntry[]): SwatchBook {
  const byKey = new Map<string, SwatchEntry[]>();
  for (const entry of entries) byKey.set(entry.key, [...(byKey.get(entry.key) ?? []), entry]);
  return ({ key, rowsOfUnit }, threadId) => {
    const kept = byKey.get(key);
    if (!kept) return null;
    const all = eachOnce(kept);
    const same = all.filter((entry) => entry.threadId === threadId);
    const counted = same.length > 0 ? same : all;
    const readings = counted.map(({ rows, lengthMm }) => ({ units: rows / rowsOfUnit, lengthMm }));
    const pieces = counted.filter(({ piece }) => piece).length;
    return { readings, sameThread: same.length > 0, pieces };
  };
}
