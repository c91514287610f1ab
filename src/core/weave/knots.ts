import { holeKey } from './links';
import { isTraversal, otherEnd, type HoleEnd, type Move, type Path } from './path';

type KnotMove = Extract<Move, { kind: 'knot' }>;

/** For each hole, the last move that goes through it. */
function lastTrips({ moves }: Path): ReadonlyMap<number, number> {
  const last = new Map<number, number>();
  moves.forEach((move, i) => {
    if (isTraversal(move)) last.set(holeKey(move.bead, move.hole), i);
  });
  return last;
}

/** Knots, by their place among the moves, that are pulled into a hole which a later trip still needs. */
export function knotsInTheWay(path: Path): number[] {
  const last = lastTrips(path);
  return path.moves.flatMap((move, i) =>
    move.kind === 'knot' && move.into && (last.get(holeKey(move.into.bead, move.into.hole)) ?? -1) > i
      ? [i]
      : [],
  );
}

/**
 * The same path with every knot where no later trip needs the hole: a knot that is in the way is set further on along
 * its own thread; where no hole on its way is free, it is tied all the same but not pulled in.
 */
export function withFreeKnots(path: Path): Path {
  const inTheWay = knotsInTheWay(path);
  if (inTheWay.length === 0) return path;
  const last = lastTrips(path);
  /** Knots by the move that they follow; a knot that stays where it is follows none. */
  const after = new Map<number, KnotMove[]>();
  const moved = new Map<number, KnotMove | null>();
  for (const i of inTheWay) {
    const knot = path.moves[i] as KnotMove;
    const next = freeTrip(path.moves, i, last);
    if (next) after.set(next.at, [...(after.get(next.at) ?? []), { ...knot, into: next.into }]);
    moved.set(i, next ? null : { ...knot, into: null });
  }
  const moves = path.moves.flatMap((move, i): Move[] => {
    const stays = moved.get(i);
    return [...(stays === undefined ? [move] : stays ? [stays] : []), ...(after.get(i) ?? [])];
  });
  return { ...path, moves };
}

/** The next trip of a knot’s own needle, before its thread ends, after which nothing goes through the hole. */
function freeTrip(
  moves: readonly Move[],
  from: number,
  last: ReadonlyMap<number, number>,
): { at: number; into: HoleEnd } | null {
  const { needle } = moves[from] as KnotMove;
  for (let at = from + 1; at < moves.length; at++) {
    const move = moves[at] as Move;
    if (move.needle !== needle) continue;
    if (move.kind === 'tail') return null;
    if (isTraversal(move) && last.get(holeKey(move.bead, move.hole)) === at)
      return { at, into: { bead: move.bead, hole: move.hole, end: otherEnd(move.enter) } };
  }
  return null;
}
