import Ajv2020 from 'ajv/dist/2020';
import addFormats from 'ajv-formats';
import { readFileSync } from 'node:fs';
import { describe, expect, it } from 'vitest';
import { DEMO_PIECES, examplePiece } from '@/demo/choir';
import { patternOf } from '../records/pattern';
import { jsonSchemas } from './jsonSchemas';

const publishedOf = (name: string): Record<string, unknown> =>
  JSON.parse(readFileSync(`schemas/${name}.schema.json`, 'utf8')) as Record<string, unknown>;

describe('the schemas that are published', () => {
  it.each(Object.keys(jsonSchemas()))(
    '%s is the one that the program checks with (`npm run schemas` writes it)',
    (name) => {
      expect(publishedOf(name)).toEqual(JSON.parse(JSON.stringify(jsonSchemas()[name])));
    },
  );

  it('library (ajv): what goes out is what they describe, and what is damaged is not', () => {
    const ajv = addFormats(new Ajv2020({ strict: false }));
    const [piece, pattern] = [ajv.compile(publishedOf('piece')), ajv.compile(publishedOf('pattern'))];
    for (const name of DEMO_PIECES) {
      const doc: unknown = JSON.parse(JSON.stringify(examplePiece(name)));
      expect(piece(doc), `${name}: ${JSON.stringify(piece.errors)}`).toBe(true);
      expect(pattern(JSON.parse(JSON.stringify(patternOf(examplePiece(name)))))).toBe(true);
      expect(piece({ ...(doc as object), parts: 'many' })).toBe(false);
      expect(pattern(doc)).toBe(false);
    }
  });
});
