import Papa from 'papaparse';
import type { FileProblem } from '@/core/files/workspaceFile';
import { MOST_TABLE_ROWS, TABLE_TOO_LONG } from '@/core/materials/table';

export type Cell = string | number | null;
/** A row by its columns. */
export type Told = Readonly<Record<string, string>>;

export interface Row {
  readonly told: Told;
  /** The line of the file that it begins on, as an editor counts. */
  readonly line: number;
}

const LINE_END = /\n/g;

/** A line of more letters is no row: the document of a swatch takes a few thousand. */
const MOST_LINE = 100_000;
/** A table of more letters is none that a weaver keeps; it is read within a second. */
const MOST_LETTERS = 2_000_000;

/** The rows of a table under its header, one more at the most than may be brought in. A row may hold line ends in quotes, and blank lines may stand between. */
function rowsOf(table: string): Row[] {
  // An editor may end the lines it adds otherwise than those it found.
  const text = table.replace(/^\ufeff/, '').replace(/\r\n?/g, '\n');
  const rows: Row[] = [];
  let read = 0;
  let line = 1;
  const goOn = (to: number) => {
    line += text.slice(read, to).match(LINE_END)?.length ?? 0;
    read = to;
  };
  Papa.parse<Told>(text, {
    header: true,
    newline: '\n',
    skipEmptyLines: 'greedy',
    transformHeader: (header) => header.trim().toLowerCase(),
    transform: (value) => value.trim(),
    step: ({ data, meta }, parser) => {
      // What was read before this row is the header, the rows before it and blank lines.
      if (rows.length === 0) goOn(endOfHeader(text));
      const blank = /^\s*/.exec(text.slice(read, meta.cursor))?.[0].length ?? 0;
      goOn(read + blank);
      rows.push({ told: data, line });
      goOn(meta.cursor);
      if (rows.length > MOST_TABLE_ROWS) parser.abort();
    },
  });
  return rows;
}

function endOfHeader(text: string): number {
  let end = 0;
  Papa.parse(text, {
    newline: '\n',
    skipEmptyLines: 'greedy',
    step: ({ meta }, parser) => {
      end = meta.cursor;
      parser.abort();
    },
  });
  return end;
}

/** The rows of a table, under the columns that its first line names. */
export interface Table {
  readonly columns: readonly string[];
  readonly rows: readonly Row[];
}

/** A table as it is read, or why not. */
export type TableReading =
  ({ readonly ok: true } & Table) | { readonly ok: false; readonly problems: readonly FileProblem[] };

/** Reads a text as a table with commas, semicolons or tabs between its columns. */
export function readTable(text: string): TableReading {
  const wrong = (path: string, why: string): TableReading => ({ ok: false, problems: [{ path, why }] });
  if (text.length > MOST_LETTERS)
    return wrong(
      'the whole file',
      'That table is larger than 2 MB. Bring it in in parts; nothing was changed.',
    );
  const long = text.split('\n').findIndex((line) => line.length > MOST_LINE);
  if (long >= 0)
    return wrong(`line ${long + 1}`, 'It is longer than any row of a table. Take the table along anew.');
  const rows = rowsOf(text);
  const [first] = rows;
  if (!first) return wrong('line 1', 'The file has no rows. Its first line must name the columns.');
  if (rows.length > MOST_TABLE_ROWS) return wrong('the whole file', TABLE_TOO_LONG);
  return { ok: true, columns: Object.keys(first.told).filter((name) => name !== ''), rows };
}

/** What begins a formula in a spreadsheet, and our mark: a name that begins with the mark is marked too, to come back whole. */
const FORMULA = /^['=+\-@\t\r]/;

/** Rows as CSV under a header. A cell that a spreadsheet would run as a formula is text: it is marked so. */
export const writeTable = (
  columns: readonly string[],
  rows: readonly Readonly<Record<string, Cell>>[],
): string => Papa.unparse([...rows], { columns: [...columns], escapeFormulae: FORMULA });

/** A cell without the mark. */
export const unmarked = (cell: string): string =>
  cell.startsWith("'") && FORMULA.test(cell.slice(1)) ? cell.slice(1) : cell;
