import type { Needle, Weave } from '../weave/builder';
import type { Target } from '../weave/route';

/** Beads that an end is woven through after its last knot (common practice: "a few more beads"). */
export const WOVEN_BEADS = 4;

/**
 * Fastens an end off: a half hitch, a few beads by a hidden way, another half hitch, and the rest woven in.
 * `towards` are the places where the end may come out.
 */
export function fastenOff(weave: Weave, needle: Needle, ...towards: Target[]): void {
  weave.in({ section: 'finish', pass: 'fasten off', row: 0, rowsPerUnit: 1 }, () => {
    needle
      .knot('half hitch', { pullInto: true })
      .travel(...towards)
      .knot('half hitch', { pullInto: true })
      .tail();
  });
}
