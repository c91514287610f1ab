import type { WeaveOptions } from './builder';
import { PathError } from './needle';
import { withFreeKnots } from './knots';
import { holeKey, tripsThrough } from './links';
import { isTraversal, type Path } from './path';

/** Weaves with ways that keep to the room in holes. */
type Weaving = (ways: Pick<WeaveOptions, 'room' | 'fixed'>) => Path;

interface Working {
  /** Trips that a hole of a role takes. */
  readonly room: (role: string) => number;
  /** Thread folded at the needle. */
  readonly doubled: boolean;
}

/**
 * A path as it is worked in certain beads with certain thread: hidden ways lead through holes with room, knots are
 * where no later trip needs the hole, and every trip lays as many strands as the needle carries.
 */
export const pathWithRoutes = (weave: Weaving, { room, doubled }: Working): Path => {
  const path = withFreeKnots(withRoom(weave, room));
  return doubled ? { ...path, threads: path.threads.map((thread) => ({ ...thread, doubled })) } : path;
};

/**
 * Ways through holes that have room when they are gone; where such a way takes the room of a trip that is still to
 * come, another way that leaves it. Where no way with room leads on, any way does: the holes are told to be full all
 * the same.
 */
function withRoom(weave: Weaving, room: Working['room']): Path {
  const soon = attempt(weave, { room });
  if (!soon) return weave({});
  const hidden = soon.moves.filter(isTraversal).filter(({ as }) => as === 'travel');
  if (hidden.length === 0) return soon;
  const all = tripsThrough(soon.moves);
  const fixed = tripsThrough(soon.moves.filter((move) => move.kind !== 'pass' || move.as !== 'travel'));
  const barred = hidden.some(({ bead, hole }) => (all.get(holeKey(bead, hole)) ?? 0) > room(bead.role));
  if (!barred) return soon;
  return attempt(weave, { room, fixed: (bead, hole) => fixed.get(holeKey(bead, hole)) ?? 0 }) ?? soon;
}

/** Null where no way with room leads on. */
function attempt(weave: Weaving, ways: Parameters<Weaving>[0]): Path | null {
  try {
    return weave(ways);
  } catch (error) {
    if (error instanceof PathError) return null;
    throw error;
  }
}
