'use client';

import { createContext, use, useMemo, type ReactNode } from 'react';
import { tellingApart, type Mark } from '@/core/colour/teaching';
import type { BeadMaterial } from '@/core/materials/material';
import { beadOf, shadesOf } from '@/core/piece/part';
import type { PartOfPiece } from '@/core/piece/partOfPiece';

/** How beads are shown: as they are, or so that they are told apart more easily. */
export interface Looking {
  /** In colours that differ strongly for every eye, whatever the beads' own. */
  readonly teaching: boolean;
  /** With a mark on each, so that colour alone says nothing. */
  readonly marks: boolean;
  /** To be printed: drawn bead by bead, however many they are. */
  readonly onPaper?: boolean;
}

const AS_THEY_ARE: Looking = { teaching: false, marks: false };
const Context = createContext<Looking>(AS_THEY_ARE);

/** All pictures of beads below are looked at in this way. */
export const LookingAt = ({ looking, children }: { looking: Looking; children: ReactNode }) => (
  <Context value={looking}>{children}</Context>
);

/** A bead as it is to be drawn. */
export interface SeenAs {
  readonly bead: BeadMaterial;
  readonly mark: Mark | null;
}

/** The bead of a role, in one of its colours. Throws for what is no role. */
export type Looks = (role: string, shade?: number) => SeenAs;

type Coloured = Pick<PartOfPiece, 'beads'> & { readonly colourings?: PartOfPiece['colourings'] };

/** How the beads of a piece are to be drawn. */
export function looksOf({ beads, colourings = {} }: Coloured, { teaching, marks }: Looking): Looks {
  const told = tellingApart({ beads, colourings });
  return (role, shade = 0) => {
    const bead = beadOf({ beads }, role);
    const apart = told(role, shade);
    const { name, hex } = teaching
      ? apart.colour
      : (shadesOf({ beads, colourings }, role)[shade] ?? { name: bead.colourName, hex: bead.colour });
    return { bead: { ...bead, colourName: name, colour: hex }, mark: marks ? apart.mark : null };
  };
}

/** Whether pictures here are to be printed. */
export const useOnPaper = (): boolean => use(Context).onPaper ?? false;

export function useLooks(piece: Coloured): Looks {
  const looking = use(Context);
  const { beads, colourings } = piece;
  return useMemo(() => looksOf({ beads, colourings }, looking), [beads, colourings, looking]);
}
