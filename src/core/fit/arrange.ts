/** A graduated piece: how many of each step, the same on both halves, so that the whole is nearest to the wish. */
export interface ArrangeQuestion {
  /** Length that one bead of each step adds, from the ends to the centre, mm. */
  readonly stepsMm: readonly number[];
  /** Everything that does not depend on the counts: closure, centre bead, what the last spacer saves. */
  readonly fixedMm: number;
  readonly wishMm: number;
  /** The least of each step on one half. */
  readonly least: number;
  /** Steps may differ by so many beads from one another. */
  readonly apart: number;
}

export interface Arrangement {
  /** Beads of each step on one half, from the end to the centre. */
  readonly counts: readonly number[];
  readonly finishedMm: number;
  readonly offMm: number;
}

/** The finished length of so many of each step. */
export const arrangedMm = ({ stepsMm, fixedMm }: ArrangeQuestion, counts: readonly number[]): number =>
  fixedMm + 2 * stepsMm.reduce((sum, mm, i) => sum + mm * (counts[i] ?? 0), 0);

/** Lengths that differ by less than this are the same: a tie is then broken by evenness, mm. */
const SAME_MM = 1e-6;

/**
 * The arrangement nearest to the wish, exactly. Every way in which the steps can differ is tried (a pattern of extras
 * over a common count, at most (apart + 1)^steps of them); for each, the best common count is the nearest whole
 * number, since the length grows in proportion to it. Of equally near ones the more even, then the longer.
 * Throws where there is no step.
 */
export function arrange(q: ArrangeQuestion): Arrangement {
  const { stepsMm, fixedMm, wishMm, least, apart } = q;
  if (stepsMm.length === 0) throw new Error('A graduated piece needs a step.');
  const roundMm = 2 * stepsMm.reduce((sum, mm) => sum + mm, 0);
  const extras = new Array<number>(stepsMm.length).fill(0);
  let best = { off: Infinity, uneven: Infinity, common: least, extras: [...extras], signed: 0 };
  for (let more = true; more; more = next(extras, apart)) {
    // A pattern without a zero is another one with a greater common count.
    if (!extras.includes(0)) continue;
    let bare = fixedMm;
    let uneven = 0;
    for (let i = 0; i < extras.length; i++) {
      const extra = extras[i] as number;
      bare += 2 * extra * (stepsMm[i] as number);
      uneven += extra * extra;
    }
    const common = Math.max(least, Math.round((wishMm - bare) / roundMm));
    const signed = bare + common * roundMm - wishMm;
    const off = Math.abs(signed);
    const nearer = off < best.off - SAME_MM;
    const asNear = off < best.off + SAME_MM;
    if (nearer || (asNear && (uneven < best.uneven || (uneven === best.uneven && signed > best.signed))))
      best = { off, uneven, common, extras: [...extras], signed };
  }
  const counts = best.extras.map((extra) => best.common + extra);
  const finishedMm = arrangedMm(q, counts);
  return { counts, finishedMm, offMm: finishedMm - wishMm };
}

/** The next pattern of extras, counted up like an odometer; false after the last. */
function next(extras: number[], apart: number): boolean {
  for (let i = 0; i < extras.length; i++) {
    if ((extras[i] as number) < apart) {
      extras[i] = (extras[i] as number) + 1;
      return true;
    }
    extras[i] = 0;
  }
  return false;
}

/** An arrangement of given counts, and those nearest to lengths a pair of the smallest beads apart from it. */
export function arrangements(q: ArrangeQuestion, counts: readonly number[]): Arrangement[] {
  const step = 2 * Math.min(...q.stepsMm);
  const here = arrangedMm(q, counts);
  const arrangementOf = (chosen: readonly number[]): Arrangement => {
    const finishedMm = arrangedMm(q, chosen);
    return { counts: chosen, finishedMm, offMm: finishedMm - q.wishMm };
  };
  const around = [-2, -1, 1, 2].map((k) => arrangementOf(arrange({ ...q, wishMm: here + k * step }).counts));
  const apart = new Map(
    [arrangementOf(counts), ...around]
      .reverse() // the given counts are told last, so that they stay where another has the same length
      .map((one) => [one.finishedMm.toFixed(3), one]),
  );
  return [...apart.values()].sort((a, b) => a.finishedMm - b.finishedMm);
}
