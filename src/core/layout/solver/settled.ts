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
  /** Unbalanced pull that is left, in threads' pull. */
  readonly residual: number;
}
