import { withNewThreads } from '../joints/newThread';
import { threadMoves } from '../read/thread';
import { stretchStarts } from '../supplies/stretches';
import type { ThreadPlan } from '../supplies/threadPlan';
import { given } from '../tools/given';
import type { Work } from './work';

/** The work with its thread changed where the plan says: what is woven in and taken up are moves like all others. */
export function changedWork(work: Work, { divisions }: ThreadPlan, room: (role: string) => number): Work {
  const before = divisions.flatMap(({ needle, changes }) => {
    if (changes.length === 0) return [];
    const starts = stretchStarts(work.path, needle);
    return changes.map(({ at }) => given(starts[at], 'stretch after a change of thread'));
  });
  if (before.length === 0) return work;
  const path = withNewThreads(work.path, { before, room });
  return { ...work, path, thread: threadMoves(path, work.layout) };
}
