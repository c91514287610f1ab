// npm run schemas: writes the published JSON Schemas of files from those that the program checks with.
import { writeFileSync } from 'node:fs';
import { jsonSchemas } from '@/core/files/jsonSchemas';
import { speak } from './speak';

await speak(() => {
  const all = Object.entries(jsonSchemas());
  for (const [name, schema] of all)
    writeFileSync(`schemas/${name}.schema.json`, `${JSON.stringify(schema, null, 2)}\n`);
  return `Wrote ${all.map(([name]) => `schemas/${name}.schema.json`).join(', ')}.`;
});
