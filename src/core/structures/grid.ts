import type { Pose } from '../layout/layout';
import type { Net } from '../layout/solver/held';
import { solidOf } from '../layout/solver/solid';
import { reachOf } from '../layout/solver/support';
import type { BeadSize } from '../materials/material';
import { forth, outOfWay, reversed } from '../weave/edge';
import { hole, type Needle, type Passage } from '../weave/needle';
import type { Bead, HoleEnd } from '../weave/path';
import type { Target } from '../weave/route';
import { at, girthOf, runningSum } from './structure';

/**
 * The net that right-angle weave and cross-weave are: circles of four sides in rows along the piece. Levels run
 * across the piece from 0 below the first row, boundaries along it from 0 before the first unit.
 */
export interface Grid {
  readonly pitchMm: number;
  readonly widthMm: number;
  readonly thicknessMm: number;
  readonly rungGirthMm: number;
  /** Of single beads circles stay square or turn like a pinwheel; sides of several bow. */
  readonly net: Net;
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

/** How far a bead reaches halfway between along its hole and across it, mm. */
const slanted = (bead: BeadSize) => reachOf(solidOf(bead), Math.SQRT1_2, Math.SQRT1_2, 0);

/**
 * From a corner of the net to the middles of the beads that meet there, that of a side and that of a rung, mm: they touch
 * halfway between their holes, and their ends are as far from the corner as each other.
 */
export function corner(side: BeadSize, rung: BeadSize): { side: number; rung: number } {
  const both = Math.SQRT2 * (slanted(side) + slanted(rung));
  const more = (side.lengthMm - rung.lengthMm) / 2;
  return { side: (both + more) / 2, rung: (both - more) / 2 };
}

/** From their middle to the middles of four beads of two holes that point outwards, mm: neighbours touch halfway between their holes. */
export const fourRound = (bead: BeadSize): number => Math.SQRT2 * slanted(bead);

/** How much farther a bead's middle is from a face that it leans to, by an angle, than if it stood upright on its end there, mm. */
export const leaning = (bead: BeadSize, by: number): number =>
  reachOf(solidOf(bead), Math.cos(by), Math.sin(by), 0) - bead.lengthMm / 2;

/**
 * Closed form: circles as square as their beads let them be. A unit is its side, less what its end beads reach beyond
 * their middles, and what the corners take; √2·D for equal balls. Rows across the same way.
 */
export function grid(body: (role: string) => BeadSize, { sides, rung, rows }: Sides): Grid {
  const lengths = (sequence: readonly string[]) => runningSum(sequence.map((role) => body(role).lengthMm));
  const ends = (sequence: readonly string[]) => [at(sequence, 0), at(sequence, -1)].map((role) => body(role));
  /** The run's length from corner to corner, each of its end beads against the other runs' that press on it most. */
  const betweenCorners = (
    run: readonly string[],
    others: readonly (readonly string[])[],
    part: 'side' | 'rung',
  ) =>
    ends(run).reduce((sum, bead) => {
      const reaches = others.flatMap(ends).map((other) => {
        return part === 'side' ? corner(bead, other).side : corner(other, bead).rung;
      });
      return sum + Math.max(...reaches) - bead.lengthMm / 2;
    }, lengths(run).total);
  const sideGirth = Math.max(...sides.map((side) => girthOf(side, body)));
  const rungGirthMm = girthOf(rung, body);
  const pitchMm = Math.max(rungGirthMm, ...sides.map((side) => betweenCorners(side, [rung], 'side')));
  const heightMm = Math.max(sideGirth, betweenCorners(rung, sides, 'rung'));
  /** Middle of the k-th bead from where the run begins in space. */
  const along = (sequence: readonly string[], k: number, forward: boolean) => {
    const { starts, total } = lengths(sequence);
    const middle = at(starts, k) + body(at(sequence, k)).lengthMm / 2;
    return (forward ? middle : total - middle) - total / 2;
  };
  return {
    pitchMm,
    widthMm: rows * heightMm + sideGirth,
    thicknessMm: Math.max(sideGirth, rungGirthMm),
    rungGirthMm,
    net: [rung, ...sides].every(({ length }) => length === 1) ? 'square' : 'round',
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
  /** Which hole of its beads it is; the first where nothing is said. */
  readonly hole?: number;
}

/** The ways through a run as it was strung. */
const passagesOf = ({ beads, hole: n = 0 }: Run): Passage[] => beads.map((bead) => hole(bead, n));

/** Keeps a run of a row under its place in it. */
export function put(rows: Run[][], row: number, place: number, run: Run): void {
  (rows[row] ??= [])[place] = run;
}

/** Takes a needle through a run, along or against. */
export const goThrough = (needle: Needle, run: Run, wanted: boolean): Needle =>
  run.forward === wanted ? needle.through(...passagesOf(run)) : needle.back(...passagesOf(run).reverse());

/** The holes of a run that is gone through so. */
export const holesOf = (run: Run, wanted: boolean): HoleEnd[] =>
  run.forward === wanted ? forth(...passagesOf(run)) : reversed(forth(...passagesOf(run)));

/** Where thread comes out of a run that it goes through so. */
export const endOf = (run: Run, wanted: boolean): Target => outOfWay(holesOf(run, wanted));

/** The pass in which row `row` (counted from 0) of several is worked. */
export const rowPass = (row: number) => `row ${row + 1}`;
