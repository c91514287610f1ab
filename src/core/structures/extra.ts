import * as z from 'zod';
import { plural } from '../words/numbers';
import { at } from './structure';
import type { Field } from './field';

/** Rows beyond the whole units: so many of the first again, so that a strip ends on a given row. */
export const extraSchema = z
  .number()
  .int()
  .min(0, 'A strip cannot end before its last unit.')
  .max(24)
  .default(0);

/** The field for them. */
export const extraField = (rows: string): Field => ({
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
