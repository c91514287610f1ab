import { holeKey } from '../weave/links';
import { isTraversal, strandsOf, type Bead, type Finding, type Path } from '../weave/path';

/** What one hole of one bead has to take. */
export interface HoleUse {
  readonly bead: Bead;
  readonly hole: number;
  /** Trips through it. */
  readonly traversals: number;
  /** Strands of thread that lie in it: a doubled thread leaves two a trip. */
  readonly strands: number;
  /** Knots pulled into it. */
  readonly knots: number;
}

type Counting = { -readonly [K in keyof HoleUse]: HoleUse[K] };

/** How often the thread goes through each hole of each bead, in order of first use. */
export function holeUses(path: Path): HoleUse[] {
  const uses = new Map<number, Counting>();
  const strands = strandsOf(path);
  const of = (bead: Bead, hole: number): Counting => {
    const key = holeKey(bead, hole);
    let use = uses.get(key);
    if (!use) uses.set(key, (use = { bead, hole, traversals: 0, strands: 0, knots: 0 }));
    return use;
  };
  for (const move of path.moves) {
    if (isTraversal(move)) {
      const use = of(move.bead, move.hole);
      use.traversals++;
      use.strands += strands(move.needle);
    } else if (move.kind === 'knot' && move.into) of(move.into.bead, move.into.hole).knots++;
  }
  return [...uses.values()];
}

/** For each role, the hole that takes the most trips. */
export function busiestHoles(path: Path): Map<string, HoleUse> {
  const busiest = new Map<string, HoleUse>();
  for (const use of holeUses(path)) {
    const most = busiest.get(use.bead.role);
    if (!most || use.traversals > most.traversals) busiest.set(use.bead.role, use);
  }
  return busiest;
}

/** How many threads go through each finding: of one that is gone through and out again, those that go through. */
export function findingPasses(path: Path): Map<Finding, number> {
  const strands = strandsOf(path);
  const passes = new Map<Finding, number>(path.findings.map((f) => [f, 0]));
  for (const move of path.moves)
    if (move.kind === 'attach' && move.hole === 0)
      passes.set(move.finding, (passes.get(move.finding) ?? 0) + strands(move.needle));
  return passes;
}
