import { planPiece, type NoPlan, type Plan } from '../plan/plan';
import { partOf, withPart } from '../piece/partOfPiece';
import type { Candidate } from '../fit/candidates';
import type { Making } from './making';
import { lookedUp, type Mat } from './mat';

/** What a measured length says of the rest of the work. */
export interface Refit {
  /** What it was measured over: so many units, from this one on. */
  readonly from: number;
  readonly units: number;
  readonly lengthMm: number;
  /** A unit as it was reckoned, and as it is made, with where that lies with 95 %, mm. */
  readonly reckonedMm: number;
  readonly pitchMm: number;
  readonly betweenMm: readonly [number, number];
  /** The count on the mat as it will come out now, and the one that comes nearest to the wish. */
  readonly now: Candidate;
  readonly best: Candidate;
  /** The plan at that pitch. */
  readonly plan: Plan;
}

/**
 * What a measure of the work so far makes of the plan. The beads are this piece's own: from now on only hand and ruler vary. What later
 * passes draw in is taken off where it was measured before them. Null where nothing was measured of the part that grows.
 */
export function refit(mat: Mat, { measures }: Pick<Making, 'measures'>): Refit | NoPlan | null {
  const own = partOf(mat.piece);
  const last = measures.filter(({ part }) => part === own.id).at(-1);
  if (!last) return null;
  const { from, units, lengthMm, finished } = last;
  const measured = withPart(mat.piece, {
    gauge: { source: 'this piece', units, lengthMm, finished },
    units: null,
  });
  const plan = planPiece(measured, lookedUp(mat));
  if (!plan.ok) return plan;
  const { gauge, best } = plan;
  const count = own.units ?? best.units;
  const kept = planPiece(withPart(measured, { units: count }), lookedUp(mat));
  if (!kept.ok) return kept;
  const of = mat.parts.find(({ id }) => id === own.id);
  return {
    from,
    units,
    lengthMm,
    reckonedMm: of?.pitchMm ?? gauge.pitchMm,
    pitchMm: gauge.pitchMm,
    betweenMm: [gauge.lowMm, gauge.highMm],
    now: kept.chosen,
    best,
    plan,
  };
}
