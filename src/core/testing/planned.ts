import { newPart } from '../piece/newPiece';
import type { PartOfPiece } from '../piece/partOfPiece';
import type { Lookups, Plan } from '../plan/plan';
import { planPart } from '../plan/shipped';

/** A piece planned with what ships. Throws where it has no plan. */
export function planned(piece: PartOfPiece, lookups: Partial<Lookups> = {}): Plan {
  const plan = planPart(piece, lookups);
  if (!plan.ok) throw new Error(JSON.stringify(plan.problem));
  return plan;
}

/** A piece in a stitch, with these changes and parameters, planned. */
export function inStitch(
  id: string,
  change: Partial<PartOfPiece> = {},
  params: Readonly<Record<string, unknown>> = {},
): Plan {
  const piece = newPart('Test', id, null);
  return planned({
    ...piece,
    structure: { id, params: { ...piece.structure.params, ...params } },
    ...change,
  });
}
