import { loopSection } from '../closures/sewnLoop';
import type { EdgeName } from '../weave/edge';
import { BASE, WOVEN, isTraversal, type Move, type Path } from '../weave/path';

export type EndStage = 'before the body' | 'after the body' | 'after later passes';

/** When the clasp half of an end is sewn on, read off the path; of several strands, when the last of them is. */
export function endStage({ moves, passes }: Path, end: EdgeName): EndStage {
  const sewing = moves.findLastIndex((m) => isTraversal(m) && m.place.section === loopSection(end));
  const rest = sewing < 0 ? [] : moves.slice(sewing);
  const inBody = (m: Move) => m.kind === 'pick' && m.place.section === WOVEN;
  if (rest.some((m) => inBody(m) && m.place.pass === BASE)) return 'before the body';
  const before = sewing < 0 ? moves : moves.slice(0, sewing);
  return before.some((m) => inBody(m) && passes.has(m.place.pass)) ? 'after later passes' : 'after the body';
}
