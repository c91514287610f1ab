import { describe, expect, it } from 'vitest';
import { NO_LOOP, type EndLoops, type SewnLoop } from '../closures/sewnLoop';
import { STRUCTURES } from '../structures/registry';
import { Weave } from '../weave/builder';
import { against, forth, inside, reversed, straight, type Edge, type Loom, type Made } from '../weave/edge';
import { backOutOf, outOf } from '../weave/needle';
import { FINISH, jointOf, type Bead, type Move, type Path } from '../weave/path';
import { compose } from './compose';
import { RING } from './ring';
import { strandsOf } from '../testing/woven';

const LOOP: SewnLoop = { seedsEachSide: 1, passes: 2 };

/** Moves in short: the needle, what it does, and the bead it goes through, by its name. */
const short = (moves: readonly Move[]): string[] =>
  moves.map((move) => {
    const what = 'bead' in move ? ` ${move.bead.name}` : '';
    const way = move.kind === 'pass' && move.enter === 1 ? ' back' : '';
    return `${move.needle}: ${move.kind}${way}${what}`;
  });
const inSection = (moves: readonly Move[], joint: string) =>
  moves.filter(({ place }) => place.section === jointOf(joint));

/** Five beads on a thread, the simplest work with two ends. */
function line(loom: Loom): { beads: Bead[]; edges: Record<'start' | 'end', Edge> } {
  const t = loom.w.needle('working').begin('with a stop bead');
  const beads = t.string(['A', 'A', 'A', 'A', 'A'], 'b');
  const [first, last] = [beads[0], beads[4]];
  if (!first || !last) throw new Error('no beads');
  const end: Edge = {
    posts: [[{ out: outOf(last), into: against(last), round: { through: forth(last), hitched: true } }]],
    meeting: { through: forth(first), as: 'close', knotted: true },
  };
  const start: Edge = {
    posts: [[{ out: backOutOf(first), into: forth(first), round: { through: against(first) } }]],
  };
  return { beads, edges: { start, end: loom.reached('end', end, t) } };
}

/** The path of what is woven and closed so. */
function composed(asked: EndLoops, work: (loom: Loom) => Made): Path {
  const w = new Weave();
  compose(w, asked, work);
  return w.path();
}

const woven = (asked: EndLoops) =>
  composed(asked, (loom) => {
    const { beads, edges } = line(loom);
    const t = loom.w.needle('working');
    return {
      edges,
      ends: [
        [t, inside(beads[2] as Bead)],
        [loom.tail, loom.ring ? null : inside(beads[2] as Bead)],
      ],
    };
  });

describe('a clasp at both ends of a line, thread by thread (worked by hand)', () => {
  const { moves } = woven({ start: LOOP, end: LOOP });

  it('at the end the working needle: seed, ring, seed, back into the last bead, and once more over a half hitch', () => {
    expect(short(inSection(moves, 'end'))).toEqual([
      'working: pick out1',
      'working: attach',
      'working: pick in1',
      'working: pass back b5',
      'working: knot',
      'working: pass b5',
      'working: pass out1',
      'working: attach',
      'working: pass in1',
      'working: pass back b5',
    ]);
  });

  it('at the start the tail, when the stop bead is off', () => {
    expect(short(inSection(moves, 'start')).slice(0, 7)).toEqual([
      'tail: release',
      'tail: pick out1',
      'tail: attach',
      'tail: pick in1',
      'tail: pass b1',
      'tail: pass back b1',
      'tail: pass out1',
    ]);
    expect(moves.filter(({ kind }) => kind === 'attach')).toHaveLength(4);
  });

  it('then both ends are fastened off, in the order that the structure tells', () => {
    const finish = moves.filter(({ place }) => place.section === FINISH);
    const kinds = finish.map(({ needle, kind }) => `${needle} ${kind}`);
    expect(kinds[0]).toBe('working knot');
    expect(kinds.filter((kind) => kind.endsWith('knot'))).toHaveLength(4);
    expect(kinds.filter((kind) => kind.endsWith('tail'))).toEqual(['working tail', 'tail tail']);
    expect(kinds.indexOf('working tail')).toBeLessThan(kinds.indexOf('tail knot'));
  });
});

describe('a ring', () => {
  const { moves } = woven({ start: NO_LOOP, end: NO_LOOP, joined: true });
  it('is sewn through what it meets, knotted, and its stop bead comes off there', () => {
    const ring = inSection(moves, RING);
    expect(short(ring)).toEqual(['working: pass b1', 'working: knot', 'tail: release']);
    expect(ring[0]).toMatchObject({ as: 'close' });
  });
  it('an end that holds nothing is only woven in', () => {
    const finish = moves.filter(({ place, needle }) => place.section === FINISH && needle === 'tail');
    expect(finish.map(({ kind }) => kind)).toEqual(['tail']);
  });
});

describe('where things hang on an edge of several posts', () => {
  /** Rungs of a ladder laid side by side, as one wide edge. */
  const hung = (loops: number, alone?: number) => {
    const path = composed({ start: NO_LOOP, end: { ...LOOP, passes: 1, loops } }, (loom) => {
      const t = loom.w.needle('working').begin('none');
      const rungs = t.string(['A'], 'r');
      for (let i = 1; i < 6; i++) {
        const [next] = t.string(['A'], 'r', { run: i });
        if (!next) throw new Error('no rung');
        t.through(rungs[i - 1] as Bead, next);
        rungs.push(next);
      }
      const posts = rungs.map((rung) => [straight(forth(rung)), straight(reversed(forth(rung)))]);
      const end = loom.reached('end', { posts, ...(alone !== undefined && { alone: posts[alone] }) }, t);
      return { edges: { start: { posts: [] }, end }, ends: [[t, null]] };
    });
    // The bead that thread goes back into after each loop's seeds.
    const sewn = path.moves.filter(({ place }) => place.pass === 'sew on the clasp');
    return sewn.flatMap((move) => (move.kind === 'pass' ? [move.bead.id] : []));
  };

  it.each([
    [1, [3]],
    [2, [1, 4]],
    [3, [1, 3, 5]],
    [6, [0, 1, 2, 3, 4, 5]],
  ])('%i things: each in the middle of as many equal stretches, %j', (loops, at) => {
    expect(hung(loops)).toEqual(at);
  });

  it('one alone hangs where the edge says; more than it has posts do not hang', () => {
    expect(hung(1, 2)).toEqual([2]);
    expect(hung(9)).toEqual([0, 1, 2, 3, 4, 5]);
  });
});

describe('every stitch, in every way it can be closed', () => {
  const ways = STRUCTURES.flatMap(({ id, bind, defaults }) => {
    const weaveable = bind(defaults);
    return (weaveable.closings ?? ['clasp' as const]).map((closing) => [id, closing, weaveable] as const);
  });

  it.each(ways)(
    '%s, %s: a stop bead that is put on comes off once, before its thread is fastened off',
    (_, closing, weaveable) => {
      const loop = closing === 'clasp' ? { seedsEachSide: 3, passes: 2 } : NO_LOOP;
      const request = { start: loop, end: loop, joined: closing === 'joined' };
      const { moves } = weaveable.weave(weaveable.minimumUnits + 4, request);
      const put = moves.filter((move) => move.kind === 'begin' && move.stop === 'foreign').length;
      const off = moves.flatMap(({ kind }, i) => (kind === 'release' ? [i] : []));
      expect(off).toHaveLength(put);
      // Every strand has a stop bead and a tail of its own.
      const ended = moves.flatMap(({ kind, needle }, i) =>
        kind === 'tail' && /tail$/.test(needle) ? [i] : [],
      );
      off.forEach((i, k) => expect(i).toBeLessThan(ended[k] ?? -1));
      expect(moves.filter(({ kind }) => kind === 'attach')).toHaveLength(
        closing === 'clasp' ? 4 * strandsOf(weaveable) : 0,
      );
    },
  );
});
