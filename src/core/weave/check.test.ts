import { describe, expect, it } from 'vitest';
import { seeded } from '../layout/solver/random';
import { BEADS, byId } from '../materials/catalogue';
import { capsule, herringbone, ladder, REPEATING, rightAngleRing, strung } from '../testing/paths';
import { STRUCTURES } from '../structures/registry';
import { Weave } from './builder';
import { hole, outOf } from './needle';
import { checkGrowth, checkMeetings, checkPath, checkRounds, type Fault } from './check';
import { isTraversal, otherEnd, WOVEN, wovenOf, type Move, type Path, type Section } from './path';
import { ends } from '../testing/woven';

const codes = (faults: readonly Fault[]) => faults.map((fault) => fault.code);
const withMove = (path: Path, index: number, move: Move): Path => ({
  ...path,
  moves: path.moves.map((m, i) => (i === index ? move : m)),
});

/** Moves through beads of the middle half of each section that repeats. */
function middleMoves(path: Path): number[] {
  const most = new Map<Section, number>();
  for (const { place } of path.moves)
    most.set(place.section, Math.max(most.get(place.section) ?? 0, place.unit));
  return path.moves.flatMap((move, i) => {
    const units = (most.get(move.place.section) ?? 0) + 1;
    const inMiddle = move.place.unit >= units / 4 && move.place.unit < (3 * units) / 4;
    return isTraversal(move) && units >= 4 && inMiddle ? [i] : [];
  });
}

const planted = [
  ...REPEATING.map(({ name, build }) => [name, build(16)] as const),
  ...STRUCTURES.map((s) => [s.name, s.bind(s.defaults).weave(16, ends)] as const),
];

describe.each(planted)('%s', (_, path) => {
  it('has no fault as it is written', () => expect(checkPath(path)).toEqual([]));

  it('with one wrong direction planted in its middle: at least 99 of 100 are found', () => {
    const random = seeded(11);
    const places = middleMoves(path);
    let found = 0;
    for (let trial = 0; trial < 100; trial++) {
      const index = places[Math.floor(random() * places.length)] as number;
      const move = path.moves[index] as Move;
      if (!isTraversal(move)) throw new Error('not a traversal');
      if (checkPath(withMove(path, index, { ...move, enter: otherEnd(move.enter) })).length > 0) found++;
    }
    expect(found).toBeGreaterThanOrEqual(99);
  });

  it('with one bead role changed in its middle, every one is found', () => {
    for (const index of middleMoves(path)) {
      const move = path.moves[index] as Move;
      if (move.kind !== 'pick') continue;
      const changed = withMove(path, index, { ...move, bead: { ...move.bead, role: 'wrong' } });
      expect(checkPath(changed), `move ${index}`).not.toEqual([]);
    }
  });
});

describe('beads that grow with the count', () => {
  it.each(REPEATING.filter(({ name }) => name !== 'rosette'))('stand in the units that grow: $name', (f) => {
    expect(checkGrowth(f.build(f.fewest + 9), f.build(f.fewest + 12))).toEqual([]);
  });

  it.each(STRUCTURES.map((s) => [s.name, s] as const))('stand in the units that grow: %s', (_, s) => {
    const weaveable = s.bind(s.defaults);
    expect(checkGrowth(weaveable.weave(9, ends), weaveable.weave(12, ends))).toEqual([]);
  });

  it('are named where they do not', () => {
    const edged = (n: number) => {
      const w = new Weave();
      const t = w.needle('working');
      w.repeat(0, n, null, () => (t.string(['A']), null));
      w.in({ section: wovenOf('edge'), row: 0 }, () => t.string(Array<string>(n).fill('B')));
      return w.path();
    };
    expect(checkGrowth(edged(9), edged(12))).toEqual([
      { code: 'grows-outside-repeat', section: wovenOf('edge'), unit: 0, before: 9, after: 12 },
    ]);
  });
});

describe('each fault is named', () => {
  const write = (work: (w: Weave, t: ReturnType<Weave['needle']>) => void, options = {}) => {
    const w = new Weave(options);
    work(w, w.needle('working').begin('none'));
    return checkPath(w.path());
  };

  it('a hole that a bead does not have', () => {
    const faults = write((_, t) => {
      const { tile } = t.pick({ tile: 'T' });
      t.pick({ seed: 'S' });
      t.through(hole(tile, 1));
    });
    expect(faults).toMatchObject([{ code: 'no-such-hole', of: 'T', hole: 1, holes: 1 }]);
  });

  it('but not where the bead has it', () =>
    expect(
      write((_, t) => void t.through(hole(t.pick({ tile: 'T', seed: 'S' }).tile, 1)), { holes: { T: 2 } }),
    ).toEqual([]));

  it('a hole that a finding does not have', () =>
    expect(write((w, t) => void t.attach(w.finding('bar', 2), 2))).toMatchObject([
      { code: 'no-such-hole', of: 'bar', holes: 2 },
    ]));

  it('a bead of another piece, or one not yet strung', () => {
    const other = new Weave().needle('other').pick({ stray: 'A' });
    expect(codes(write((_, t) => void t.through(other.stray)))).toEqual(['not-in-the-work']);
  });

  it('turning back through the hole just left, with nothing to go round', () => {
    expect(codes(write((_, t) => void t.back(t.pick({ a: 'A' }).a)))).toEqual(['turns-back']);
    expect(codes(write((_, t) => void t.through(t.pick({ a: 'A' }).a)))).toEqual(['leaps-over']);
    const round = write((_, t) => {
      const { a } = t.pick({ a: 'A' });
      t.around(a).through(a);
    });
    expect(codes(round)).toEqual([]);
    const under = write((_, t) => {
      const { a, b, c } = t.pick({ a: 'A', b: 'A', c: 'B' });
      t.under(a, b).back(c);
    });
    expect(under).toEqual([]);
  });

  it('what stands still or leaves only a knot leads the thread round nothing; what leads it on does', () => {
    /** Out of a bead, some move, and back into it by the end it came out of. */
    const backAfter = (
      move: (w: Weave, t: ReturnType<Weave['needle']>, beads: ReturnType<typeof pick>) => Partial<Move>,
    ) => {
      const w = new Weave();
      const t = w.needle('working').begin('none');
      const beads = pick(t);
      t.back(beads.c);
      const path = w.path();
      const last = path.moves.at(-1) as Move;
      const between = { needle: last.needle, place: last.place, ...move(w, t, beads) } as Move;
      return codes(checkPath({ ...path, moves: [...path.moves.slice(0, -1), between, last] }));
    };
    const pick = (t: ReturnType<Weave['needle']>) => t.pick({ a: 'A', b: 'A', c: 'A' });
    const stand: readonly Parameters<typeof backAfter>[0][] = [
      (_, __, { a }) => ({ kind: 'skip', bead: a }),
      () => ({ kind: 'turn', how: 'over' }),
      () => ({ kind: 'release' }),
    ];
    for (const move of stand) expect(backAfter(move)).toEqual(['turns-back']);
    expect(backAfter((_, __, { c }) => ({ kind: 'enclose', bead: { ...c, id: 99 } }))).toContain(
      'turns-back',
    );
    const lead: readonly Parameters<typeof backAfter>[0][] = [
      (w) => ({ kind: 'attach', finding: w.finding('bar', 1), hole: 0 }),
      (_, __, { a, b }) => ({ kind: 'between', beads: [a, b] }),
      (_, __, { a }) => ({ kind: 'around', bead: a }),
      () => ({ kind: 'knot', knot: 'half hitch', into: null }),
    ];
    for (const move of lead) expect(backAfter(move)).toEqual([]);
  });

  it('a bridge that is not there', () => {
    const path = ladder(4);
    const first = path.beads[0];
    const last = path.beads[3];
    if (!first || !last) throw new Error();
    const bridge = {
      from: { bead: first, hole: 0, end: 0 },
      to: { bead: last, hole: 0, end: 0 },
    } as const;
    const under: Move = { kind: 'under', needle: 'working', place: last.place, bridge };
    expect(codes(checkPath({ ...path, moves: [...path.moves, under] }))).toContain('no-such-bridge');
  });

  it('a stone set in twice', () => {
    const path = capsule(8);
    const again = path.moves.find((m) => m.kind === 'enclose') as Move;
    expect(codes(checkPath({ ...path, moves: [...path.moves, again] }))).toEqual(['strung-twice']);
  });

  it('two edges of unequal count; none where they agree', () => {
    expect(checkPath(capsule(8))).toEqual([]);
    expect(checkPath(capsule(8, 1))).toMatchObject([{ code: 'zip-unequal', counts: [8, 7] }]);
  });

  it('a cell unlike its neighbours, by its number', () => {
    const path = strung(9, ['A', 'B']);
    const index = path.moves.findIndex((m) => m.place.unit === 4 && m.kind === 'pick');
    const move = path.moves[index] as Extract<Move, { kind: 'pick' }>;
    const missing = { ...path, moves: path.moves.filter((m) => m !== move) };
    expect(checkPath(missing)).toMatchObject([{ code: 'cell-unlike', section: WOVEN, unit: 4, period: 1 }]);
  });

  it('a ring that closes is no fault, of even and of odd count', () => {
    expect(checkPath(rightAngleRing(8))).toEqual([]);
    expect(checkPath(rightAngleRing(9))).toEqual([]);
  });
});

describe('what needs sizes', () => {
  const seed = byId(BEADS, 'seed-11');

  it('ends that cannot meet: a pass that skips to a far row', () => {
    const path = herringbone(8);
    const layout = {
      body: () => seed,
      findings: [],
      poses: path.beads.map(({ name, place }) => ({
        centre: [place.row * seed.lengthMm, name === 'left' ? 0 : seed.diameterMm, 0] as const,
        axis: [name === 'left' ? 1 : -1, 0, 0] as const,
      })),
    };
    expect(checkMeetings(path, layout)).toEqual([]);
    const index = path.moves.findIndex((m) => m.place.row === 5 && m.kind === 'pass');
    const move = path.moves[index] as Extract<Move, { kind: 'pass' }>;
    const far = path.beads[0];
    if (!far) throw new Error();
    const faults = checkMeetings(withMove(path, index, { ...move, bead: far }), layout);
    expect(codes(faults)).toContain('ends-cannot-meet');
  });

  it('measures a pass through a second hole from that hole', () => {
    const w = new Weave({ holes: { T: 2 } });
    const t = w.needle('working').begin('none');
    const { tile } = t.pick({ tile: 'T' });
    t.through(hole(t.pick({ other: 'T' }).other, 1));
    const body = { lengthMm: 1, diameterMm: 1, holes: 2, apartMm: 20 };
    const layout = (x: number) => ({
      body: () => body,
      findings: [],
      poses: [0, x].map((at) => ({ centre: [at, 0, 0] as const, axis: [1, 0, 0] as const })),
    });
    // From the one hole to the other of the same bead are 20 mm, far more than two beads of 1 mm allow.
    expect(tile.id).toBe(0);
    expect(codes(checkMeetings(w.path(), layout(1)))).toEqual(['ends-cannot-meet']);
    expect(checkMeetings(w.path(), { ...layout(1), body: () => ({ ...body, apartMm: 1 }) })).toEqual([]);
  });

  it('geometry: a flat round lies 2π further out for each bead’s thickness, so 6 more seeds of equal sides', () => {
    const cube = { lengthMm: 2, diameterMm: 2 };
    const rounds = (...counts: number[]) => {
      const w = new Weave();
      const t = w.needle('working');
      counts.forEach((count, i) =>
        w.round(`round ${i + 1}`, count, () => t.pick({ bead: 'A' }), { liesAlong: true }),
      );
      return checkRounds(w.path(), () => cube);
    };
    expect(rounds(12, 18, 24, 31)).toEqual([]);
    expect(rounds(12, 12)).toMatchObject([
      { code: 'round-does-not-fit', section: wovenOf('round 2'), hasMm: 24, effect: 'cups' },
    ]);
    expect(rounds(12, 24)).toMatchObject([{ effect: 'ruffles' }]);
    // A round lies as far out as its thickest bead makes it, whatever else is in it.
    const mixed = new Weave();
    const needle = mixed.needle('working');
    mixed.round('round 1', 12, () => needle.pick({ bead: 'A' }), { liesAlong: true });
    mixed.round('round 2', 9, () => needle.pick({ thin: 'A', thick: 'B' }), { liesAlong: true });
    const sizes = (role: string) => (role === 'A' ? cube : { lengthMm: 2, diameterMm: 4 });
    // Radius 24 / 2π, then (2 + 4) / 2 further out: 24 + 6π mm round, and 36 mm of beads.
    expect(checkRounds(mixed.path(), sizes)).toMatchObject([
      { hasMm: 36, needsMm: expect.closeTo(24 + 6 * Math.PI, 6), effect: 'cups' },
    ]);
    // One more bead a round outgrows its rule slowly: too few from the second on.
    expect(codes(rounds(12, 13))).toEqual(['round-does-not-fit']);
  });
});

it('a route that is written wrong is refused when it is written', () => {
  const w = new Weave();
  const t = w.needle('working');
  const { a } = t.pick({ a: 'A' });
  const { b } = w.needle('other').pick({ b: 'A' });
  expect(() => t.travel(outOf(b))).toThrow(/no hidden way/i);
  // Where the thread comes out already, there is nowhere to go.
  t.travel(outOf(a));
  expect(w.path().moves).toHaveLength(2);
});
