import type * as z from 'zod';
import type { FileProblem } from '@/core/files/workspaceFile';
import { storableSchema } from '@/core/records/storable';
import {
  beadKindSchema,
  claspSchema,
  findingSchema,
  needleSchema,
  threadSchema,
} from '@/core/materials/material';
import type { Catalogue } from './materials';
import { unmarked, writeTable, type Cell, type Table, type Told } from './tables';

type Kind = 'bead' | 'thread' | 'needle' | 'clasp' | 'finding';

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
  writeTable(HEADER, [
    ...beads.map((entry) => rowOf('bead', entry)),
    ...threads.map((entry) => rowOf('thread', entry)),
    ...needles.map((entry) => rowOf('needle', entry)),
    ...clasps.map((entry) => rowOf('clasp', entry)),
    ...findings.map((entry) => rowOf('finding', entry)),
  ]);

/** What a table held, and which of its rows could not be read. */
export interface CatalogueReading extends Catalogue {
  readonly problems: readonly FileProblem[];
}

function valueOf(told: string | undefined, { holds }: Column): unknown {
  // What is not told is left to the schema, and what it knows of a kind.
  if (told === undefined || told === '') return undefined;
  if (holds === 'text') return unmarked(told);
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

const SCHEMAS = {
  bead: beadKindSchema,
  thread: threadSchema,
  needle: needleSchema,
  clasp: claspSchema,
  finding: findingSchema,
} as const;

const isKind = (kind: string | undefined): kind is Kind => Object.hasOwn(COLUMNS, kind ?? '');

function told(kind: Kind, row: Told): Record<string, unknown> {
  if (kind === 'bead') return beadOf(row);
  const entry = entryOf(kind, row);
  return kind === 'finding' ? { insideMm: null, wireMm: null, loops: 1, ...entry } : entry;
}

/**
 * Reads a table of materials. Rows that cannot be read are named by their line. Of rows that share an
 * id the first counts.
 */
export function readCatalogueCsv({ columns, rows }: Table): CatalogueReading {
  const problems: FileProblem[] = [];
  const wrong = (line: number, why: string) => void problems.push({ path: `line ${line}`, why });
  const found: { [K in Kind]: Map<string, { entry: z.infer<(typeof SCHEMAS)[K]>; line: number }> } = {
    bead: new Map(),
    thread: new Map(),
    needle: new Map(),
    clasp: new Map(),
    finding: new Map(),
  };
  const take = <K extends Kind>(kind: K, row: Told, line: number) => {
    const entry = SCHEMAS[kind].safeParse(storableSchema.safeParse(told(kind, row)).data ?? {});
    if (!entry.success) {
      const key = String(entry.error.issues[0]?.path[0] ?? '');
      const column = Object.entries(COLUMNS[kind]).find(([, one]) => one.key === key)?.[0] ?? 'the row';
      return wrong(line, `“${column}” cannot be read. Mend it and bring the file in again.`);
    }
    const { id } = entry.data;
    const before = found[kind].get(id);
    if (before) wrong(line, `the id “${id}” stands on line ${before.line} already. Keep one of them.`);
    else found[kind].set(id, { entry: entry.data as z.infer<(typeof SCHEMAS)[K]>, line });
  };
  if (!columns.includes('kind'))
    wrong(1, 'The first line must name the columns, “kind” among them. Take the table along to see how.');
  else
    for (const { told: row, line } of rows)
      if (isKind(row.kind)) take(row.kind, row, line);
      else wrong(line, 'the kind must be bead, thread, needle, clasp or finding.');
  const entries = <K extends Kind>(kind: K) => [...found[kind].values()].map(({ entry }) => entry);
  return {
    beads: entries('bead'),
    threads: entries('thread'),
    needles: entries('needle'),
    clasps: entries('clasp'),
    findings: entries('finding'),
    problems,
  };
}
