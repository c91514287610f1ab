import { describe, expect, it } from 'vitest';
import { STRUCTURES } from '../structures/registry';
import { NO_LOOP } from '../closures/sewnLoop';
import { Weave } from './builder';
import { endsOf, follow, holeEndOf, type Spot } from './follow';
import { TAIL, isTraversal } from './path';

/** A spot in short: `a.0.1` is end 1 of the first hole of bead a. */
const told = (spot: Spot | null) =>
  spot &&
  (spot.at === 'finding'
    ? spot.finding.name
    : endsOf(spot)
        .map(({ bead, hole, end }) => `${bead.name}.${hole}.${end}`)
        .join('+'));

describe('where thread goes, by hand', () => {
  it('comes from where its needle last came out, whatever other needles did meanwhile', () => {
    const w = new Weave();
    const one = w.needle('one').begin('none');
    const two = w.needle('two').begin('none');
    const { a, b } = one.pick({ a: 'A', b: 'A' });
    const { c } = two.pick({ c: 'A' });
    one.back(a);
    two.through(b);
    expect(follow(w.path()).map(({ from, into, out }) => [told(from), told(into), told(out)])).toEqual([
      [null, null, null],
      [null, null, null],
      [null, 'a.0.0', 'a.0.1'],
      ['a.0.1', 'b.0.0', 'b.0.1'],
      [null, 'c.0.0', 'c.0.1'],
      ['b.0.1', 'a.0.1', 'a.0.0'],
      ['c.0.1', 'b.0.0', 'b.0.1'],
    ]);
    expect(c.name).toBe('c');
  });

  it('under thread, between beads and through a finding it comes in and goes out at one spot', () => {
    const w = new Weave();
    const t = w.needle('working').begin('none');
    const { a, b } = t.pick({ a: 'A', b: 'A' });
    t.under(a, b).between(a, b).attach(w.finding('ring'));
    t.through(a);
    expect(
      follow(w.path())
        .slice(3)
        .map(({ from, into }) => [told(from), told(into)]),
    ).toEqual([
      ['b.0.1', 'a.0.1+b.0.0'],
      ['a.0.1+b.0.0', 'a.0.0+a.0.1+b.0.0+b.0.1'],
      ['a.0.0+a.0.1+b.0.0+b.0.1', 'ring'],
      ['ring', 'a.0.0'],
    ]);
  });

  it('the other end of a thread sets out from where the first went in, once', () => {
    const w = new Weave();
    const [left, right] = w.cord('left', 'right');
    const { a } = left.pick({ a: 'A' });
    right.pick({ b: 'B' });
    right.pick({ c: 'C' });
    w.needle('working').pick({ d: 'D' });
    w.needle(TAIL);
    expect(a.name).toBe('a');
    expect(follow(w.path()).map(({ from, first }) => [told(from), first])).toEqual([
      [null, true],
      ['a.0.0', true],
      ['b.0.1', false],
      [null, true],
    ]);
  });

  it('says what was done since that led the thread nowhere', () => {
    const w = new Weave();
    const t = w.needle('working').begin('none');
    const { a } = t.pick({ a: 'A' });
    t.knot('half hitch').around(a);
    t.back(a).tail().begin('none').through(a);
    const since = follow(w.path()).map((trip) => trip.since.map(({ kind }) => kind).join(' '));
    expect(since).toEqual(['', 'begin', '', '', 'knot around', '', '', 'tail begin']);
  });
});

describe.each(STRUCTURES.map((structure) => [structure.id, structure] as const))('%s', (_, structure) => {
  it('every needle goes on from where it came out, and through a bead from end to end', () => {
    const units = Math.max(structure.bind(structure.defaults).minimumUnits, 6);
    const ends = { start: NO_LOOP, end: NO_LOOP, joined: false, without: new Set<string>() };
    const path = structure.bind(structure.defaults).weave(units, ends);
    const reached = new Map<string, Spot>();
    let through = 0;
    for (const { move, from, into, out, first } of follow(path)) {
      const before = reached.get(move.needle);
      expect(first).toBe(before === undefined);
      if (before) expect(from).toBe(before);
      if (out) reached.set(move.needle, out);
      if (!isTraversal(move)) continue;
      through++;
      const [a, b] = [holeEndOf(into), holeEndOf(out)];
      expect([a?.bead, a?.hole, a?.end]).toEqual([move.bead, move.hole, move.enter]);
      expect([b?.bead, b?.hole, b?.end]).toEqual([move.bead, move.hole, 1 - move.enter]);
    }
    expect(through).toBeGreaterThanOrEqual(path.beads.length);
  });
});
