import Papa from 'papaparse';
import {
  beadKindSchema,
  needleSchema,
  threadSchema,
  type BeadKind,
  type Needle,
  type ThreadMaterial,
} from '@/core/materials/material';

/** Beads, threads and needles as a table: one row each, open to any spreadsheet. */
export interface CatalogueTable {
  readonly beads: readonly BeadKind[];
  readonly threads: readonly ThreadMaterial[];
  readonly needles: readonly Needle[];
}

const COLUMNS = [
  'kind',
  'id',
  'name',
  'shape',
  'length_mm',
  'diameter_mm',
  'width_mm',
  'hole_mm',
  'holes',
  'apart_mm',
  'crossing',
  'per_gram',
  'sold_by',
  'sold_amount',
  'make',
  'source',
] as const;
type Row = Partial<Record<(typeof COLUMNS)[number], string | number | null>>;

const beadRow = ({ sold, ...bead }: BeadKind): Row => ({
  kind: 'bead',
  id: bead.id,
  name: bead.name,
  shape: bead.shape,
  length_mm: bead.lengthMm,
  diameter_mm: bead.diameterMm,
  width_mm: bead.widthMm,
  hole_mm: bead.holeMm,
  holes: bead.holes,
  apart_mm: bead.apartMm,
  crossing: bead.crossing ? 'yes' : 'no',
  per_gram: bead.perGram,
  sold_by: sold?.by ?? null,
  sold_amount: sold ? (sold.by === 'tube' ? sold.grams : sold.lengthMm) : null,
  source: bead.source,
});

/** The catalogue as CSV: a header, then a row for each bead, thread and needle. Lengths in mm. */
export const catalogueCsv = ({ beads, threads, needles }: CatalogueTable): string =>
  Papa.unparse<Row>(
    [
      ...beads.map(beadRow),
      ...threads.map(({ id, name, diameterMm, make, source }): Row => ({
        kind: 'thread',
        id,
        name,
        diameter_mm: diameterMm,
        make,
        source,
      })),
      ...needles.map(({ id, name, diameterMm, source }): Row => ({
        kind: 'needle',
        id,
        name,
        diameter_mm: diameterMm,
        source,
      })),
    ],
    { columns: [...COLUMNS] },
  );

/** What a file held, and which of its rows could not be read, in words. */
export interface CatalogueReading extends CatalogueTable {
  readonly problems: readonly string[];
}

type Told = Readonly<Record<string, string>>;

const number = (text: string | undefined): number | null => (text ? Number(text.replace(',', '.')) : null);

function soldOf({ sold_by: by, sold_amount: amount }: Told) {
  const value = number(amount);
  if (value === null) return null;
  return by === 'strand' ? { by, lengthMm: value } : { by: 'tube', grams: value };
}

const beadOf = (row: Told) =>
  beadKindSchema.safeParse({
    id: row.id,
    name: row.name,
    shape: row.shape,
    lengthMm: number(row.length_mm),
    diameterMm: number(row.diameter_mm),
    widthMm: number(row.width_mm),
    holeMm: number(row.hole_mm),
    holes: number(row.holes) ?? 1,
    apartMm: number(row.apart_mm),
    crossing: /^(yes|true|1)$/i.test(row.crossing ?? ''),
    perGram: number(row.per_gram),
    sold: soldOf(row),
    source: row.source || 'measured',
  });

const plainOf = (row: Told) => ({
  id: row.id,
  name: row.name,
  diameterMm: number(row.diameter_mm),
  make: row.make || null,
  source: row.source || 'measured',
});

/** Reads a table of materials. Rows that cannot be read are named by their line; the others count. */
export function readCatalogueCsv(text: string): CatalogueReading {
  const { data } = Papa.parse<Told>(text.trim(), {
    header: true,
    skipEmptyLines: true,
    transformHeader: (header) => header.trim().toLowerCase(),
    transform: (value) => value.trim(),
  });
  const beads: BeadKind[] = [];
  const threads: ThreadMaterial[] = [];
  const needles: Needle[] = [];
  const problems: string[] = [];
  const keep = <T>(
    into: T[],
    line: number,
    read: { success: true; data: T } | { success: false; error: { issues: { path: PropertyKey[] }[] } },
  ) => {
    if (read.success) return void into.push(read.data);
    const where = read.error.issues[0]?.path.map(String).join('.') ?? 'the row';
    problems.push(`Line ${line}: “${where}” cannot be read. Mend it and bring the file in again.`);
  };
  data.forEach((row, i) => {
    const line = i + 2;
    if (row.kind === 'bead') keep(beads, line, beadOf(row));
    else if (row.kind === 'thread') keep(threads, line, threadSchema.safeParse(plainOf(row)));
    else if (row.kind === 'needle') keep(needles, line, needleSchema.safeParse(plainOf(row)));
    else problems.push(`Line ${line}: the kind must be bead, thread or needle.`);
  });
  if (data.length === 0) problems.push('The file has no rows. Its first line must name the columns.');
  return { beads, threads, needles, problems };
}
