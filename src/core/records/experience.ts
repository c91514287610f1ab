import * as z from 'zod';
import { listOf } from '../tools/listOf';
import { studentT } from '../fit/student';
import { arePasses } from '../gauge/gauge';
import { pace } from './pace';
import { swatchSchema } from './swatches';

const length = z.number().min(0);

/** What a piece that was made tells those that come after it in its stitch. Lengths in mm. */
export const pieceRecordSchema = z.object({
  structure: z.string(),
  /** Trips of the needle through beads, and the time that they took, ms. */
  trips: length,
  spentMs: length,
  /** Thread between two measures of the same length: as it was reckoned, and as it went. Null where none was measured twice. */
  thread: z.object({ laidMm: length, usedMm: length }).nullable(),
  /** By what part later passes drew the work in; null where it was not measured before them and after. */
  shrink: z.object({ passes: listOf(z.string()), by: z.number() }).nullable(),
  /** How long its units came out, as a swatch would tell it; null where nobody measured it, or where they do not repeat. */
  swatch: swatchSchema.nullable(),
});
export type PieceRecord = z.infer<typeof pieceRecordSchema>;

const pieces = z.number().int().min(1);

/** What was learnt of a stitch from the pieces that were made in it. */
export const experienceSchema = z.object({
  /** Thread to spare, as a part of what lies in the work. */
  margin: z.object({ part: z.number(), pieces }).nullable(),
  /** By what part passes draw in: between these, and on how many pieces that stands. */
  shrinks: listOf(
    z.object({
      passes: listOf(z.string()),
      by: z.number(),
      /** How far the next may lie from it; null from one piece, which cannot tell. */
      give: z.number().nullable(),
      pieces,
    }),
  ),
  /** Time of a trip through a bead, ms; of the stitch itself, or of all that was made. Null is a guess. */
  pace: z.object({ tripMs: z.number(), pieces, ofStitch: z.boolean() }).nullable(),
});
export type Experience = z.infer<typeof experienceSchema>;

/** Looks up what was learnt of a stitch, by its id. */
export type ExperienceBook = (structure: string) => Experience;

const NONE: Experience = { margin: null, shrinks: [], pace: null };
export const NO_EXPERIENCE: ExperienceBook = () => NONE;

/** Nobody spares less than nothing, or more than this (from memory: half as much again). */
const MARGINS = [0, 0.5] as const;

const mean = (values: readonly number[]): number =>
  values.reduce((sum, value) => sum + value, 0) / values.length;
const deviation = (values: readonly number[]): number => {
  const middle = mean(values);
  return Math.sqrt(values.reduce((sum, value) => sum + (value - middle) ** 2, 0) / (values.length - 1));
};

/** Thread to spare: how much faster it went than it lies, and from the second piece on one standard deviation more, for too short is worse. */
function marginOf(records: readonly PieceRecord[]): Experience['margin'] {
  const known = records.flatMap(({ thread }) => (thread && thread.laidMm > 0 ? [thread] : []));
  if (known.length === 0) return null;
  const factors = known.map(({ laidMm, usedMm }) => usedMm / laidMm);
  const part = mean(factors) - 1 + (factors.length > 1 ? deviation(factors) : 0);
  return { part: Math.min(MARGINS[1], Math.max(MARGINS[0], part)), pieces: known.length };
}

/** By what part passes draw in, and where the next piece lies with 95 % (Student's t). */
function shrinksOf(records: readonly PieceRecord[]): Experience['shrinks'] {
  const known = records.flatMap(({ shrink }) => (shrink ? [shrink] : []));
  return known.flatMap((first, i) => {
    if (known.findIndex(({ passes }) => arePasses(passes, first.passes)) < i) return [];
    const all = known.filter(({ passes }) => arePasses(passes, first.passes));
    const parts = all.map(({ by }) => by);
    const n = parts.length;
    const give = n > 1 ? studentT(0.95, n - 1) * deviation(parts) * Math.sqrt(1 + 1 / n) : null;
    return [{ passes: first.passes, by: mean(parts), give, pieces: n }];
  });
}

/** A book of what the pieces that were made have taught. */
export function experienceBook(records: readonly PieceRecord[]): ExperienceBook {
  const all = pace(records);
  const known = new Map<string, Experience>();
  const learn = (structure: string): Experience => {
    const own = records.filter((record) => record.structure === structure);
    const ofStitch = pace(own);
    const by = ofStitch.pieces > 0 ? ofStitch : all;
    return {
      margin: marginOf(own),
      shrinks: shrinksOf(own),
      pace: by.pieces > 0 ? { ...by, ofStitch: by === ofStitch } : null,
    };
  };
  return (structure) => {
    const found = known.get(structure) ?? learn(structure);
    known.set(structure, found);
    return found;
  };
}
