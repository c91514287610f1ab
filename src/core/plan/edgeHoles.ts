import type { EndLoops } from '../closures/sewnLoop';
import { NO_LOOP } from '../closures/sewnLoop';
import { postsFor } from '../joints/post';
import { beadOf } from '../piece/part';
import type { PartOfPiece } from '../piece/partOfPiece';
import { goingOf } from '../supplies/holeFill';
import { Weave } from '../weave/builder';
import { given } from '../tools/given';
import { EDGE_NAMES, type Edge, type EdgeName, type Made } from '../weave/edge';
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
  const { holes, gear, seen } = plan;
  const edges = edgesOf(plan, without);
  const states = new Map(holes.holes.map((state) => [`${state.bead.id}/${state.hole}`, state]));
  const adds = doubled ? 2 : 1;
  const full = EDGE_NAMES.flatMap((name) => {
    const { passes, loops: side = 1 } = loops[name === 'start' ? 'end' : 'start'];
    return postsFor(edges[name], side).flatMap(([hold]) =>
      (hold?.into ?? []).flatMap(({ bead, hole }) => {
        const state = states.get(`${bead.id}/${hole}`);
        const lying = {
          strands: (state?.strands ?? 0) + adds * Math.max(0, passes - 1),
          knots: state?.knots ?? 0,
          adds,
        };
        return passes > 0 && goingOf(beadOf(seen, bead.role).holeMm, lying, gear) === 'no' ? [bead.role] : [];
      }),
    );
  });
  return [...new Set(full)];
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
