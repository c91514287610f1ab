import * as z from 'zod';
import { asPattern } from '../piece/variants';
import { migratePiece, pieceSchema, type Piece } from '../piece/piece';
import { daySchema } from './people';
import { storableDocument } from './storable';

/** The version of a pattern's own document. The piece inside has a format of its own. */
const PATTERN_FORMAT = 2;

const words = (most: number) =>
  z.string().trim().max(most, `At most ${most} letters are kept here.`).default('');

/** What travels with a pattern: who made it and what may be done with it. All of it is in the maker's own words. */
export const aboutPatternSchema = z.object({
  author: words(200),
  /** Where it is from: a book, a class, one's own head. */
  source: words(400),
  /** What may be done with it, and who said so. */
  permission: words(400),
  /** What was changed of what it is from. */
  changes: words(4000),
  /** What was found wrong in it after it was given away, the newest last. */
  errata: z
    .array(z.object({ on: daySchema, text: z.string().trim().min(1).max(2000) }))
    .max(100)
    .default([]),
});
export type AboutPattern = z.infer<typeof aboutPatternSchema>;

const NOTHING: AboutPattern = { author: '', source: '', permission: '', changes: '', errata: [] };

/** A piece without its wearer, to be made again for anybody. */
export const patternSchema = z.object({
  format: z.literal(PATTERN_FORMAT),
  piece: pieceSchema.refine(({ wearer }) => wearer === null, 'A pattern has no wearer.'),
  about: aboutPatternSchema,
});
export type Pattern = z.infer<typeof patternSchema>;

/** A piece kept as a pattern. */
export const patternOf = (piece: Piece, about: AboutPattern = NOTHING): Pattern => ({
  format: PATTERN_FORMAT,
  piece: asPattern(piece),
  about,
});

/** Format 1 told nothing about it. */
const storedSchema = z.object({
  format: z.literal([1, PATTERN_FORMAT]),
  piece: z.unknown(),
  about: z.unknown().optional(),
});

/** A pattern as it was kept: before it had a format of its own it was a bare piece. Throws a ZodError where it is none. */
export function readPattern(raw: unknown): Pattern {
  const stored = storedSchema.safeParse(storableDocument.parse(raw));
  const own = stored.success && stored.data.piece !== undefined ? stored.data : null;
  return patternSchema.parse({
    format: PATTERN_FORMAT,
    piece: migratePiece(own ? own.piece : raw),
    about: own?.about ?? NOTHING,
  });
}
