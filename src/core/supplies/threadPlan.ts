/**
 * Thread in the hand at each end, for the last knots and the trimming. With the few beads that it is woven
 * through, a tail that sews nothing comes to 10 to 15 cm (common practice).
 */
export const END_MM = 110;
/** A typical wingspan, about the height (memory). */
export const TYPICAL_WINGSPAN_MM = 1650;
/** Longest thread people like to work with, in wingspans (practice). */
const HANDY_WINGSPANS = 1.5;

/** How one likes to cut thread. */
export interface ThreadHabits {
  /** Fingertip to fingertip; null takes a typical one. */
  readonly wingspanMm: number | null;
  /** Added to the thread in the work for pulling, drawing out and mending, as a part of it. */
  readonly threadMargin: number;
}

export interface ThreadPlan {
  /** Thread that lies in the work: through holes, across gaps, in knots. */
  readonly inWorkMm: number;
  /** Of that, what the tail sews. */
  readonly tailSewsMm: number;
  /** How long a tail to leave at the start. */
  readonly tailMm: number;
  readonly endsMm: number;
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
 * @param inWorkMm thread that lies in the work
 * @param tailSewsMm what of it the tail sews
 */
export function threadPlan(
  inWorkMm: number,
  tailSewsMm: number,
  { wingspanMm, threadMargin }: ThreadHabits,
): ThreadPlan {
  const marginMm = inWorkMm * threadMargin;
  const handyMm = HANDY_WINGSPANS * (wingspanMm ?? TYPICAL_WINGSPAN_MM);
  const withEnds = (lengths: number) => inWorkMm + marginMm + 2 * lengths * END_MM;
  // Each length more adds two ends to weave in: the number that keeps every length handy.
  const lengths = Math.max(1, Math.ceil((inWorkMm + marginMm) / (handyMm - 2 * END_MM)));
  return {
    inWorkMm,
    tailSewsMm,
    tailMm: tailSewsMm * (1 + threadMargin) + END_MM,
    endsMm: 2 * lengths * END_MM,
    marginMm,
    totalMm: withEnds(lengths),
    lengths,
    eachMm: withEnds(lengths) / lengths,
  };
}
