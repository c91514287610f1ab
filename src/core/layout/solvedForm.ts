import type { Form } from '../structures/structure';
import type { Bead, Path } from '../weave/path';
import { settledOf, type CellLayout } from './cellLayout';
import type { Point, Pose } from './layout';
import { beadWord, type RepeatCell } from './solver/cell';
import { reach, restingOf, shifted, type Resting } from './solver/measure';
import type { BeadSize } from '../materials/material';
import { solidOf } from './solver/solid';

const anyPass = (word: string) => word.replace(/\/.*\//, '/');

/**
 * The form of a structure as the solver laid it out: its repeat set one after another along the piece, end
 * units placed as the unit of their kind is.
 * @param sample a path of a few units, whose outline gives the length beyond whole units
 * @param closed the closed form, for what the solver does not reproduce
 * Returns null where a bead of the sample has no like in the repeat.
 */
export function solvedForm(
  layout: CellLayout,
  cell: RepeatCell,
  sample: { readonly path: Path; readonly units: number },
  sizeOf: (role: string) => BeadSize,
  closed: Form,
): Form | null {
  const { state, periodMm, twist } = settledOf(layout);
  const exact = new Map(cell.beads.map(({ unit, word }, i) => [`${unit}/${word}`, i]));
  // By analogy: the beads of a start or a closing row lie as those of the same name lie in the repeat.
  const alike = new Map(cell.beads.map(({ unit, word }, i) => [`${unit}/${anyPass(word)}`, i]));
  const resting = (bead: Bead): Resting | null => {
    const shift = Math.floor((bead.place.unit - cell.phase) / cell.units);
    const unit = bead.place.unit - cell.phase - shift * cell.units;
    const word = beadWord(bead);
    const i = exact.get(`${unit}/${word}`) ?? alike.get(`${unit}/${anyPass(word)}`);
    return i === undefined ? null : shifted(restingOf(state, i), periodMm, twist, shift);
  };

  const body = sample.path.beads.filter((bead) => bead.place.section === 'body');
  const placed = body.map((bead) => ({ bead, at: resting(bead) }));
  if (placed.some(({ at }) => at === null)) return null;
  const reaches = (direction: Point) =>
    Math.max(...placed.map(({ bead, at }) => reach(solidOf(sizeOf(bead.role)), at as Resting, direction)));
  const startMm = -reaches([-1, 0, 0]);
  const lengthMm = reaches([1, 0, 0]) - startMm;

  return {
    pitchMm: layout.pitchMm,
    extraMm: lengthMm - sample.units * layout.pitchMm,
    widthMm: layout.widthMm,
    thicknessMm: layout.thicknessMm,
    mayShorten: closed.mayShorten,
    pose(bead): Pose {
      const at = resting(bead);
      if (!at) throw new Error(`The layout has no place for ${bead.name} of unit ${bead.place.unit + 1}.`);
      const [x, y, z] = at.centre;
      const { turn: r } = at;
      return {
        centre: [x - startMm, y, z],
        axis: [r[0], r[3], r[6]],
        across: [r[1], r[4], r[7]],
      };
    },
  };
}

/** The same work made with the other hand: its mirror image across. */
export function mirroredForm(form: Form): Form {
  const over = ([x, y, z]: Point): Point => [x, -y, z];
  return {
    ...form,
    pose(bead): Pose {
      const { centre, axis, across } = form.pose(bead);
      return { centre: over(centre), axis: over(axis), ...(across && { across: over(across) }) };
    },
  };
}
