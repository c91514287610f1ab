import { smallestSwatch } from '../fit/swatch';
import type { Lookups, Plan } from '../plan/plan';
import { planPart } from '../plan/plan';
import type { PartOfPiece } from '../piece/partOfPiece';
import { LOOP_ROLE } from '../closures/sewnLoop';

/** What to work and lay on a ruler before the piece itself is begun. */
export interface SwatchPlan {
  readonly units: number;
  /** About how long it will be, beads only. */
  readonly lengthMm: number;
  readonly beads: readonly { readonly role: string; readonly total: number }[];
  readonly threadMm: number;
}

/** A tail to hold at either end of a swatch that is not fastened off, mm (from memory). */
const HELD_MM = 150;

/**
 * The smallest swatch that tells the count of this piece: how many units, which beads, how much thread. Null where
 * the whole piece is no longer than that, so that one may as well begin it and measure on the way.
 */
export function swatchPlan(piece: PartOfPiece, plan: Plan, lookups: Partial<Lookups>): SwatchPlan | null {
  const { gauge, weaveable, chosen } = plan;
  const units = smallestSwatch(chosen.units, gauge.pitchMm, weaveable.minimumUnits);
  if (units >= chosen.units) return null;
  // Its own units are what a swatch is of.
  const { id, params } = piece.structure;
  const small = planPart({ ...piece, structure: { id, params }, units }, lookups);
  if (!small.ok) return null;
  return {
    units,
    lengthMm: units * gauge.basePitchMm,
    beads: small.quantities
      .filter(({ role }) => role !== LOOP_ROLE)
      .map(({ role, total }) => ({ role, total })),
    threadMm: small.thread.inWorkMm + 2 * HELD_MM,
  };
}
