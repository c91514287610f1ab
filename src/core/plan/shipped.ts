import { shippedLayouts } from '../layout/shipped';
import type { KeptLayout, ToLayOut } from '../layout/kept';
import { solveKept } from '../layout/solveKept';
import { toLayOutFirst } from './madeApart';
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

const toLayOutOf = (plan: plan.Plan | plan.NoPlan): ToLayOut | null => (plan.ok ? toLayOutFirst(plan) : null);

/** The same, with whatever is not laid out yet solved on the spot: takes up to some seconds. */
export function planSolved(part: PartOfPiece, lookups: Partial<plan.Lookups> = {}): plan.Plan | plan.NoPlan {
  const { layouts } = { layouts: shippedLayouts, ...lookups };
  const solved = new Map<string, KeptLayout>();
  const planned = () => planPart(part, { ...lookups, layouts: (key) => solved.get(key) ?? layouts(key) });
  let plan = planned();
  for (let request = toLayOutOf(plan); request && !solved.has(request.key); request = toLayOutOf(plan)) {
    solved.set(request.key, solveKept(request));
    plan = planned();
  }
  return plan;
}
