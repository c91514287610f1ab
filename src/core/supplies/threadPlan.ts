import { threadMm, type ThreadMove } from '../read/thread';
import { TAIL } from '../weave/path';

/** A tail that is only woven in: the middle of 10 to 15 cm (common practice). */
export const WOVEN_IN_MM = 125;
/** Added to the thread in the work for pulling, drawing out and mending (from memory). */
export const MARGIN = 0.1;
/** Longest thread people like to work with: a wingspan and a half (practice), of a typical 1.65 m height (memory). */
export const HANDY_MM = 1.5 * 1650;

export interface ThreadPlan {
  /** Thread that lies in the work: through holes, across gaps, in knots. */
  readonly inWorkMm: number;
  /** Of that, what the tail sews. */
  readonly tailSewsMm: number;
  /** How long a tail to leave at the start. */
  readonly tailMm: number;
  readonly wovenInMm: number;
  readonly marginMm: number;
  /** All of it, joins included. */
  readonly totalMm: number;
  readonly lengths: number;
  readonly eachMm: number;
}

/**
 * What to cut. The tail at the start is as long as what it sews, with its margin, and the end that is
 * woven in. Where the whole is longer than is handy, it is cut into equal lengths, and each join weaves
 * in two more ends.
 */
export function threadPlan(moves: readonly ThreadMove[]): ThreadPlan {
  const inWorkMm = threadMm(moves);
  const tailSewsMm = threadMm(moves, (m) => m.needle === TAIL);
  const marginMm = inWorkMm * MARGIN;
  const withEnds = (lengths: number) => inWorkMm + marginMm + 2 * lengths * WOVEN_IN_MM;
  // Each length more adds two ends to weave in: the number that keeps every length handy.
  const lengths = Math.max(1, Math.ceil((inWorkMm + marginMm) / (HANDY_MM - 2 * WOVEN_IN_MM)));
  return {
    inWorkMm,
    tailSewsMm,
    tailMm: tailSewsMm * (1 + MARGIN) + WOVEN_IN_MM,
    wovenInMm: 2 * lengths * WOVEN_IN_MM,
    marginMm,
    totalMm: withEnds(lengths),
    lengths,
    eachMm: withEnds(lengths) / lengths,
  };
}
