import { LOOP_ROLE, LOOP_SLOTS, loopRuns, type SewnLoop } from '../closures/sewnLoop';
import type { Weave } from '../weave/builder';
import type { Edge, EdgeName } from '../weave/edge';
import type { Needle } from '../weave/needle';
import { goToPost, postsFor } from './post';

/** Hangs a clasp half on an edge: each of its loops from a post. */
export function hangClasp(w: Weave, needle: Needle, end: EdgeName, loop: SewnLoop, edge: Edge): void {
  postsFor(edge, loop.loops ?? 1).forEach((post, nth) => {
    const { out, into, round } = goToPost(w, needle, end, post);
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
  const { to } = loop;
  const what = to === undefined ? 'clasp' : `edge of the ${to}`;
  const name = nth === 0 ? `${what} at the ${end}` : `${what} at the ${end}, loop ${nth + 1}`;
  const seeds = (count: number) => Array<string>(count).fill(LOOP_ROLE);
  w.joint(end, `sew on the ${to ?? 'clasp'}`, () => {
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
