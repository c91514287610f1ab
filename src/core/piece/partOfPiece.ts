import { given } from '../tools/given';
import { ownUnits } from '../structures/registry';
import { partSchema, type Part } from './part';
import { PIECE_FORMAT, type Piece } from './piece';

/** One part of a piece with all that it has of the piece: what it is planned from, and what a maker chooses for it. */
export type PartOfPiece = Omit<Piece, 'format' | 'parts' | 'name'> &
  Omit<Part, 'name'> & {
    /** Of the piece. */
    readonly name: string;
    /** What the maker calls the part. */
    readonly partName: string;
    /** The other parts of the piece, which it may string. */
    readonly others: readonly Part[];
    /** Of a part made apart, whose own ends are what they are: the ends of the piece. */
    readonly endsOfPiece?: Piece['ends'];
  };

/** Parts choices into those of a part and those that all parts of a piece have. */
function split(choices: Partial<PartOfPiece>): { ofPart: Partial<Part>; ofPiece: Partial<Piece> } {
  const { name, partName, others: _others, endsOfPiece: _ends, ...rest } = choices;
  const entries = Object.entries(rest);
  const isOfPart = ([key]: readonly [string, unknown]) => key in partSchema.shape;
  return {
    ofPart: {
      ...Object.fromEntries(entries.filter(isOfPart)),
      ...(partName !== undefined && { name: partName }),
    },
    ofPiece: {
      ...Object.fromEntries(entries.filter((entry) => !isOfPart(entry))),
      ...(name !== undefined && { name }),
    },
  };
}

/** The piece that this part is of: alone, or with the others that it has. */
export function asPiece(part: PartOfPiece): Piece {
  const { ofPart, ofPiece } = split(part);
  // What is strung is made before it is strung.
  const { others, ends, endsOfPiece = ends } = part;
  return { format: PIECE_FORMAT, ...ofPiece, ends: endsOfPiece, parts: [...others, ofPart] } as Piece;
}

/** The part that carries the others: it takes up what the wish leaves. Throws where a piece has none. */
export const carrying = ({ parts }: Pick<Piece, 'parts'>): Part =>
  given(
    parts.find(({ count }) => count.by === 'fit'),
    'part that is fitted',
  );

/** A part of a piece by its id, the one that carries the others where none is named. Throws where the piece has no such part. */
function partById(piece: Pick<Piece, 'parts'>, id = carrying(piece).id): Part {
  const found = piece.parts.find((part) => part.id === id);
  if (!found) throw new Error(`The piece has no part ${id}.`);
  return found;
}

/** One part of a piece, the one that carries the others where none is named. Throws where the piece has no such part. */
export function partOf(piece: Piece, id?: string): PartOfPiece {
  const { format: _format, parts, name, ...shared } = piece;
  const part = partById(piece, id);
  const { name: partName, ...own } = part;
  const others = parts.filter((other) => other !== part);
  const all = { ...shared, ...own, name, partName, others };
  const { by } = part.count;
  if (by === 'fit') return all;
  const apart = { ...all, ends: endsApart(shared.ends, by), endsOfPiece: shared.ends };
  // A ring about a body is of one kind of unit.
  return by === 'around' ? { ...apart, structure: ownUnits(part.structure) } : apart;
}

/** The ends of a part made apart: closed into a ring, or two free edges. */
const endsApart = (ends: Piece['ends'], by: Part['count']['by']): Piece['ends'] => ({
  ...ends,
  closing: by === 'fixed' ? 'open' : 'joined',
  extender: null,
  chain: null,
  woven: null,
  dangle: null,
});

/**
 * A piece with something changed of one part, the carrying one where none is named, or of what all have. The ends of a part
 * made apart are what they are, and not those of the piece. Throws as `partOf`.
 */
export function withPart(piece: Piece, change: Partial<PartOfPiece>, id?: string): Piece {
  const before = partById(piece, id);
  const { ends, ...others } = change;
  const { ofPart, ofPiece } = split(before.count.by === 'fit' && ends ? { ...others, ends } : others);
  const parts = piece.parts.map((part) => (part === before ? { ...part, ...ofPart } : part));
  return { ...piece, ...ofPiece, parts };
}

/** A piece with every part of it changed alike. */
export const withParts = (piece: Piece, change: (part: PartOfPiece) => Partial<PartOfPiece>): Piece =>
  piece.parts.reduce((now, { id }) => withPart(now, change(partOf(now, id)), id), piece);
