'use client';

import { useCallback, useMemo, useState } from 'react';
import { carrying, partOf, type PartOfPiece } from '@/core/piece/partOfPiece';
import type { Piece } from '@/core/piece/piece';
import type { PartId } from '@/core/weave/path';

/** The parts of the piece that is planned, and the one of them that is open to be changed. */
export interface Rooms {
  readonly piece: Piece;
  readonly open: PartId;
  readonly onOpen: (id: PartId) => void;
  /** Goes on with the piece as it then is: with one part more, or less. */
  readonly onTake: (piece: Piece) => void;
}

/** Which part is open: the one that carries the others, unless another is asked for that the piece still has. */
export function useOpenPart(
  piece: Piece,
  changePart: (change: Partial<PartOfPiece>, id: PartId) => void,
  onTake: (piece: Piece) => void,
): {
  readonly rooms: Rooms;
  readonly part: PartOfPiece;
  readonly change: (change: Partial<PartOfPiece>) => void;
} {
  const [asked, onOpen] = useState<PartId | null>(null);
  const open = piece.parts.find(({ id }) => id === asked)?.id ?? carrying(piece).id;
  const part = useMemo(() => partOf(piece, open), [piece, open]);
  const change = useCallback((next: Partial<PartOfPiece>) => changePart(next, open), [open, changePart]);
  const rooms = useMemo((): Rooms => ({ piece, open, onOpen, onTake }), [piece, open, onTake]);
  return { rooms, part, change };
}
