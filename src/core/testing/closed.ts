import type { BeadSize } from '../materials/material';
import type { Layout, Pose } from '../layout/layout';
import { solveClosed } from '../layout/solver/closed';
import { solidOf } from '../layout/solver/solid';
import type { Path } from '../weave/path';

/** A ring, a motif or a capsule at rest, as a layout that can be drawn. */
export function closedLayout(path: Path, sizeOf: (role: string) => BeadSize): Layout {
  const { beads } = solveClosed(path, (role) => solidOf(sizeOf(role)), { starts: 1 });
  return {
    poses: beads.map(({ centre, turn: r }): Pose => ({
      centre,
      axis: [r[0], r[3], r[6]],
      across: [r[1], r[4], r[7]],
    })),
    findings: [],
    body: sizeOf,
  };
}
