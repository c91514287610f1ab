import { withNewThreads } from '../joints/newThread';
import { threadMoves } from '../read/thread';
import { stretchStarts } from '../supplies/stretches';
import type { ThreadPlan } from '../supplies/threadPlan';
import { given } from '../tools/given';
import type { BoundPart } from './bindPart';
import type { Work } from './work';

/** The work with its thread changed where the plan says: what is woven in and taken up are moves like all others. */
export function changedWork(
  work: Work,
  { divisions }: ThreadPlan,
  { room, gear }: Pick<BoundPart, 'room' | 'gear'>,
): Work {
  const before = divisions.flatMap(({ needle, changes }) => {
    if (changes.length === 0) return [];
    const starts = stretchStarts(work.path, needle);
    return changes.map(({ at }) => given(starts[at], 'stretch after a change of thread'));
  });
  if (before.length === 0) return work;
  // No hitch holds well on cord.
  const knot = gear.needleMm === null ? 'overhand' : 'half hitch';
  const path = withNewThreads(work.path, { before, room, knot });
  return { ...work, path, thread: threadMoves(path, work.layout) };
}
