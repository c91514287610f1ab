import * as z from 'zod';
import type { FileProblem, WorkspaceFile } from '@/core/files/workspaceFile';
import { readSwatch } from '@/core/records/swatches';
import type { StoredSwatch } from './swatches';
import { unmarked, writeTable, type Table } from './tables';
import { faultsOf } from './records';

/** The document holds stitch and beads; what stands before it can be changed in a spreadsheet, and counts. */
const COLUMNS = ['id', 'name', 'stitch', 'units', 'length_mm', 'taken_on', 'thread', 'note', 'document'];

/** Swatches as a table. */
export const swatchesCsv = (swatches: readonly StoredSwatch[]): string =>
  writeTable(
    COLUMNS,
    swatches.map(({ id, doc }) => ({
      id,
      name: doc.name,
      stitch: doc.structure.id,
      units: doc.units,
      length_mm: doc.lengthMm,
      taken_on: doc.takenOn,
      thread: doc.thread.name,
      note: doc.note,
      document: JSON.stringify(doc),
    })),
  );

/** Whether the columns of a table are those of swatches. */
export const areOfSwatches = (columns: readonly string[]): boolean =>
  columns.includes('units') && columns.includes('length_mm') && columns.includes('document');

/** Reads swatches from a table. */
export function readSwatchesCsv(table: Table): {
  readonly swatches: WorkspaceFile['swatches'];
  readonly problems: readonly FileProblem[];
} {
  const problems: FileProblem[] = [];
  const swatches = table.rows.flatMap(({ told, line }): WorkspaceFile['swatches'] => {
    const cell = (name: string) => unmarked(told[name] ?? '');
    try {
      const document: unknown = JSON.parse(cell('document'));
      const doc = readSwatch({
        ...z.record(z.string(), z.unknown()).parse(document),
        name: cell('name'),
        units: Number(cell('units')),
        lengthMm: Number(cell('length_mm').replace(',', '.')),
        takenOn: cell('taken_on'),
        note: cell('note'),
      });
      return [{ id: z.uuid().safeParse(told.id).data ?? crypto.randomUUID(), doc, away: false }];
    } catch (error) {
      const why =
        error instanceof z.ZodError
          ? faultsOf(error)
          : 'Its stitch and beads stand there, as they were taken along.';
      problems.push({ path: `line ${line}${error instanceof z.ZodError ? '' : ', document'}`, why });
      return [];
    }
  });
  return { swatches, problems };
}
