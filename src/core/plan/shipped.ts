import { shippedLayouts } from '../layout/shipped';
import { solveLayout } from '../layout/solveLayout';
import type { Piece } from '../piece/piece';
import * as plan from './plan';

/**
 * Planning with the layouts that ship. They are many: a page is given the few that it needs, and everything else (the
 * command line, tests, benchmarks) plans with all of them.
 */
const withShipped = (known: Partial<plan.Known>): Partial<plan.Known> => ({
  layouts: shippedLayouts,
  ...known,
});

/** As in `plan.ts`. */
export const planPiece = (piece: Piece, known: Partial<plan.Known> = {}): plan.Plan | plan.NoPlan =>
  plan.planPiece(piece, withShipped(known));

/** The same, with whatever is not laid out yet solved on the spot: takes up to some seconds. */
export function planSolved(piece: Piece, known: Partial<plan.Known> = {}): plan.Plan | plan.NoPlan {
  const first = planPiece(piece, known);
  if (!first.ok || !first.toLayOut) return first;
  const { key } = first.toLayOut;
  const layout = solveLayout(first.toLayOut);
  const { layouts } = { layouts: shippedLayouts, ...known };
  return planPiece(piece, { ...known, layouts: (wanted) => (wanted === key ? layout : layouts(wanted)) });
}
