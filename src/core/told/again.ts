import { isTraversal, type Move } from '../weave/path';

/** A way through fewer new beads than this is sooner told than remembered. */
const FEWEST_AGAIN = 2;

/**
 * After how many moves of a step its needle goes once more all the way that it went before, through what it picked up there; null
 * where it does not.
 */
export function goesAgain(before: readonly Move[], moves: readonly Move[]): number | null {
  if (before.filter(({ kind }) => kind === 'pick').length < FEWEST_AGAIN) return null;
  const same = (one: Move, again: Move | undefined): boolean => {
    if (isTraversal(one))
      return (
        again?.kind === 'pass' &&
        again.bead === one.bead &&
        again.hole === one.hole &&
        again.enter === one.enter
      );
    return (
      one.kind === 'attach' &&
      again?.kind === 'attach' &&
      again.finding === one.finding &&
      again.hole === one.hole
    );
  };
  const lead = moves.findIndex((_, from) => before.every((one, i) => same(one, moves[from + i])));
  return lead < 0 ? null : lead;
}
