// How ways, sides and holes are said.
import type { Corner, Direction } from '../told/told';

/** As they are said on a motif. */
export const OUTWARDS: Readonly<Partial<Record<Direction, string>>> = { up: 'outwards', down: 'inwards' };
export const OUTMOST: Readonly<Partial<Record<Direction | Corner, string>>> = {
  up: 'outermost',
  down: 'innermost',
};

export const WAYS: Readonly<Record<Direction, string>> = {
  up: 'up',
  down: 'down',
  left: 'to the left',
  right: 'to the right',
  towards: 'to the front',
  away: 'to the back',
};

/** Which of several beads lies farthest to a side, or towards a corner. */
export const FARTHEST: Readonly<Record<Direction | Corner, string>> = {
  up: 'top',
  down: 'bottom',
  left: 'leftmost',
  right: 'rightmost',
  towards: 'front',
  away: 'back',
  'up left': 'top left',
  'up right': 'top right',
  'down left': 'bottom left',
  'down right': 'bottom right',
};
/** Which of the holes of a bead. */
export const HOLES: Readonly<Record<Direction, string>> = {
  up: 'upper',
  down: 'lower',
  left: 'left',
  right: 'right',
  towards: 'front',
  away: 'back',
};
