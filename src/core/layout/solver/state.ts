/** Numbers of one bead in the state: its centre and its quaternion (w, x, y, z), of any length. */
export const PER_BEAD = 7;

/** A state that holds every bead of a cell, and the pitch and twist of its period. */
export const stateOf = (beads: number): Float64Array => new Float64Array(beads * PER_BEAD + 2);
export const pitchIndex = (beads: number): number => beads * PER_BEAD;

/** How many beads a state holds. */
export const beadsOf = (state: Float64Array): number => (state.length - 2) / PER_BEAD;

/** Some beads of a state, in a state of their own. */
export function partOf(all: Float64Array, kept: readonly number[]): Float64Array {
  const state = stateOf(kept.length);
  kept.forEach((i, k) => state.set(all.subarray(i * PER_BEAD, (i + 1) * PER_BEAD), k * PER_BEAD));
  state.set(all.subarray(-2), kept.length * PER_BEAD);
  return state;
}

/** Draws a state out along the piece so many times, or together. */
export function stretch(state: Float64Array, times: number): void {
  const n = beadsOf(state);
  for (let i = 0; i < n; i++) state[i * PER_BEAD] = times * (state[i * PER_BEAD] as number);
  state[pitchIndex(n)] = times * (state[pitchIndex(n)] as number);
}
