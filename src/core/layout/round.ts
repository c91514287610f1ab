import type { Form } from '../structures/structure';
import { flatOnMat, turnedOver } from './aboutAxis';
import { given } from '../tools/given';
import { WOVEN, type Bead, type Path } from '../weave/path';
import type { Point } from './layout';
import { poseAt } from './pose';
import { settledOf, type CellLayout } from './cellLayout';
import type { BeadSize } from '../materials/material';
import { beadWord, type RepeatCell } from './solver/cell';
import { reach, restingOf, shifted, type Resting } from './solver/resting';
import { solidOf, type Solid } from './solver/solid';
import { beadsOf, PER_BEAD, pitchIndex, stateOf } from './solver/state';
import { quaternionOf, turnOnto } from './solver/turns';

/** All parts of a round, each bead where it lies. */
const imagesOf = (beads: readonly Resting[], folds: number): Resting[][] =>
  beads.map((one) => Array.from({ length: folds }, (_, k) => shifted(one, 0, (2 * Math.PI) / folds, k)));

/** What a motif measures, mm. */
export interface RoundSize {
  /** From the point that comes first along it to the other side. */
  readonly alongMm: number;
  readonly widthMm: number;
  readonly thicknessMm: number;
  /** How far its first point lies from the middle, outside to middle. */
  readonly firstMm: number;
}

/** Measures a round of equal parts about the x axis, whose first point lies against y. */
export function roundSize(beads: readonly Resting[], solids: readonly Solid[], folds: number): RoundSize {
  const images = imagesOf(beads, folds);
  const most = (way: (at: Resting) => Point) =>
    Math.max(...images.flatMap((all, i) => all.map((at) => reach(given(solids[i], 'body'), at, way(at)))));
  const outwards = ({ centre: [, y, z] }: Resting): Point => {
    const far = Math.hypot(y, z) || 1;
    return [0, y / far, z / far];
  };
  const firstMm = most(() => [0, -1, 0]);
  return {
    firstMm,
    alongMm: firstMm + most(() => [0, 1, 0]),
    widthMm: 2 * most(outwards),
    thicknessMm: most(() => [1, 0, 0]) + most(() => [-1, 0, 0]),
  };
}

/** A state turned about the x axis so that it lies on another as nearly as can be (least squares). */
export function alignedTo(state: Float64Array, wanted: Float64Array): Float64Array {
  const n = beadsOf(state);
  const centres = (of: Float64Array) => Array.from({ length: n }, (_, i) => restingOf(of, i).centre);
  const angle = turnOnto(centres(state), centres(wanted));
  const turned = stateOf(n);
  turned.set(state);
  for (let i = 0; i < n; i++) {
    const at = shifted(restingOf(state, i), 0, angle, 1);
    turned.set(at.centre, i * PER_BEAD);
    turned.set(quaternionOf(at.turn), i * PER_BEAD + 3);
  }
  turned.set(state.subarray(pitchIndex(n)), pitchIndex(n));
  return turned;
}

/** The form of a motif as the solver laid one of its parts out. Null where a bead of the sample has no like in it. */
export function roundForm(
  layout: CellLayout,
  { cell }: { readonly cell: RepeatCell },
  sample: Path,
  sizeOf: (role: string) => BeadSize,
  closed: Form,
): Form | null {
  const folds = given(cell.folds, 'equal parts of a motif');
  const { state } = settledOf(layout);
  const beads = layout.beads.map((_, i) => restingOf(state, i));
  const byWord = new Map(cell.beads.map(({ word }, i) => [word, i]));
  const indexOf = (bead: Bead) => byWord.get(beadWord(bead));
  const woven = sample.beads.filter(({ place }) => place.section === WOVEN);
  if (woven.some((bead) => indexOf(bead) === undefined)) return null;
  const size = roundSize(
    beads,
    cell.beads.map(({ role }) => solidOf(sizeOf(role))),
    folds,
  );
  const [place, way] = [flatOnMat(size.firstMm), flatOnMat(0)];
  return {
    ...closed,
    pitchMm: layout.pitchMm,
    extraMm: 0,
    widthMm: layout.widthMm,
    thicknessMm: layout.thicknessMm,
    round: { folds, middleMm: size.firstMm },
    pose(bead) {
      const at = given(beads[given(indexOf(bead), 'bead of a motif')], 'bead of the layout');
      const lies = shifted(at, 0, (2 * Math.PI) / folds, bead.place.row - cell.phase);
      return turnedOver(poseAt(lies), place, way);
    },
  };
}
