import { runningSum, at } from './structure';

/** Beads of the row before stand out, those of the row before that lie low (craft: up beads and down beads). */
export const UP_AND_DOWN: Readonly<Record<number, string>> = { 1: 'up bead', 2: 'down bead' };

/** Two neighbouring rows stand beside each other: across, each pair takes the mean of its lengths, and the longest rules. */
export const besideMm = (lengthsMm: readonly number[]): number =>
  Math.max(...lengthsMm.map((mm, row) => (mm + at(lengthsMm, (row + 1) % lengthsMm.length)) / 2));

/** Rows of peyote along the piece, mm from its edge. */
export interface PeyoteRows {
  readonly pitchMm: number;
  /** What the rows of any number of units take beyond their pitch. */
  readonly extraMm: number;
  /** The middle of a row. */
  x(row: number): number;
}

/**
 * Rows of peyote, each in the gaps of the one before: every second row stands in the same columns. With an odd number of
 * rows a unit takes half of all their girths; with an even number as much as the larger of its two columns, and the beads
 * of the smaller stand apart.
 * @param girths the girth of each row of a unit, mm
 */
export function peyoteRows(girths: readonly number[]): PeyoteRows {
  const rows = girths.length;
  // Told in an even number of rows, both columns repeat; what is odd repeats in the other column after half of it.
  const even = rows % 2 === 0 ? girths : [...girths, ...girths];
  const columns = [0, 1].map((first) => runningSum(even.filter((_, row) => row % 2 === first)));
  const longest = Math.max(...columns.map(({ total }) => total));
  const girth = (row: number) => at(even, row % even.length);
  const inColumn = (row: number): number => {
    const { starts, total } = at(columns, row % 2);
    return ((at(starts, Math.floor(row / 2)) + girth(row) / 2) * longest) / total;
  };
  // A row of the second column stands in the first gap of the first, or where the first column stood half a repeat before.
  const between =
    rows % 2 === 0
      ? (girth(0) * longest) / at(columns, 0).total / 2
      : longest / 2 - inColumn(rows) + inColumn(0);
  const place = (row: number): number => {
    const inRepeat = row % even.length;
    return Math.floor(row / even.length) * longest + inColumn(inRepeat) + (row % 2 === 1 ? between : 0);
  };
  const first = even.map((_, row) => row);
  const from = Math.min(...first.map((row) => place(row) - girth(row) / 2));
  const to = Math.max(...first.map((row) => place(row) + girth(row) / 2));
  return {
    pitchMm: rows % 2 === 0 ? longest : longest / 2,
    extraMm: to - from - longest,
    x: (row) => place(row) - from,
  };
}
