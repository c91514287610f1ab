import type { Band } from '../body/wear';
import { chanceWithin } from './chance';
import { allowed, broken, cycle, type CountRule } from './rules';

/** What a length is made of: a fixed part and n units of `pitchMm`; the woven part varies with the beads. */
export interface FitQuestion {
  /** Clasp, loops and everything else that does not grow with the count. */
  readonly fixedMm: number;
  readonly pitchMm: number;
  /** One standard deviation of the woven length, as a part of it. */
  readonly spread: number;
  /** One standard deviation of the fixed part, mm. */
  readonly fixedSdMm: number;
  readonly wishMm: number;
  readonly band: Band;
  /** The least number of units the structure can be made of. */
  readonly minimum: number;
  /** The most; as many as one likes where nothing is said. */
  readonly maximum?: number;
  readonly rules: readonly CountRule[];
  /** Chain on both sides that makes up the rest in whole links, where the woven part is to be `wovenMm`. */
  readonly chain: { readonly linkMm: number; readonly wovenMm: number } | null;
}

export interface Candidate {
  readonly units: number;
  /** Beads of each step on one half, where the piece is graduated; null where units are counted. */
  readonly counts: readonly number[] | null;
  readonly finishedMm: number;
  /** Finished length less the wish. */
  readonly offMm: number;
  readonly sdMm: number;
  /** Nineteen of twenty pieces come out between these, mm. */
  readonly lowMm: number;
  readonly highMm: number;
  /** Chance that the finished length lies in the fitting band. */
  readonly chance: number;
  readonly fits: boolean;
  /** Rules and preferences that this count does not keep. */
  readonly breaks: readonly CountRule[];
  /** Links of chain on each side. */
  readonly links: number;
}

/** 95 % of a normal variable lies within so many standard deviations. */
export const NINETEEN_OF_TWENTY = 1.96;

/** One count and what comes of it. */
export function candidate(units: number, q: FitQuestion): Candidate {
  const woven = units * q.pitchMm;
  const bare = q.fixedMm + woven;
  const links = q.chain ? Math.max(0, Math.round((q.wishMm - bare) / (2 * q.chain.linkMm))) : 0;
  const finishedMm = bare + (q.chain ? 2 * links * q.chain.linkMm : 0);
  const sdMm = Math.hypot(woven * q.spread, q.fixedSdMm);
  return {
    units,
    counts: null,
    finishedMm,
    offMm: finishedMm - q.wishMm,
    sdMm,
    lowMm: finishedMm - NINETEEN_OF_TWENTY * sdMm,
    highMm: finishedMm + NINETEEN_OF_TWENTY * sdMm,
    chance: chanceWithin(finishedMm, sdMm, q.band),
    fits: finishedMm >= q.band.minMm && finishedMm <= q.band.maxMm,
    breaks: broken(units, q.rules),
    links,
  };
}

/** The count without rules whose length is nearest to what the woven part is to be. */
const idealUnits = (q: FitQuestion): number => (q.chain ? q.chain.wovenMm : q.wishMm - q.fixedMm) / q.pitchMm;

/** How far a count lies from what was wished: of the whole, or of the woven part where chain makes up the rest. */
const miss = (units: number, q: FitQuestion): number => Math.abs(units - idealUnits(q));

/** The allowed counts around the ideal: on either side as many as the rules need to repeat. */
function allowedUnits(q: FitQuestion): number[] {
  const ideal = Math.min(Math.max(q.minimum, Math.round(idealUnits(q))), q.maximum ?? Infinity);
  const reach = cycle(q.rules) + 1;
  const first = Math.max(q.minimum, ideal - reach);
  return Array.from({ length: ideal + reach - first + 1 }, (_, i) => first + i).filter(
    (n) => allowed(n, q.rules) && n <= (q.maximum ?? Infinity),
  );
}

/** Nearest first; of two equally near, the longer. */
const byMiss =
  (q: FitQuestion) =>
  (a: number, b: number): number =>
    miss(a, q) - miss(b, q) || b - a;

/**
 * The allowed count whose finished length is nearest to the wish.
 * Throws where no count keeps the rules: ask `canBeKept` first.
 */
export function nearestUnits(q: FitQuestion): number {
  const [nearest] = allowedUnits(q).sort(byMiss(q));
  if (nearest === undefined) throw new Error('No count keeps all the rules.');
  return nearest;
}

/**
 * The count to propose: the nearest that sits as wished. A fitting band need not be even about the wish, so
 * that the nearest count can miss it where its neighbour does not. Where none fits, the nearest.
 */
export function bestUnits(q: FitQuestion): number {
  const fitting = allowedUnits(q)
    .filter((n) => candidate(n, q).fits)
    .sort(byMiss(q));
  return fitting[0] ?? nearestUnits(q);
}

/** The counts from two below `units` to two above, none below the minimum. */
export const neighbours = (units: number, q: FitQuestion): Candidate[] =>
  [-2, -1, 0, 1, 2]
    .map((d) => units + d)
    .filter((n) => n >= q.minimum && n <= (q.maximum ?? Infinity))
    .map((n) => candidate(n, q));
