import * as z from 'zod';
import { asPattern } from '../piece/variants';
import { migratePiece, pieceSchema, type Piece } from '../piece/piece';
import { storableSchema } from './storable';

/** The version of a pattern's own document. The piece inside has a format of its own. */
const PATTERN_FORMAT = 1;

/** A piece without its wearer, to be made again for anybody. */
export const patternSchema = z.object({
  format: z.literal(PATTERN_FORMAT),
  piece: pieceSchema.refine(({ wearer }) => wearer === null, 'A pattern has no wearer.'),
});
export type Pattern = z.infer<typeof patternSchema>;

/** A piece kept as a pattern. */
export const patternOf = (piece: Piece): Pattern => ({ format: PATTERN_FORMAT, piece: asPattern(piece) });

const storedSchema = z.object({ format: z.literal(PATTERN_FORMAT), piece: z.unknown() });

/** A pattern as it was kept: before it had a format of its own it was a bare piece. Throws a ZodError where it is none. */
export function readPattern(raw: unknown): Pattern {
  const stored = storedSchema.safeParse(storableSchema.parse(raw));
  const inside = stored.success && stored.data.piece !== undefined ? stored.data.piece : raw;
  return patternSchema.parse({ format: PATTERN_FORMAT, piece: migratePiece(inside) });
}
