import { describe, expect, it } from 'vitest';
import type { Layout, Point } from '../layout/layout';
import { exposedThread, KNOT_MM, threadMm, threadMoves } from '../read/thread';
import { steps } from '../read/steps';
import { tally } from '../read/tally';
import { findingPasses, holeUses } from '../read/traversals';
import { inALine } from '../testing/inALine';
import * as paths from '../testing/paths';
import { Weave } from './builder';
import { hole, type Needle } from './needle';
import { checkPath } from './check';
import { jointOf, tailsOf, type Path } from './path';

/** Every example here was counted by hand from a drawing, with the working noted beside it. */
const counts = (path: Path) => Object.fromEntries(tally(path));
const trips = (path: Path) =>
  Object.fromEntries(
    holeUses(path).map((u) => [`${u.bead.name}@${u.bead.place.row}.${u.hole}`, u.traversals]),
  );
const told = (path: Path) =>
  steps(inALine(path), { row: 'row', role: (role) => role })
    .flatMap((group) => group.steps.map((step) => step.text))
    .join(' ');
const write = (work: (t: Needle, w: Weave) => void, options = {}) => {
  const w = new Weave(options);
  work(w.needle('working').begin('none'), w);
  return w.path();
};

/** Beads of length 2 and girth 2 at the given centres, holes along x. */
const inPlace = (...centres: Point[]): Layout => ({
  body: () => ({ lengthMm: 2, diameterMm: 2 }),
  findings: [[10, 0, 0]],
  poses: centres.map((centre) => ({ centre, axis: [1, 0, 0] })),
});

describe('each kind of move, by hand', () => {
  it('pick and pass: two beads strung, the first gone through again', () => {
    const path = write((t) => t.through(t.pick({ a: 'A', b: 'B' }).a));
    expect(counts(path)).toEqual({ A: 1, B: 1 });
    expect(trips(path)).toEqual({ 'a@0.0': 2, 'b@0.0': 1 });
    // Holes 2 + 2 + 2; gaps: beads touch at x = 1, then from x = 3 back to x = −1.
    expect(threadMm(threadMoves(path, inPlace([0, 0, 0], [2, 0, 0])))).toBeCloseTo(6 + 4);
    expect(told(path)).toMatch(
      /Leave the tail hanging, then pick up 1 A and 1 B, then go to the right through the first new bead/,
    );
  });

  it('attach: three threads through a ring 9 mm away and back', () => {
    const path = write((t, w) => {
      const { a } = t.pick({ a: 'A' });
      const ring = w.finding('clasp ring');
      t.attach(ring).back(a).attach(ring).through(a).attach(ring);
    });
    expect([...findingPasses(path).values()]).toEqual([3]);
    expect(trips(path)).toEqual({ 'a@0.0': 3 });
    // Bead from −1 to 1, ring at 10: out 9, back 9, then from −1 out to the ring again 11, back 11, out 9.
    const mm = threadMm(threadMoves(path, inPlace([0, 0, 0])));
    expect(mm).toBeCloseTo(3 * 2 + 9 + 9 + 11 + 11 + 9);
  });

  it('under: a bead hangs from the thread between two, whose middle it reaches', () => {
    const path = write((t) => {
      const { a, b, c } = t.pick({ a: 'A', b: 'A', c: 'B' });
      t.under(a, b).back(c);
    });
    expect(trips(path)).toEqual({ 'a@0.0': 1, 'b@0.0': 1, 'c@0.0': 2 });
    expect(told(path)).toContain('go under the thread between the first new bead and the second new bead');
    // a from −1 to 1, b from 3 to 5: the bridge is from 1 to 3, its middle at 2. c from 7 to 9.
    const mm = threadMm(threadMoves(path, inPlace([0, 0, 0], [4, 0, 0], [8, 0, 0])));
    expect(mm).toBeCloseTo(4 * 2 + 2 + 2 + (9 - 2) + (9 - 2));
  });

  it('under: where thread runs along both edges, the side that is asked for', () => {
    const w = new Weave();
    const t = w.needle('working').begin('none');
    const { a, b } = t.pick({ a: 'A', b: 'A' });
    t.through(a, b);
    expect(w.links.bridge(a, b, 1)).toMatchObject({ from: { bead: a, end: 1 }, to: { bead: b, end: 0 } });
    expect(w.links.bridge(a, b, 0)).toMatchObject({ from: { bead: a, end: 0 }, to: { bead: b, end: 1 } });
    expect(() => t.under(a, t.pick({ c: 'B', d: 'B' }).d)).toThrow(/no thread between/);
  });

  it('around: a stop bead that stays is gone round and through again', () => {
    const w = new Weave({ stop: 'pattern' });
    w.needle('working').begin('with a stop bead').pick({ stop: 'A' });
    const path = w.path();
    expect(trips(path)).toEqual({ 'stop@0.0': 2 });
    // Through 2, round its girth 2 and back along 2, through 2.
    expect(threadMm(threadMoves(path, inPlace([0, 0, 0])))).toBeCloseTo(2 + 2 + 2 + 2);
    expect(told(path)).toMatch(/first bead is the stop bead, and stays.*round the outside of the new bead/);
    expect(checkPath(path)).toEqual([]);
  });

  it('between: to the other face of the work', () => {
    const path = write((t) => {
      const { a, b } = t.pick({ a: 'A', b: 'A' });
      t.between(a, b);
    });
    expect(told(path)).toContain('go between the first new bead and the second new bead to the other face');
    // Through both, 2 from bead to bead, and from b's end at 5 to the middle between them, 2.
    expect(threadMm(threadMoves(path, inPlace([0, 0, 0], [4, 0, 0])))).toBeCloseTo(4 + 2 + 3);
  });

  it('enclose: a stone counts as one, and no thread goes through it', () => {
    const path = write((t) => void t.enclose('stone', 'Z'));
    expect(counts(path)).toEqual({ Z: 1 });
    expect(trips(path)).toEqual({});
    expect(told(path)).toContain('set in 1 Z');
  });

  it('knot: takes thread, and room in the hole that it is pulled into', () => {
    const path = write((t) => {
      t.pick({ a: 'A' });
      t.knot('half hitch', { pullInto: true }).knot('square');
    });
    expect(holeUses(path)).toMatchObject([{ traversals: 1, knots: 1 }]);
    expect(threadMm(threadMoves(path, inPlace([0, 0, 0])))).toBeCloseTo(2 + 2 * KNOT_MM);
    expect(told(path)).toMatch(/make a half hitch and pull it into the bead/);
  });

  it('skip and turn: nothing is threaded, and it is said', () => {
    const path = write((t) => {
      const { a, b } = t.pick({ a: 'A', b: 'B', c: 'A' });
      t.skip(b).through(a).turnWork('over');
    });
    expect(trips(path)).toEqual({ 'a@0.0': 2, 'b@0.0': 1, 'c@0.0': 1 });
    expect(told(path)).toMatch(
      /then skip the second new bead, then go to the right through the first new bead, then turn the work over/,
    );
  });

  it('the three schools of stop bead', () => {
    const foreign = new Weave();
    foreign.needle('working').begin('with a stop bead').release();
    expect(told(foreign.path())).toMatch(/stop bead that comes off later.*take off the stop bead/);
    expect(counts(foreign.path())).toEqual({});
    expect(told(write((t) => void t.pick({ a: 'A' })))).toMatch(/^Leave the tail hanging/);
  });

  it('a new thread begins where it goes in, and is not joined to the old one', () => {
    const path = write((t) => {
      t.pick({ a: 'A' });
      t.tail().begin('none').pick({ b: 'B' });
    });
    expect(path.moves.map((m) => m.kind)).toEqual(['begin', 'pick', 'tail', 'begin', 'pick']);
    expect(told(path)).toMatch(/weave in the rest of this thread and trim/);
    // Two beads of 2 mm, with a gap between them across which no thread leads.
    expect(threadMm(threadMoves(path, inPlace([0, 0, 0], [2.5, 0, 0])))).toBeCloseTo(4);
  });

  it('doubled thread: two strands in each hole, twice the thread', () => {
    const w = new Weave();
    const t = w.needle('working', { doubled: true });
    const { a } = t.pick({ a: 'A', b: 'A' });
    t.through(a);
    const path = w.path();
    expect(holeUses(path).map((u) => [u.traversals, u.strands])).toEqual([
      [2, 4],
      [1, 2],
    ]);
    expect(threadMm(threadMoves(path, inPlace([0, 0, 0], [2, 0, 0])))).toBeCloseTo(2 * 10);
  });

  it('two needles of one cord set out from its middle and cross', () => {
    const path = paths.crossWeave(3);
    // Rungs: the first and one for each unit; sides: two for each unit.
    expect(counts(path)).toEqual({ A: 4 + 6 });
    expect(trips(path)).toMatchObject({ 'rung@0.0': 2 });
    expect(path.threads).toEqual([{ needles: ['left', 'right'], folded: true, doubled: false }]);
  });

  it('two holes: told which, and counted apart', () => {
    const path = write(
      (t) => {
        const { tile } = t.pick({ tile: 'T' });
        t.turnInto({ bead: tile, hole: 1, enter: 1 });
      },
      { holes: { T: 2 } },
    );
    expect(trips(path)).toEqual({ 'tile@0.0': 1, 'tile@0.1': 1 });
    expect(told(path)).toMatch(
      /pick up 1 T by its upper hole, then turn at the edge: go to the left through the new bead by its lower hole/,
    );
  });

  it('exposed thread: each bare stretch once, however often it is passed', () => {
    const path = write((t) => {
      const { a, b } = t.pick({ a: 'A', b: 'A' });
      t.through(a, b);
    });
    // a −1…1 and b 4…6: the stretch 1→4 twice, the way back 6→−1 once.
    const exposed = exposedThread(threadMoves(path, inPlace([0, 0, 0], [5, 0, 0])));
    expect(exposed.totalMm).toBeCloseTo(3 + 7);
    expect(exposed.longestMm).toBeCloseTo(7);
  });
});

describe('hard structures, counted by hand', () => {
  it('ladder of 6 with picots: 6 rungs; 3 seeds at each of 5 gaps on both edges', () => {
    expect(counts(paths.ladder(6))).toEqual({ A: 6, S: 30 });
    expect(counts(paths.ladder(6, 'A', { without: new Set(['picots']) }))).toEqual({ A: 6 });
    // Inner rungs: strung, sewn to the one before, sewn to by the next; then picots out and back.
    expect(trips(paths.ladder(6))).toMatchObject({ 'rung@0.0': 3, 'rung@3.0': 5, 'rung@5.0': 3 });
  });

  it('tile ladder of 4: each second hole holds what sews the next, twice', () => {
    const uses = holeUses(paths.tileLadder(4));
    expect(uses.map((u) => `${u.bead.place.row}.${u.hole}: ${u.traversals}`).sort()).toEqual([
      '0.0: 1',
      '0.1: 2',
      '1.0: 2',
      '1.1: 2',
      '2.0: 2',
      '2.1: 2',
      '3.0: 2',
    ]);
  });

  it('tubular herringbone of 2 pairs, 5 rounds: 20 beads; a step-up begins each round', () => {
    const path = paths.herringboneTube(5);
    expect(counts(path)).toEqual({ A: 20 });
    expect(path.moves.filter((m) => m.kind === 'pass' && m.as === 'step-up')).toHaveLength(4);
    expect(told(path)).toContain('step up to the right through');
  });

  it('flat peyote 6 wide: two rows strung together, then three beads a row', () => {
    expect(counts(paths.peyote(10))).toEqual({ A: 6 + 3 * 10 });
  });

  it('tubular peyote of 4: a ring of 8, then 4 a round', () => {
    expect(counts(paths.peyoteTube(6))).toEqual({ A: 8 + 4 * 5 });
  });

  it('brick 5 wide: every row 5 beads; inner beads twice through, under four bridges a row', () => {
    const path = paths.brick(4);
    expect(counts(path)).toEqual({ A: 20 });
    expect(path.moves.filter((m) => m.kind === 'under')).toHaveLength(12);
    // The first of a row only once: the row begins with two beads, and the needle comes up by the second.
    expect(trips(path)).toMatchObject({ '0/1@2.0': 1, '0/2@2.0': 2, '3/1@2.0': 2 });
  });

  it('right-angle weave: 1 + 3 for each unit; a ring of n units takes 3 for each', () => {
    expect(counts(paths.rightAngle(7))).toEqual({ A: 1 + 21 });
    expect(counts(paths.rightAngleRing(8))).toEqual({ A: 24 });
    expect(counts(paths.rightAngleRing(9))).toEqual({ A: 27 });
    // An inner rung: strung and gone on through to the next unit, then once more by the next.
    expect(trips(paths.rightAngle(7))).toMatchObject({ 'rung@3.0': 3, 'first@3.0': 2, 'last@3.0': 1 });
  });

  it('two-hole line of 5: a seed after each lens both ways, three at the turn', () => {
    const path = paths.twoHoleLine(5);
    expect(counts(path)).toEqual({ L: 5, S: 5 + 3 + 5 });
    expect(trips(path)).toMatchObject({ 'lens@2.0': 1, 'lens@2.1': 1 });
  });

  it('spiral rope of 10 loops on a core of 4: 13 core beads, 30 outer; a core bead is gone through 5 times', () => {
    const path = paths.spiralRope(10);
    expect(counts(path)).toEqual({ C: 13, O: 30 });
    // Strung, then by its own loop and the three after it.
    expect(trips(path)).toMatchObject({ 'core@5.0': 5, 'outer1@5.0': 1 });
  });

  it('rosette of 8: ring 16, loops of 3, points of 5, and two beads of travel between', () => {
    const path = paths.rosette(8);
    expect(counts(path)).toEqual({ A: 16, B: 16 + 32, C: 8 + 8 });
    expect(path.moves.filter((m) => m.kind === 'pass' && m.as === 'travel')).toHaveLength(2);
    expect(told(path)).toContain(
      'Weave on, hidden, to the right through the leftmost bead of the loops and through 1 bead.',
    );
  });

  it('capsule of 8: two cups of 16, a stone between, zipped once round', () => {
    const path = paths.capsule(8);
    expect(counts(path)).toEqual({ A: 16, B: 16, Z: 1 });
    expect(path.moves.filter((m) => m.place.section === jointOf('join') && m.kind === 'pass')).toHaveLength(
      16,
    );
    expect(path.parts.get('back')?.mirrored).toBe(true);
  });
});

describe('pieces of several parts', () => {
  it('frame of 20 rows round a ball: 40 seeds (practice), the ball gone through there and back, no fault', () => {
    const path = paths.framedBall(20);
    expect(counts(path)).toEqual({ A: 40, Z: 1 });
    expect(trips(path)).toMatchObject({ 'ball@0.0': 2 });
    expect(checkPath(path)).toEqual([]);
  });

  it('mirrored halves about a centre: the same from either end', () => {
    const path = paths.graduated(['A', 'B', 'C'], 4);
    expect(counts(path)).toEqual({ A: 8, B: 8, C: 8, Z: 1 });
    const roles = path.beads.map((b) => b.role);
    expect(roles).toEqual([...roles].reverse());
    expect([...path.parts.keys()]).toEqual(['left half', 'right half']);
    expect(told(path)).toContain('Pick up 4 A, 4 B and 4 C');
  });

  it('three rings joined: two beads for each joint, and four of travel to cross the middle ring', () => {
    const path = paths.joinedRings(3);
    expect(counts(path)).toEqual({ A: 24, J: 4 });
    expect(path.moves.filter((m) => m.kind === 'pass' && m.as === 'travel')).toHaveLength(4);
    expect(path.threads).toHaveLength(3);
    // Each has two ends.
    expect(new Set(path.threads.flatMap(({ needles }) => needles)).size).toBe(6);
    expect([...tailsOf(path)]).toEqual(['tail', 'thread 2, tail', 'thread 3, tail']);
    expect(checkPath(path)).toEqual([]);
  });
});

describe('running along earlier rows', () => {
  const walk = (along: Parameters<Weave['along']>[1]) => {
    const w = new Weave();
    const t = w.needle('working');
    const line = w.repeat(0, 9, null as number | null, (_, row) => (t.string(['A']), row));
    const seen: string[] = [];
    w.along(line, along, (unit, _, { previous, next }) => seen.push(`${previous}<${unit}<${next}`));
    return seen;
  };

  it('forward, with the neighbours on the way', () =>
    expect(walk({ to: 3 })).toEqual(['undefined<0<1', '0<1<2', '1<2<3']));
  it('backwards the neighbours change sides', () =>
    expect(walk({ backwards: true, from: 6 })).toEqual(['undefined<8<7', '8<7<6', '7<6<5']));
  it('every third', () => expect(walk({ every: 3 }).map((s) => s.split('<')[1])).toEqual(['0', '3', '6']));
});

it('a hole of a bead by its number is one passage', () => {
  const { tile } = new Weave().needle('working').pick({ tile: 'T' });
  expect(hole(tile, 1)).toEqual({ bead: tile, hole: 1 });
});
