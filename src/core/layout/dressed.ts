import * as z from 'zod';
import { listOf } from '../tools/listOf';
import type { BeadSize } from '../materials/material';
import type { Way } from '../piece/part';
import { hash } from '../tools/hash';
import { SOLVER_VERSION } from './cellLayout';
import { PER_BEAD } from './solver/state';

/**
 * A part closed about a body, dressed: between its neighbours on the thread that strings it, for they press on each other.
 * Told as a recipe, so that a worker can weave it.
 */
export interface DressedRequest {
  readonly key: string;
  readonly structure: { readonly id: string; readonly params: Readonly<Record<string, unknown>> };
  readonly without: readonly string[];
  readonly units: number;
  readonly way: Way;
  /** Bodies of its roles, and of what it is closed about. */
  readonly sizes: readonly (readonly [role: string, size: BeadSize])[];
  readonly neighbours: readonly [before: BeadSize, behind: BeadSize];
}

/** How a dressed part lies when it is at rest, as it is kept. */
export const dressedLayoutSchema = z.object({
  /** What it takes of the length of the thread, from neighbour to neighbour, mm. */
  alongMm: z.number().positive(),
  /** Centre (mm, from the middle of the body; x along the thread) and quaternion of each of its beads, as they are strung. */
  beads: listOf(listOf(z.number()).refine((numbers) => numbers.length === PER_BEAD)),
  /** False where it did not come to rest. */
  settled: z.boolean(),
});
export type DressedLayout = z.infer<typeof dressedLayoutSchema>;

/** The request for a part in these bodies; two that are the same in all that matters to a layout have the same key. */
export function dressedRequest(asked: Omit<DressedRequest, 'key'>): DressedRequest {
  const { structure, ...others } = asked;
  // A database may hand parameters back in another order.
  const params = Object.entries(structure.params).sort(([a], [b]) => (a < b ? -1 : 1));
  return { ...asked, key: `${SOLVER_VERSION}:ring:${hash(JSON.stringify([structure.id, params, others]))}` };
}
