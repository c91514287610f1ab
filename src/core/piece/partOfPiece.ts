import { MAIN } from '../weave/path';
import { partSchema, type Part } from './part';
import { PIECE_FORMAT, type Piece } from './piece';

/** One part of a piece with all that it has of the piece: what it is planned from, and what a maker chooses for it. */
export type PartOfPiece = Omit<Piece, 'format' | 'parts'> & Omit<Part, 'id'>;

/** Parts choices into those of a part and those that all parts of a piece have. */
function split(choices: Partial<PartOfPiece>): { ofPart: Partial<Part>; ofPiece: Partial<Piece> } {
  const entries = Object.entries(choices);
  const isOfPart = ([key]: readonly [string, unknown]) => key in partSchema.shape;
  return {
    ofPart: Object.fromEntries(entries.filter(isOfPart)),
    ofPiece: Object.fromEntries(entries.filter((entry) => !isOfPart(entry))),
  };
}

/** A piece that is made of this part alone. */
export function asPiece(part: PartOfPiece): Piece {
  const { ofPart, ofPiece } = split(part);
  return { format: PIECE_FORMAT, ...ofPiece, parts: [{ id: MAIN, ...ofPart }] } as Piece;
}

/** A part of a piece by its id, the first where none is named. Throws where the piece has no such part. */
function partById({ parts }: Pick<Piece, 'parts'>, id = parts[0]?.id): Part {
  const found = parts.find((part) => part.id === id);
  if (!found) throw new Error(`The piece has no part ${id}.`);
  return found;
}

/** One part of a piece, the first where none is named. Throws where the piece has no such part. */
export function partOf(piece: Piece, id?: string): PartOfPiece {
  const { format: _format, parts: _parts, ...shared } = piece;
  const { id: _id, ...part } = partById(piece, id);
  return { ...shared, ...part };
}

/** A piece with something changed of one part, the first where none is named, or of what all have. Throws as `partOf`. */
export function withPart(piece: Piece, change: Partial<PartOfPiece>, id?: string): Piece {
  const { ofPart, ofPiece } = split(change);
  const before = partById(piece, id);
  const parts = piece.parts.map((part) => (part === before ? { ...part, ...ofPart } : part));
  return { ...piece, ...ofPiece, parts };
}

/** A piece with every part of it changed alike. */
export const withParts = (piece: Piece, change: (part: PartOfPiece) => Partial<PartOfPiece>): Piece =>
  piece.parts.reduce((now, { id }) => withPart(now, change(partOf(now, id)), id), piece);
