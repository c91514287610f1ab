import type { Body } from '../layout/layout';
import { wholeUp } from '../tools/whole';

/**
 * By what part of π·d a loop of n round seeds opens less than n·p: 0 where flat ends meet at their inner edges,
 * 1 where they meet on their middle line. Rounded ends lie between; the solver's loops of 10 to 20 seeds come to
 * 0.39 to 0.45 (`closure.test.ts` lays them out again).
 */
export const EDGES_MEET = 0.42;

/** Inside perimeter of a closed loop of `count` seeds, mm: between n·p − π·d and n·p. */
export const loopOpeningMm = (count: number, { lengthMm, diameterMm }: Body): number =>
  count * lengthMm - EDGES_MEET * Math.PI * diameterMm;

/** How many seeds go into a loop over a ball or a button. */
export interface ButtonLoop {
  /** The least that pass over it, and one more, which still holds it. */
  readonly least: number;
  readonly most: number;
  /** What would pass exactly, in parts of a seed. */
  readonly exact: number;
}

/**
 * Seeds of a loop that passes over a girth, neither tight nor loose.
 * @param seed a seed with its finish on: plated ones run larger, and fewer are needed
 */
export function buttonLoop(girthMm: number, seed: Body): ButtonLoop {
  const exact = (girthMm + EDGES_MEET * Math.PI * seed.diameterMm) / seed.lengthMm;
  const least = wholeUp(exact);
  return { exact, least, most: least + 1 };
}
