/** Work by the trips of the needle through beads, and the time that it took, ms. */
export interface Worked {
  readonly trips: number;
  readonly spentMs: number;
}

/** Fewer trips than this show no pace, and nobody works faster: then steps were leafed through (both from memory). */
const LEAST_TRIPS = 40;
const LEAST_TRIP_MS = 800;

/** How long a trip through a bead takes by what was made, ms; null where that shows no pace. */
export const tripMsOf = ({ trips, spentMs: ms }: Worked): number | null =>
  trips >= LEAST_TRIPS && ms / trips >= LEAST_TRIP_MS ? ms / trips : null;

/** A trip of the needle through a bead takes so long until one's own pace is known, ms (from memory: a guess). */
export const GUESSED_TRIP_MS = 5000;

/** How fast one works. */
export interface Pace {
  readonly tripMs: number;
  /** Pieces that it stands on; 0 where it is a guess. */
  readonly pieces: number;
}

/** Own pace from what was made, ms a trip; the guess where there is too little to go by. */
export function pace(made: readonly Worked[]): Pace {
  const known = made.filter((one) => tripMsOf(one) !== null);
  if (known.length === 0) return { tripMs: GUESSED_TRIP_MS, pieces: 0 };
  const all = (of: keyof Worked) => known.reduce((sum, one) => sum + one[of], 0);
  return { tripMs: all('spentMs') / all('trips'), pieces: known.length };
}
