import type { BeadSize } from '../materials/material';
import { rounded, type CellLayout, type LayoutRequest } from './cellLayout';
import { handLaid, restedAgain } from './solver/handLaid';
import { alignedTo, roundSize } from './round';
import type { HandStart } from './solver/held';
import { asItLies, clearInside, drape } from './solver/measure';
import { reach, restingOf, shifted } from './solver/resting';
import { rests, type Settled } from './solver/settled';
import { solidOf, type Solid } from './solver/solid';
import type { SolveOptions } from './solver/solve';
import { PER_BEAD } from './solver/state';

/** Edges may be rounded by so much less or more than usual (from memory). */
const ROUNDINGS = [0.6, 1.4] as const;
/** Beads are solved at about the size of an 11/0, whose length and girth have this mean, mm: then tolerances suit them. */
const USUAL_MM = 1.775;

/**
 * Solves the request of a motif: one of its equal parts, at rest among its images about the middle. It is as long as from
 * its first point to the other side.
 */
function solveRound(
  { cell, sizes, start }: Pick<LayoutRequest, 'cell' | 'sizes' | 'start'>,
  folds: number,
  options: SolveOptions,
): CellLayout {
  const { unitMm, solidsOf, from } = inUsualBeads({ sizes, start });
  const mm = (usualMm: number) => rounded(usualMm * unitMm);
  const laid = (solids: readonly Solid[], state: Float64Array, how: SolveOptions) => {
    const { settled } = handLaid(cell, solids, { ...from, state }, how);
    const turned = { ...settled, state: alignedTo(settled.state, from.state) };
    const beads = cell.beads.map((_, i) => restingOf(turned.state, i));
    return { turned, beads, size: roundSize(beads, solids, folds) };
  };
  const solids = solidsOf();
  const { turned, beads, size } = laid(solids, from.state, options);
  const [less = size.alongMm, more = size.alongMm] = ROUNDINGS.map(
    (rounding) => laid(solidsOf(rounding), turned.state, { ...options, onProgress: undefined }).size.alongMm,
  );
  return {
    pitchMm: mm(size.alongMm),
    snugMm: mm(size.alongMm),
    twist: Math.round(turned.twist * 1e5) / 1e5,
    units: cell.units,
    beads: cell.beads.map((_, i) => beadNumbers(turned, i, mm)),
    widthMm: mm(size.widthMm),
    thicknessMm: mm(size.thicknessMm),
    heightsMm: beads.map((at, i) => {
      const out = (way: 1 | -1) => mm(reach(solids[i] as Solid, at, [way, 0, 0]));
      return [out(-1), out(1)];
    }),
    insideMm: 0,
    drape: null,
    roundingMm: [mm(less), mm(more)],
    settled: rests(turned, solids),
  };
}

/**
 * Solves a request: the state that a hand comes to from the structure's own arrangement. Pure; from 5 ms to some seconds,
 * so call it from a worker or on the server.
 */
export function solveLayout(
  { cell, sizes, start }: Pick<LayoutRequest, 'cell' | 'sizes' | 'start'>,
  options: SolveOptions = {},
): CellLayout {
  if (cell.folds !== null) return solveRound({ cell, sizes, start }, cell.folds, options);
  const { unitMm, solidsOf, from } = inUsualBeads({ sizes, start });
  const solids = solidsOf();
  const { settled, snugMm } = handLaid(cell, solids, from, options);
  const quietly = { ...options, onProgress: undefined };
  const perUnit = (mm: number) => rounded((mm * unitMm) / cell.units);
  const edges = ROUNDINGS.map((rounding) => {
    // What a net of single beads gives is more than its edges do.
    if (start.net === 'square') return perUnit(settled.periodMm);
    const againMm = restedAgain(cell, solidsOf(rounding), from, settled.state, quietly);
    return perUnit((settled.periodMm * againMm) / snugMm);
  });
  const { widthMm, thicknessMm } = asItLies(cell, solids, settled);
  const mm = (usualMm: number) => rounded(usualMm * unitMm);
  return {
    pitchMm: perUnit(settled.periodMm),
    snugMm: perUnit(snugMm),
    twist: Math.round(settled.twist * 1e5) / 1e5,
    units: cell.units,
    beads: cell.beads.map((_, i) => beadNumbers(settled, i, mm)),
    widthMm: mm(widthMm),
    thicknessMm: mm(thicknessMm),
    heightsMm: cell.beads.map((_, i) => {
      const [front, back] = heights(solids[i] as Solid, settled, i);
      return [mm(front), mm(back)];
    }),
    insideMm: start.held === 'former' ? mm(clearInside(solids, settled)) : 0,
    drape: drape(cell, solids, settled).drape,
    roundingMm: edges as [number, number],
    settled: rests(settled, solids),
  };
}

/** What is to be solved, told in beads about as large as an 11/0. */
interface InUsualBeads {
  /** So many times as large the beads are in truth. */
  readonly unitMm: number;
  readonly solidsOf: (rounding?: number) => Solid[];
  readonly from: HandStart;
}

/** All lengths scale: what is twice as large is laid out as what is not, and then called twice as large. */
export function inUsualBeads({ sizes, start }: Pick<LayoutRequest, 'sizes' | 'start'>): InUsualBeads {
  const unitMm = meanMm(sizes) / USUAL_MM;
  const usual = sizes.map((size) => sized(size, 1 / unitMm));
  return {
    unitMm,
    solidsOf: (rounding) => usual.map((size) => solidOf(size, rounding)),
    from: { ...start, state: scaled(start.state, 1 / unitMm) },
  };
}

const meanMm = (sizes: readonly BeadSize[]): number =>
  sizes.reduce((sum, { lengthMm, diameterMm }) => sum + (lengthMm + diameterMm) / 2, 0) / sizes.length;

/** The same bead, so many times as large. */
export const sized = (size: BeadSize, times: number): BeadSize => ({
  ...size,
  lengthMm: size.lengthMm * times,
  diameterMm: size.diameterMm * times,
  widthMm: size.widthMm === null ? null : size.widthMm * times,
  apartMm: size.apartMm === null ? null : size.apartMm * times,
});

/** A state of beads that are so many times as large: places and pitch grow, turns stay. */
const scaled = (state: Float64Array, times: number): Float64Array =>
  state.map((v, i) => {
    const isPlace = i % PER_BEAD < 3 && i < state.length - 2;
    return isPlace || i === state.length - 2 ? v * times : v;
  });

/** How far a bead reaches to the front and to the back, whichever of two neighbouring periods it lies in. */
function heights(solid: Solid, { state, periodMm, twist }: Settled, bead: number): [number, number] {
  const at = [0, 1].map((k) => shifted(restingOf(state, bead), periodMm, twist, k));
  const most = (z: 1 | -1) => Math.max(...at.map((one) => reach(solid, one, [0, 0, z])));
  return [most(-1), most(1)];
}

function beadNumbers({ state }: Settled, bead: number, mm: (usualMm: number) => number): number[] {
  const { centre } = restingOf(state, bead);
  const q = state.subarray(bead * PER_BEAD + 3, bead * PER_BEAD + 7);
  const length = Math.hypot(...q);
  return [...centre.map(mm), ...Array.from(q, (v) => Math.round((v / length) * 1e5) / 1e5)];
}
