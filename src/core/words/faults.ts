import type { Fault } from '../weave/check';

/** What goes by a bead that is yet to be picked up, and under a thread that is not there. */
export const NOT_IN_THE_WORK = 'That bead is not in the work yet. Pick it up before.';
export const NO_SUCH_BRIDGE =
  'No thread leads straight from the one bead to the other. Choose two that follow each other on the thread.';

/** A fault of a path that a maker told, in a sentence and what to do; null of those that only a whole piece can have. */
export function faultWords(fault: Fault): string | null {
  switch (fault.code) {
    case 'no-such-hole':
      return `The bead has no hole ${fault.hole + 1}. Go through another.`;
    case 'not-in-the-work':
      return NOT_IN_THE_WORK;
    case 'strung-twice':
      return 'That bead is strung already. Pick up another.';
    case 'turns-back':
      return 'The thread goes back into the hole that it has just come out of, and nothing holds it. Go through another bead first, or round one.';
    case 'leaps-over':
      return 'The thread goes through the same bead the same way twice running, with nothing between. Take one out, or go through another bead first.';
    case 'no-such-bridge':
      return NO_SUCH_BRIDGE;
    case 'ends-cannot-meet':
    case 'zip-unequal':
    case 'cell-unlike':
    case 'grows-outside-repeat':
    case 'round-does-not-fit':
      return null;
  }
}
