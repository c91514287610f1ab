import type { Form } from '../structures/structure';
import { WOVEN, type Bead, type Path } from '../weave/path';
import { holeEnd, type Body, type Layout, type Point, type Pose } from './layout';
import { turnOf } from './pose';
import { beadWord, type RepeatCell } from './solver/cell';
import type { HandStart } from './solver/held';
import { shifted } from './solver/resting';
import { pitchIndex, PER_BEAD, stateOf } from './solver/state';
import { quaternionOf } from './solver/turns';

/** A screw fits when no point lies farther off than this, mm. */
const MISFIT_MM = 0.01;
/** A turn of nearly nothing, or of nearly a half, is exactly that, radians. */
const NEARLY = 0.02;

/**
 * Where a structure's own arrangement puts the beads of its repeat, and the screw that leads to the next.
 * @param told the path that the cell was read from
 * @param path the same with the beads as the form knows them
 * Returns null where the arrangement does not repeat as the path does, or has no place for a bead of it.
 */
export function handStart(
  cell: RepeatCell,
  told: Path,
  path: Path,
  form: Form,
  body: (role: string) => Body,
): HandStart | null {
  const like = new Map(
    told.beads.flatMap((bead) =>
      bead.place.section === WOVEN ? [[`${bead.place.unit}/${beadWord(bead)}`, bead.id] as const] : [],
    ),
  );
  // Only the woven part has a place in a form.
  const poses: Pose[] = [];
  for (const bead of path.beads) if (bead.place.section === WOVEN) poses[bead.id] = form.pose(bead);
  const layout: Layout = { poses, findings: [], body };
  const points = (id: number): Point[] => {
    const [pose, bead] = [poses[id], path.beads[id]];
    if (!pose || !bead) return [];
    const holes = Array.from({ length: body(bead.role).holes ?? 1 }, (_, hole) => hole);
    return [
      pose.centre,
      ...holes.flatMap((hole) => [holeEnd(layout, bead, 0, hole), holeEnd(layout, bead, 1, hole)]),
    ];
  };
  const pairs = cell.beads.flatMap(({ id }): [Point, Point][] => {
    const bead = told.beads[id] as Bead;
    const next = like.get(`${bead.place.unit + cell.units}/${beadWord(bead)}`);
    const there = next === undefined ? [] : points(next);
    return points(id).flatMap((p, k) => (there[k] ? [[p, there[k]] as [Point, Point]] : []));
  });
  const screw = screwOf(pairs);
  if (!screw) return null;
  const n = cell.beads.length;
  const state = stateOf(n);
  // The cell is told as the period that the whole piece begins with would lie: turned back as often as it lies on from there.
  const first = Math.min(...cell.beads.map(({ id }) => (told.beads[id] as Bead).place.unit));
  const back = ((cell.phase - first) / cell.units) * screw.twist;
  cell.beads.forEach(({ id }, i) => {
    // A screw was found, so that every bead of the cell has its place.
    const pose = poses[id] as Pose;
    const { centre, turn } = shifted({ centre: pose.centre, turn: turnOf(pose) }, 0, back, 1);
    state.set(centre, i * PER_BEAD);
    state.set(quaternionOf(turn), i * PER_BEAD + 3);
  });
  // The period begins where it lies along the piece; its own middle is as good, and nearer to nothing.
  const middle = cell.beads.reduce((sum, _, i) => sum + (state[i * PER_BEAD] as number), 0) / n;
  for (let i = 0; i < n; i++) state[i * PER_BEAD] = (state[i * PER_BEAD] as number) - middle;
  state[pitchIndex(n)] = screw.pitch;
  state[pitchIndex(n) + 1] = screw.twist;
  return { held: form.held, net: form.net ?? null, state };
}

/** The screw about x that takes each first point to its second; null where there is none. */
function screwOf(pairs: readonly (readonly [Point, Point])[]): { pitch: number; twist: number } | null {
  if (pairs.length === 0) return null;
  let [pitch, sin, cos] = [0, 0, 0];
  for (const [p, q] of pairs) {
    pitch += (q[0] - p[0]) / pairs.length;
    cos += p[1] * q[1] + p[2] * q[2];
    sin += p[1] * q[2] - p[2] * q[1];
  }
  const found = Math.hypot(sin, cos) < 1e-9 ? 0 : Math.atan2(sin, cos);
  const twist = Math.abs(found) < NEARLY ? 0 : Math.abs(found) > Math.PI - NEARLY ? Math.PI : found;
  const [c, s] = [Math.cos(twist), Math.sin(twist)];
  const misfit = pairs.reduce(
    (most, [p, q]) =>
      Math.max(most, Math.hypot(p[0] + pitch - q[0], c * p[1] - s * p[2] - q[1], s * p[1] + c * p[2] - q[2])),
    0,
  );
  return misfit > MISFIT_MM ? null : { pitch, twist };
}
