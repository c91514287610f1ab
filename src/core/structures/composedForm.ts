import { turnOnto } from '../layout/solver/turns';
import type { Body, Point, Pose } from '../layout/layout';
import { once } from '../tools/remember';
import { given } from '../tools/given';
import { WOVEN, isTraversal, type Bead, type Path } from '../weave/path';
import { loopPose } from '../closures/sewnLoop';
import {
  acrossAndBack,
  atSeam,
  findingMm,
  NO_FINDING,
  SEAM_SLOTS,
  seamLoop,
  seamOf,
  type Seam,
} from './seam';
import { at, type Form, type SectionRun, type Weaveable } from './structure';

/** Rows of one unit of a stitch whose units are alike. */
export const rowsEach = ({ rowsPerUnit }: Pick<Weaveable, 'rowsPerUnit'>): number =>
  typeof rowsPerUnit === 'number' ? rowsPerUnit : at(rowsPerUnit, 0);

/** A run of units with the form that it takes. */
interface Laid {
  readonly run: SectionRun;
  readonly form: Form;
  readonly fromRow: number;
  readonly fromMm: number;
  /** What the first run of its stretch takes beyond whole units, mm. */
  readonly edgeMm: number;
}

/** Work turned about its length: mirrored across it, then turned by an angle, radians. */
interface Turn {
  readonly over: boolean;
  readonly angle: number;
}

/** A run as it joins the one before. */
interface Placed extends Laid {
  /** Rows by which it lies within work of its own kind, so that no row of it is taken for a beginning. */
  readonly within: number;
  readonly turn: Turn;
  /** Where the work of its own kind begins, mm. */
  readonly originMm: number;
}

/** Units that go before a run in work of its own kind: of both, the number after which its rows run the right way. */
const WITHIN = [2, 3] as const;
/** A hole that points the other way counts as much as a bead so far out of its place, mm. */
const WAY_MM = 1;

const lengthOf = (run: SectionRun, form: Form) => run.times * form.pitchMm;

/**
 * What joins two runs: so many beads across, nothing edge to edge, a finding between two loops, and zipped each stands in
 * what the other has beyond its units.
 */
function seamMm(run: SectionRun, before: Form, form: Form, seed: Body): number {
  if (!run.seam) return 0;
  if (run.seam.by === 'zip') return -(before.extraMm + form.extraMm) / 2;
  const { loopMm, findingMm: wideMm } = findingMm(run.seam, seed);
  if (wideMm > 0) return 2 * loopMm + wideMm;
  return acrossAndBack(run.seam)[0] * seed.lengthMm;
}

/**
 * Runs of so many units, one after another. What a stretch takes beyond its whole units lies half at either end of it, as
 * its first and its last run say.
 */
function laidOut(runs: readonly SectionRun[], formOf: (run: SectionRun) => Form, seed: Body): Laid[] {
  let [fromRow, fromMm, edgeMm] = [-at(runs, 0).lead, 0, 0];
  let before: Form | null = null;
  return runs.map((run): Laid => {
    const form = formOf(run);
    if (!before) edgeMm = form.extraMm;
    else if (run.seam) {
      fromMm += (edgeMm + before.extraMm) / 2 + seamMm(run, before, form, seed);
      edgeMm = form.extraMm;
    }
    const laid = { run, form, fromRow, fromMm, edgeMm };
    fromRow += run.rows;
    fromMm += lengthOf(run, form);
    before = form;
    return laid;
  });
}

/** Where the last of them ends. */
function endOf(laid: readonly Laid[]): number {
  const { run, form, fromMm, edgeMm } = at(laid, -1);
  return fromMm + lengthOf(run, form) + (edgeMm + form.extraMm) / 2;
}

/**
 * The form of units that are not all alike: each run lies as its own stitch does, one after another. The pitch is what one
 * more unit of the fitted section adds; where beads lie hangs on how many those are, and is told along a path.
 * @param seed the bead of seams
 */
export function composedForm(
  runsOf: (units: number) => readonly SectionRun[],
  formOf: (run: SectionRun) => Form,
  seed: Body,
): Form {
  const one = laidOut(runsOf(1), formOf, seed);
  const fitted = one.filter(({ run }) => run.fitted).map(({ form }) => form);
  const pitchMm = fitted.reduce((sum, form) => sum + form.pitchMm, 0);
  const most = (of: (form: Form) => number) => Math.max(...one.map(({ form }) => of(form)));
  const ends = [at(one, 0).form, at(one, -1).form];
  const { net: _net, ...own } = at(fitted, 0);
  const form: Form = {
    ...own,
    pitchMm,
    extraMm: endOf(one) - pitchMm,
    widthMm: most(({ widthMm }) => widthMm),
    endWidthMm: Math.max(...ends.map((end) => end.endWidthMm ?? end.widthMm)),
    thicknessMm: most(({ thicknessMm }) => thicknessMm),
    mayShorten: most(({ mayShorten }) => mayShorten),
  };
  return {
    ...form,
    along: ({ path, units }) => ({ ...form, ...placing(laidOut(runsOf(units), formOf, seed), path, seed) }),
    runs: (units) =>
      laidOut(runsOf(units), formOf, seed).map(({ run, fromMm, form: { pitchMm: each } }) => {
        const { loopMm, findingMm: wideMm } = run.seam ? findingMm(run.seam, seed) : NO_FINDING;
        const findingFromMm = wideMm > 0 ? fromMm - loopMm - wideMm : null;
        return { run, fromMm, pitchMm: each, findingFromMm };
      }),
  };
}

/** Where beads of a path lie, and lean to, each in its run. */
function placing(
  laid: readonly Laid[],
  path: Path,
  seed: Body,
): Pick<Form, 'pose' | 'leansTo' | 'findingAt'> {
  const firsts = new Map(laid.map(({ fromRow }) => [fromRow, [] as Bead[]]));
  for (const bead of path.beads) if (bead.place.section === WOVEN) firsts.get(bead.place.row)?.push(bead);
  const placed: Placed[] = [];
  for (const one of laid) {
    const before = placed.at(-1);
    const row = firsts.get(one.fromRow) ?? [];
    placed.push(before && !one.run.seam ? joining(one, before, row) : asItStands(one));
  }
  const runOf = (row: number) => at(placed, Math.max(0, upTo(placed, row) - 1));
  const inWork = (bead: Bead) => poseIn(runOf(bead.place.row), bead);
  const seams = once(() => seamPoses(laid, path, inWork, seed));
  return {
    pose: (bead) =>
      seamOf(bead.place.section) === null
        ? inWork(bead)
        : given(seams().poses.get(bead.id), 'bead of a seam'),
    findingAt: ({ id }) => seams().findings.get(id) ?? null,
    ...(laid.some(({ form }) => form.leansTo) && {
      leansTo: (bead: Bead) => {
        if (bead.place.section !== WOVEN) return null;
        const run = runOf(bead.place.row);
        const to = run.form.leansTo?.(local(run, bead));
        return to ? turned(to, run.turn) : null;
      },
    }),
  };
}

/** Beads and findings of seams in their places, by their numbers. */
interface Seams {
  readonly poses: ReadonlyMap<number, Pose>;
  readonly findings: ReadonlyMap<number, Point>;
}

/**
 * Where the beads of seams lie: across from one edge to the next in one column, and back in another beside it, at the beads
 * that they come out of; or in loops from either edge to a finding.
 */
function seamPoses(laid: readonly Laid[], path: Path, inWork: (bead: Bead) => Pose, seed: Body): Seams {
  const poses = new Map<number, Pose>();
  const findings = new Map<number, Point>();
  const after = laid.filter(({ run }) => run.seam);
  let yMm = 0;
  for (const move of path.moves) {
    const at = atSeam(move.place.section);
    const { run, fromMm, form } = (at && after[at.nth]) ?? {};
    if (!at || !run?.seam || fromMm === undefined) continue;
    if (isTraversal(move) && move.bead.place.section === WOVEN) yMm = inWork(move.bead).centre[1];
    const loop = at.edge && seamLoop(run.seam, at.nth, at.edge);
    if (loop && at.edge) {
      const { loopMm, findingMm: wideMm } = findingMm(run.seam, seed);
      const edgeMm = at.edge === 'start' ? fromMm : fromMm - 2 * loopMm - wideMm;
      // One alone hangs in the middle, of several each at the bead that it leaves from.
      const acrossMm = loop.loops === undefined ? 0 : yMm;
      const side = form?.mirrored ? 1 : -1;
      if (move.kind === 'pick')
        poses.set(move.bead.id, loopPose(move.bead, at.edge, edgeMm, side, loop, seed, acrossMm));
      else if (move.kind === 'attach')
        findings.set(move.finding.id, [edgeMm + (at.edge === 'end' ? 1 : -1) * loopMm, acrossMm, 0]);
    } else if (move.kind === 'pick')
      poses.set(move.bead.id, circlePose(move.bead, run.seam, fromMm, yMm, seed));
  }
  return { poses, findings };
}

/** Where a bead of a circle lies that joins two edges. */
function circlePose(
  { slot: { of, index } }: Bead,
  seam: Seam,
  fromMm: number,
  yMm: number,
  seed: Body,
): Pose {
  const [across, back] = acrossAndBack(seam);
  const goes = of === SEAM_SLOTS.across;
  const part = goes ? (index + 0.5) / across : 1 - (index + 0.5) / back;
  return {
    centre: [fromMm - (1 - part) * across * seed.lengthMm, yMm + ((goes ? -1 : 1) * seed.diameterMm) / 2, 0],
    axis: [goes ? 1 : -1, 0, 0],
  };
}

/** How many runs begin at a row or before it. */
function upTo(placed: readonly Placed[], row: number): number {
  let [low, high] = [0, placed.length];
  while (low < high) {
    const middle = (low + high) >> 1;
    if (at(placed, middle).fromRow <= row) low = middle + 1;
    else high = middle;
  }
  return low;
}

const asItStands = (laid: Laid): Placed => ({
  ...laid,
  within: 0,
  turn: { over: false, angle: 0 },
  originMm: laid.fromMm,
});

/** A run as it goes on from the one before: its first row lies, as nearly as can be, where that one's next would. */
function joining(laid: Laid, before: Placed, row: readonly Bead[]): Placed {
  const { form, fromMm, run } = laid;
  // Work of its own kind begins half of what it takes beyond its units before the first of them; so does the stretch.
  const edgeMm = (laid.edgeMm - form.extraMm) / 2;
  const wanted = row.map((bead) => poseIn(before, bead));
  const tried = WITHIN.flatMap((units): Placed[] => {
    const within = units * rowsEach(run.stitch);
    const originMm = fromMm + edgeMm - units * form.pitchMm;
    const stand = { ...laid, within, turn: { over: false, angle: 0 }, originMm };
    if (form.held === 'former') {
      const lies = row.map((bead) => poseIn(stand, bead).centre);
      const angle = turnOnto(
        lies,
        wanted.map(({ centre }) => centre),
      );
      return [{ ...stand, turn: { over: false, angle } }];
    }
    return [false, true].map((over) => ({ ...stand, turn: { over, angle: 0 } }));
  });
  const offs = tried.map((one) =>
    row.reduce((sum, bead, i) => sum + off(poseIn(one, bead), at(wanted, i)), 0),
  );
  return at(tried, offs.indexOf(Math.min(...offs)));
}

/** How far a bead lies from where it should, across the work, mm². */
const off = (a: Pose, b: Pose): number =>
  (a.centre[1] - b.centre[1]) ** 2 +
  (a.centre[2] - b.centre[2]) ** 2 +
  WAY_MM ** 2 * a.axis.reduce((sum, way, i) => sum + (way - at(b.axis, i)) ** 2, 0);

/** A bead as it is called in work of its run's kind alone. */
function local({ run, fromRow, within }: Placed, bead: Bead): Bead {
  const rows = rowsEach(run.stitch);
  const row = bead.place.row - fromRow - run.lead + within;
  const unit = Math.floor(row / rows);
  return { ...bead, place: { ...bead.place, row, unit, rowInUnit: row - unit * rows } };
}

function poseIn(placed: Placed, bead: Bead): Pose {
  const { centre, axis, across, ...rest } = placed.form.pose(local(placed, bead));
  const [x, y, z] = turned(centre, placed.turn);
  return {
    ...rest,
    centre: [x + placed.originMm, y, z],
    axis: turned(axis, placed.turn),
    ...(across && { across: turned(across, placed.turn) }),
  };
}

function turned([x, y, z]: Point, { over, angle }: Turn): Point {
  const side = over ? -y : y;
  if (angle === 0) return [x, side, z];
  const [c, s] = [Math.cos(angle), Math.sin(angle)];
  return [x, side * c - z * s, side * s + z * c];
}
