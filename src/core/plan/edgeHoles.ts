import type { EndLoops } from '../closures/sewnLoop';
import { NO_LOOP } from '../closures/sewnLoop';
import { postsFor } from '../joints/post';
import { beadOf } from '../piece/part';
import type { PartOfPiece } from '../piece/partOfPiece';
import { goingOf } from '../supplies/holeFill';
import { Weave } from '../weave/builder';
import { given } from '../tools/given';
import { EDGE_NAMES, type Edge, type EdgeName, type Made } from '../weave/edge';
import { holeKey } from '../weave/links';
import { MAIN, type Bead } from '../weave/path';
import type { Plan } from './planned';

/**
 * The roles whose beads are too full, at the edges of a part that closes a piece, for the loops of the piece to be sewn
 * through them: what the part itself lays in them is counted in.
 * @param loops as the piece is sewn to it: the start of the piece to its end, and round
 */
export function fullEdges(
  plan: Plan,
  { without, doubled }: Pick<PartOfPiece, 'without' | 'doubled'>,
  loops: EndLoops,
): string[] {
  const edges = edgesOf(plan, without);
  return tooFull(
    plan,
    doubled,
    EDGE_NAMES.flatMap((name) => {
      const { passes, to, loops: side = 1 } = loops[name === 'start' ? 'end' : 'start'];
      return to === undefined
        ? []
        : postsFor(edges[name], side).flatMap(([hold]) =>
            (hold?.into ?? []).map(({ bead, hole }) => ({ bead, hole, passes })),
          );
    }),
  );
}

/** A hole of a part made apart, and how often the thread of another goes through it. */
interface Passed {
  readonly bead: Bead;
  readonly hole: number;
  readonly passes: number;
}

/** The roles of a part whose beads have no room for so many passes more, beside what the part itself lays in them. */
export function tooFull({ holes, gear, seen }: Plan, doubled: boolean, passed: readonly Passed[]): string[] {
  const states = new Map(holes.holes.map((state) => [holeKey(state.bead, state.hole), state]));
  const adds = doubled ? 2 : 1;
  const full = passed.filter(({ bead, hole, passes }) => {
    const { strands = 0, knots = 0 } = states.get(holeKey(bead, hole)) ?? {};
    const lying = { strands: strands + adds * Math.max(0, passes - 1), knots, adds };
    return passes > 0 && goingOf(beadOf(seen, bead.role).holeMm, lying, gear) === 'no';
  });
  return [...new Set(full.map(({ bead }) => bead.role))];
}

/** The edges of a part made apart, whose ends are free. */
function edgesOf({ weaveable, chosen }: Plan, without: readonly string[]): Made['edges'] {
  const ends = { start: NO_LOOP, end: NO_LOOP };
  const root = new Weave({}, 'edges');
  return weaveable.weaveInto(root, MAIN, chosen.units, { ...ends, without: new Set(without) }).edges;
}

/** The beads that hold what hangs at either edge, in the order worked; as the path of the part numbers them. */
export const postsOf = (
  plan: Plan,
  { without }: Pick<PartOfPiece, 'without'>,
): Readonly<Record<EdgeName, readonly Bead[]>> => {
  const { start, end } = edgesOf(plan, without);
  const beads = ({ posts }: Edge) =>
    posts.map(([hold]) => given(hold?.into[0], 'bead that holds at an edge').bead);
  return { start: beads(start), end: beads(end) };
};
