import { LOOP_ROLE, LOOP_SLOTS, loopRuns, type Legs, type SewnLoop } from '../closures/sewnLoop';
import type { Weave } from '../weave/builder';
import { against, forth, type Edge, type EdgeName } from '../weave/edge';
import type { Needle } from '../weave/needle';
import type { Bead, Finding } from '../weave/path';
import { given } from '../tools/given';
import { goToPost, postsFor } from './post';

/** What a V is hung with. */
interface HungInV {
  readonly legs: Legs;
  /** What sewing it is called. */
  readonly sewing: string;
  /** What its legs meet in; null of a loop over a button. */
  readonly ring: () => Finding | null;
}

/**
 * Hangs what closes an end from a V: out of the tube along one leg, through the seed in which all meet, round what they hold, back through
 * that seed and along the next leg into the tube; from every further place out along a leg of its own, and back along the one before.
 */
export function hangFromLegs(
  w: Weave,
  needle: Needle,
  end: EdgeName,
  loop: SewnLoop,
  edge: Edge,
  { legs, sewing, ring: held }: HungInV,
): void {
  const seeds = (count: number) => Array<string>(count).fill(LOOP_ROLE);
  const posts = postsFor({ posts: edge.posts }, legs.count);
  const leg = (run: number) => needle.string(seeds(loop.seedsEachSide), LOOP_SLOTS.leg, { run });
  const { out: outCount, back: backCount } = loopRuns(loop);
  const info = loop.note ? { why: loop.note } : {};
  const sewn = <T>(work: () => T): T =>
    given(
      w.joint(end, sewing, () => w.pass(sewing, info, work)),
      'legs',
    );

  const places = [goToPost(w, needle, end, given(posts[0], 'place of a leg'))];
  const firsts = sewn(() => {
    const first = leg(0);
    const throat = needle.string(seeds(1), LOOP_SLOTS.neck);
    const ring = held();
    const out = needle.string(seeds(outCount), LOOP_SLOTS.out);
    if (ring) needle.attach(ring);
    const back = needle.string(seeds(backCount), LOOP_SLOTS.back);
    needle.back(...throat);
    const second = leg(1);
    const place = given(posts[1]?.[0] ?? places[0], 'place of a leg');
    needle.enter(place.into);
    places.push(place);
    return { first, second, throat, ring, out, back };
  });
  const { first, second, throat, ring, out, back } = firsts;
  /** Through the seed in which legs meet, round what they hold, and back through it. */
  const roundAgain = () => {
    needle.reinforce(...throat, ...out);
    if (ring) needle.attach(ring);
    needle.reinforce(...back);
    needle.enter(against(...throat), 'reinforce');
  };
  // The second leg was strung on the way in, all others on the way out.
  const inwards = (of: readonly Bead[]) => (of === second ? forth(...of) : against(...of.toReversed()));
  let before: readonly Bead[] = second;
  for (let k = 2; k < posts.length; k++) {
    const place = goToPost(w, needle, end, given(posts[k], 'place of a leg'));
    const along = before;
    before = sewn(() => {
      const own = leg(k);
      roundAgain();
      needle.enter(inwards(along), 'reinforce');
      needle.enter(given(places[k - 1], 'place of a leg').into);
      return own;
    });
    places.push(place);
  }
  for (let pass = Math.max(1, posts.length - 1); pass < loop.passes; pass++)
    w.joint(end, sewing, () =>
      w.pass(`reinforce the legs ${pass}`, { again: true }, () => {
        needle.travel(given(places[0], 'place of a leg').out);
        needle.reinforce(...first);
        roundAgain();
        needle.enter(inwards(second), 'reinforce');
        needle.enter(given(places[1], 'place of a leg').into);
      }),
    );
}
