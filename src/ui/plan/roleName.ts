import type { BeadMaterial } from '@/core/materials/material';

/** A bead in the weaver's words: its size and shape, its colour. */
export const roleName = (bead: BeadMaterial): string =>
  `${bead.name.replace('round seed ', '')}${bead.finish === 'plain' ? '' : `, ${bead.finish}`}, ${bead.colourName}`;
