import { shippedLayouts } from '../layout/shipped';
import { solveLayout } from '../layout/solveLayout';
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
export const planPiece = (piece: Piece, lookups: Partial<plan.Lookups> = {}): plan.Plan | plan.NoPlan =>
  plan.planPiece(piece, withShipped(lookups));

/** The same, with whatever is not laid out yet solved on the spot: takes up to some seconds. */
export function planSolved(piece: Piece, lookups: Partial<plan.Lookups> = {}): plan.Plan | plan.NoPlan {
  const first = planPiece(piece, lookups);
  if (!first.ok || !first.toLayOut) return first;
  const { key } = first.toLayOut;
  const layout = solveLayout(first.toLayOut);
  const { layouts } = { layouts: shippedLayouts, ...lookups };
  return planPiece(piece, { ...lookups, layouts: (wanted) => (wanted === key ? layout : layouts(wanted)) });
}
