/** Numbers of one bead in the state: its centre and its quaternion (w, x, y, z), of any length. */
export const PER_BEAD = 7;

/** A state that holds every bead of a cell, and the pitch and twist of its period. */
export const stateOf = (beads: number): Float64Array => new Float64Array(beads * PER_BEAD + 2);
export const pitchIndex = (beads: number): number => beads * PER_BEAD;
