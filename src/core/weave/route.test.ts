import { describe, expect, it } from 'vitest';
import { herringbone, peyote, rightAngle, spiralRope, strung } from '../testing/paths';
import { Weave } from './builder';
import { backOutOf, outOf } from './needle';
import { Links } from './links';
import { otherEnd, type Bead, type HoleEnd, type Path } from './path';
import { findRoute } from './route';

const anywhere = () => true;
const bead = (path: Path, name: string, row: number): Bead => {
  const found = path.beads.find((b) => b.name === name && b.place.row === row);
  if (!found) throw new Error(`no ${name} in row ${row}`);
  return found;
};
const words = (route: ReturnType<typeof findRoute>) =>
  route?.through.map(({ bead: { name, place }, end }) => `${name}${place.row}${end ? '+' : '-'}`).join(' ');

describe('the way to the next start', () => {
  it('along a strung line it goes bead by bead', () => {
    const path = strung(6);
    const links = new Links(path);
    expect(words(findRoute(links, outOf(bead(path, '1', 1)), [outOf(bead(path, '1', 4))], anywhere))).toBe(
      '12+ 13+ 14+',
    );
  });

  it('takes the nearest of equally good targets', () => {
    const path = strung(40);
    const links = new Links(path);
    const targets = [5, 25].map((row) => outOf(bead(path, '1', row)));
    expect(findRoute(links, outOf(bead(path, '1', 2)), targets, anywhere)?.through).toHaveLength(3);
    expect(findRoute(links, outOf(bead(path, '1', 22)), targets, anywhere)?.through).toHaveLength(3);
  });

  it('comes out the way that is wished', () => {
    const path = peyote(8);
    const links = new Links(path);
    const target = bead(path, 'r1/1', 2);
    const ways = [outOf(target), backOutOf(target)].map((wish) => ({
      wish,
      route: findRoute(links, outOf(bead(path, 'r1/1', 6)), [wish], anywhere),
    }));
    for (const { wish, route } of ways) expect(route?.through.at(-1)).toEqual(wish);
    expect(ways[0]?.route?.through.length).not.toBe(ways[1]?.route?.through.length);
  });

  it('practice: in right-angle weave the thread only ever goes round, never back against a circle', () => {
    const path = rightAngle(5);
    const links = new Links(path);
    const target = bead(path, 'rung', 1);
    const from = outOf(bead(path, 'rung', 3));
    expect(findRoute(links, from, [outOf(target)], anywhere)).not.toBeNull();
    expect(findRoute(links, from, [backOutOf(target)], anywhere)).toBeNull();
  });

  it('goes round a hole that is full, and says so when there is no way', () => {
    // A ring a b c d, and a longer arc e f g from a to d.
    const w = new Weave();
    const t = w.needle('working');
    const { a, b, d } = t.pick({ a: 'A', b: 'A', c: 'A', d: 'A' });
    t.close(a);
    const { f } = t.pick({ e: 'A', f: 'A', g: 'A' });
    t.through(d);
    const way = (full: readonly Bead[]) =>
      findRoute(w.links, outOf(a), [outOf(d)], (end) => !full.includes(end.bead));
    expect(words(way([]))).toBe('b0+ c0+ d0+');
    expect(words(way([b]))).toBe('e0+ f0+ g0+ d0+');
    expect(way([b, f])).toBeNull();
  });

  /** Independent: Floyd–Warshall over hole ends (textbook), on small pieces. */
  it.each([
    ['right-angle weave', rightAngle(5)],
    ['herringbone', herringbone(6)],
    ['flat peyote', peyote(4)],
    ['spiral rope', spiralRope(5)],
  ])('is as short as an all-pairs search finds it: %s', (_, path) => {
    const links = new Links(path);
    const ends: HoleEnd[] = path.beads.flatMap((b) => [backOutOf(b), outOf(b)]);
    const index = (e: HoleEnd) => e.bead.id * 2 + e.end;
    const far = ends.map((from) => {
      const row = ends.map(() => Infinity);
      row[index(from)] = 0;
      for (const into of links.neighbours(from)) row[index({ ...into, end: otherEnd(into.end) })] = 1;
      return row;
    });
    for (let k = 0; k < ends.length; k++)
      for (const row of far)
        for (let j = 0; j < ends.length; j++)
          row[j] = Math.min(row[j] as number, (row[k] as number) + (far[k]?.[j] as number));
    for (const from of ends)
      for (const to of ends) {
        if (index(from) === index(to)) continue;
        const steps = findRoute(links, from, [to], anywhere)?.through.length ?? Infinity;
        expect(steps).toBe(far[index(from)]?.[index(to)]);
      }
  });

  it('never leaves two bare steps in a row: each step follows a link that thread has made', () => {
    const path = rightAngle(8);
    const links = new Links(path);
    let out = outOf(bead(path, 'rung', 0));
    for (const through of findRoute(links, out, [outOf(bead(path, 'rung', 7))], anywhere)?.through ?? []) {
      const into = { ...through, end: otherEnd(through.end) };
      expect(links.neighbours(out)).toContainEqual(into);
      out = through;
    }
  });

  it('travelling counts what it goes through, and keeps out of holes that are full', () => {
    const write = (room: number) => {
      const w = new Weave({ room: () => room });
      const t = w.needle('working');
      const beads = t.string(['A', 'A', 'A', 'A']);
      t.close(beads[0] as Bead).travel(outOf(beads[2] as Bead));
      return w.path();
    };
    const path = write(2);
    expect(path.moves.filter((m) => m.kind === 'pass')).toHaveLength(3);
    // Strung once each; the first closed; then the second and the third by a hidden way.
    const links = new Links(path);
    expect(path.beads.map((b) => links.traversals(b, 0))).toEqual([2, 2, 2, 1]);
    expect(path.beads.map((b) => links.travels(b, 0))).toEqual([0, 1, 1, 0]);
    expect(() => write(1)).toThrow(/no hidden way with room/i);
  });
});
