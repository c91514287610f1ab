import { WOVEN, type Path, slotKey } from '../../weave/path';
import type { Point } from '../layout';
import { closedCell, repeatCell, type RepeatCell, beadWord } from './cell';
import { CellEnergy } from './energy';
import { AT_EASE } from './stage';
import { PER_BEAD, stateOf } from './state';
import { clearance, turned, measure } from './measure';
import { restingOf, shifted, type Resting } from './resting';
import { minimise } from './minimise';
import { seeded } from './random';
import type { Settled } from './settled';
import type { Solid } from './solid';
import { growStages, OPEN, relax, solveCell, type SolveOptions } from './solve';
import { quaternionOf } from './turns';
import { ofColumns } from './vectors';
import { given } from '../../tools/given';

/** A piece without repeat at rest: a ring, a frame, a motif. */
export interface SettledPiece {
  readonly cell: RepeatCell;
  readonly settled: Settled;
  /** Every bead, by its number in the path. */
  readonly beads: readonly Resting[];
}

/**
 * Lays out a closed piece in stages. A strip closed into a ring is its repeat, laid out, set one after
 * another and bent round; anything else begins with its first part, from a start that knows nothing. The beads
 * of later parts and passes are then grown onto it in the order they are strung.
 */
export function solveClosed(
  path: Path,
  solidOf: (role: string) => Solid,
  options: SolveOptions = {},
): SettledPiece {
  const cell = closedCell(path);
  const solids = cell.beads.map(({ role }) => solidOf(role));
  const ring = bentStrip(path, cell, solidOf, options);
  const settled = ring
    ? growStages(cell, solids, ring, seeded(options.seed ?? 1), options)
    : (solveCell(cell, solids, { starts: 2, ...options })[0] as Settled);
  return { cell, settled, beads: cell.beads.map((_, i) => restingOf(settled.state, i)) };
}

/** The strip that a ring is made of, bent round and closed; null where the path is no ring of a strip. */
function bentStrip(
  path: Path,
  whole: RepeatCell,
  solidOf: (role: string) => Solid,
  options: SolveOptions,
): Settled | null {
  const strip = repeatCell(path);
  const body = path.beads.filter((bead) => bead.place.section === WOVEN);
  const units = 1 + Math.max(...body.map((bead) => bead.place.unit));
  if (!strip || !closes(path, whole, units)) return null;
  const solids = strip.beads.map(({ role }) => solidOf(role));
  const [best] = solveCell(strip, solids, options);
  if (!best) return null;
  const flat = turned(best, Math.PI / 2 - measure(strip, solids, best).thinAt);
  const round = (units / strip.units) * flat.periodMm;
  const radius = round / (2 * Math.PI);
  const byWord = new Map(strip.beads.map(({ unit, word }, i) => [`${unit}/${word}`, i]));
  // A pass that is worked otherwise in a ring has its beads in other rows: then the slot says which is which.
  const bySlot = new Map(strip.beads.map(({ unit, slot }, i) => [`${unit}/${slotKey(slot)}`, i]));

  const n = body.length;
  const state = stateOf(n);
  body.forEach((bead, k) => {
    const shift = Math.floor((bead.place.unit - strip.phase) / strip.units);
    const unit = bead.place.unit - strip.phase - shift * strip.units;
    const word = beadWord(bead);
    const i = given(
      byWord.get(`${unit}/${word}`) ?? bySlot.get(`${unit}/${slotKey(bead.slot)}`),
      `bead of the strip for ${word}`,
    );
    const { centre, turn } = bent(
      shifted(restingOf(flat.state, i), flat.periodMm, flat.twist, shift),
      radius,
    );
    state.set(centre, k * PER_BEAD);
    state.set(quaternionOf(turn), k * PER_BEAD + 3);
  });
  const first = stageZero(whole, n);
  const beadSolids = first.beads.map(({ role }) => solidOf(role));
  const energy = new CellEnergy(first, beadSolids);
  energy.stage = { ...AT_EASE, stiffness: 50, open: OPEN };
  minimise(energy.evaluate, state, { steps: 200, stillAt: 1e-2, mostMove: 0.1 });
  return relax(first, beadSolids, state, 'free', options);
}

/** The first part of a closed cell: the strip itself, whose beads come first in the path. */
const stageZero = (whole: RepeatCell, count: number): RepeatCell => ({
  ...whole,
  beads: whole.beads.slice(0, count),
  spans: whole.spans.filter(({ from, to }) => [...from, ...to].every((a) => a.bead < count)),
});

/** Whether thread joins the last unit of the body to its first. */
function closes(path: Path, whole: RepeatCell, units: number): boolean {
  if (units < 4) return false;
  const unitOf = (bead: number) => {
    const place = path.beads[bead]?.place;
    return place && place.section === WOVEN ? place.unit : null;
  };
  return whole.spans.some(({ from, to }) => {
    const ends = [...from, ...to].map((a) => unitOf(a.bead));
    return ends.includes(0) && ends.includes(units - 1);
  });
}

/** A bead of a strip along x, on the strip bent round the z axis: its height points outward. */
function bent({ centre: [x, y, z], turn: r }: Resting, radius: number): Resting {
  const angle = x / radius;
  const [cos, sin] = [Math.cos(angle), Math.sin(angle)];
  // Along → round, across → up the ring's axis, height → outward.
  const map = ([a, b, c]: Point): Point => [-sin * a + cos * c, cos * a + sin * c, b];
  const [p, q, s] = [map([r[0], r[3], r[6]]), map([r[1], r[4], r[7]]), map([r[2], r[5], r[8]])];
  return { centre: [(radius + z) * cos, (radius + z) * sin, y], turn: ofColumns(p, q, s) };
}

/** The clear round opening of a ring about the z axis through its middle, mm; only beads named count. */
export function openingMm(
  { cell, beads }: SettledPiece,
  solidOf: (role: string) => Solid,
  roles: readonly string[],
): number {
  const ring = beads.flatMap((at, i) => {
    const { role } = given(cell.beads[i], 'bead of the ring');
    return roles.includes(role) ? [{ at, solid: solidOf(role) }] : [];
  });
  const middle = [0, 1, 2].map(
    (k) => ring.reduce((sum, { at }) => sum + (at.centre[k as 0] ?? 0), 0) / ring.length,
  );
  const clear = ring.map(({ at, solid }) =>
    clearance(
      solid,
      { ...at, centre: [at.centre[0] - (middle[0] ?? 0), at.centre[1] - (middle[1] ?? 0), 0] },
      'z',
    ),
  );
  return Math.max(0, 2 * Math.min(...clear));
}
