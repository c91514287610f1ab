import type { Weave } from '../weave/builder';
import type { Meeting } from '../weave/edge';
import type { Needle } from '../weave/needle';
import type { JointId } from '../weave/path';

/** The joint in which a ring is closed. */
export const RING: JointId = 'join';

/** Sews the last of the work to its beginning, so that the strip is a ring. */
export function closeRing(w: Weave, needle: Needle, { through, as, knotted }: Meeting): void {
  w.joint(RING, 'join the ends', () => {
    needle.enter(through, as);
    if (knotted) needle.knot('square');
  });
}
