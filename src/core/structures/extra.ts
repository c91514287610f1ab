import * as z from 'zod';
import { plural } from '../words/numbers';
import { at } from './structure';
import type { CountField, Field } from './field';
import type { RoleLetter } from './roles';

/** Rows beyond the whole units: so many of the first again, so that a strip ends on a given row. */
export const extraSchema = z
  .number()
  .int()
  .min(0, 'A strip cannot end before its last unit.')
  .max(24)
  .default(0);

/** It ends on the section that its unit begins with, whatever the count: n sections of large beads stand between n + 1 of seeds. */
export const SECTION = 'section';

/** Rows beyond the whole units: so many, or the section that the unit begins with. */
export const endingSchema = z.union([z.literal(SECTION), extraSchema]).default(0);

/** What a strip that can end on a section is told by. */
interface Ending {
  readonly sequence: readonly RoleLetter[];
  readonly extra: z.infer<typeof endingSchema>;
}

/** Rows beyond the last unit; where all rows of a unit are alike both ends are, and none are wanted. */
export function extraOf({ sequence, extra }: Ending): number {
  const [first] = sequence;
  const other = sequence.findIndex((role) => role !== first);
  return extra === SECTION ? Math.max(0, other) : extra;
}

/** Parameters of a strip, with so many rows beyond its last unit as it is to end on. */
export const asItEnds = <P extends Ending>(p: P): P & { readonly extra: number } => ({
  ...p,
  extra: extraOf(p),
});

/** The field for how it ends. */
export const endingField = (rows: string): Field => ({
  ...extraField(rows),
  or: {
    value: SECTION,
    label: 'End on its first section again',
    short: 'its first section again',
    help: 'Both ends are alike then, whatever the count: one section of seeds more than there are of larger beads.',
  },
});

/** The field for them. */
export const extraField = (rows: string): CountField => ({
  key: 'extra',
  kind: 'count',
  label: `${rows} beyond the last unit`,
  help: 'The unit begun again: 1 makes both ends alike; more end it on another row, or use up what is left of the length.',
  least: 0,
  most: 24,
});

/** What they are called at the end of a plan; null where there are none. */
export const extraWords = ({ extra }: { readonly extra: number }, row: string): string | null =>
  extra === 0
    ? null
    : extra === 1
      ? `then one more ${row}, like the first`
      : `then ${extra} more ${plural(row)}, like the first ${extra}`;

/** How much of a run of lengths so many of them take, begun again as often as needed. */
export const firstOf = (lengths: readonly number[], extra: number): number =>
  Array.from({ length: extra }, (_, i) => at(lengths, i % lengths.length)).reduce((sum, mm) => sum + mm, 0);

/** Parameters of a strip that may end with its first rows again: joined into a ring it does not, for there it begins. */
export const ringed = <P extends { readonly extra: number }>(p: P, joined = false): P =>
  joined ? { ...p, extra: 0 } : p;
