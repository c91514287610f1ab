import type { BeadSize } from '../materials/material';
import type { Layout } from '../layout/layout';
import { poseAt } from '../layout/pose';
import { solveClosed } from '../layout/solver/closed';
import { solidOf } from '../layout/solver/solid';
import type { Path } from '../weave/path';

/** A ring, a motif or a capsule at rest, as a layout that can be drawn. */
export function closedLayout(path: Path, sizeOf: (role: string) => BeadSize): Layout {
  const { beads } = solveClosed(path, (role) => solidOf(sizeOf(role)), { starts: 1 });
  return {
    poses: beads.map(poseAt),
    findings: [],
    body: sizeOf,
  };
}
