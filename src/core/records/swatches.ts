import * as z from 'zod';
import type { Measured } from '../fit/swatch';
import { swatchBook, type StitchKey, type SwatchBook, type SwatchEntry } from '../fit/swatchBook';
import { daySchema } from './people';
import { MOST_UNITS, partSchema } from '../piece/part';
import { threadSchema } from '../materials/material';
import type { PartOfPiece } from '../piece/partOfPiece';
import { storableDocument } from './storable';
import { swatchKey } from '../gauge/stitch';
import { ownUnits, structureById } from '../structures/registry';

const TENSIONS = ['tight', 'medium', 'loose'] as const;

/** The version of the document below. A change of its shape raises it and adds a step to `readSwatch`. */
const SWATCH_FORMAT = 1;

/** So many units worked and measured, in a stitch and beads of their own. Materials are copied into it. */
export const swatchSchema = z.object({
  format: z.literal(SWATCH_FORMAT).default(SWATCH_FORMAT),
  name: z.string().trim().min(1, 'Give the swatch a name.').max(80),
  structure: partSchema.shape.structure.refine(
    ({ id, params }) => structureById(id)?.check(params).length === 0,
    'This stitch cannot be worked so, so there is nothing that was measured.',
  ),
  beads: partSchema.shape.beads,
  thread: threadSchema,
  /** Later passes that were not worked when it was measured. */
  without: partSchema.shape.without,
  tension: z.enum(TENSIONS),
  units: z.number().int().min(1).max(MOST_UNITS),
  /** Beaded length only: from the first unit's edge to the last's. */
  lengthMm: z.number().min(2).max(3000),
  /** The day it was measured, as YYYY-MM-DD. */
  takenOn: daySchema,
  note: z.string().max(400).default(''),
  /** The mat that the work lay on when it was measured; null where it lay on none. */
  mat: z.uuid().nullable().default(null),
});
export type Swatch = z.infer<typeof swatchSchema>;

/** A swatch as it was kept: the first ones told no format. Throws a ZodError where it is none. */
export const readSwatch = (raw: unknown): Swatch => swatchSchema.parse(storableDocument.parse(raw));

/** A swatch begins as a piece does: without an end. */
const swatchPiece = ({ structure, beads, thread, without }: Swatch): Parameters<typeof swatchKey>[0] => ({
  structure,
  beads,
  thread,
  // A swatch does not tell: its thread is taken as it is.
  doubled: false,
  without,
});

const keys = new WeakMap<Swatch, StitchKey | null>();

/** What a swatch is kept under: stitch and bead sizes; null where its units do not repeat. */
export function keyOfSwatch(swatch: Swatch): StitchKey | null {
  const keptKey = keys.get(swatch);
  if (keptKey !== undefined) return keptKey;
  const key = swatchKey(swatchPiece(swatch));
  keys.set(swatch, key);
  return key;
}

/**
 * What a swatch says in the book, under its key; nothing where its units do not repeat.
 * @param piece it is a piece that was finished and measured
 */
export const entriesOf = (swatch: Swatch, stitch: StitchKey | null, piece = false): SwatchEntry[] =>
  stitch
    ? [
        {
          key: stitch.key,
          threadId: swatch.thread.id,
          rows: swatch.units * stitch.rowsOfUnit,
          lengthMm: swatch.lengthMm,
          piece,
          mat: swatch.mat,
        },
      ]
    : [];

/** A swatch, and what it is kept under. */
export interface Keyed {
  readonly doc: Swatch;
  readonly stitch: StitchKey | null;
  /** It is a piece that was finished and measured. */
  readonly piece?: boolean;
}

/** A book of swatches for the plan to look in, by keys that are known. */
export const bookOfKeyed = (swatches: readonly Keyed[]): SwatchBook =>
  swatchBook(swatches.flatMap(({ doc, stitch, piece }) => entriesOf(doc, stitch, piece)));

/** The same, by keys found now. */
export const bookOf = (swatches: readonly Swatch[]): SwatchBook =>
  bookOfKeyed(swatches.map((doc) => ({ doc, stitch: keyOfSwatch(doc) })));

/** What swatches of one stitch measured, told in the units of the first of them. */
export function readingsOf(swatches: readonly Swatch[]): Measured[] {
  const [first] = swatches;
  const rowsOfFirst = (first && keyOfSwatch(first)?.rowsOfUnit) ?? 1;
  return swatches.map((swatch) => ({
    units: (swatch.units * (keyOfSwatch(swatch)?.rowsOfUnit ?? 1)) / rowsOfFirst,
    lengthMm: swatch.lengthMm,
  }));
}

/** A swatch of a piece's stitch, beads and thread, measured. */
export const swatchOf = (
  piece: PartOfPiece,
  measured: Pick<Swatch, 'units' | 'lengthMm' | 'takenOn' | 'tension' | 'note' | 'without'> &
    Partial<Pick<Swatch, 'mat'>>,
): Swatch => ({
  format: SWATCH_FORMAT,
  name: piece.name,
  // It is of the piece's own units, whatever lies beside them.
  structure: ownUnits(piece.structure),
  beads: piece.beads,
  thread: piece.thread,
  mat: null,
  ...measured,
});
