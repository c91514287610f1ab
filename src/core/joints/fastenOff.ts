import type { Weave } from '../weave/builder';
import type { ThreadEnd } from '../weave/edge';
import type { Needle } from '../weave/needle';

/** Beads that an end is woven through after its last knot (common practice: "a few more beads"). */
export const WOVEN_BEADS = 4;

/**
 * Fastens an end off: a half hitch, a few beads, another half hitch, and the rest woven in; cord by one square knot, and a few beads. What
 * needs no holding is only woven in.
 */
export function fastenOff(w: Weave, [needle, anchor]: ThreadEnd): void {
  if (w.tied === 'elastic') return tieOff(w, [needle]);
  if (!anchor) {
    w.finish('tail', () => needle.tail());
    return;
  }
  w.finish('fasten off', () => {
    const stands = () => {
      const out = w.links.lastOut(needle.name);
      if (!out) throw new Error(`The ${needle.name} needle has not come out of any bead.`);
      return out;
    };
    const { first, over, way } = anchor;
    if (first) needle.enter(first.through(stands()), first.as);
    if (w.tied) needle.knot('square');
    else needle.knot('half hitch', { pullInto: !over });
    if ('to' in way && way.orStay) needle.travelOrStay(...way.to);
    else if ('to' in way) needle.travel(...way.to);
    else needle.enter(way.along(stands()));
    if (!w.tied) needle.knot('half hitch', { pullInto: true });
    needle.tail();
  });
}

/**
 * Ties ends that no hitch would hold, two to each other, or one round the thread beside it; of elastic the knot slips into the bead that
 * thread comes out of, of cord it is too thick for that.
 */
export function tieOff(w: Weave, [one, ...others]: readonly [Needle, ...Needle[]]): void {
  w.finish('tie off', () => {
    one.knot('square', { pullInto: w.tied === 'elastic' });
    for (const needle of [one, ...others]) needle.tail();
  });
}
