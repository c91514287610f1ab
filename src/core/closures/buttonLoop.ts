import type { BeadShape, BeadSize } from '../materials/material';
import type { Body } from '../layout/layout';
import { wholeUp } from '../tools/whole';

/**
 * By what part of π·d a loop of n seeds opens less than n·p: 0 where flat ends meet at their inner edges, 1 where they meet on
 * their middle line (geometry). Rounded ends of seeds lie between; the solver's loops of 10 to 20 of them come to 0.39 to 0.45, and
 * those of balls, drops and bicones to what is given here within a tenth (`closure.test.ts` lays them out again).
 */
export const EDGES_MEET = 0.42;
const MEET_ON_THE_MIDDLE: readonly BeadShape[] = ['ball', 'rondelle', 'oval', 'bicone'];
const MEET_FLAT: readonly BeadShape[] = ['cylinder', 'cube', 'bugle', 'twisted bugle'];
/** Of drops, which are round at one end only (the solver's loops of 12 to 16). */
const DROPS = 0.83;

/** What is known of a bead of a loop: one that has no shape is taken for a seed. */
export type LoopSeed = Body & Partial<Pick<BeadSize, 'shape'>>;

const edgesMeet = ({ shape = 'seed' }: LoopSeed): number => {
  if (MEET_FLAT.includes(shape)) return 0;
  if (shape === 'drop') return DROPS;
  return MEET_ON_THE_MIDDLE.includes(shape) ? 1 : EDGES_MEET;
};

/** Inside perimeter of a closed loop of `count` seeds, mm: between n·p − π·d and n·p. */
export const loopOpeningMm = (count: number, seed: LoopSeed): number =>
  count * seed.lengthMm - edgesMeet(seed) * Math.PI * seed.diameterMm;

/** How many seeds go into a loop over a ball or a button. */
export interface ButtonLoop {
  /** The least that pass over it, and one more, which still holds it. */
  readonly least: number;
  readonly most: number;
  /** What would pass exactly, in parts of a seed. */
  readonly exact: number;
  readonly girthMm: number;
}

/**
 * Seeds of a loop that passes over a girth, neither tight nor loose.
 * @param seed a seed with its finish on: plated ones run larger, and fewer are needed
 */
export function buttonLoop(girthMm: number, seed: LoopSeed): ButtonLoop {
  const exact = (girthMm + edgesMeet(seed) * Math.PI * seed.diameterMm) / seed.lengthMm;
  const least = wholeUp(exact);
  return { exact, least, most: least + 1, girthMm };
}

/**
 * The girth of what a loop was tried over, mm: so many seeds just passed, one fewer did not. What was reckoned stands where it agrees
 * with that; else it is as near to it as the trial lets it be.
 */
export function triedGirthMm(reckonedMm: number, count: number, seed: LoopSeed): number {
  const [tight, passes] = [loopOpeningMm(count - 1, seed), loopOpeningMm(count, seed)];
  // One fewer did not pass: it is larger than that by something, if only by a hair.
  const least = tight + HAIR_MM;
  return Math.min(Math.max(reckonedMm, least), passes);
}
/** Less than anybody measures. */
const HAIR_MM = 0.01;
