import * as z from 'zod';
import { at, distinct } from './structure';
import type { Field, MotifChart } from './field';
import { ROLE_LETTERS, type RoleLetter } from './roles';

/** A small picture that repeats along the work: beads by rows, each row from the upper edge down. */
export type Motif = readonly (readonly RoleLetter[])[];

/** More rows than this are a picture, not a small motif; and no stitch that has one is wider. */
export const MOST_MOTIF_ROWS = 24;
const MOST_ACROSS = 16;

/** Empty where the stitch goes by its sequence. */
export const motifSchema = z
  .array(z.array(z.enum(ROLE_LETTERS)).min(1).max(MOST_ACROSS))
  .max(MOST_MOTIF_ROWS, `A motif has at most ${MOST_MOTIF_ROWS} rows. Take some out.`)
  .default([]);

/** Why work of a small motif has no sections. */
export const MOTIF_ALONG = 'A small motif repeats all along: take the motif off, or the sections.';

/** What every stitch with a motif says of it alike. */
export const MOTIF_FIELD = { key: 'motif', kind: 'motif', label: 'A small motif' } as const;

/** The bead of a motif in a row of the work; a row that is told too short begins again. */
export const cellOf = (motif: Motif, row: number, column: number): RoleLetter => {
  const cells = at(motif, row % motif.length);
  return at(cells, column % cells.length);
};

/** Its roles, in the order they first come. */
export const rolesOfMotif = (motif: Motif): RoleLetter[] => distinct(motif.flat());

/** The first rows of a motif, to be coloured: what stands there already, or the usual beads by turns. */
export function startingMotif(chart: MotifChart): RoleLetter[][] {
  const { from, step } = chart;
  const rows = Math.ceil(Math.max(from.length, 4) / step) * step;
  return Array.from({ length: rows }, (_, row) => rowOf(chart, row, at(from, row % from.length)));
}

/** A row of one colour. */
export const rowOf = ({ cells }: MotifChart, row: number, role: RoleLetter): RoleLetter[] =>
  Array.from({ length: cells(row) }, () => role);

/** A motif as the chart wants it: rows that have become wider or narrower are filled up or cut. */
export const fittedTo = (motif: Motif, chart: MotifChart): RoleLetter[][] =>
  motif.map((_, row) => Array.from({ length: chart.cells(row) }, (_, column) => cellOf(motif, row, column)));

export type MotifField = Extract<Field, { kind: 'motif' }>;
