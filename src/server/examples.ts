import { readdir, readFile } from 'node:fs/promises';
import path from 'node:path';
import { migratePiece, type Piece } from '@/core/piece/piece';

/** The piece files that ship with the program; none where their folder is missing. */
export async function examples(): Promise<Piece[]> {
  const folder = path.join(process.cwd(), 'examples');
  const files = await readdir(folder).catch(() => []);
  return Promise.all(
    files
      .filter((file) => file.endsWith('.json'))
      .sort()
      .map(async (file) => migratePiece(JSON.parse(await readFile(path.join(folder, file), 'utf8')))),
  );
}
