import type { Weave } from '../weave/builder';
import type { Needle } from '../weave/needle';
import type { Bead, JointId } from '../weave/path';
import type { Target } from '../weave/route';

/** Beads that an end is woven through after its last knot (common practice: "a few more beads"). */
export const WOVEN_BEADS = 4;

/**
 * Fastens an end off: a half hitch, a few beads by a hidden way, another half hitch, and the rest woven in.
 * `towards` are the places where the end may come out.
 */
export function fastenOff(weave: Weave, needle: Needle, ...towards: Target[]): void {
  weave.finish('fasten off', () => {
    needle
      .knot('half hitch', { pullInto: true })
      .travel(...towards)
      .knot('half hitch', { pullInto: true })
      .tail();
  });
}

/**
 * Fastens an end off where it came out between two beads, with nothing beyond to turn round: a half hitch over the
 * thread there, through beads, another half hitch, and the rest woven in.
 */
export function fastenBack(weave: Weave, needle: Needle, ...through: Bead[]): void {
  weave.finish('fasten off', () => {
    needle
      .knot('half hitch')
      .through(...through)
      .knot('half hitch', { pullInto: true })
      .tail();
  });
}

/** Sews the last of the work to its beginning, so that the strip is a ring. */
export function joinEnds(weave: Weave, work: () => void): void {
  weave.joint(JOIN, 'join the ends', work);
}

/** The joint in which a ring is closed. */
export const JOIN: JointId = 'join';
