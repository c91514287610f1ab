import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { partOf } from '@/core/piece/partOfPiece';
import { migratePiece, type Piece } from '@/core/piece/piece';
import { swatchOf, type Swatch } from '@/core/records/swatches';

/**
 * The demo world: the singers of a harbour ferry crew's choir, who order matching pieces for a midsummer
 * concert. All invented.
 */
export const CHOIR = [
  {
    name: 'Maren',
    note: 'alto, deckhand',
    girths: { wrist: 159, neck: 352, finger: 53, knuckle: 55, hand: 194, ankle: 228 },
  },
  {
    name: 'Ilse',
    note: 'soprano, ticket office',
    girths: { wrist: 148, neck: 331, finger: 49, knuckle: 51, hand: 183, ankle: 214 },
  },
  {
    name: 'Pell',
    note: 'tenor, engine room',
    girths: { wrist: 181, neck: 398, finger: 64, knuckle: 66, hand: 219, ankle: 252 },
  },
  {
    name: 'Jorun',
    note: 'soprano, galley',
    girths: { wrist: 166, neck: 364, finger: 55, knuckle: 57, hand: 201, ankle: 236 },
  },
  {
    name: 'Osk',
    note: 'bass, skipper',
    girths: { wrist: 192, neck: 421, finger: 67, knuckle: 70, hand: 228, ankle: 261 },
  },
] as const;

/** The piece files of the demo, in `examples/`. */
export const DEMO_PIECES = [
  'thimble-ring',
  'signal-chain',
  'tide-gauge',
  'breakwater-band',
  'lantern-line',
  'slack-water',
  'net-floats',
  'capstan',
  'compass-roses',
  'tide-rope',
  'gangplank',
  'lamp-drops',
  'spray-drops',
] as const;

/** Reads one of the example pieces. Throws where the file is not a piece. */
export const examplePiece = (name: string): Piece =>
  migratePiece(JSON.parse(readFileSync(join(process.cwd(), 'examples', `${name}.json`), 'utf8')));

/** Swatches of the slack water band that the choir's weaver has measured: all invented. */
export function demoSwatches(): Swatch[] {
  const piece = partOf(examplePiece('slack-water'));
  const taken = [
    { units: 5, lengthMm: 41.5, takenOn: '2026-04-11', tension: 'medium', note: '' },
    { units: 5, lengthMm: 42, takenOn: '2026-04-19', tension: 'medium', note: 'second tube of A' },
    { units: 7, lengthMm: 58.5, takenOn: '2026-05-02', tension: 'tight', note: '' },
  ] as const;
  return taken.map((one) => swatchOf(piece, { ...one, without: piece.without }));
}
