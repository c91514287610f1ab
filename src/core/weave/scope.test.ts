import { describe, expect, it } from 'vitest';
import type { EndLoops } from '../closures/sewnLoop';
import { tally } from '../read/tally';
import { STRUCTURES } from '../structures/registry';
import { at } from '../structures/structure';
import { joinBetween } from '../joints/between';
import { ends } from '../testing/woven';
import type { Edge } from './edge';
import { Weave } from './builder';
import { checkPath } from './check';
import { follow } from './follow';
import { isTraversal, MAIN, passInfo, strandsOf, type Bead, type Move, type Path } from './path';

const OPEN: EndLoops = {
  start: { seedsEachSide: 0, passes: 0 },
  end: { seedsEachSide: 0, passes: 0 },
};

/** The moves of one part of a path, told as that part tells them by itself. */
function movesOf(path: Path, part: string): string[] {
  const own = path.beads.filter((bead) => bead.place.section.part === part);
  const number = new Map(own.map((bead, i) => [bead, i]));
  // A part's first needle has no name but its own; those of its further stretches are told by the part.
  const name = (text: string) => text.replace(`${part}/`, '');
  const beadOf = (bead: Bead) => `${number.get(bead)}:${name(bead.role)}:${bead.holes}`;
  const told = (move: Move): string => {
    const { section, pass, unit, row } = move.place;
    const head = `${move.needle && name(move.needle)} ${move.kind} ${section.zone} ${section.joint} ${pass} ${unit} ${row}`;
    if (isTraversal(move)) return `${head} ${beadOf(move.bead)} ${move.hole} ${move.enter} ${move.as}`;
    if (move.kind === 'under')
      return `${head} ${beadOf(move.bridge.from.bead)} ${beadOf(move.bridge.to.bead)}`;
    return head;
  };
  return path.moves.filter(({ place }) => place.section.part === part).map(told);
}

const closings: [string, EndLoops][] = [
  ['open', OPEN],
  ['with a clasp', ends],
  ['with several loops', { start: { ...ends.start, loops: 3 }, end: { ...ends.end, loops: 3 } }],
];

describe.each(STRUCTURES.map((structure) => [structure.name, structure] as const))('%s', (_, structure) => {
  const weaveable = structure.bind(structure.defaults);
  const joined = weaveable.closings?.includes('joined') ?? false;
  const all: [string, EndLoops][] = joined ? [...closings, ['joined', { ...OPEN, joined: true }]] : closings;

  it.each(all)('%s is woven as it is alone, twice in one path and between each other', (_, request) => {
    const units = weaveable.minimumUnits + 3;
    const alone = weaveable.weave(units, request);
    const path = new Weave();
    weaveable.weaveInto(path, 'one', units, request);
    weaveable.weaveInto(path, 'other', units, request);
    const both = path.path();
    const wanted = movesOf(alone, MAIN);
    expect(wanted.length).toBeGreaterThan(10);
    expect(movesOf(both, 'one')).toEqual(wanted);
    expect(movesOf(both, 'other')).toEqual(wanted);
    expect(checkPath(both).length).toBe(2 * checkPath(alone).length);
  });

  it('shares no needle, no role and no thread with the other', () => {
    const path = new Weave();
    for (const part of ['one', 'other']) weaveable.weaveInto(path, part, weaveable.minimumUnits + 1, ends);
    const both = path.path();
    const needles = both.threads.flatMap((thread) => [...thread.needles]);
    expect(new Set(needles).size).toBe(needles.length);
    const counts = tally(both);
    for (const [role, count] of counts) expect(counts.get(role.replace(/^one/, 'other')), role).toBe(count);
    expect(() => strandsOf(both)('working')).toThrow(/working needle/);
  });
});

describe('a scope', () => {
  it('keeps what holds for its passes apart from those of the same name in another part', () => {
    const path = new Weave();
    const [one, other] = [path.scope('one'), path.scope('other')];
    one.pass('edging', { tension: 'loose' }, () => one.needle('n').begin('none').string(['A']));
    other.pass('edging', { tension: 'medium' }, () => other.needle('n').begin('none').string(['A']));
    const whole = path.path();
    const tensions = whole.beads.map(({ place }) => passInfo(whole, place).tension);
    expect(tensions).toEqual(['loose', 'medium']);
  });

  it('is there once', () => {
    const path = new Weave();
    path.scope('one');
    expect(() => path.scope('one')).toThrow(/woven already/);
    expect(() => path.scope(MAIN)).toThrow(/woven already/);
  });

  it('finds room in the holes of another part by that part’s own beads', () => {
    const path = new Weave({ room: () => 9 });
    const narrow = path.scope('narrow', { room: (role) => (role === 'B' ? 1 : 9) });
    const beads = narrow.needle('n').begin('none').string(['A', 'B']);
    expect(beads.map((bead) => path.room(bead))).toEqual([9, 1]);
  });

  it('is joined to another by what its edges say: a band of right-angle weave to two sides of a square of it', () => {
    const raw = at(
      STRUCTURES.filter(({ id }) => id === 'right-angle-weave'),
      0,
    );
    const path = new Weave();
    const top = raw.bind({ ...raw.defaults, rows: 3 }).weaveInto(path, 'top', 3, OPEN);
    const band = raw.bind(raw.defaults).weaveInto(path, 'band', 12, OPEN);
    const middle = (edge: Edge) => ({ posts: [edge.alone ?? at(edge.posts, 0)] });
    for (const [name, other] of [
      ['start', 'end'],
      ['end', 'start'],
    ] as const) {
      const t = band.w.needle(`join ${name}`).begin('none');
      const edges = [middle(band.edges[name]), middle(top.edges[other])] as const;
      joinBetween(band.w, t, name, edges, { across: ['A'], back: ['A'], rounds: 1 });
    }
    const whole = path.path();
    expect(checkPath(whole)).toEqual([]);
    const joins = whole.beads.filter(({ place }) => place.section.zone === 'joint');
    expect(joins.map(({ role }) => role)).toEqual(['band/A', 'band/A', 'band/A', 'band/A']);
    // Thread leads from the band into the square and out of it again at either side.
    const crossings = follow(whole).filter(
      ({ move, from }) =>
        isTraversal(move) &&
        from?.at === 'hole' &&
        from.bead.place.section.part !== move.bead.place.section.part,
    );
    expect(crossings).toHaveLength(4);
  });
});
