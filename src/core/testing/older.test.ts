// Documents as earlier versions wrote them, planned: they open unchanged, whatever form the present one has. Where a change
// of the plan itself is meant, `npm run unit -- src/core/testing/older.test.ts -u` writes it anew, to be read in the diff.
import { readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import { describe, expect, it } from 'vitest';
import { swatchKey } from '../gauge/stitch';
import { migratePiece, PIECE_FORMAT, type Piece } from '../piece/piece';
import { planPiece } from '../plan/shipped';
import { fingerprint } from './fingerprint';
import { partOf } from '../piece/partOfPiece';

const read = (...path: string[]): unknown => JSON.parse(readFileSync(join(...path), 'utf8'));

/** The examples that ship, among them the demo's, in the format in which each was written. */
const examples = readdirSync('examples')
  .filter((file) => file.endsWith('.json'))
  .sort()
  .map((file) => read('examples', file));

const corpus = readdirSync(join(import.meta.dirname, 'older'))
  .filter((file) => file.endsWith('.json'))
  .sort()
  .flatMap((file) => read(import.meta.dirname, 'older', file) as unknown[]);

/** What it comes to: counts, thread, path, places, picture; and the name that its layout is kept under. */
const readAs = (piece: Piece) =>
  `${piece.name}: ${fingerprint(planPiece(piece))} | layout ${swatchKey(partOf(piece))?.key ?? 'none'}`;

describe('documents of earlier formats', () => {
  it('are of every one', () => {
    const formats = new Set([...examples, ...corpus].map((doc) => (doc as { format: number }).format));
    for (let format = 1; format < PIECE_FORMAT; format++) expect(formats).toContain(format);
  });

  it('are planned as the version planned them that wrote them', async () => {
    const lines = [...examples, ...corpus].map((doc) => readAs(migratePiece(doc)));
    await expect(`${lines.join('\n')}\n`).toMatchFileSnapshot('./older/read-as.txt');
  });

  it('are the same when they are opened again from the present one', () => {
    for (const doc of [...examples, ...corpus]) {
      const now = migratePiece(doc);
      expect(migratePiece(JSON.parse(JSON.stringify(now)))).toEqual(now);
    }
  });
});
