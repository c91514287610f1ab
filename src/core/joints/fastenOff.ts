import type { Weave } from '../weave/builder';
import type { ThreadEnd } from '../weave/edge';

/** Beads that an end is woven through after its last knot (common practice: "a few more beads"). */
export const WOVEN_BEADS = 4;

/**
 * Fastens an end off: a half hitch, a few beads, another half hitch, and the rest woven in. What needs no holding is only
 * woven in.
 */
export function fastenOff(w: Weave, { needle, anchor }: ThreadEnd): void {
  if (!anchor) {
    w.finish('tail', () => needle.tail());
    return;
  }
  w.finish('fasten off', () => {
    if (anchor.turn) needle.enter([anchor.turn], 'turn');
    const from = w.links.lastOut(needle.name);
    needle.knot('half hitch', { pullInto: !anchor.over });
    if ('to' in anchor.way) needle.travel(...anchor.way.to);
    else if (from) needle.enter(anchor.way.along(from));
    needle.knot('half hitch', { pullInto: true }).tail();
  });
}
