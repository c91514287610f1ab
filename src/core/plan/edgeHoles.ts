import type { EndLoops } from '../closures/sewnLoop';
import { NO_LOOP } from '../closures/sewnLoop';
import { postsFor } from '../joints/post';
import { beadOf } from '../piece/part';
import type { PartOfPiece } from '../piece/partOfPiece';
import { goingOf } from '../supplies/holeFill';
import { Weave } from '../weave/builder';
import { EDGE_NAMES } from '../weave/edge';
import { MAIN } from '../weave/path';
import type { Plan } from './planned';

/**
 * The roles whose beads are too full, at the edges of a part that closes a piece, for the loops of the piece to be sewn
 * through them: what the part itself lays in them is counted in.
 * @param loops as the piece is sewn to it: the start of the piece to its end, and round
 */
export function fullEdges(
  { weaveable, holes, gear, seen, chosen }: Plan,
  { without, doubled }: Pick<PartOfPiece, 'without' | 'doubled'>,
  loops: EndLoops,
): string[] {
  const ends = { start: NO_LOOP, end: NO_LOOP };
  const root = new Weave({}, 'edges');
  const { edges } = weaveable.weaveInto(root, MAIN, chosen.units, { ...ends, without: new Set(without) });
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
