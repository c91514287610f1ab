import Papa from 'papaparse';
import type * as z from 'zod';
import {
  beadKindSchema,
  claspSchema,
  findingSchema,
  needleSchema,
  threadSchema,
} from '@/core/materials/material';
import type { Catalogue } from './materials';

type Kind = 'bead' | 'thread' | 'needle' | 'clasp' | 'finding';
type Cell = string | number | null;
type Told = Readonly<Record<string, string>>;

/** A column: the key of an entry that it holds, and what stands in it. */
interface Column {
  readonly key: string;
  readonly holds: 'text' | 'number' | 'yes or no';
}

const text = (key: string): Column => ({ key, holds: 'text' });
const number = (key: string): Column => ({ key, holds: 'number' });
const yesNo = (key: string): Column => ({ key, holds: 'yes or no' });

const NAMED = { id: text('id'), name: text('name') };
const DIAMETER = { diameter_mm: number('diameterMm') };
const SOURCE = { source: text('source') };

/** The columns of each kind of material, by their names. Lengths in mm. */
const COLUMNS: Readonly<Record<Kind, Readonly<Record<string, Column>>>> = {
  bead: {
    ...NAMED,
    shape: text('shape'),
    length_mm: number('lengthMm'),
    ...DIAMETER,
    width_mm: number('widthMm'),
    hole_mm: number('holeMm'),
    holes: number('holes'),
    apart_mm: number('apartMm'),
    crossing: yesNo('crossing'),
    per_gram: number('perGram'),
    sold_by: text('soldBy'),
    sold_amount: number('soldAmount'),
    ...SOURCE,
  },
  thread: { ...NAMED, ...DIAMETER, make: text('make'), ...SOURCE },
  needle: { ...NAMED, ...DIAMETER, ...SOURCE },
  clasp: {
    ...NAMED,
    shape: text('shape'),
    start_mm: number('startMm'),
    end_mm: number('endMm'),
    spread_mm: number('spreadMm'),
    loops: number('loops'),
    turned: yesNo('turned'),
    fastening: text('fastening'),
    bar_mm: number('barMm'),
    ring_mm: number('ringMm'),
    goes_over_mm: number('buttonsMm'),
    plated: yesNo('plated'),
    note: text('note'),
    ...SOURCE,
  },
  finding: {
    ...NAMED,
    shape: text('kind'),
    length_mm: number('lengthMm'),
    inside_mm: number('insideMm'),
    wire_mm: number('wireMm'),
    loops: number('loops'),
    ...SOURCE,
  },
};
const HEADER = [...new Set(['kind', ...Object.values(COLUMNS).flatMap((columns) => Object.keys(columns))])];

const sold = (entry: { sold?: z.infer<typeof beadKindSchema>['sold'] }) =>
  entry.sold && {
    soldBy: entry.sold.by,
    soldAmount: entry.sold.by === 'tube' ? entry.sold.grams : entry.sold.lengthMm,
  };

function rowOf(kind: Kind, entry: object): Record<string, Cell> {
  const values: Record<string, unknown> = { ...entry, ...sold(entry) };
  const cells = Object.entries(COLUMNS[kind]).map(([column, { key, holds }]): [string, Cell] => {
    const value = values[key] ?? null;
    return [column, holds === 'yes or no' ? (value === true ? 'yes' : 'no') : (value as Cell)];
  });
  return { kind, ...Object.fromEntries(cells) };
}

/** The catalogue as CSV: a header, then a row for each material. Lengths in mm. */
export const catalogueCsv = ({ beads, threads, needles, clasps, findings }: Catalogue): string =>
  Papa.unparse(
    [
      ...beads.map((entry) => rowOf('bead', entry)),
      ...threads.map((entry) => rowOf('thread', entry)),
      ...needles.map((entry) => rowOf('needle', entry)),
      ...clasps.map((entry) => rowOf('clasp', entry)),
      ...findings.map((entry) => rowOf('finding', entry)),
    ],
    { columns: HEADER },
  );

/** What a file held, and which of its rows could not be read, in words. */
export interface CatalogueReading extends Catalogue {
  readonly problems: readonly string[];
}

function valueOf(told: string | undefined, { holds }: Column): unknown {
  // What is not told is left to the schema, and what it knows of a kind.
  if (told === undefined || told === '') return undefined;
  if (holds === 'number') return Number(told.replace(',', '.'));
  return holds === 'yes or no' ? /^(yes|true|1)$/i.test(told) : told;
}

/** A row as its schema reads it. What nobody tells is the weaver's own measure. */
function entryOf(kind: Kind, row: Told): Record<string, unknown> {
  const entry: Record<string, unknown> = { source: 'measured' };
  for (const [column, known] of Object.entries(COLUMNS[kind])) {
    const value = valueOf(row[column], known);
    if (value !== undefined) entry[known.key] = value;
  }
  return entry;
}

function beadOf(row: Told): Record<string, unknown> {
  const { soldBy: by, soldAmount: amount, ...bead } = entryOf('bead', row);
  const told = by === 'strand' ? { by, lengthMm: amount } : { by: 'tube', grams: amount };
  return { perGram: null, ...bead, sold: amount === undefined ? null : told };
}

/** Reads a table of materials. Rows that cannot be read are named by their line; the others count. */
export function readCatalogueCsv(table: string): CatalogueReading {
  const { data } = Papa.parse<Told>(table.trim(), {
    header: true,
    skipEmptyLines: true,
    transformHeader: (header) => header.trim().toLowerCase(),
    transform: (value) => value.trim(),
  });
  const problems: string[] = [];
  const read = <T>(
    kind: Kind,
    schema: z.ZodType<T>,
    toEntry = (row: Told): object => entryOf(kind, row),
  ): T[] =>
    data.flatMap((row, i) => {
      if (row.kind !== kind) return [];
      const entry = schema.safeParse(toEntry(row));
      if (entry.success) return [entry.data];
      const key = String(entry.error.issues[0]?.path[0] ?? '');
      const column = Object.entries(COLUMNS[kind]).find(([, one]) => one.key === key)?.[0] ?? 'the row';
      problems.push(`Line ${i + 2}: “${column}” cannot be read. Mend it and bring the file in again.`);
      return [];
    });
  const all = {
    beads: read('bead', beadKindSchema, beadOf),
    threads: read('thread', threadSchema),
    needles: read('needle', needleSchema),
    clasps: read('clasp', claspSchema),
    findings: read('finding', findingSchema, (row) => ({
      insideMm: null,
      wireMm: null,
      loops: 1,
      ...entryOf('finding', row),
    })),
  };
  data.forEach((row, i) => {
    if (!Object.hasOwn(COLUMNS, row.kind ?? ''))
      problems.push(`Line ${i + 2}: the kind must be bead, thread, needle, clasp or finding.`);
  });
  if (data.length === 0) problems.push('The file has no rows. Its first line must name the columns.');
  const line = (problem: string) => Number(/\d+/.exec(problem)?.[0] ?? 0);
  return { ...all, problems: problems.sort((a, b) => line(a) - line(b)) };
}
