import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { migratePiece, type Piece } from '@/core/piece';

/**
 * The demo world: the singers of a harbour ferry crew's choir, who order matching pieces for a midsummer
 * concert. All invented.
 */
export const CHOIR = [
  { name: 'Maren', note: 'alto, deckhand', girths: { wrist: 159, neck: 352, finger: 53 } },
  { name: 'Ilse', note: 'soprano, ticket office', girths: { wrist: 148, neck: 331, finger: 49 } },
  { name: 'Pell', note: 'tenor, engine room', girths: { wrist: 181, neck: 398, finger: 64 } },
  { name: 'Jorun', note: 'soprano, galley', girths: { wrist: 166, neck: 364, finger: 55 } },
  { name: 'Osk', note: 'bass, skipper', girths: { wrist: 192, neck: 421, finger: 67 } },
] as const;

/** The piece files of the demo, in `examples/`. */
export const DEMO_PIECES = ['breakwater-band', 'lantern-line', 'slack-water'] as const;

/** Reads one of the example pieces. Throws where the file is not a piece. */
export const examplePiece = (name: string): Piece =>
  migratePiece(JSON.parse(readFileSync(join(process.cwd(), 'examples', `${name}.json`), 'utf8')));
