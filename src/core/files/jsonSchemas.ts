import * as z from 'zod';
import { pieceSchema } from '../piece/piece';
import { patternSchema } from '../records/pattern';
import { workspaceFileSchema } from './workspaceFile';

const published = (schema: z.ZodType, title: string, description: string): Record<string, unknown> => ({
  ...z.toJSONSchema(schema, { target: 'draft-2020-12', io: 'input', reused: 'ref' }),
  title,
  description,
});

/** The JSON Schemas of the files that go out and come in, by their names, derived from those that the program itself checks with. */
export const jsonSchemas = (): Readonly<Record<string, Record<string, unknown>>> => ({
  piece: published(
    pieceSchema,
    'Ivy Loom piece',
    'The choices of one piece of beadwork. Lengths are in millimetres.',
  ),
  pattern: published(
    patternSchema,
    'Ivy Loom pattern',
    'A piece without its wearer, and what travels with it. Lengths are in millimetres.',
  ),
  workspace: published(
    workspaceFileSchema,
    'Ivy Loom workspace',
    'Everything of a workspace: people, pieces, patterns, swatches, materials, what was made, photographs. Lengths are in millimetres.',
  ),
});
