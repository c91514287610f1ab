import type { Weave } from '../weave/builder';
import type { Edge } from '../weave/edge';
import type { Needle } from '../weave/needle';
import type { JointId } from '../weave/path';
import { goToPost, postsFor } from './post';

/** The pass in which the opening of a tube is drawn shut, before anything hangs there. */
export const DRAW_SHUT = 'ends drawn shut';

/** Draws the opening of a tube shut: once round through its outermost beads, from the post where the needle then is again. */
export function drawShut(w: Weave, needle: Needle, joint: JointId, edge: Edge): void {
  const { mouth } = edge;
  const [post] = postsFor(edge, 1);
  if (!mouth || !post) return;
  const why =
    'Pull until the opening closes. By how much the end draws in is not reckoned: measure before the clasp is sewn on.';
  w.joint(joint, DRAW_SHUT, () =>
    w.pass(DRAW_SHUT, { optional: true, why }, () => {
      goToPost(w, needle, joint, post, 'go to where it is drawn shut');
      needle.enter(mouth);
    }),
  );
}
