import { shippedLayouts } from '../layout/shipped';
import { solveLayout } from '../layout/solveLayout';
import { partOf, type PartOfPiece } from '../piece/partOfPiece';
import type { Piece } from '../piece/piece';
import * as plan from './plan';

/**
 * Planning with the layouts that ship. They are many: a page is given the few that it needs, and everything else (the
 * command line, tests, benchmarks) plans with all of them.
 */
const withShipped = (lookups: Partial<plan.Lookups>): Partial<plan.Lookups> => ({
  layouts: shippedLayouts,
  ...lookups,
});

/** As in `plan.ts`. */
export const planPart = (part: PartOfPiece, lookups: Partial<plan.Lookups> = {}): plan.Plan | plan.NoPlan =>
  plan.planPart(part, withShipped(lookups));
/** As in `plan.ts`. */
export const planPiece = (piece: Piece, lookups: Partial<plan.Lookups> = {}): plan.Plan | plan.NoPlan =>
  planPart(partOf(piece), lookups);

/** The same, with whatever is not laid out yet solved on the spot: takes up to some seconds. */
export function planSolved(part: PartOfPiece, lookups: Partial<plan.Lookups> = {}): plan.Plan | plan.NoPlan {
  const first = planPart(part, lookups);
  if (!first.ok || !first.toLayOut) return first;
  const { key } = first.toLayOut;
  const layout = solveLayout(first.toLayOut);
  const { layouts } = { layouts: shippedLayouts, ...lookups };
  return planPart(part, { ...lookups, layouts: (wanted) => (wanted === key ? layout : layouts(wanted)) });
}
