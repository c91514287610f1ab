import { head, runs } from '../read/runs';
import { rowsPass, START, WOVEN, type Bead, type Path } from '../weave/path';

/** One row, or several strung as one: "2 A, 1 B". */
export interface ListedRow {
  /** Counted from 1. */
  readonly from: number;
  readonly to: number;
  readonly words: string;
}

/** The rows of one pass along the work. */
export interface RowList {
  readonly pass: string;
  readonly rows: readonly ListedRow[];
  /** From here on the rows come again, up to the last; null where every row is listed. */
  readonly again: { readonly from: number; readonly last: number } | null;
}

/** How far on a repeat is looked for, in units: longer ones are read row by row. */
const LONGEST_REPEAT = 4;

/**
 * The beads of every row of the woven part, in the order they are strung, as a maker reads them off a list. Rows
 * that repeat to the end are told once. One list for each pass that strings beads, in the order they are worked.
 * @param nameOf what a bead is called: its role, or its role and colour
 * @param rowsOfUnit rows of one unit
 */
export function rowLists(path: Path, nameOf: (bead: Bead) => string, rowsOfUnit: number): RowList[] {
  const woven = path.beads.filter((bead) => bead.place.section === WOVEN);
  const passes = [...new Set(woven.map(passOf))];
  return passes.map((pass): RowList => {
    const beads = woven.filter((bead) => passOf(bead) === pass);
    return { pass, ...withRepeats(listed(beads, nameOf), rowsOfUnit) };
  });
}

const passOf = ({ place }: Bead) => rowsPass(place.pass);

function listed(beads: readonly Bead[], nameOf: (bead: Bead) => string): ListedRow[] {
  // What is strung at one go is read at one go, as the first two rows of peyote.
  const strung = runs(beads, ({ place: { pass, row } }) => (pass === START ? pass : `${row}`));
  return strung.map((row): ListedRow => {
    const numbers = row.map(({ place }) => Math.max(place.row, 0) + 1);
    const words = runs(row, nameOf).map((alike) => `${alike.length} ${nameOf(head(alike))}`);
    return { from: Math.min(...numbers), to: Math.max(...numbers), words: words.join(', ') };
  });
}

function withRepeats(rows: readonly ListedRow[], rowsOfUnit: number): Omit<RowList, 'pass'> {
  const { period, start } = repeatOf(rows, rowsOfUnit);
  const shown = start + period;
  if (shown >= rows.length) return { rows, again: null };
  return { rows: rows.slice(0, shown), again: { from: rows[start]?.from ?? 1, last: rows.at(-1)?.to ?? 1 } };
}

/** After how many rows they come again, and from which on they do so to the end. */
function repeatOf(rows: readonly ListedRow[], rowsOfUnit: number): { period: number; start: number } {
  const lengths = Array.from({ length: LONGEST_REPEAT }, (_, k) => (k + 1) * rowsOfUnit);
  const startOf = (period: number) => {
    let start = Math.max(rows.length - period, 0);
    while (start > 0 && rows[start - 1]?.words === rows[start - 1 + period]?.words) start--;
    return start;
  };
  const found = lengths.map((period) => ({ period, start: startOf(period) }));
  return found.reduce((best, one) => (one.period + one.start < best.period + best.start ? one : best));
}
