import type { Weave } from '../weave/builder';
import type { ThreadEnd } from '../weave/edge';
import type { Needle } from '../weave/needle';

/** Beads that an end is woven through after its last knot (common practice: "a few more beads"). */
export const WOVEN_BEADS = 4;

/**
 * Fastens an end off: a half hitch, a few beads, another half hitch, and the rest woven in. What needs no holding is only
 * woven in.
 */
export function fastenOff(w: Weave, [needle, anchor]: ThreadEnd): void {
  if (w.tied) return tieOff(w, [needle]);
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
    needle.knot('half hitch', { pullInto: !over });
    if ('to' in way && way.orStay) needle.travelOrStay(...way.to);
    else if ('to' in way) needle.travel(...way.to);
    else needle.enter(way.along(stands()));
    needle.knot('half hitch', { pullInto: true }).tail();
  });
}

/**
 * Ties ends that no hitch would hold, as of elastic: two to each other, or one round the thread beside it; the knot slips into
 * the bead that thread comes out of.
 */
export function tieOff(w: Weave, [one, ...others]: readonly [Needle, ...Needle[]]): void {
  w.finish('tie off', () => {
    one.knot('square', { pullInto: true });
    for (const needle of [one, ...others]) needle.tail();
  });
}
