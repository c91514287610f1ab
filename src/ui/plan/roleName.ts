import type { BeadMaterial } from '@/core/materials/material';

/** A bead by its size, shape and finish. */
export const sizeName = (bead: BeadMaterial): string =>
  `${bead.name.replace('round seed ', '')}${bead.finish === 'plain' ? '' : `, ${bead.finish}`}`;

/** A bead in the weaver's words: its size and shape, its colour. */
export const roleName = (bead: BeadMaterial): string => `${sizeName(bead)}, ${bead.colourName}`;
