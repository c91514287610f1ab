import { isTraversal, type Move, type Path } from '../weave/path';

/** How often thread goes through each bead, in the order strung, of the moves that are wanted. */
export const traversalsByHole = (path: Path, wanted: (move: Move) => boolean): number[] => {
  const counts = new Map<number, number>();
  for (const move of path.moves)
    if (isTraversal(move) && wanted(move)) counts.set(move.bead.id, (counts.get(move.bead.id) ?? 0) + 1);
  return path.beads.map(({ id }) => counts.get(id) ?? 0).filter((n) => n > 0);
};
