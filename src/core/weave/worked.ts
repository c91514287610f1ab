import { PathError } from './builder';
import { withFreeKnots } from './knots';
import type { Path } from './path';

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
export const worked = (
  weave: (options: Partial<Pick<Working, 'room'>>) => Path,
  { room, doubled }: Working,
): Path => {
  const path = withFreeKnots(withRoom(weave, room));
  return doubled ? { ...path, threads: path.threads.map((thread) => ({ ...thread, doubled })) } : path;
};

/** Where no way with room leads on, any way does: the holes are told to be full all the same. */
function withRoom(weave: (options: Partial<Pick<Working, 'room'>>) => Path, room: Working['room']): Path {
  try {
    return weave({ room });
  } catch (error) {
    if (error instanceof PathError) return weave({});
    throw error;
  }
}
