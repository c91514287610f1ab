/** Rows that make one unit, or those of each unit in turn where they are not all alike. */
export type RowsPerUnit = number | readonly number[];

/** Which unit a row is of, and the how many-th of it, both counted from 0. */
export interface RowOfUnit {
  readonly unit: number;
  readonly rowInUnit: number;
}

/** Reads rows as units; rows beyond those that are listed are units of one. */
export function unitsOfRows(rows: RowsPerUnit): (row: number) => RowOfUnit {
  if (typeof rows === 'number')
    return (row) => {
      const unit = Math.floor(row / rows);
      return { unit, rowInUnit: row - unit * rows };
    };
  const all = rows.flatMap((count, unit) =>
    Array.from({ length: count }, (_, rowInUnit): RowOfUnit => ({ unit, rowInUnit })),
  );
  return (row) => all[row] ?? { unit: rows.length + row - all.length, rowInUnit: 0 };
}
