import { LOOP_ROLE, LOOP_SLOTS, loopRuns, type SewnLoop } from '../closures/sewnLoop';
import type { Weave } from '../weave/builder';
import type { Edge, EdgeName, Hold, Post } from '../weave/edge';
import type { Needle } from '../weave/needle';
import type { HoleEnd } from '../weave/path';

/** The pass in which the needle comes to where a clasp half is sewn on. */
export const GO_TO_THE_LOOP = 'go to the loop';

/** The posts that hold so many things: one alone, or each the middle of as many equal stretches of the edge. */
function postsOf({ posts, alone }: Edge, loops: number): Post[] {
  const count = Math.min(loops, posts.length);
  if (count === 1 && alone) return [alone];
  return Array.from(
    { length: count },
    (_, k) => posts[Math.floor(((k + 0.5) / count) * posts.length)] as Post,
  );
}

const same = (a: HoleEnd, b: HoleEnd): boolean => a.bead === b.bead && a.hole === b.hole && a.end === b.end;

/** The way of a post that begins where the needle stands. */
export function holdAt(w: Weave, needle: Needle, post: Post): Hold | null {
  const stands = w.links.lastOut(needle.name);
  return (stands && post.find(({ out }) => same(out, stands))) ?? null;
}

/** Hangs a clasp half on an edge: each of its loops from a post. */
export function hangClasp(w: Weave, needle: Needle, end: EdgeName, loop: SewnLoop, edge: Edge): void {
  postsOf(edge, loop.loops ?? 1).forEach((post, nth) => {
    const hold = holdAt(w, needle, post) ?? (post[0] as Hold);
    const { out, reach, into, round } = hold;
    const stands = w.links.lastOut(needle.name);
    w.joint(end, GO_TO_THE_LOOP, () => {
      if (reach && stands) needle.enter(reach(stands));
      else needle.travel(out);
    });
    const comeRound = () => {
      if (round?.hitched) needle.knot('half hitch');
      if (round) needle.enter(round.through);
      else needle.travel(out);
    };
    sewLoop(w, needle, end, loop, { enter: () => needle.enter(into), comeRound }, nth);
  });
}

/** How thread goes from the loop back into the work, and comes out again where the loop began. */
interface Sewing {
  readonly enter: () => void;
  readonly comeRound: () => void;
}

/**
 * Sews one clasp half with a small loop of seeds: pick up seeds, through the ring, pick up as many, and
 * back into the work; then round the same way again until the ring holds `loop.passes` threads. A loop over a
 * button holds no ring.
 * @param nth which of several loops of this end it is, counted from 0
 */
export function sewLoop(
  w: Weave,
  needle: Needle,
  end: EdgeName,
  loop: SewnLoop,
  { enter, comeRound }: Sewing,
  nth = 0,
): void {
  const runs = loopRuns(loop);
  const name = nth === 0 ? `clasp at the ${end}` : `clasp at the ${end}, loop ${nth + 1}`;
  const seeds = (count: number) => Array<string>(count).fill(LOOP_ROLE);
  w.joint(end, 'sew on the clasp', () => {
    const ring = loop.buttonSeeds === undefined ? w.finding(name, 1, { joint: end, nth }) : null;
    // A single loop is no run of several.
    const run = nth === 0 ? {} : { run: nth };
    const out = needle.string(seeds(runs.out), LOOP_SLOTS.out, run);
    if (ring) needle.attach(ring);
    const back = needle.string(seeds(runs.back), LOOP_SLOTS.back, run);
    enter();
    for (let pass = 1; pass < loop.passes; pass++) {
      w.in({ pass: `reinforce the loop ${pass}` }, () => {
        comeRound();
        needle.reinforce(...out);
        if (ring) needle.attach(ring);
        needle.reinforce(...back);
        enter();
      });
    }
  });
}
