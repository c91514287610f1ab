import type { Solid } from './solid';

/** How the neighbouring periods may lie to each other. */
export type Twist = 'straight' | 'half turn' | 'free';

/** A cell at rest. */
export interface Settled {
  readonly state: Float64Array;
  /** Of one period, mm, and its turn about the axis, radians. */
  readonly periodMm: number;
  readonly twist: number;
  readonly mode: Twist;
  /** Length of bare thread in a period, mm: the lower, the snugger. */
  readonly threadMm: number;
  readonly deepestMm: number;
  /** The longest bare thread that is no turn round an edge, mm. */
  readonly longestMm: number;
  /** Unbalanced pull that is left, in threads' pull. */
  readonly residual: number;
}

/** Unbalanced pull, in threads' pull, and depth of one bead in another, mm, that a layout at rest may have. */
const RESIDUAL = 0.02;
const DEEPEST_MM = 0.02;

/**
 * Whether a layout may be believed: forces in balance, no bead in another, and no bare thread longer than
 * two of the largest beads. Otherwise it has not settled, and must say so.
 */
export function rests({ residual, deepestMm, longestMm }: Settled, solids: readonly Solid[]): boolean {
  const largest = solids.reduce((most, { boundMm }) => Math.max(most, boundMm), 0);
  return residual < RESIDUAL && deepestMm < DEEPEST_MM && longestMm < 4 * largest;
}
