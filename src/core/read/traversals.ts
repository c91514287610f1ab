import { isTraversal, type Bead, type Finding, type Path } from '../weave/path';

export interface HoleUse {
  readonly bead: Bead;
  readonly hole: number;
  readonly traversals: number;
}

/** No bead has as many holes as this. */
const MOST_HOLES = 16;

/** How often the thread goes through each hole of each bead, in order of first use. */
export function holeUses(path: Path): HoleUse[] {
  const uses = new Map<number, { bead: Bead; hole: number; traversals: number }>();
  for (const move of path.moves) {
    if (!isTraversal(move)) continue;
    const key = move.bead.id * MOST_HOLES + move.hole;
    const use = uses.get(key);
    if (use) use.traversals++;
    else uses.set(key, { bead: move.bead, hole: move.hole, traversals: 1 });
  }
  return [...uses.values()];
}

/** For each role, the most traversals that any one hole of it takes. */
export function busiestHoles(path: Path): Map<string, HoleUse> {
  const busiest = new Map<string, HoleUse>();
  for (const use of holeUses(path)) {
    const most = busiest.get(use.bead.role);
    if (!most || use.traversals > most.traversals) busiest.set(use.bead.role, use);
  }
  return busiest;
}

/** How many times the thread goes through each finding. */
export function findingPasses(path: Path): Map<Finding, number> {
  const passes = new Map<Finding, number>(path.findings.map((f) => [f, 0]));
  for (const move of path.moves)
    if (move.kind === 'attach') passes.set(move.finding, (passes.get(move.finding) ?? 0) + 1);
  return passes;
}
