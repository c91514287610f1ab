import type { Face } from '../../weave/path';
import type { Point } from '../layout';
import type { Anchor, CellBead, RepeatCell, Span } from './cell';
import { pitchIndex, PER_BEAD } from './state';
import { restingOf, shifted } from './resting';
import type { Solid } from './solid';
import { quaternionOf } from './turns';
import { add, cross, mean, mul, ofColumns, sub, unit } from './vectors';

/** The cell with only some of its beads, and the spans between them; `kept` are their numbers in the whole. */
export function only(
  cell: RepeatCell,
  wanted: (bead: CellBead) => boolean,
): { cell: RepeatCell; kept: readonly number[] } {
  const kept = cell.beads.flatMap((bead, i) => (wanted(bead) ? [i] : []));
  const number = new Map(kept.map((i, k) => [i, k]));
  const move = (anchors: readonly Anchor[]) =>
    anchors.flatMap((a) => {
      const bead = number.get(a.bead);
      return bead === undefined ? [] : [{ ...a, bead }];
    });
  const spans = cell.spans.flatMap((span): Span[] => {
    const [from, to] = [move(span.from), move(span.to)];
    return from.length < span.from.length || to.length < span.to.length ? [] : [{ ...span, from, to }];
  });
  return {
    cell: { ...cell, beads: kept.map((i) => cell.beads[i]).flatMap((b) => (b ? [b] : [])), spans },
    kept,
  };
}

/**
 * Puts the beads of a later pass where they will grow: each between the beads that its thread joins, and
 * outward from the middle of what is there by as many bead sizes as it is beads away from it.
 * @param state holds every bead of `cell`; those for which `placed` is true are at rest
 */
export function placeLater(
  cell: RepeatCell,
  solids: readonly Solid[],
  state: Float64Array,
  placed: readonly boolean[],
  random: () => number,
): void {
  const n = cell.beads.length;
  const [periodMm, twist] = [state[pitchIndex(n)] as number, state[pitchIndex(n) + 1] as number];
  const later = cell.beads.flatMap((_, i) => (placed[i] ? [] : [i]));
  const near = neighboursOf(cell);
  const centreOf = (bead: number, shift: number): Point =>
    shifted(restingOf(state, bead), periodMm, twist, shift).centre;
  const set = (bead: number, at: Point) => state.set(at, bead * PER_BEAD);

  const fixed = cell.beads.flatMap((_, i) => (placed[i] ? [centreOf(i, 0)] : []));
  const middle = mean(fixed.length > 0 ? fixed : [[0, 0, 0]]);
  for (const i of later) set(i, [middle[0], middle[1] + random() - 0.5, middle[2] + 0.2 * (random() - 0.5)]);
  for (let round = 0; round < 60; round++)
    for (const i of later) {
      const around = (near[i] ?? []).map(({ bead, shift }) => centreOf(bead, shift));
      if (around.length > 0) set(i, mean(around));
    }
  const depth = depths(near, placed);
  const seats = later.map((i): [number, Point] => {
    if (cell.beads[i]?.setIn) return [i, middle];
    const at = centreOf(i, 0);
    // In a piece with a repeat, outward is away from its axis; in a motif, away from its middle.
    const out: Point = [cell.periodic ? 0 : at[0] - middle[0], at[1] - middle[1], at[2] - middle[2]];
    const far = Math.hypot(...out);
    const { face } = cell.beads[i] ?? {};
    // A path cannot tell front from back: a pass that is to lie on a face is set there.
    const away: Point = face ? SIDES[face] : far > 0.05 ? unit(out) : [0, random() - 0.5, random() - 0.5];
    const by = (solids[i]?.boundMm ?? 1) * (0.5 + 0.9 * (depth[i] ?? 1));
    return [i, add(at, mul(away, by))];
  });
  for (const [i, at] of seats) set(i, at);
  for (const i of later) turnAlong(cell, state, i, near, centreOf, random);
}

const SIDES: Readonly<Record<Face, Point>> = {
  front: [0, 0, -1],
  back: [0, 0, 1],
  below: [0, 1, 0],
  above: [0, -1, 0],
};

/** A bead that bare thread joins another to. */
export interface Neighbour {
  readonly bead: number;
  readonly shift: number;
  /** The end of this bead that the thread joins to the neighbour. */
  readonly end: 0 | 1;
}

/** For each bead the beads that bare thread joins it to. */
export function neighboursOf(cell: RepeatCell): Neighbour[][] {
  const near: Neighbour[][] = cell.beads.map(() => []);
  for (const { from, to } of cell.spans)
    for (const a of from)
      for (const b of to) {
        near[a.bead]?.push({ bead: b.bead, shift: b.shift - a.shift, end: a.end });
        near[b.bead]?.push({ bead: a.bead, shift: a.shift - b.shift, end: b.end });
      }
  return near;
}

/** How many beads away each is from what is placed. */
function depths(near: readonly (readonly Neighbour[])[], placed: readonly boolean[]): number[] {
  const depth = placed.map((is) => (is ? 0 : Infinity));
  for (let round = 0; round < placed.length; round++)
    near.forEach((around, i) => {
      for (const { bead } of around) depth[i] = Math.min(depth[i] as number, (depth[bead] as number) + 1);
    });
  return depth.map((d) => (Number.isFinite(d) ? d : 1));
}

/** Turns a bead so that its hole runs from the beads at its one end to those at its other. */
function turnAlong(
  cell: RepeatCell,
  state: Float64Array,
  bead: number,
  near: readonly (readonly Neighbour[])[],
  centreOf: (bead: number, shift: number) => Point,
  random: () => number,
): void {
  const at = (end: 0 | 1) =>
    (near[bead] ?? []).filter((one) => one.end === end).map((one) => centreOf(one.bead, one.shift));
  const here = centreOf(bead, 0);
  const [before, after] = [at(0), at(1)];
  const from = before.length > 0 ? mean(before) : here;
  const to = after.length > 0 ? mean(after) : here;
  let x = sub(to, from);
  if (Math.hypot(...x) < 1e-3) x = [random() - 0.5, random() - 0.5, random() - 0.5];
  x = unit(x);
  const up: Point = Math.abs(x[2]) < 0.9 ? [0, 0, 1] : [0, 1, 0];
  const y = unit(cross(up, x));
  const z = cross(x, y);
  state.set(quaternionOf(ofColumns(x, y, z)), bead * PER_BEAD + 3);
}
