import type { Arrangement } from './arrange';
import { bestUnits, candidate, neighbours, type Candidate, type FitQuestion } from './candidates';

/** How a graduated piece is fitted: its counts, and the others to choose from. */
export interface Arranged {
  readonly best: Arrangement;
  readonly around: readonly Arrangement[];
  readonly beads: (counts: readonly number[]) => number;
}

/** What is woven, and what might be instead. */
export interface Fit {
  readonly units: number;
  readonly chosen: Candidate;
  readonly best: Candidate;
  readonly candidates: readonly Candidate[];
}

/** The count that is woven: the one asked for, or else what fits best. A graduated piece is one unit, arranged. */
export function fitOf(question: FitQuestion, chosenUnits: number | null, arranged: Arranged | null): Fit {
  if (arranged) return graduatedFit(question, arranged);
  const best = candidate(bestUnits(question), question);
  const { minimum, maximum = Infinity } = question;
  const units = Math.min(Math.max(chosenUnits ?? best.units, minimum), maximum);
  return { units, chosen: candidate(units, question), best, candidates: neighbours(units, question) };
}

/** The candidates of a graduated piece: each is one unit of its own length. */
function graduatedFit(question: FitQuestion, { best, around, beads }: Arranged): Fit {
  const candidateOf = ({ counts, finishedMm }: Arrangement): Candidate => ({
    ...candidate(1, { ...question, pitchMm: finishedMm - question.fixedMm }),
    units: beads(counts),
    counts,
  });
  const candidates = around.map(candidateOf);
  const woven = candidate(1, question);
  // The one that is woven is the one of its length.
  const same = (c: Candidate) => Math.abs(c.finishedMm - woven.finishedMm) < 1e-6;
  return { units: 1, chosen: candidates.find(same) ?? woven, best: candidateOf(best), candidates };
}
