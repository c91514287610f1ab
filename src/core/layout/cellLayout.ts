import * as z from 'zod';
import { listOf } from '../tools/listOf';
import { hash } from '../tools/hash';
import type { Path } from '../weave/path';
import type { Form } from '../structures/structure';
import { handStart } from './handStart';
import { aboutAxis } from './aboutAxis';
import { regrouped } from './regroup';
import { repeatCell, type RepeatCell } from './solver/cell';
import type { BeadSize } from '../materials/material';
import type { HandStart } from './solver/held';
import type { Settled } from './solver/settled';
import { pitchIndex, PER_BEAD, stateOf } from './solver/state';

/** Raised whenever the solver's answers change: results of another version are not used. */
export const SOLVER_VERSION = 5;

/** Lengths are kept to a thousandth of a millimetre: floating point differs between machines. */
export const rounded = (mm: number) => Math.round(mm * 1000) / 1000;

const DRAPES = ['supple', 'flexible', 'firm', 'stiff'] as const;

/** A settled repeat cell as it is kept: small, and the same on every machine. */
export const cellLayoutSchema = z.object({
  /** Length of one unit, mm. */
  pitchMm: z.number().positive(),
  /** The shortest that a unit of a soft net can be drawn, mm; the pitch itself where nothing is soft. */
  snugMm: z.number().positive(),
  /** Turn from one period to the next, radians. */
  twist: z.number(),
  /** Units in a period. */
  units: z.number().int().positive(),
  /** Centre (mm) and quaternion (w, x, y, z) of each bead of the cell. */
  beads: listOf(listOf(z.number()).refine((numbers) => numbers.length === PER_BEAD)),
  widthMm: z.number().positive(),
  thicknessMm: z.number().positive(),
  /** How far each bead stands out from the middle, mm: to the front, and to the back. */
  heightsMm: listOf(z.tuple([z.number(), z.number()])),
  /** Clear opening along the middle of a tube; 0 where there is none. */
  insideMm: z.number().nonnegative(),
  /** How it hangs; null of a motif, which nothing goes along. */
  drape: z.enum(DRAPES).nullable(),
  /** Pitch with edges rounded less and more, mm. */
  roundingMm: z.tuple([z.number(), z.number()]),
  /** False where it did not come to rest from the structure's own arrangement: then that stands. */
  settled: z.boolean(),
});
export type CellLayout = z.infer<typeof cellLayoutSchema>;

/** What is to be solved, and the name under which its answer is kept. */
export interface LayoutRequest {
  readonly key: string;
  readonly cell: RepeatCell;
  readonly sizes: readonly BeadSize[];
  /** Where a hand sets out from. */
  readonly start: HandStart;
  /** Rows of one unit of the cell, and of one of the maker's units. */
  readonly rows: number;
  readonly rowsOfUnit: number;
}

/**
 * The request for a path's repeat, in beads of these sizes, from the form's own arrangement; null where it does not repeat,
 * or not as the arrangement does. Two paths with the same links, sizes and way of being held have the same key, whatever
 * their structure is called.
 */
export function layoutRequest(
  path: Path,
  sizeOf: (role: string) => BeadSize,
  form: Form,
): LayoutRequest | null {
  const { round } = form;
  const { path: told, rows, rowsOfUnit } = round ? { path, rows: 1, rowsOfUnit: 1 } : regrouped(path, sizeOf);
  const repeat = repeatCell(told);
  const cell = repeat && { ...repeat, folds: round?.folds ?? null };
  const start = cell && handStart(cell, told, path, round ? aboutAxis(form, round) : form, sizeOf);
  if (!start) return null;
  const sizes = cell.beads.map(({ role }) => sizeOf(role));
  const key = `${SOLVER_VERSION}:${hash(canonical(cell, sizes, start))}`;
  return { key, cell, sizes, start, rows, rowsOfUnit };
}

function canonical(cell: RepeatCell, sizes: readonly BeadSize[], { held, net, state }: HandStart): string {
  const bead = (s: BeadSize) =>
    [s.shape, s.lengthMm, s.diameterMm, s.widthMm ?? 0, s.holes, s.apartMm ?? 0, s.crossing ? 1 : 0]
      .map((v) => (typeof v === 'number' ? rounded(v) : v))
      .join(',');
  const anchors = (all: readonly { bead: number; hole: number; end: number; shift: number }[]) =>
    all.map((a) => `${a.bead}.${a.hole}.${a.end}.${a.shift}`).join('+');
  const faces = cell.beads.map(({ face, stage }) => (face ? `${stage}:${face}` : '')).join('');
  const spans = cell.spans.map(({ from, to, pull }) => `${anchors(from)}-${anchors(to)}*${pull}`).sort();
  const arranged = [held, net ?? '', ...Array.from(state.subarray(-2), rounded)].join(',');
  const told = [cell.units, sizes.map(bead).join(';'), spans.join(';'), faces, arranged];
  // What goes along the piece is kept as it always was.
  return [...told, ...(cell.folds === null ? [] : [cell.folds])].join('|');
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
