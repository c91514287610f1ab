import type { Piece } from './piece';

/** What can hurt someone, shown beside the choice that raises it. The interface words it. */
export type Caution = 'magnet' | 'nickel' | 'sharp-edges';

/** Cautions that the choices of a piece raise. `roles` are those that its structure uses. */
export function cautionsFor(piece: Piece, roles: readonly string[]): Caution[] {
  const cautions: Caution[] = [];
  if (piece.ends.clasp.shape === 'magnetic') cautions.push('magnet');
  if (piece.ends.clasp.plated) cautions.push('nickel');
  if (roles.some((role) => piece.beads[role as keyof Piece['beads']]?.shape === 'bugle'))
    cautions.push('sharp-edges');
  return cautions;
}
