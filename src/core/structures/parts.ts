import type { BeadKind } from '../materials/material';
import type { Part } from './structure';

/** A bead that does not suit a part it is to play. */
export interface Unsuited {
  readonly role: string;
  readonly bead: string;
  readonly part: Part;
  /** `holes`: it cannot be woven so at all; `shape`: it can, but will not look or lie as it should. */
  readonly why: 'holes' | 'shape';
}

type Kind = Pick<BeadKind, 'name' | 'shape' | 'holes'>;

/** Whether a bead can play a part, and if not, why not. */
export function misfit(part: Part, bead: Kind): Unsuited['why'] | null {
  if (bead.holes !== part.holes) return 'holes';
  return part.shapes && !part.shapes.includes(bead.shape) ? 'shape' : null;
}

/** The beads that do not suit their parts, each part once. */
export const unsuited = (parts: readonly Part[], beadOf: (role: string) => Kind): Unsuited[] =>
  parts.flatMap((part) => {
    const bead = beadOf(part.role);
    const why = misfit(part, bead);
    return why ? [{ role: part.role, bead: bead.name, part, why }] : [];
  });
