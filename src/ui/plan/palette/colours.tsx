'use client';

import { createContext, use, useMemo, type ReactNode } from 'react';
import { coloursAtHand } from '@/core/colour/ownColours';
import type { Shade } from '@/core/colour/shades';
import { PALETTE } from '@/core/materials/catalogue';
import type { PartOfPiece } from '@/core/piece/partOfPiece';

const Context = createContext<readonly Shade[]>(PALETTE);

interface Props {
  readonly piece: Pick<PartOfPiece, 'beads' | 'colourings' | 'threadColour'>;
  readonly children: ReactNode;
}

/** Everything below can be given the colours of the palette, and those the piece has besides. */
export function ColoursOf({ piece: { beads, colourings, threadColour }, children }: Props) {
  const colours = useMemo(
    () => coloursAtHand({ beads, colourings, threadColour }),
    [beads, colourings, threadColour],
  );
  return <Context value={colours}>{children}</Context>;
}

export const useColours = (): readonly Shade[] => use(Context);
