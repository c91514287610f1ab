import { PALETTE } from '../materials/catalogue';
import { MOST_LETTERS_OF_A_COLOUR } from '../materials/material';
import { shadesOf } from '../piece/part';
import type { PartOfPiece } from '../piece/partOfPiece';
import type { Shade } from './shades';

/** The palette, and behind it every other colour that a piece has: of its beads, and of its thread. */
export function coloursAtHand(
  piece: Pick<PartOfPiece, 'beads' | 'colourings' | 'threadColour'>,
): readonly Shade[] {
  const byName = new Map<string, Shade>(PALETTE.map((colour) => [colour.name, colour]));
  const used = Object.keys(piece.beads).flatMap((role) => shadesOf(piece, role));
  for (const colour of [...used, ...(piece.threadColour ? [piece.threadColour] : [])])
    if (!byName.has(colour.name)) byName.set(colour.name, colour);
  return [...byName.values()];
}

/** What speaks against a new colour, in words that say what to do; null where nothing does. */
export function colourProblem(name: string, colours: readonly Shade[]): string | null {
  const label = name.trim();
  if (label === '') return 'Give the colour a name: it is what you will ask for.';
  if (label.length > MOST_LETTERS_OF_A_COLOUR)
    return `A name of a colour has at most ${MOST_LETTERS_OF_A_COLOUR} letters.`;
  const same = colours.find((colour) => colour.name.toLowerCase() === label.toLowerCase());
  return same ? `There is a ${same.name} already. Call this one something else.` : null;
}
