/**
 * Between the points of a net: beyond its beads a leg has so much of a point's girth to go along the work, and so much across it (fitted to
 * a layout of a netted tube).
 */
export const BESIDE = { up: 0.54, aside: 0.33 } as const;
