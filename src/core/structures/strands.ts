import type { RowWithin } from '../words/stepWords';

/** One of several strands, each with thread of its own, from the innermost outwards. */
export interface Strand {
  readonly units: number;
  /** Where its first unit is among the rows of all. */
  readonly fromRow: number;
}

/** Which of the strands a row is of, from 0. */
export const strandAt = (strands: readonly Strand[], row: number): number =>
  Math.max(
    0,
    strands.findLastIndex(({ fromRow }) => row >= fromRow),
  );

export const strandName = (nth: number): string => `strand ${nth + 1}`;

/** Rows as the maker counts them: with every strand she begins anew. */
export const rowWithin =
  (strands: readonly Strand[]): RowWithin =>
  (row) => {
    const nth = strandAt(strands, row);
    return { row: row - (strands[nth]?.fromRow ?? 0), of: nth === 0 ? null : strandName(nth) };
  };
