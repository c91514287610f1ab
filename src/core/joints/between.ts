import type { Weave } from '../weave/builder';
import { outOfWay, reversed, type Edge, type Hold } from '../weave/edge';
import type { Needle } from '../weave/needle';
import type { JointId } from '../weave/path';
import { given } from '../tools/given';
import { goToPost } from './post';

/** What lies between two edges that are joined: the same at every post of them. */
export interface Between {
  /** Roles of the beads on the way across, and of those on the way back. */
  readonly across: readonly string[];
  readonly back: readonly string[];
  /** How often thread goes round, at the least once. */
  readonly rounds: number;
}

/** Two edges that do not have the same number of posts, so that no joint can join them one by one. */
export class UnequalEdges extends Error {
  override readonly name = 'UnequalEdges';

  constructor(readonly counts: readonly [here: number, there: number]) {
    super(`An edge of ${counts[0]} cannot be joined to one of ${counts[1]} bead by bead.`);
  }
}

/**
 * Joins two edges post by post by a small circle of beads each: out of the one, across, through the other, and back.
 * The needle goes on to the next post by a hidden way. Throws UnequalEdges where their posts are not as many.
 */
export function joinBetween(
  w: Weave,
  needle: Needle,
  joint: JointId,
  [here, there]: readonly [Edge, Edge],
  { across, back, rounds }: Between,
): void {
  if (here.posts.length !== there.posts.length)
    throw new UnequalEdges([here.posts.length, there.posts.length]);
  // Told from opposite sides, the posts of the other are met from the last on.
  const opposite = here.from !== undefined && there.from !== undefined && here.from !== there.from;
  const others = opposite ? there.posts.toReversed() : there.posts;
  here.posts.forEach((post, nth) => {
    const hold = goToPost(w, needle, joint, post, 'go to the edge');
    const other = given(others[nth]?.[0], 'way to hold on to the other edge');
    const run = here.posts.length === 1 ? {} : { run: nth };
    w.joint(joint, 'join the edges', () => {
      const out = needle.string(across, 'across', run);
      needle.enter(other.into);
      turnRound(w, needle, other);
      const home = needle.string(back, 'back', run);
      needle.enter(hold.into);
      for (let round = 1; round < rounds; round++) {
        turnRound(w, needle, hold);
        needle.reinforce(...out).enter(other.into, 'reinforce');
        turnRound(w, needle, other);
        needle.reinforce(...home).enter(hold.into, 'reinforce');
      }
    });
  });
}

/**
 * Brings the needle, which has gone into a post, out of it again: it is out already, comes round as it is told, or turns over
 * a half hitch and comes back by the hole that it went into.
 */
function turnRound(w: Weave, needle: Needle, { out, into, round }: Hold): void {
  const stands = outOfWay(into);
  if (stands.bead === out.bead && stands.hole === out.hole && stands.end === out.end) return;
  if (!round || round.hitched) needle.knot(w.hitch);
  needle.enter(round?.through ?? reversed(into));
}
