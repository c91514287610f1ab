import * as z from 'zod';

/** Beads in a circle of a seam, across or back. */
export const MOST_ACROSS = 12;
const MOST_ROUNDS = 4;

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

const NAME = 'seam';
/** A seam by its number, from 0, as a joint of the path. */
export const seamName = (nth: number): string => `${NAME} ${nth + 1}`;
/** Which seam a joint is, from 0; null where it is none. */
export function seamOf(joint: string | null): number | null {
  const [name, number] = (joint ?? '').split(' ');
  return name === NAME && number ? Number(number) - 1 : null;
}
