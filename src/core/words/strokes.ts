import type { Spot, Stroke } from '../structures/ownPath';
import type { RoleLetter } from '../structures/roles';
import { counted } from './figures';

const BACK = ['this unit', 'the unit before', 'the unit before that'] as const;

/** A bead of a stitch of one's own: `bead 2 (A) of the unit before`. */
export function spotWords({ bead, back }: Spot, sequence: readonly RoleLetter[]): string {
  const role = sequence[bead - 1];
  return `bead ${bead}${role ? ` (${role})` : ''} of ${BACK[back] ?? 'an earlier unit'}`;
}

/** What the needle does in a step: `through bead 2 (A) of the unit before, the other way`. */
export function strokeWords(stroke: Stroke, sequence: readonly RoleLetter[]): string {
  const spot = (one: Spot) => spotWords(one, sequence);
  switch (stroke.does) {
    case 'pick':
      return `pick up ${counted(stroke.beads, 'bead')}`;
    case 'through':
      return `through ${spot(stroke.spot)}${stroke.hole === 2 ? ', second hole' : ''}, ${stroke.against ? 'against the way it was strung' : 'the way it was strung'}`;
    case 'under':
      return `under the thread from ${spot(stroke.spot)} to ${spot(stroke.other)}`;
    case 'round':
      return `round the outside of ${spot(stroke.spot)}`;
    case 'turn':
      return `turn the work ${stroke.how}`;
  }
}
