import * as z from 'zod';
import {
  beadKindSchema,
  claspSchema,
  findingSchema,
  needleSchema,
  threadSchema,
} from '@/core/materials/material';
import { eventSchema } from '@/core/making/events';
import { readMat } from '@/core/making/mat';
import { readPattern } from '@/core/records/pattern';
import { measureSchema, personSchema } from '@/core/records/people';
import { migratePiece } from '@/core/piece/piece';
import { settingsSchema } from '@/core/records/settings';
import { storableSchema } from '@/core/records/storable';
import { readSwatch } from '@/core/records/swatches';
import { ourWords } from '@/core/tools/ourWords';

/**
 * What each table keeps: brought to the newest format and checked, on the way in as on the way out. What this would
 * refuse to read is never written.
 */
const READERS = {
  piece: migratePiece,
  version: migratePiece,
  variant: migratePiece,
  pattern: readPattern,
  swatch: readSwatch,
  mat: readMat,
  event: (raw: unknown) => eventSchema.parse(raw),
  person: (raw: unknown) => personSchema.parse(raw),
  measure: (raw: unknown) => measureSchema.parse(raw),
  settings: (raw: unknown) => settingsSchema.parse(raw),
  bead: (raw: unknown) => beadKindSchema.parse(raw),
  thread: (raw: unknown) => threadSchema.parse(raw),
  needle: (raw: unknown) => needleSchema.parse(raw),
  finding: (raw: unknown) => findingSchema.parse(raw),
  clasp: (raw: unknown) => claspSchema.parse(raw),
} as const satisfies Record<string, (raw: unknown) => unknown>;

export type RecordKind = keyof typeof READERS;
export type RecordOf<K extends RecordKind> = ReturnType<(typeof READERS)[K]>;

/** Something that cannot be kept, in words for whoever wanted it kept. */
export class Refusal extends Error {
  override readonly name = 'Refusal';
}

/** What is wrong with a document, in words. */
export const faultsOf = (error: z.ZodError): string =>
  error.issues
    .slice(0, 3)
    .map(({ path, message }) => `${path.length > 0 ? `${path.join(', ')}: ` : ''}${ourWords(message)}`)
    .join(' ');

/** What this has checked: at the edge, and once more where it is kept, which need not be done twice. */
const checked = Object.fromEntries(Object.keys(READERS).map((kind) => [kind, new WeakSet()])) as Record<
  RecordKind,
  WeakSet<object>
>;

/** A thing as its table keeps it. Throws a Refusal for what could not be read again. */
export function checkedIn<K extends RecordKind>(kind: K, value: unknown): RecordOf<K> {
  if (typeof value === 'object' && value !== null && checked[kind].has(value)) return value as RecordOf<K>;
  try {
    const read = READERS[kind](storableSchema.parse(value)) as RecordOf<K>;
    checked[kind].add(read);
    return read;
  } catch (error) {
    if (!(error instanceof z.ZodError)) throw error;
    throw new Refusal(faultsOf(error), { cause: error });
  }
}

/** A row that this version cannot read: it stays as it is, to be saved as a file or put away. */
export interface Unreadable {
  readonly kind: RecordKind;
  readonly id: string;
  /** What it is called, as far as that can be told. */
  readonly name: string;
  /** What is wrong with it, in words. */
  readonly why: string;
}

export type Reading<T> =
  { readonly ok: true; readonly value: T } | { readonly ok: false; readonly unreadable: Unreadable };

const nameSchema = z.object({ name: z.string() }).or(z.object({ piece: z.object({ name: z.string() }) }));

/** What a row of any kind is called, cut to a line. */
function nameIn(raw: unknown): string {
  const told = nameSchema.safeParse(raw).data;
  if (!told) return 'without a name';
  return ('name' in told ? told.name : told.piece.name).slice(0, 200);
}

/** Reads one row; one that fails hurts no other. */
export function readRow<K extends RecordKind>(kind: K, id: string, raw: unknown): Reading<RecordOf<K>> {
  try {
    return { ok: true, value: READERS[kind](raw) as RecordOf<K> };
  } catch (error) {
    const why = error instanceof z.ZodError ? faultsOf(error) : String(error);
    return { ok: false, unreadable: { kind, id, name: nameIn(raw), why } };
  }
}

/** The rows of a table that could be read, and those that could not. */
export interface Readings<T> {
  readonly found: readonly T[];
  readonly unreadable: readonly Unreadable[];
}

/** Parts readings into what could be read and what could not. */
export const parted = <T>(readings: readonly Reading<T>[]): Readings<T> => ({
  found: readings.flatMap((one) => (one.ok ? [one.value] : [])),
  unreadable: readings.flatMap((one) => (one.ok ? [] : [one.unreadable])),
});

/** Reads the rows of a table one by one, each into what is wanted of it. */
export const readRows = <K extends RecordKind, R extends { readonly id: string }, T>(
  kind: K,
  rows: readonly R[],
  rawOf: (row: R) => unknown,
  become: (row: R, value: RecordOf<K>) => T,
): Readings<T> =>
  parted(
    rows.map((row): Reading<T> => {
      const read = readRow(kind, row.id, rawOf(row));
      return read.ok ? { ok: true, value: become(row, read.value) } : read;
    }),
  );
