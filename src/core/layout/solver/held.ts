/**
 * How a maker holds the work while she measures it: flat on a mat, a tube on its former, a line pulled straight;
 * what is as thick as it stands lies in the hand, where nothing presses on it. A rope, and a tube off its former whose rows climb it,
 * turn there from repeat to repeat as far as they like. The structure tells it.
 */
export type Held = 'mat' | 'former' | 'line' | 'hand' | 'rope' | 'twisting tube';

/**
 * Nets are soft. Circles of single beads rest anywhere from square, as they are first drawn, to a pinwheel, where thread
 * is shortest: `square`. Sides of several beads bow until the circles are round: `round`.
 */
export type Net = 'square' | 'round';

/** Where a hand sets out from: every bead of the repeat as the structure arranges it, and the screw to the next repeat. */
export interface HandStart {
  readonly held: Held;
  readonly net: Net | null;
  readonly state: Float64Array;
  /** Whether both its edges are drawn alike, where the arrangement is the same on either side of its middle line. */
  readonly alike?: boolean;
  /** How often it was taken in hand before: each time it is off by a little else. */
  readonly again?: number;
}
