import * as z from 'zod';
import { jointOf, type JointId, type Section } from '../weave/path';

/** Beads in a circle of a seam, across or back. */
export const MOST_ACROSS = 12;
export const MOST_ROUNDS = 3;

/** How an edge is joined to the next: by circles of beads, edge to edge, or zipped where each stands in the gaps of the other. */
export const SEAMS = ['beads', 'edge', 'zip'] as const;

export const seamSchema = z.object({
  by: z.enum(SEAMS),
  /** Beads on the way across, and on the way back; of a seam by beads. */
  across: z.number().int().min(1).max(MOST_ACROSS),
  back: z.number().int().min(1).max(MOST_ACROSS),
  /** How often thread goes round. */
  rounds: z.number().int().min(1).max(MOST_ROUNDS),
});
export type Seam = z.infer<typeof seamSchema>;

/** A bead across and one back, gone round twice. */
export const USUAL_SEAM: Seam = { by: 'beads', across: 1, back: 1, rounds: 2 };

/** Beads across and back; none edge to edge. */
export const acrossAndBack = ({ by, across, back }: Seam): readonly [across: number, back: number] =>
  by === 'beads' ? [across, back] : [0, 0];

/** Slots of the beads of a seam. */
export const SEAM_SLOTS = { across: 'across', back: 'back' } as const;

/** Seams by their sections, each told once it is sewn. */
const seams = new Map<Section, number>();

/** The joint of a seam by its number, from 0. */
export function seamJoint(nth: number): JointId {
  const joint = `seam ${nth + 1}`;
  seams.set(jointOf(joint), nth);
  return joint;
}

/** Which seam is worked in a section, from 0; null where it is none. */
export const seamOf = (section: Section): number | null => seams.get(section) ?? null;
