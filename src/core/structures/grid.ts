import type { Body, Pose } from '../layout/layout';
import type { Needle } from '../weave/builder';
import type { Bead } from '../weave/path';
import { runningSum } from './structure';

/**
 * The net that right-angle weave and cross-weave are: circles of four sides in rows along the piece. Levels run
 * across the piece from 0 below the first row, boundaries along it from 0 before the first unit.
 */
export interface Grid {
  readonly pitchMm: number;
  readonly widthMm: number;
  readonly thicknessMm: number;
  readonly rungGirthMm: number;
  /** A bead of the side of a unit: the `k`-th as it is strung; `forward` along +x. */
  side(sequence: readonly string[], k: number, level: number, unit: number, forward: boolean): Pose;
  /** A bead in the gap at a boundary along the upper edge (1) or the lower (−1); `forward` along +x. */
  fill(edge: 1 | -1, boundary: number, role: string, forward: boolean): Pose;
  /** A bead of a rung: the `k`-th as it is strung; `forward` along +y. */
  rung(k: number, row: number, boundary: number, forward: boolean): Pose;
}

interface Sides {
  readonly sides: readonly (readonly string[])[];
  readonly rung: readonly string[];
  readonly rows: number;
}

/** Where four holes meet at a corner, a unit is longer than its side by this part of a bead's girth: √2 − 1. */
const CORNER = Math.SQRT2 - 1;

/** Closed form: a side's length and √2 − 1 of a rung's girth; √2·D for equal balls. Rows across the same way. */
export function grid(body: (role: string) => Body, { sides, rung, rows }: Sides): Grid {
  const lengths = (sequence: readonly string[]) => runningSum(sequence.map((role) => body(role).lengthMm));
  const girth = (sequence: readonly string[]) => Math.max(...sequence.map((role) => body(role).diameterMm));
  const longest = Math.max(...sides.map((side) => lengths(side).total));
  const sideGirth = Math.max(...sides.map(girth));
  const rungGirthMm = girth(rung);
  const across = lengths(rung);
  const pitchMm = longest + CORNER * rungGirthMm;
  const heightMm = across.total + CORNER * sideGirth;
  /** Middle of the k-th bead from where the run begins in space. */
  const along = (sequence: readonly string[], k: number, forward: boolean) => {
    const { starts, total } = lengths(sequence);
    const middle = (starts[k] ?? 0) + body(sequence[k] ?? '').lengthMm / 2;
    return (forward ? middle : total - middle) - total / 2;
  };
  return {
    pitchMm,
    widthMm: rows * heightMm + sideGirth,
    thicknessMm: Math.max(sideGirth, rungGirthMm),
    rungGirthMm,
    side: (sequence, k, level, unit, forward) => ({
      centre: [
        rungGirthMm / 2 + (unit + 0.5) * pitchMm + along(sequence, k, forward),
        (level - rows / 2) * heightMm,
        0,
      ],
      axis: [forward ? 1 : -1, 0, 0],
    }),
    fill: (edge, boundary, role, forward) => ({
      centre: [
        rungGirthMm / 2 + boundary * pitchMm,
        edge * ((rows / 2) * heightMm + (sideGirth + body(role).diameterMm) / 4),
        0,
      ],
      axis: [forward ? 1 : -1, 0, 0],
    }),
    rung: (k, row, boundary, forward) => ({
      centre: [
        rungGirthMm / 2 + boundary * pitchMm,
        (row + 0.5 - rows / 2) * heightMm + along(rung, k, forward),
        0,
      ],
      axis: [0, forward ? 1 : -1, 0],
    }),
  };
}

/** A run of beads as it was strung, and whether that was along the piece (or across it) or against. */
export interface Run {
  readonly beads: readonly Bead[];
  readonly forward: boolean;
}

/** Takes a needle through a run, along or against. */
export const goThrough = (needle: Needle, { beads, forward }: Run, wanted: boolean): Needle =>
  forward === wanted ? needle.through(...beads) : needle.back(...[...beads].reverse());

/** The word and the number of a bead's name: "top2" is ['top', 1]. */
export function nameParts(name: string): [string, number] {
  const word = name.replace(/\d+$/, '');
  return [word, Number(name.slice(word.length)) - 1];
}

/** The pass in which row `row` (counted from 0) of several is worked. */
export const rowPass = (row: number) => `row ${row + 1}`;
/** Which row a pass works; 0 for the first, which has no pass of its own. */
export const rowOfPass = (pass: string): number => Number(/^row (\d+)$/.exec(pass)?.[1] ?? 1) - 1;
