import type { Weave } from '../weave/builder';
import type { Edge } from '../weave/edge';
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
  here.posts.forEach((post, nth) => {
    const { into } = goToPost(w, needle, joint, post, 'go to the edge');
    const other = given(there.posts[nth]?.[0], 'way to hold on to the other edge');
    const run = here.posts.length === 1 ? {} : { run: nth };
    w.joint(joint, 'join the edges', () => {
      const out = needle.string(across, 'across', run);
      needle.enter(other.into);
      const home = needle.string(back, 'back', run);
      needle.enter(into);
      for (let round = 1; round < rounds; round++)
        needle
          .reinforce(...out)
          .enter(other.into, 'reinforce')
          .reinforce(...home)
          .enter(into, 'reinforce');
    });
  });
}
