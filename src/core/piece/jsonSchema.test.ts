import { readFileSync } from 'node:fs';
import { expect, it } from 'vitest';
import { pieceJsonSchema } from './jsonSchema';

it('the schema that is published is the one that the program checks with (`npm run schemas` writes it)', () => {
  const published: unknown = JSON.parse(readFileSync('schemas/piece.schema.json', 'utf8'));
  expect(published).toEqual(JSON.parse(JSON.stringify(pieceJsonSchema())));
});
