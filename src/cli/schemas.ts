// npm run schemas: writes the published JSON Schema of a piece file from the one the program checks with.
import { writeFileSync } from 'node:fs';
import { pieceJsonSchema } from '@/core/piece/jsonSchema';
import { speak } from './speak';

await speak(() => {
  writeFileSync('schemas/piece.schema.json', `${JSON.stringify(pieceJsonSchema(), null, 2)}\n`);
  return 'Wrote schemas/piece.schema.json';
});
