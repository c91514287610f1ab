import { CORE_ROLE, isSetIn } from '../joints/setIn';
import { bent, within, type Inner } from '../layout/bent';
import type { DressedLayout } from '../layout/dressed';
import type { View } from '../layout/drawing';
import type { Layout, Point, Pose } from '../layout/layout';
import { wholeSketch, type Sketch } from '../layout/sketch';
import { matrixOf } from '../layout/solver/turns';
import type { BeadSize } from '../materials/material';
import { given } from '../tools/given';
import { Weave } from '../weave/builder';
import { innerRole } from './asBead';
import type { Plan } from './planned';

/** A pose as a layout keeps it: a centre, and a turn. */
function poseOf([x = 0, y = 0, z = 0, ...turn]: readonly number[], mirrored: boolean): Pose {
  const [w = 1, i = 0, j = 0, k = 0] = turn;
  const m = matrixOf(w, i, j, k);
  const over = ([a, b, c]: Point): Point => (mirrored ? [a, -b, c] : [a, b, c]);
  return { centre: over([x, y, z]), axis: over([m[0], m[3], m[6]]), across: over([m[1], m[4], m[7]]) };
}

/**
 * The beads of a ring about a body: as they are laid out, or bent round it, the body in its middle; what is strung in it
 * opened in its turn.
 */
export function innerOf(plan: Plan, radiusMm: number, laidOut: DressedLayout | null): Inner[] {
  const { path, layout } = plan.work();
  const { bodyStartMm, bodyEndMm } = layout.stations;
  const shades = plan.shades();
  const inner = path.beads.flatMap((bead): Inner[] => {
    const lies = laidOut?.beads[bead.id];
    if (!lies && isSetIn(bead.place.section.joint))
      return [{ role: bead.role, pose: { centre: [0, 0, 0], axis: [1, 0, 0] } }];
    const flat = given(layout.poses[bead.id], 'place of a bead');
    const [x, y, z] = flat.centre;
    const pose = lies
      ? poseOf(lies, plan.hand === 'left')
      : bent({ ...flat, centre: [x - bodyStartMm, y, z] }, bodyEndMm - bodyStartMm, radiusMm);
    const strung = plan.components.get(bead.role);
    return strung
      ? strung
          .inner()
          .map((one) => ({ ...one, role: innerRole(strung.id, one.role), pose: within(pose, one.pose) }))
      : [{ role: bead.role, shade: shades.get(bead.id), pose }];
  });
  // The body stands for all of it.
  return inner.sort((a, b) => Number(b.role === CORE_ROLE) - Number(a.role === CORE_ROLE));
}

/** What stands in the place of one bead, drawn by itself as it lies so. */
export function alone(
  inner: readonly Inner[],
  sizeOf: (role: string) => BeadSize,
  view: View,
  pose: Pose = { centre: [0, 0, 0], axis: [1, 0, 0] },
): Sketch {
  const w = new Weave();
  w.needle('working').string([CORE_ROLE]);
  const layout: Layout = { poses: [pose], findings: [], body: sizeOf };
  return wholeSketch({ path: w.path(), layout, inner: () => inner }, sizeOf, view);
}
