// A knot between two beads, as a body that lies there like a bead.
import type { BeadSize, ThreadMaterial } from './material';

/** What such a knot is called among the bodies of a piece. */
export const KNOT_ROLE = 'knot';

/**
 * A simple overhand knot, drawn down close between two beads, in diameters of its thread (from memory: knots of 0.45 mm silk make a
 * line of pearls a little under a millimetre longer each; as thick as three strands side by side).
 */
const LENGTH = 2;
const GIRTH = 3;
/** Thread that lies in it beside its own length, in diameters (from memory: a tight open trefoil knot takes ten). */
const TAKES = 10;
/** By how much of its length one knot may be shorter or longer than the next (from memory: unseen). */
export const KNOT_SPREAD = 0.25;

/** How long and thick an overhand knot lies between two beads, mm. Two strands together are as thick as one of the same section. */
export function knotBody({ diameterMm }: Pick<ThreadMaterial, 'diameterMm'>, doubled: boolean): BeadSize {
  const strandMm = diameterMm * (doubled ? Math.SQRT2 : 1);
  return {
    shape: 'seed',
    lengthMm: LENGTH * strandMm,
    diameterMm: GIRTH * strandMm,
    widthMm: null,
    holes: 1,
    apartMm: null,
    crossing: false,
  };
}

/** The thread of each strand that such a knot takes up, mm, beside what goes straight through it. */
export const knotTakesMm = ({ lengthMm }: Pick<BeadSize, 'lengthMm'>): number => (TAKES / LENGTH) * lengthMm;
