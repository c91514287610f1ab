import type { Layout } from '../layout/layout';
import type { Laid } from '../read/steps';
import type { Path } from '../weave/path';

/** A path that nobody has laid out, as it is read: its beads end to end, in the order strung. */
export function inALine(path: Path, lengthMm = 1.5): Laid {
  const holes = new Map(path.beads.map((bead) => [bead.role, bead.holes]));
  const layout: Layout = {
    body: (role) => ({ lengthMm, diameterMm: 2, holes: holes.get(role), apartMm: 1 }),
    findings: path.findings.map(() => [0, 0, 0]),
    poses: path.beads.map((_, i) => ({ centre: [i * lengthMm, 0, 0], axis: [1, 0, 0] })),
  };
  return { path, layout, held: { grows: 'right', round: null } };
}
