import { findingOf } from '../structures/seam';
import { listed } from '../structures/sections';
import { PLACE_FACTS } from '../body/places';
import { makeOf, type ThreadMaterial } from '../materials/material';
import type { PartOfPiece } from '../piece/partOfPiece';
import { beadOf } from '../piece/part';

/** What can hurt someone, shown beside the choice that raises it. The interface words it. */
export type Caution =
  'children' | 'swelling' | 'magnet' | 'nickel' | 'wire-ends' | 'glue' | 'sharp-edges' | 'flame';

/** Cautions that belong to the ends of a piece, and those that belong to who wears it. */
export const CAUTIONS_OF_ENDS: readonly Caution[] = ['magnet', 'nickel', 'wire-ends', 'glue'];
export const CAUTIONS_OF_WEAR: readonly Caution[] = ['children', 'swelling'];

/**
 * Ends of thread that can be melted off: it may be done with a burner or a flame. Elastic is knotted only; on the knots of cord
 * goes a drop of glue.
 */
export function cautionsOfThread(thread: Pick<ThreadMaterial, 'make' | 'name'>): Caution[] {
  const make = makeOf(thread);
  return make === 'elastic' ? [] : make === 'monofilament' ? ['flame', 'glue'] : ['flame'];
}

/** Girths smaller than this part of a small adult's are taken for a child's (from memory). */
const CHILD = 0.9;

const isChild = ({ wearer }: PartOfPiece): boolean =>
  (['wrist', 'neck', 'ankle', 'hand'] as const).some((place) => {
    const girth = wearer?.girths[place];
    const small = PLACE_FACTS[place].typical?.small;
    return girth !== undefined && small !== undefined && girth < CHILD * small;
  });

/** Whether chain is cut or rings are opened for it, at its ends or between sections. */
function cutsOrOpens({ ends, structure: { sections } }: PartOfPiece): boolean {
  const { closing, chain, extender, start, end } = ends;
  return (
    (closing === 'clasp' && Boolean(chain ?? extender ?? start.rings ?? end.rings)) ||
    listed(sections).some((one) => !one.own && one.other && findingOf(one.other.seam))
  );
}

/** Cautions that the choices of a piece raise. `roles` are those that its structure uses. */
export function cautionsFor(piece: PartOfPiece, roles: readonly string[]): Caution[] {
  const { ends, kind } = piece;
  const cautions: Caution[] = [];
  if (isChild(piece)) cautions.push('children');
  if (kind === 'ring' || kind === 'bangle') cautions.push('swelling');
  if (ends.closing === 'clasp') {
    if (ends.clasp.shape === 'magnetic') cautions.push('magnet');
    if (ends.clasp.plated) cautions.push('nickel');
    if (ends.clasp.fastening === 'glued') cautions.push('glue');
  }
  if (cutsOrOpens(piece)) cautions.push('wire-ends');
  const isBugle = (role: string) => /bugle/.test(beadOf(piece, role).shape);
  if (roles.some(isBugle)) cautions.push('sharp-edges');
  return cautions;
}
