import type { Band } from '../body/wear';
import { chanceWithin } from './chance';

/** What a length is made of: a fixed part and n units of `pitchMm`; the woven part varies with the beads. */
export interface FitQuestion {
  /** Clasp, loops and everything else that does not grow with the count. */
  readonly fixedMm: number;
  readonly pitchMm: number;
  /** One standard deviation of the woven length, as a part of it. */
  readonly spread: number;
  readonly wishMm: number;
  readonly band: Band;
  /** The least number of units the structure can be made of. */
  readonly minimum: number;
}

export interface Candidate {
  readonly units: number;
  readonly finishedMm: number;
  /** Finished length less the wish. */
  readonly offMm: number;
  readonly sdMm: number;
  /** Chance that the finished length lies in the fitting band. */
  readonly chance: number;
  readonly fits: boolean;
}

/** One count and what comes of it. */
export function candidate(units: number, q: FitQuestion): Candidate {
  const woven = units * q.pitchMm;
  const finishedMm = q.fixedMm + woven;
  const sdMm = woven * q.spread;
  return {
    units,
    finishedMm,
    offMm: finishedMm - q.wishMm,
    sdMm,
    chance: chanceWithin(finishedMm, sdMm, q.band),
    fits: finishedMm >= q.band.minMm && finishedMm <= q.band.maxMm,
  };
}

/** The allowed count whose finished length is nearest to the wish; of two equally near, the longer. */
export const nearestUnits = (q: FitQuestion): number =>
  Math.max(q.minimum, Math.round((q.wishMm - q.fixedMm) / q.pitchMm));

/**
 * The count to propose: the nearest that sits as wished. A fitting band need not be even about the wish, so
 * that the nearest count can miss it where its neighbour does not. Where none fits, the nearest.
 */
export function bestUnits(q: FitQuestion): number {
  const nearest = nearestUnits(q);
  const fitting = [nearest - 1, nearest, nearest + 1]
    .filter((n) => n >= q.minimum)
    .map((n) => candidate(n, q))
    .filter((c) => c.fits)
    .sort((a, b) => Math.abs(a.offMm) - Math.abs(b.offMm) || b.units - a.units);
  return fitting[0]?.units ?? nearest;
}

/** The counts from two below `units` to two above, none below the minimum. */
export const neighbours = (units: number, q: FitQuestion): Candidate[] =>
  [-2, -1, 0, 1, 2]
    .map((d) => units + d)
    .filter((n) => n >= q.minimum)
    .map((n) => candidate(n, q));
