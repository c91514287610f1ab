import { hasNeck, LOOP_ROLE, LOOP_SLOTS, loopRuns, type SewnLoop } from '../closures/sewnLoop';
import type { Weave } from '../weave/builder';
import type { Edge, EdgeName } from '../weave/edge';
import type { Needle } from '../weave/needle';
import type { Finding, JointId } from '../weave/path';
import { hangFromLegs } from './legs';
import { against } from '../weave/edge';
import { goToPost, postsFor } from './post';

/** Hangs a clasp half on an edge: each of its loops from a post. */
export function hangClasp(w: Weave, needle: Needle, end: EdgeName, loop: SewnLoop, edge: Edge): void {
  const joint = loop.finding?.joint ?? end;
  const { strand, legs } = loop;
  if (legs) {
    const ring = () => holder(w, end, loop, joint, 0, 0);
    return hangFromLegs(w, needle, end, loop, edge, { legs, sewing: sewingWords(loop), ring });
  }
  postsFor(edge, loop.loops ?? 1).forEach((post, k, { length }) => {
    const nth = strand?.nth ?? k;
    const { out, into, round } = goToPost(w, needle, joint, post);
    const comeRound = () => {
      if (round?.hitched) needle.knot(w.hitch);
      if (round) needle.enter(round.through);
      else needle.travel(out);
    };
    // What two edges share is counted from one side of the work, whichever side either is worked from.
    const place = strand?.place ?? (loop.finding && edge.from === 1 ? length - 1 - nth : nth);
    sewLoop(w, needle, end, loop, { enter: () => needle.enter(into), comeRound }, nth, place);
  });
}

/** What a loop holds, as the maker calls it. */
function heldBy({ finding, to, called = 'clasp' }: SewnLoop, end: EdgeName, place: number): string {
  const which = place === 0 ? '' : `, loop ${place + 1}`;
  if (finding) return `${finding.name}${which}`;
  return `${to === undefined ? called : `${to.by} of the ${to.name}`} at the ${end}${which}`;
}

/** What sewing a loop is called. */
const sewingWords = ({ finding, to, called = 'clasp', buttonSeeds }: SewnLoop): string =>
  buttonSeeds === undefined ? `sew on the ${to?.name ?? finding?.name ?? called}` : 'work the loop';

/** What a loop holds, as thread goes through it; null of one over a button. */
const holder = (
  w: Weave,
  end: EdgeName,
  loop: SewnLoop,
  joint: JointId,
  nth: number,
  place: number,
): Finding | null =>
  loop.buttonSeeds === undefined
    ? w.finding(heldBy(loop, end, place), loop.inShell ? 2 : 1, { joint, nth })
    : null;

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
 * @param place which loop of what it holds
 */
export function sewLoop(
  w: Weave,
  needle: Needle,
  end: EdgeName,
  loop: SewnLoop,
  { enter, comeRound }: Sewing,
  nth = 0,
  place = nth,
): void {
  const runs = loopRuns(loop);
  const { finding, inShell, crimped, note } = loop;
  const joint = finding?.joint ?? end;
  const seeds = (count: number) => Array<string>(count).fill(LOOP_ROLE);
  const sewing = sewingWords(loop);
  const first = () => {
    const ring = holder(w, end, loop, joint, nth, place);
    const crimp = ring && crimped ? w.finding(`crimp at the ${end}`, 2, { joint, nth }) : null;
    // A single loop is no run of several.
    const run = nth === 0 ? {} : { run: nth };
    const neck = needle.string(seeds(hasNeck(loop) ? 1 : 0), LOOP_SLOTS.neck, run);
    const out = needle.string(seeds(runs.out), LOOP_SLOTS.out, run);
    if (crimp) needle.attach(crimp);
    if (ring) needle.attach(ring);
    if (crimp) needle.attach(crimp, WAY_BACK);
    const inside = inShell ? needle.string(seeds(1), LOOP_SLOTS.back, run) : [];
    if (inShell) needle.knot('overhand');
    if (ring && inShell) needle.attach(ring, WAY_BACK);
    const back = needle.string(seeds(runs.back), LOOP_SLOTS.back, run);
    needle.back(...neck);
    enter();
    for (let pass = 1; pass < loop.passes; pass++) {
      w.pass(`reinforce the loop ${pass}`, { again: true }, () => {
        comeRound();
        needle.reinforce(...neck, ...out);
        if (ring) needle.attach(ring);
        needle.reinforce(...inside);
        if (ring && inShell) needle.attach(ring, WAY_BACK);
        needle.reinforce(...back);
        needle.enter(against(...neck), 'reinforce');
        enter();
      });
    }
  };
  w.joint(joint, sewing, () => w.pass(sewing, note ? { why: note } : {}, first));
}

/** Through a shell or a crimp and out again: its one hole, as it is gone through the other way. */
const WAY_BACK = 1;
