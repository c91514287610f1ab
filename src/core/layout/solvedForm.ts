import { remembered } from '../tools/remember';
import { loopEndOf } from '../closures/sewnLoop';
import type { Form } from '../structures/structure';
import { follow, holeEndOf } from '../weave/follow';
import { WOVEN, type Bead, type End, type HoleEnd, type Path } from '../weave/path';
import { settledOf, type CellLayout, type LayoutRequest } from './cellLayout';
import { distance, type Point, type Pose } from './layout';
import { turnOf } from './pose';
import { beadWord, type RepeatCell } from './solver/cell';
import { reach, restingOf, shifted, type Resting } from './solver/resting';
import type { BeadSize } from '../materials/material';
import { solidOf, type Solid } from './solver/solid';

const distinctRoles = (beads: readonly Bead[]): string[] => [...new Set(beads.map(({ role }) => role))];

/**
 * The middle of what carries the rest, across the piece: where something lies on a face or hangs, the line or
 * strip beneath is what the clasp is sewn to.
 */
function baseLine({ beads }: RepeatCell, state: Float64Array): [y: number, z: number] {
  if (beads.every(({ face }) => face === null)) return [0, 0];
  const carrying = beads.flatMap(({ face }, i) => (face === null ? [restingOf(state, i).centre] : []));
  const middle = (k: 1 | 2) => carrying.reduce((sum, p) => sum + p[k], 0) / Math.max(carrying.length, 1);
  return [middle(1), middle(2)];
}

const restingAt = (pose: Pose): Resting => ({ centre: pose.centre, turn: turnOf(pose) });

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
  request: Pick<LayoutRequest, 'cell' | 'rows' | 'rowsOfUnit'>,
  sample: { readonly path: Path; readonly units: number },
  sizeOf: (role: string) => BeadSize,
  closed: Form,
): Form | null {
  const { state, periodMm, twist } = settledOf(layout);
  const { cell, rows, rowsOfUnit } = request;
  const pitchMm = (layout.pitchMm * rowsOfUnit) / rows;
  const [baseY, baseZ] = baseLine(cell, state);
  const kindOf = (bead: Bead) => modulo(Math.floor(bead.place.row / rows) - cell.phase, cell.units);
  const wordOf = ({ name, place: { row, pass } }: Bead) => `${modulo(row, rows)}/${pass}/${name}`;
  const exact = new Map(cell.beads.map(({ unit, word }, i) => [`${unit}/${word}`, i]));
  // By analogy: the beads of a start or a closing row lie as those of the same name lie in the repeat.
  const alike = new Map(cell.beads.map(({ unit, word }, i) => [`${unit}/${anyPass(word)}`, i]));
  const restingIn = remembered((i: number) => restingOf(state, i));
  const alikeOnly = (bead: Bead): boolean => !exact.has(`${kindOf(bead)}/${wordOf(bead)}`);
  const resting = (bead: Bead): Resting | null => {
    const shift = Math.floor((Math.floor(bead.place.row / rows) - cell.phase) / cell.units);
    const unit = kindOf(bead);
    const word = wordOf(bead);
    const i = exact.get(`${unit}/${word}`) ?? alike.get(`${unit}/${anyPass(word)}`);
    if (i === undefined) return null;
    const at = shifted(restingIn(i), periodMm, twist, shift);
    const [x, y, z] = at.centre;
    return { ...at, centre: [x, y - baseY, z - baseZ] };
  };

  const woven = sample.path.beads.filter((bead) => loopEndOf(bead.place.section) === null);
  const body = woven.filter((bead) => bead.place.section === WOVEN);
  if (body.some((bead) => resting(bead) === null)) return null;
  const solids = new Map(distinctRoles(woven).map((role) => [role, solidOf(sizeOf(role))]));
  const reaches = (beads: readonly Bead[], placed: (bead: Bead) => Resting, way: 1 | -1) =>
    Math.max(...beads.map((bead) => reach(solids.get(bead.role) as Solid, placed(bead), [way, 0, 0])));
  const turned = turnedBeads(sample.path, body, { alikeOnly, closed, resting, sizeOf });

  // What is made at an end only, such as a turn, lies beside the repeat as the closed form says.
  const closedAt = (bead: Bead) => restingAt(closed.pose(bead));
  const startsAt = -reaches(body, resting as (bead: Bead) => Resting, -1) + reaches(body, closedAt, -1);
  const shiftMm = (bead: Bead) => startsAt + bead.place.unit * (pitchMm - closed.pitchMm);
  const beside = (bead: Bead): Resting => {
    const { centre, turn } = closedAt(bead);
    return { centre: [centre[0] + shiftMm(bead), centre[1], centre[2]], turn };
  };
  const placed = (bead: Bead): Resting =>
    (bead.place.section === WOVEN ? resting(bead) : null) ?? beside(bead);
  const startMm = -reaches(woven, placed, -1);
  const lengthMm = reaches(woven, placed, 1) - startMm;

  return {
    pitchMm,
    extraMm: lengthMm - sample.units * pitchMm,
    widthMm: layout.widthMm,
    thicknessMm: layout.thicknessMm,
    mayShorten: closed.mayShorten,
    held: closed.held,
    ...(closed.net && { net: closed.net }),
    ...(closed.leansTo && { leansTo: closed.leansTo }),
    pose(bead): Pose {
      const { centre, turn: r } = placed(bead);
      const [x, y, z] = centre;
      const way = turned.has(placeWord(bead)) ? -1 : 1;
      return {
        centre: [x - startMm, y, z],
        axis: [way * r[0], way * r[3], way * r[6]],
        across: [r[1], r[4], r[7]],
      };
    },
  };
}

const modulo = (n: number, of: number): number => n - Math.floor(n / of) * of;

const placeWord = (bead: Bead): string => `${bead.place.unit}/${beadWord(bead)}`;

interface Turning {
  /** Whether a bead lies as its like in the repeat does, no more. */
  readonly alikeOnly: (bead: Bead) => boolean;
  readonly closed: Form;
  readonly resting: (bead: Bead) => Resting | null;
  readonly sizeOf: (role: string) => BeadSize;
}

/**
 * Beads of a start lie as their like in the repeat do, but may have been strung the other way: as the closed form says,
 * and those besides whose thread is then the shorter.
 */
function turnedBeads(
  path: Path,
  body: readonly Bead[],
  { alikeOnly, closed, resting, sizeOf }: Turning,
): ReadonlySet<string> {
  const apart = body.filter(alikeOnly);
  const turned = new Set(apart.filter((bead) => isAgainst(closed.pose(bead), resting(bead))).map(placeWord));
  const woven = new Set(body);
  const end = (bead: Bead, at: Resting, side: End): Point => {
    const way = turned.has(placeWord(bead)) ? -1 : 1;
    const half = (way * (side === 0 ? -1 : 1) * sizeOf(bead.role).lengthMm) / 2;
    const { centre, turn } = at;
    return [centre[0] + turn[0] * half, centre[1] + turn[3] * half, centre[2] + turn[6] * half];
  };
  const gaps = new Map<Bead, [HoleEnd, HoleEnd][]>();
  for (const { from, into } of follow(path)) {
    const [a, b] = [holeEndOf(from), holeEndOf(into)];
    if (!a || !b || a.bead === b.bead || !woven.has(a.bead) || !woven.has(b.bead)) continue;
    for (const one of [a.bead, b.bead]) gaps.set(one, [...(gaps.get(one) ?? []), [a, b]]);
  }
  const bareMm = (bead: Bead): number =>
    (gaps.get(bead) ?? []).reduce((sum, [a, b]) => {
      const [p, q] = [resting(a.bead), resting(b.bead)];
      return p && q ? sum + distance(end(a.bead, p, a.end), end(b.bead, q, b.end)) : sum;
    }, 0);
  for (let round = 0; round < 2; round++)
    for (const bead of apart) {
      const word = placeWord(bead);
      const before = bareMm(bead);
      if (turned.has(word)) turned.delete(word);
      else turned.add(word);
      if (bareMm(bead) < before) continue;
      if (turned.has(word)) turned.delete(word);
      else turned.add(word);
    }
  return turned;
}

/** Whether a bead points the other way in the closed form than where it rests. */
const isAgainst = ({ axis }: Pose, at: Resting | null): boolean =>
  at !== null && axis[0] * at.turn[0] + axis[1] * at.turn[3] + axis[2] * at.turn[6] < 0;

/** A form that is told along a path, changed there as it is in itself. */
export const alongWith = (form: Form, change: (form: Form) => Form): Form => {
  const { along, ...own } = form;
  if (!along) return form;
  return {
    ...own,
    along: (built) => {
      const { along: _again, ...there } = along(built);
      return change(there);
    },
  };
};

/** The same work made with the other hand: its mirror image across. */
export function mirroredForm(form: Form): Form {
  const over = ([x, y, z]: Point): Point => [x, -y, z];
  return {
    ...alongWith(form, mirroredForm),
    mirrored: true,
    ...(form.leansTo && {
      leansTo: (bead: Bead) => {
        const to = form.leansTo?.(bead);
        return to ? over(to) : null;
      },
    }),
    pose(bead): Pose {
      const { centre, axis, across } = form.pose(bead);
      return { centre: over(centre), axis: over(axis), ...(across && { across: over(across) }) };
    },
  };
}
