import { rounded, type CellLayout, type LayoutRequest } from './cellLayout';
import type { RepeatCell } from './solver/cell';
import { asItLies, drape, measure, mirrored, turned } from './solver/measure';
import { reach, restingOf, shifted } from './solver/resting';
import { rests, type Settled } from './solver/settled';
import { solidOf, type Solid } from './solver/solid';
import { solveCell, type SolveOptions } from './solver/solve';
import { PER_BEAD } from './solver/state';

/** Edges may be rounded by so much less or more than usual (from memory). */
const ROUNDINGS = [0.6, 1.4] as const;
/** Other states count when they are so near in effort, threads' pull × mm a period. */
const NEARLY_AS_SNUG = 0.05;
/** Solves a request. Pure, but long: from 0.1 s to half a minute. Call it from a worker or on the server. */
export function solveLayout(
  { cell, sizes }: Pick<LayoutRequest, 'cell' | 'sizes'>,
  options: SolveOptions = {},
): CellLayout {
  const solids = sizes.map((size) => solidOf(size));
  const all = solveCell(cell, solids, options);
  const best = all[0];
  if (!best) throw new Error('From no start did the stitch come to lie in order.');
  const edges = ROUNDINGS.map((rounding) => {
    const [one] = solveCell(
      cell,
      sizes.map((size) => solidOf(size, rounding)),
      { ...options, onProgress: undefined, from: best },
    );
    return rounded((one?.periodMm ?? best.periodMm) / cell.units);
  });
  const others = all
    .slice(1)
    .filter(
      (one) => rests(one, solids) && one.threadMm - best.threadMm < NEARLY_AS_SNUG * (best.threadMm + 1),
    );
  const flat = snapped(best);
  // Left- and right-handed are a tie: one is kept, and the maker's hand chooses when it is drawn.
  const oneHand = flat.twist < 0 && Math.abs(flat.twist) < Math.PI ? mirrored(flat) : flat;
  const { insideMm, thinAt, ...measured } = measure(cell, solids, oneHand);
  // Seen from above: the thinnest way across is the height, unless the path has a front of its own.
  const face = facing(cell, oneHand);
  const told = turned(oneHand, face ?? Math.PI / 2 - thinAt);
  const { widthMm, thicknessMm } = face === null ? measured : asItLies(cell, solids, told);
  return {
    pitchMm: rounded(told.periodMm / cell.units),
    twist: Math.round(told.twist * 1e5) / 1e5,
    units: cell.units,
    beads: cell.beads.map((_, i) => beadNumbers(told, i)),
    widthMm: rounded(widthMm),
    thicknessMm: rounded(thicknessMm),
    heightsMm: cell.beads.map((_, i) => heights(solids[i] as Solid, told, i)),
    insideMm: rounded(insideMm),
    drape: drape(cell, solids, told).drape,
    roundingMm: edges as [number, number],
    othersMm: distinctPitches(told.periodMm, others).map((mm) => rounded(mm / cell.units)),
    settled: rests(best, solids),
  };
}

/**
 * The turn about its axis that lays a cell as its path says: what is sewn on the front comes to the front, what
 * hangs comes below. Null where the path says nothing.
 */
function facing({ beads }: RepeatCell, settled: Settled): number | null {
  let [y, z] = [0, 0];
  beads.forEach(({ face }, i) => {
    const [, cy, cz] = restingOf(settled.state, i).centre;
    // All as if it were below: the front is a quarter turn before, the back a quarter turn after.
    const [by, bz] =
      face === 'below' ? [cy, cz] : face === 'front' ? [-cz, cy] : face === 'back' ? [cz, -cy] : [0, 0];
    y += by;
    z += bz;
  });
  return Math.hypot(y, z) < 1e-6 ? null : -Math.atan2(z, y);
}

/** How far a bead reaches to the front and to the back, whichever of two neighbouring periods it lies in. */
function heights(solid: Solid, { state, periodMm, twist }: Settled, bead: number): [number, number] {
  const at = [0, 1].map((k) => shifted(restingOf(state, bead), periodMm, twist, k));
  const most = (z: 1 | -1) => rounded(Math.max(...at.map((one) => reach(solid, one, [0, 0, z]))));
  return [most(-1), most(1)];
}

/** Periods that a ruler could tell from the best and from each other. */
function distinctPitches(best: number, others: readonly Settled[]): number[] {
  const told = [best];
  for (const { periodMm } of others)
    if (told.every((mm) => Math.abs(periodMm / mm - 1) > TOLD_APART)) told.push(periodMm);
  return told.slice(1);
}
const TOLD_APART = 0.01;

/** A turn of nearly nothing, or of nearly a half, is exactly that: over a long piece a rest would add up. */
const NEARLY = 0.02;

function snapped(settled: Settled): Settled {
  const turn = Math.abs(Math.atan2(Math.sin(settled.twist), Math.cos(settled.twist)));
  const twist = turn < NEARLY ? 0 : turn > Math.PI - NEARLY ? Math.PI : settled.twist;
  return { ...settled, twist };
}

function beadNumbers({ state }: Settled, bead: number): number[] {
  const { centre } = restingOf(state, bead);
  const q = state.subarray(bead * PER_BEAD + 3, bead * PER_BEAD + 7);
  const length = Math.hypot(...q);
  return [...centre.map(rounded), ...Array.from(q, (v) => Math.round((v / length) * 1e5) / 1e5)];
}
