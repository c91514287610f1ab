import { describe, expect, it } from 'vitest';
import { Weave, type WeaveOptions } from './builder';
import { checkPath } from './check';
import { holeKey } from './links';
import { isTraversal, type Path } from './path';
import { pathWithRoutes } from './worked';

/**
 * Two ways lead from bead A to bead D: over B alone, or over both C. When the needle has travelled, B is sewn through
 * once more.
 */
function twoWays(options: WeaveOptions, { second = true } = {}): Path {
  const w = new Weave(options);
  const t = w.needle('working').begin('none');
  const [a, b, d] = t.string(['A', 'B', 'D']);
  if (!a || !b || !d) throw new Error('no beads');
  t.through(a);
  if (second) {
    t.string(['C', 'C']);
    t.through(d, a);
  }
  t.travel({ bead: d, hole: 0, end: 1 }).through(b).tail();
  return w.path();
}

const tripsOf = (path: Path, role: string): number[] => {
  const trips = new Map<number, number>();
  for (const move of path.moves)
    if (isTraversal(move) && move.bead.role === role) {
      const key = holeKey(move.bead, move.hole);
      trips.set(key, (trips.get(key) ?? 0) + 1);
    }
  return [...trips.values()];
};
const way = (path: Path) =>
  path.moves.flatMap((move) => (isTraversal(move) && move.as === 'travel' ? [move.bead.role] : []));
const inRoom = (trips: number) => ({
  room: (role: string) => (role === 'B' ? trips : 99),
  doubled: false,
});

describe('ways with what is still to come in mind', () => {
  it('by hand: with room enough the shortest way is taken', () => {
    const path = pathWithRoutes(twoWays, inRoom(3));
    expect(way(path)).toEqual(['B', 'D']);
    expect(tripsOf(path, 'B')).toEqual([3]);
  });

  it('by hand: a way that would bar a later trip gives way to another, one bead longer', () => {
    const path = pathWithRoutes(twoWays, inRoom(2));
    expect(way(path)).toEqual(['C', 'C', 'D']);
    expect(tripsOf(path, 'B')).toEqual([2]);
    expect(checkPath(path)).toEqual([]);
  });

  it('where there is no other, the way that goes soonest stays, and the hole is told to be full', () => {
    const path = pathWithRoutes((options) => twoWays(options, { second: false }), inRoom(2));
    expect(way(path)).toEqual(['B', 'D']);
    expect(tripsOf(path, 'B')).toEqual([3]);
  });

  it('where no way has room at all, any way does', () => {
    expect(way(pathWithRoutes((options) => twoWays(options, { second: false }), inRoom(1)))).toEqual([
      'B',
      'D',
    ]);
  });

  it('thread folded at the needle lies double everywhere', () => {
    expect(
      pathWithRoutes(twoWays, { ...inRoom(9), doubled: true }).threads.every(({ doubled }) => doubled),
    ).toBe(true);
  });
});
