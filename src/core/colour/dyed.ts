import { beadOf } from '../piece/part';
import type { PartOfPiece } from '../piece/partOfPiece';
import type { Shade } from './shades';

/** The change that gives one of a role's colours another: 0 is the bead's own. */
export function dyed(
  { beads, colourings, strung }: Pick<PartOfPiece, 'beads' | 'colourings' | 'strung'>,
  role: string,
  shade: number,
  { name, hex }: Shade,
): Partial<PartOfPiece> {
  // What is strung in the place of a bead has colours of its own.
  if (role in strung) return {};
  const key = role as keyof PartOfPiece['beads'];
  if (shade === 0)
    return { beads: { ...beads, [key]: { ...beadOf({ beads }, role), colourName: name, colour: hex } } };
  const own = colourings[key as keyof PartOfPiece['colourings']];
  if (!own) return {};
  const more = own.more.map((old, i) => (i === shade - 1 ? { name, hex } : old));
  return { colourings: { ...colourings, [role]: { ...own, more } } };
}
