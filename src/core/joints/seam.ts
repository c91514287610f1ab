import { LOOP_ROLE } from '../closures/sewnLoop';
import { acrossAndBack, seamJoint, type Seam } from '../structures/seam';
import type { Weave } from '../weave/builder';
import { towards, type Edge } from '../weave/edge';
import { backOutOf, outOf } from '../weave/needle';
import { TAIL, type Bead } from '../weave/path';
import { joinBetween, UnequalEdges } from './between';
import { fastenOff } from './fastenOff';

/**
 * Sews two stretches of a piece to each other with a thread of its own, and fastens that off in them. Throws
 * UnequalEdges where their posts are not as many, or where they cannot be zipped.
 * @param into beads of either stretch, near the seam, to fasten off in
 */
export function sewSeam(
  piece: Weave,
  nth: number,
  [here, there]: readonly [Edge, Edge],
  seam: Seam,
  into: readonly Bead[],
): void {
  const joint = seamJoint(nth);
  const w = piece.stretch(joint, { row: 0, unit: 0 }, { tied: piece.tied });
  const needle = w.needle('working');
  w.joint(joint, 'begin a thread', () => needle.begin('none'));
  if (seam.by === 'zip') {
    const [one, other] = [here.zips ?? [], there.zips ?? []];
    if (one.length === 0 || one.length !== other.length) throw new UnequalEdges([one.length, other.length]);
    w.joint(joint, 'zip the edges', () => w.zip(needle, one, other));
  } else {
    const [across, back] = acrossAndBack(seam);
    const seeds = (count: number) => Array<string>(count).fill(LOOP_ROLE);
    joinBetween(w, needle, joint, [here, there], {
      across: seeds(across),
      back: seeds(back),
      rounds: seam.rounds,
    });
  }
  const ends = into.flatMap((bead) => [outOf(bead), backOutOf(bead)]);
  for (const end of [needle, w.needle(TAIL)])
    // Where no thread leads on, it is woven in as it comes.
    fastenOff(w, [end, end.reaches(...ends) ? towards(...ends) : null]);
}
