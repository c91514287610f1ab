import * as z from 'zod';
import { PLACES, PLACE_FACTS, type Place } from '@/core/body/places';
import type { FileProblem, WorkspaceFile } from '@/core/files/workspaceFile';
import { parseLength } from '@/core/length/length';
import { personSchema } from '@/core/records/people';
import type { Person } from './people';
import { unmarked, writeTable, type Table } from './tables';

const columnOf = (place: Place): string => `${place.replace(' ', '_')}_mm`;
const COLUMNS = ['id', 'name', 'note', ...PLACES.map(columnOf)];

/** People as a table: the newest of each girth, mm. */
export const peopleCsv = (people: readonly Person[]): string =>
  writeTable(
    COLUMNS,
    people.map(({ id, name, note, girths }) => ({
      id,
      name,
      note,
      ...Object.fromEntries(PLACES.map((place) => [columnOf(place), girths[place] ?? null])),
    })),
  );

/** Whether the columns of a table are those of people. */
export const isOfPeople = (columns: readonly string[]): boolean =>
  columns.includes('name') && PLACES.some((place) => columns.includes(columnOf(place)));

type People = WorkspaceFile['people'];

/** How far a girth may differ and still be the one that is known, mm: tables are rounded. */
const SAME_MM = 0.05;

/**
 * Reads people from a table. One who is here already, by id or by name, is the same, and gets the girths that differ as measures of
 * the day. A girth is a number of mm, or written as lengths are.
 */
export function readPeopleCsv(
  table: Table,
  here: readonly Person[],
  today: string,
): { readonly people: People; readonly problems: readonly FileProblem[] } {
  const problems: FileProblem[] = [];
  const people: People[number][] = [];
  for (const { told, line } of table.rows) {
    const fail = (column: string, why: string) => problems.push({ path: `line ${line}, ${column}`, why });
    const who = personSchema.safeParse({
      name: unmarked(told.name ?? ''),
      note: unmarked(told.note ?? ''),
    });
    if (!who.success) {
      for (const { path, message } of who.error.issues) fail(String(path[0]), message);
      continue;
    }
    const known = here.find(({ id }) => id === told.id) ?? here.find(({ name }) => name === who.data.name);
    const id = known?.id ?? (z.uuid().safeParse(told.id).data || crypto.randomUUID());
    if (people.some((one) => one.id === id)) {
      fail('name', 'This person stands in the file twice. Keep one line.');
      continue;
    }
    const measures = PLACES.flatMap((place): People[number]['measures'] => {
      const cell = unmarked(told[columnOf(place)] ?? '');
      if (cell === '') return [];
      const mm = girthOf(cell);
      const { minMm, maxMm } = PLACE_FACTS[place].range;
      if (mm === null || mm < minMm || mm > maxMm) {
        fail(columnOf(place), 'No body has such a measure. Write it in millimetres, or like 6 1/4 in.');
        return [];
      }
      const before = known?.girths[place];
      if (before !== undefined && Math.abs(before - mm) < SAME_MM) return [];
      return [{ id: crypto.randomUUID(), measure: { place, mm, takenOn: today }, away: false }];
    });
    people.push({ id, ...who.data, away: false, measures });
  }
  return { people, problems };
}

function girthOf(cell: string): number | null {
  const plain = Number(cell.replace(',', '.'));
  if (Number.isFinite(plain)) return plain;
  const read = parseLength(cell, 'mm');
  return read.ok ? read.mm : null;
}
