import { endKey, type Links } from './links';
import { otherEnd, type HoleEnd } from './path';

/** A bead to arrive in, coming out at `end`. */
export type Target = HoleEnd;

export interface Route {
  /** The holes to go through, each with the end at which the needle comes out; the last is the target. */
  readonly through: readonly HoleEnd[];
}

/** Whether one more trip goes through the hole. */
export type Room = (end: HoleEnd) => boolean;

/**
 * The shortest hidden way from where the thread comes out to any of several equally good targets: through
 * the fewest beads, along links that thread already makes, so that a bare step is always followed by a hole
 * and never by another bare step. Breadth first over hole ends: O(holes + links).
 * Empty where the thread is there already; null where no way with room leads there.
 */
export function findRoute(links: Links, from: HoleEnd, targets: readonly Target[], room: Room): Route | null {
  const wanted = new Set(targets.map(endKey));
  if (wanted.has(endKey(from))) return { through: [] };
  const cameFrom = new Map<number, HoleEnd | null>([[endKey(from), null]]);
  let rim: HoleEnd[] = [from];
  while (rim.length > 0) {
    const next: HoleEnd[] = [];
    for (const out of rim)
      for (const into of links.neighbours(out)) {
        const through: HoleEnd = { bead: into.bead, hole: into.hole, end: otherEnd(into.end) };
        const key = endKey(through);
        if (cameFrom.has(key) || !room(through)) continue;
        cameFrom.set(key, out);
        if (wanted.has(key)) return { through: trace(through, cameFrom) };
        next.push(through);
      }
    rim = next;
  }
  return null;
}

/** The way back to the start, turned round. The start itself is not part of it. */
function trace(end: HoleEnd, cameFrom: ReadonlyMap<number, HoleEnd | null>): HoleEnd[] {
  const way: HoleEnd[] = [];
  for (let at: HoleEnd | null = end; at; at = cameFrom.get(endKey(at)) ?? null) way.push(at);
  way.pop();
  return way.reverse();
}
