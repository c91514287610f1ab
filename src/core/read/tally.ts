import { WOVEN, type Bead, type Path, type Section } from '../weave/path';

/** How many beads of each role. */
export type Tally = ReadonlyMap<string, number>;

/** Counts the beads of a path, or only those for which `where` holds. */
export function tally(path: Path, where: (bead: Bead) => boolean = () => true): Tally {
  const counts = new Map<string, number>();
  for (const bead of path.beads) if (where(bead)) counts.set(bead.role, (counts.get(bead.role) ?? 0) + 1);
  return counts;
}

/** Beads of one unit (one repeat) of a section. */
export const unitTally = (path: Path, unit: number, section: Section = WOVEN): Tally =>
  tally(path, ({ place }) => place.section === section && place.unit === unit);
