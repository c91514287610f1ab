import { z } from 'zod';
import type { Path } from '../weave/path';
import { regrouped } from './regroup';
import { repeatCell, type RepeatCell } from './solver/cell';
import { asItLies, drape, measure, mirrored, reach, restingOf, shifted, turned } from './solver/measure';
import type { BeadSize } from '../materials/material';
import { solidOf, type Solid } from './solver/solid';
import { rests, type Settled } from './solver/settled';
import { solveCell, type SolveOptions } from './solver/solve';
import { pitchIndex, PER_BEAD, stateOf } from './solver/energy';

/** Raised whenever the solver's answers change: results of another version are not used. */
export const SOLVER_VERSION = 2;

/** Lengths are kept to a thousandth of a millimetre: floating point differs between machines. */
const rounded = (mm: number) => Math.round(mm * 1000) / 1000;

const DRAPES = ['supple', 'flexible', 'firm', 'stiff'] as const;

/** A settled repeat cell as it is kept: small, and the same on every machine. */
export const cellLayoutSchema = z.object({
  /** Length of one unit, mm. */
  pitchMm: z.number().positive(),
  /** Turn from one period to the next, radians. */
  twist: z.number(),
  /** Units in a period. */
  units: z.number().int().positive(),
  /** Centre (mm) and quaternion (w, x, y, z) of each bead of the cell. */
  beads: z.array(z.array(z.number()).length(PER_BEAD)),
  widthMm: z.number().positive(),
  thicknessMm: z.number().positive(),
  /** How far each bead stands out from the middle, mm: to the front, and to the back. */
  heightsMm: z.array(z.tuple([z.number(), z.number()])),
  /** Clear opening along the middle of a tube; 0 where there is none. */
  insideMm: z.number().nonnegative(),
  drape: z.enum(DRAPES),
  /** Pitch with edges rounded less and more, mm. */
  roundingMm: z.tuple([z.number(), z.number()]),
  /** Pitches of other states in which the stitch can rest, mm. */
  othersMm: z.array(z.number()),
  /** False where nothing came to rest; the numbers are then the best found. */
  settled: z.boolean(),
});
export type CellLayout = z.infer<typeof cellLayoutSchema>;

/** What is to be solved, and the name under which its answer is kept. */
export interface LayoutRequest {
  readonly key: string;
  readonly cell: RepeatCell;
  readonly sizes: readonly BeadSize[];
  /** Rows of one unit of the cell, and of one of the maker's units. */
  readonly rows: number;
  readonly rowsOfUnit: number;
}

/**
 * The request for a path's repeat, in beads of these sizes; null where it does not repeat. Two paths with the
 * same links and bead sizes have the same key, whatever their structure is called.
 */
export function layoutRequest(path: Path, sizeOf: (role: string) => BeadSize): LayoutRequest | null {
  const { path: told, rows, rowsOfUnit } = regrouped(path, sizeOf);
  const cell = repeatCell(told);
  if (!cell) return null;
  const sizes = cell.beads.map(({ role }) => sizeOf(role));
  return { key: `${SOLVER_VERSION}:${hash(canonical(cell, sizes))}`, cell, sizes, rows, rowsOfUnit };
}

function canonical(cell: RepeatCell, sizes: readonly BeadSize[]): string {
  const bead = (s: BeadSize) =>
    [s.shape, s.lengthMm, s.diameterMm, s.widthMm ?? 0, s.holes, s.apartMm ?? 0, s.crossing ? 1 : 0]
      .map((v) => (typeof v === 'number' ? rounded(v) : v))
      .join(',');
  const anchors = (all: readonly { bead: number; hole: number; end: number; shift: number }[]) =>
    all.map((a) => `${a.bead}.${a.hole}.${a.end}.${a.shift}`).join('+');
  const faces = cell.beads.map(({ face, stage }) => (face ? `${stage}:${face}` : '')).join('');
  const spans = cell.spans.map(({ from, to, pull }) => `${anchors(from)}-${anchors(to)}*${pull}`).sort();
  return [cell.units, sizes.map(bead).join(';'), spans.join(';'), faces].join('|');
}

/** A short name of a text: 53 bits of two rounds of FNV-style mixing (cyrb53, public domain). */
function hash(text: string): string {
  let [h1, h2] = [0xdeadbeef, 0x41c6ce57];
  for (let i = 0; i < text.length; i++) {
    const code = text.charCodeAt(i);
    h1 = Math.imul(h1 ^ code, 2654435761);
    h2 = Math.imul(h2 ^ code, 1597334677);
  }
  h1 = Math.imul(h1 ^ (h1 >>> 16), 2246822507) ^ Math.imul(h2 ^ (h2 >>> 13), 3266489909);
  h2 = Math.imul(h2 ^ (h2 >>> 16), 2246822507) ^ Math.imul(h1 ^ (h1 >>> 13), 3266489909);
  return (4294967296 * (2097151 & h2) + (h1 >>> 0)).toString(36);
}

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

/** The kept layout as a state again, to be read or relaxed further. */
export function settledOf({
  pitchMm,
  twist,
  units,
  beads,
}: CellLayout): Pick<Settled, 'state' | 'periodMm' | 'twist'> {
  const state = stateOf(beads.length);
  beads.forEach((numbers, i) => state.set(numbers, i * PER_BEAD));
  const periodMm = pitchMm * units;
  state[pitchIndex(beads.length)] = periodMm;
  state[pitchIndex(beads.length) + 1] = twist;
  return { state, periodMm, twist };
}
