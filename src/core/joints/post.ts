import type { Weave } from '../weave/builder';
import type { Edge, Hold, Post } from '../weave/edge';
import type { Needle } from '../weave/needle';
import { isSameEnd, otherEnd, type JointId } from '../weave/path';

/** The pass in which the needle comes to where a clasp half is sewn on. */
const GO_TO_THE_LOOP = 'go to the loop';

/** The posts that hold so many things: one alone, or each the middle of as many equal stretches of the edge. */
export function postsFor({ posts, alone }: Edge, loops: number): Post[] {
  const count = Math.min(loops, posts.length);
  if (count === 1 && alone) return [alone];
  return Array.from(
    { length: count },
    (_, k) => posts[Math.floor(((k + 0.5) / count) * posts.length)] as Post,
  );
}

/** The way of a post that begins where the needle stands. */
export function holdAt(w: Weave, needle: Needle, post: Post): Hold | null {
  const stands = w.links.lastOut(needle.name);
  return (stands && post.find(({ out }) => isSameEnd(out, stands))) ?? null;
}

/**
 * Brings the needle to a post, and says how to hold what hangs there: the way that begins where it stands, or the
 * usual one of those that it can come to. Thread that has not been anywhere comes out there.
 */
export function goToPost(w: Weave, needle: Needle, joint: JointId, post: Post, pass = GO_TO_THE_LOOP): Hold {
  const hold =
    holdAt(w, needle, post) ?? post.find(({ out, reach }) => reach ?? needle.reaches(out)) ?? post[0];
  if (!hold) throw new Error(`A post at the ${joint} has no way to hold anything.`);
  const stands = w.links.lastOut(needle.name);
  w.joint(joint, pass, () => {
    if (!stands) needle.enter([{ ...hold.out, end: otherEnd(hold.out.end) }]);
    else if (hold.reach) {
      if (hold.reach.hitched) needle.knot(w.hitch);
      needle.enter(hold.reach.through(stands));
    } else needle.travel(hold.out);
  });
  return hold;
}
