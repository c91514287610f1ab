import { newPart } from '@/core/piece/newPiece';
import type { PartOfPiece } from '@/core/piece/partOfPiece';
import { planPart, type NoPlan, type Plan } from '@/core/plan/plan';
import type { Layouts } from '@/core/layout/kept';

/** A sample is about so long, mm, and has so many units at least and at most beyond the fewest. */
const LONG_MM = 46;
const LEAST = 3;
const MOST = 24;

/** A stitch as it comes, for nobody in particular. */
export const samplePiece = (structureId: string): PartOfPiece => newPart('Sample', structureId, null);

/**
 * The plan of a short sample: as many units as make it worth looking at, or as few as show how it is worked.
 */
export function planSample(piece: PartOfPiece, layouts: Layouts, few = false): Plan | NoPlan {
  const one = planPart({ ...piece, units: 1 }, { layouts });
  if (!one.ok) return one;
  const fewest = one.weaveable.minimumUnits;
  const units = few ? 0 : Math.round(LONG_MM / one.gauge.pitchMm);
  return planPart({ ...piece, units: Math.min(Math.max(units, fewest + LEAST), fewest + MOST) }, { layouts });
}
