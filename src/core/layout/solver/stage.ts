/** What changes from stage to stage while a cell is solved. */
export interface Stage {
  /** Stiffness of the beads, in threads' pull a millimetre of overlap. */
  readonly stiffness: number;
  /** How strongly the piece is laid straight: a pull along it, in threads' pull. */
  readonly pull: number;
  /** How strongly work is held down on its mat, in threads' pull a millimetre: beads that have no face of their own. */
  readonly flat: number;
  /** How strongly work about an axis is held down on its mat, in threads' pull a millimetre. */
  readonly disc: number;
  /** How strongly a line is held on its own middle line, across it, in threads' pull a millimetre. */
  readonly line: number;
  /** How strongly the core of a rope is held on its axis, in threads' pull a millimetre. */
  readonly axis: number;
  /** Radius of the former that a tube is worked round, mm; 0 where there is none. */
  readonly formerMm: number;
  /** Whether the period is as long as it is. */
  readonly pitchHeld: boolean;
  /** Whether the screw between neighbouring periods may turn. */
  readonly twistFree: boolean;
  /** Bare thread shorter than about this, mm, pulls less than taut thread does. */
  readonly slack: number;
  /** How strongly a closed form is opened from its middle, in threads' pull for each bead. */
  readonly open: number;
  /** Radius of the thread, mm: bare thread may not pass through beads. 0 lets it. */
  readonly threadMm: number;
}

/**
 * A thread of length 0 pulls in no direction: below about this length, mm, its pull fades. Thread of a hand's
 * tension gives by more.
 */
export const TAUT = 0.03;

/** Beads and taut thread alone: nothing pulls, holds or opens the work. */
export const AT_EASE: Stage = {
  stiffness: 100,
  pull: 0,
  flat: 0,
  disc: 0,
  line: 0,
  axis: 0,
  formerMm: 0,
  pitchHeld: false,
  twistFree: false,
  slack: TAUT,
  open: 0,
  threadMm: 0,
};
