import { newPiece } from '../piece/newPiece';
import type { Piece } from '../piece/piece';
import type { Lookups, Plan } from '../plan/plan';
import { planPiece } from '../plan/shipped';

/** A piece planned with what ships. Throws where it has no plan. */
export function planned(piece: Piece, lookups: Partial<Lookups> = {}): Plan {
  const plan = planPiece(piece, lookups);
  if (!plan.ok) throw new Error(JSON.stringify(plan.problem));
  return plan;
}

/** A piece in a stitch, with these changes and parameters, planned. */
export function inStitch(
  id: string,
  change: Partial<Piece> = {},
  params: Readonly<Record<string, unknown>> = {},
): Plan {
  const piece = newPiece('Test', id, null);
  return planned({
    ...piece,
    structure: { id, params: { ...piece.structure.params, ...params } },
    ...change,
  });
}
