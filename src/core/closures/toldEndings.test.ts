// How ends are begun and finished: each clasp, each thread and each school of stop bead in its own words, on the path too.
import { describe, expect, it } from 'vitest';
import { byId, CLASPS, THREADS } from '../materials/catalogue';
import { makeOf, type ThreadMake } from '../materials/material';
import { NEW_THREAD } from '../joints/newThread';
import { newPart } from '../piece/newPiece';
import type { PartOfPiece } from '../piece/partOfPiece';
import { planPart } from '../plan/plan';
import type { Plan } from '../plan/planned';
import { planSteps } from '../plan/steps';
import { findingPasses, holeUses } from '../read/traversals';
import { STRUCTURES } from '../structures/registry';
import { at } from '../structures/structure';
import { strandsOf } from '../testing/woven';
import { checkPath } from '../weave/check';
import { isTraversal, STOP_BEADS } from '../weave/path';

function planned(id: string, change: Partial<PartOfPiece> = {}): Plan {
  const plan = planPart({ ...newPart('Ends', id, null), units: 8, ...change });
  if (!plan.ok) throw new Error(plan.problem.code);
  return plan;
}
const closedBy = (id: string, clasp: string): Plan => {
  const { ends } = newPart('Ends', id, null);
  return planned(id, { ends: { ...ends, clasp: byId(CLASPS, clasp) } });
};
const words = (plan: Plan): string =>
  planSteps(plan)
    .flatMap(({ info, steps }) => [...steps.map(({ text }) => text), info.why ?? ''])
    .join(' ');
const knots = (plan: Plan) => plan.work().path.moves.flatMap((move) => (move.kind === 'knot' ? [move] : []));

describe('what closes it is called by its name', () => {
  it.each([
    ['toggle-12', 'through the ring of the toggle at the start', 'through the bar of the toggle at the end'],
    ['bead-tips', 'through the bead tip at the start', 'through the bead tip at the end'],
    ['end-bars', 'through the end bar at the start', 'through the end bar at the end'],
    ['ball-6', 'through the ball at the start', 'Try the loop over the ball'],
    ['lobster-12', 'through the clasp at the start', 'through the clasp at the end'],
  ])('%s', (clasp, ...said) => {
    for (const id of ['flat-peyote', 'cross-weave', 'strung-line']) {
      const told = words(closedBy(id, clasp));
      for (const phrase of said) expect(told).toContain(phrase);
    }
  });

  it('a crimp is gone through to the clasp and back, once; pressed, it can cut soft thread', () => {
    for (const id of ['flat-peyote', 'strung-line', 'tubular-peyote']) {
      const plan = closedBy(id, 'crimps');
      const { path } = plan.work();
      expect(checkPath(path)).toEqual([]);
      const attached = path.moves.flatMap((move) =>
        move.kind === 'attach' ? [`${move.finding.name} ${move.hole}`] : [],
      );
      expect(attached.sort()).toEqual([
        'clasp at the end 0',
        'clasp at the start 0',
        'crimp at the end 0',
        'crimp at the end 1',
        'crimp at the start 0',
        'crimp at the start 1',
      ]);
      expect(words(plan)).toMatch(
        /go through the crimp at the end, then go through the clasp at the end, then go back through the crimp at the end/i,
      );
      expect(plan.closure.allowanceMm).toBeCloseTo(2 + 10 + 2 + 4, 9);
      const said = ({ warnings }: Plan) =>
        warnings.map((one) => (one.code === 'thread' ? one.doubt.code : one.code));
      expect(said(plan)).toContain('crimp-and-soft');
      expect(said(plan)).not.toContain('one-pass-through-clasp');
      const { ends } = newPart('Ends', id, null);
      const crimped = { ...ends, clasp: byId(CLASPS, 'crimps') };
      const cord = { thread: byId(THREADS, 'monofilament-0.25') };
      expect(said(planned(id, { ends: crimped, ...cord }))).not.toContain('crimp-and-soft');
      expect(said(closedBy(id, 'bead-tips'))).not.toContain('crimp-and-soft');
    }
  });

  it('in a bead tip lies a seed with its knot, and thread goes back out of the shell; it takes nothing of the length', () => {
    for (const id of ['flat-peyote', 'right-angle-weave', 'cross-weave', 'ladder']) {
      const [tips, bars] = [closedBy(id, 'bead-tips'), closedBy(id, 'end-bars')];
      const seeds = tips.quantities.find(({ role }) => role === 'loop')?.total ?? 0;
      expect(seeds).toBe(2);
      expect(bars.quantities.find(({ role }) => role === 'loop')?.total ?? 0).toBe(0);
      expect(tips.closure.loopsMm).toBe(0);
      expect(checkPath(tips.work().path)).toEqual([]);
      // As many threads go through a tip as were chosen: out and back is one time.
      expect([...findingPasses(tips.work().path).values()]).toEqual([2, 2]);
      expect(knots(tips).filter(({ knot }) => knot === 'overhand')).toHaveLength(2);
      expect(words(tips)).toContain('make an overhand knot');
    }
  });
});

describe('a change of thread', () => {
  it('of cord is knotted, for no hitch holds on it, and takes no needle', () => {
    const cord = at(
      THREADS.filter((thread) => makeOf(thread) === 'monofilament'),
      0,
    );
    const threadChanges = [{ needle: 'working', pass: 'base', unit: 3 }];
    const plan = planned('strung-line', { thread: cord, threadChanges });
    const made = plan.work().path.moves.filter(({ place }) => place.pass === NEW_THREAD);
    expect(made.flatMap((move) => (move.kind === 'knot' ? [move.knot] : []))).toContain('overhand');
    expect(knots(plan).map(({ knot }) => knot)).not.toContain('half hitch');
    expect(words(plan)).toContain('take up the next length');
    expect(words(plan)).not.toMatch(/needle/);
  });
});

describe('finished as its thread is (common practice; glue and flame are cautioned of)', () => {
  const inThread = (make: ThreadMake, id: string) =>
    planned(id, {
      thread: at(
        THREADS.filter((thread) => makeOf(thread) === make),
        0,
      ),
    });
  it.each([
    ['gel-spun', /half hitch and pull it into the bead.*trim it away from any knot/],
    ['waxed nylon', /half hitch.*or melt its end/],
    ['monofilament', /square knot, and put a drop of glue on it.*trim the rest of this cord/],
    ['elastic', /square knot with one more turn while it is stretched.*trim the rest of this elastic/],
  ] as const)('%s', (make, said) => {
    for (const id of ['strung-line', 'cross-weave']) {
      const plan = inThread(make, id);
      expect(words(plan)).toMatch(said);
      const hitches = knots(plan).filter(
        ({ knot, place }) => knot === 'half hitch' && place.section.zone === 'finish',
      );
      expect(hitches.length > 0).toBe(make === 'gel-spun' || make === 'waxed nylon');
    }
  });
  it('a needle is threaded where one carries the thread, on each end of a cord, and one of the two is marked', () => {
    expect(words(inThread('gel-spun', 'strung-line'))).toContain('Thread the needle.');
    expect(words(inThread('elastic', 'strung-line'))).not.toMatch(/needle/);
    expect(words(inThread('gel-spun', 'cross-weave'))).toContain(
      'a needle on each end of the thread, and mark one',
    );
    const cord = words(inThread('monofilament', 'cross-weave'));
    expect(cord).toContain('Mark one end of the cord');
    expect(cord).not.toMatch(/needle/);
    expect(words(planned('strung-line', { doubled: true }))).toContain('both ends of the thread together');
  });
});

describe.each(STRUCTURES.map((structure) => [structure.id, structure] as const))('%s', (id, structure) => {
  it('says whether it is begun with a stop bead, whose school then tells', () => {
    const begun = STOP_BEADS.map((stop) => planned(id, { stop }));
    const stops = begun.map((plan) =>
      plan.weaveable.pathless
        ? []
        : plan
            .work()
            .path.moves.flatMap((move) => (move.kind === 'begin' ? [move.stop] : []))
            .slice(0, 1),
    );
    if (!structure.stopBead) {
      expect(new Set(stops.flat())).not.toContain('foreign');
      return;
    }
    expect(stops).toEqual(STOP_BEADS.map((stop) => [stop]));
    const [foreign, pattern, none] = begun.map((plan) => plan.work().path);
    const kinds = (path = none) => new Set(path?.moves.map(({ kind }) => kind));
    expect([foreign, pattern, none].map((path) => kinds(path).has('release'))).toEqual([true, false, false]);
    // The first bead is gone through once more, round its outside; all else is as without.
    if (!pattern || !none) throw new Error('No path.');
    const trips = (path: typeof none) => holeUses(path).reduce((sum, use) => sum + use.traversals, 0);
    const strands = strandsOf((begun[0] as Plan).weaveable);
    expect(trips(pattern)).toBe(trips(none) + strands);
    expect(pattern.moves.filter(({ kind }) => kind === 'around').length).toBe(
      none.moves.filter(({ kind }) => kind === 'around').length + strands,
    );
  });

  it('is turned over at the end of each row where its rows go to and fro, and is otherwise the same work', () => {
    const [still, turned] = [false, true].map((turning) => planned(id, { turning }));
    if (!still || !turned || still.weaveable.pathless) return;
    const [a, b] = [still.work().path.moves, turned.work().path.moves];
    const turns = b.filter(({ kind }) => kind === 'turn').length;
    expect(turns > 0).toBe(structure.turnsRows?.(structure.defaults) ?? false);
    const through = (moves: typeof a) =>
      moves.filter(isTraversal).map(({ bead, hole, enter }) => [bead.id, hole, enter].join());
    expect(through(b)).toEqual(through(a));
    if (turns > 0) expect(checkPath(turned.work().path)).toEqual([]);
  });
});

it('a tube is drawn shut where something hangs in its middle, once round, and need not be', () => {
  const [drawn, left] = [
    planned('tubular-peyote'),
    planned('tubular-peyote', { without: ['ends drawn shut'] }),
  ];
  const shut = (plan: Plan) =>
    plan
      .work()
      .path.moves.filter(({ place }) => place.pass === 'ends drawn shut')
      .filter(isTraversal);
  const round = Number(newPart('x', 'tubular-peyote', null).structure.params['around']) / 2;
  expect(shut(drawn)).toHaveLength(2 * round);
  expect(new Set(shut(drawn).map(({ bead }) => bead.id)).size).toBe(2 * round);
  expect(shut(left)).toHaveLength(0);
  expect(words(left)).not.toMatch(/drawn shut|Pull until/);
  expect(planSteps(left).map(({ pass }) => pass)).not.toContain('go to where it is drawn shut');
  expect(drawn.optionalPasses.map(({ name }) => name)).toContain('ends drawn shut');
  expect(words(drawn)).toContain('Pull until the opening closes');
});
