import * as z from 'zod';
import { pieceSchema } from './piece';

/** The JSON Schema of a piece file, derived from the schema that the program itself checks with. */
export const pieceJsonSchema = (): Record<string, unknown> => ({
  ...z.toJSONSchema(pieceSchema, { target: 'draft-2020-12', io: 'input', reused: 'ref' }),
  title: 'Ivy Loom piece',
  description: 'The choices of one piece of beadwork. Lengths are in millimetres.',
});
