import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { inStitch } from '../testing/planned';
import { BEADS, byId } from '../materials/catalogue';
import { threadMoves } from '../read/thread';
import { NEW_THREAD } from '../joints/newThread';
import { USUAL_SETTINGS } from '../records/settings';
import { joinedRings } from '../testing/paths';
import { STRUCTURES } from '../structures/registry';
import { Weave } from '../weave/builder';
import { follow } from '../weave/follow';
import { isTraversal, TAIL, WOVEN, jointOf, sectionKey, wovenOf, type Bead, type Path } from '../weave/path';
import { stretches, type Stretch } from './stretches';
import { cutLines } from './cutting';
import { needs } from './needs';
import { divide, END_MM, placesToChange, reach, threadPlan } from './threadPlan';

describe('thread, stretch by stretch', () => {
  const counted = STRUCTURES.filter(({ bind, defaults }) => !bind(defaults).arrangement).map(
    ({ id }) => [id] as const,
  );

  it.each(counted)('of %s is the same read off a short piece as off the whole', (id) => {
    for (const units of [61, 90]) {
      const plan = inStitch(id, { units });
      const { path: changed, layout } = plan.work();
      // Where it is changed, and what that takes, is told of all that is laid.
      const path = { ...changed, moves: changed.moves.filter(({ place }) => place.pass !== NEW_THREAD) };
      const whole = (needle: string) =>
        stretches({ kind: 'whole', at: { path, units } }, () => threadMoves(path, layout), needle);
      for (const { needle, stretches: told } of plan.thread.divisions) {
        // Units are counted along the woven part only.
        const words = ({ section, pass, unit }: Stretch) =>
          section === WOVEN ? `${pass}, unit ${unit}` : `${sectionKey(section)}, ${pass}`;
        expect(told.map(words)).toEqual(whole(needle).map(words));
        whole(needle).forEach(({ mm, section }, i) => {
          // How far a loop lies from a tube’s edge changes with its turn.
          if (section === WOVEN) expect(told[i]?.mm).toBeCloseTo(mm, 3);
        });
        expect(told.filter(({ section }) => section === WOVEN).length).toBeGreaterThan(0);
      }
    }
  });

  it.each(counted)(
    'of %s: lengths cover the work exactly once, and what is cut is work, spare and ends',
    (id) => {
      const plan = inStitch(id, { units: 120 });
      const { thread } = plan;
      for (const { cuts, stretches: told } of thread.divisions) {
        expect(cuts.flatMap(({ from, to }) => Array.from({ length: to - from }, (_, k) => from + k))).toEqual(
          told.map((_, i) => i),
        );
      }
      const { inWorkMm, marginMm, endsMm, totalMm, cutsMm } = thread;
      expect(cutsMm.reduce((sum, mm) => sum + mm, 0)).toBeCloseTo(totalMm, 6);
      expect(inWorkMm + marginMm + endsMm).toBeCloseTo(totalMm, 6);
      expect(endsMm / (2 * END_MM)).toBeCloseTo(
        // Two needles of one thread share its middle.
        thread.divisions.reduce((ends, { cuts }) => ends + cuts.length, 0) -
          (thread.divisions.length - plan.work().path.threads.length),
        3,
      );
    },
  );

  it.each(counted)('of %s is never changed at a clasp, in the start or within a repeat', (id) => {
    const { divisions } = inStitch(id, { units: 120 }).thread;
    for (const { changes, stretches: told } of divisions)
      for (const { at } of changes) {
        expect([told[at - 1]?.section, told[at]?.section]).toEqual([WOVEN, WOVEN]);
        expect(told[at - 1]?.pass).not.toBe('start');
        expect(`${told[at - 1]?.pass} ${told[at - 1]?.unit}`).not.toBe(`${told[at]?.pass} ${told[at]?.unit}`);
      }
  });
});

describe('where thread can be changed, by hand', () => {
  const stretch = (pass: string, unit: number, section = WOVEN) => ({
    needle: 'working',
    section,
    pass,
    unit,
    mm: 10,
    last: null,
  });
  const places = (...all: ReturnType<typeof stretch>[]) =>
    placesToChange({ stretches: all, hasRoom: () => true });

  it('between two units of the weave: not inside the start, nor between it and the first unit', () => {
    expect(places(stretch('start', 0), stretch('start', 1), stretch('base', 0), stretch('base', 1))).toEqual([
      3,
    ]);
  });

  it('from one pass to the next there is a place, beside a clasp there is none', () => {
    expect(
      places(
        stretch('sew on the clasp', 0, jointOf('start')),
        stretch('base', 0),
        stretch('base', 1),
        stretch('edging', 1),
        stretch('sew on the clasp', 0, jointOf('end')),
      ),
    ).toEqual([2, 3]);
  });

  it('a length ends as late as it may, and no longer than is handy', () => {
    const stretches = [0, 1, 2, 3].map((unit) => stretch('base', unit));
    const cutting = { handyMm: 42, margin: 0.1, headMm: 5, endMm: 4, wanted: null, whole: false };
    const { cuts, changes, tooLong } = divide({ stretches, hasRoom: () => true }, cutting);
    // Two units with a tenth to spare, the tail before them and an end behind: 22 + 5 + 4; the rest 22 + 4 + 4.
    expect(cuts.map(({ from, to, mm }) => [from, to, Math.round(mm * 10) / 10])).toEqual([
      [0, 2, 31],
      [2, 4, 30],
    ]);
    expect(changes).toEqual([{ after: { needle: 'working', pass: 'base', unit: 1 }, at: 2, crowded: false }]);
    expect(tooLong).toBe(false);
    expect(divide({ stretches, hasRoom: () => true }, { ...cutting, whole: true })).toMatchObject({
      changes: [],
      tooLong: true,
    });
  });
});

describe('where thread is changed', () => {
  const laid = (mm: readonly number[], room: (i: number) => boolean = () => true) => ({
    stretches: mm.map((length, unit): Stretch => ({
      needle: 'working',
      section: WOVEN,
      pass: 'base',
      unit,
      mm: length,
      last: null,
    })),
    hasRoom: ({ unit }: Stretch) => room(unit),
  });
  const cutting = { handyMm: 1000, margin: 0.1, headMm: 200, endMm: 110, wanted: null, whole: false };

  /** Every way to share so many stretches out, to be compared with. */
  function* ways(count: number): Generator<number[]> {
    for (let bits = 0; bits < 2 ** (count - 1); bits++)
      yield Array.from({ length: count - 1 }, (_, i) => i + 1).filter((i) => (bits >> (i - 1)) & 1);
  }

  it('fewest lengths, then the shortest longest, then the latest changes: as good as every other way (tried out)', () => {
    fc.assert(
      fc.property(fc.array(fc.integer({ min: 60, max: 420 }), { minLength: 2, maxLength: 9 }), (mm) => {
        const cost = (at: readonly number[]) =>
          [...at, mm.length].map((to, k) => {
            const from = at[k - 1] ?? 0;
            const work = mm.slice(from, to).reduce((sum, one) => sum + one, 0);
            return work * 1.1 + (from === 0 ? 200 : 110) + 110;
          });
        const handy = [...ways(mm.length)].filter((at) => Math.max(...cost(at)) <= 1000);
        const found = divide(laid(mm), cutting).changes.map(({ at }) => at);
        const fewest = Math.min(...handy.map((at) => at.length));
        const few = handy.filter((at) => at.length === fewest);
        const shortest = Math.min(...few.map((at) => Math.max(...cost(at))));
        const alike = few.filter((at) => Math.max(...cost(at)) < shortest + 0.02);
        const latest = alike.reduce((a, b) =>
          a.join('.').localeCompare(b.join('.'), 'en', { numeric: true }) > 0 ? a : b,
        );
        expect(found).toEqual(latest);
      }),
      { numRuns: 200, seed: 11 },
    );
  });

  it('keeps out of holes that are full, where there are others; and says so where there are not', () => {
    const even = laid([300, 300, 300, 300, 300], (unit) => unit % 2 === 0);
    for (const { after, crowded } of divide(even, cutting).changes) {
      expect(after.unit % 2).toBe(0);
      expect(crowded).toBe(false);
    }
    const full = divide(
      laid([300, 300, 300, 300], () => false),
      cutting,
    );
    expect(full.changes.every(({ crowded }) => crowded)).toBe(true);
    expect(full.tooLong).toBe(false);
  });

  it('a unit that takes more than is handy is cut by itself, and said to be too long', () => {
    expect(divide(laid([100, 1500, 100]), cutting)).toMatchObject({ tooLong: true });
  });

  it('the maker changes where she likes, and sees what it costs', () => {
    const best = divide(laid([300, 300, 300, 300]), cutting);
    const own = divide(laid([300, 300, 300, 300]), {
      ...cutting,
      wanted: [{ needle: 'working', pass: 'base', unit: 0 }],
    });
    expect(own.changes.map(({ after }) => after.unit)).toEqual([0]);
    expect(own.tooLong).toBe(true);
    expect(Math.max(...own.cuts.map(({ mm }) => mm))).toBeGreaterThan(
      Math.max(...best.cuts.map(({ mm }) => mm)),
    );
  });

  it('a change after a unit that is there no more leaves it to the plan again', () => {
    const best = divide(laid([300, 300, 300, 300]), cutting);
    const wanted = [{ needle: 'working', pass: 'base', unit: 17 }];
    expect(divide(laid([300, 300, 300, 300]), { ...cutting, wanted })).toEqual(best);
  });

  it('“with 1.5 m on the needle you reach unit …”: no further than that takes, and not one unit less', () => {
    fc.assert(
      fc.property(
        fc.array(fc.integer({ min: 40, max: 300 }), { minLength: 3, maxLength: 40 }),
        fc.integer({ min: 150, max: 4000 }),
        (mm, haveMm) => {
          const { stopAfter, reachesTheEnd } = reach(laid(mm), { margin: 0.1, from: 0, haveMm });
          const needs = (units: number) =>
            mm.slice(0, units).reduce((sum, one) => sum + one, 0) * 1.1 + END_MM;
          if (reachesTheEnd) expect(needs(mm.length)).toBeLessThanOrEqual(haveMm + 1e-6);
          else {
            const units = stopAfter ? stopAfter.unit + 1 : 0;
            if (units > 0) expect(needs(units)).toBeLessThanOrEqual(haveMm + 1e-6);
            expect(needs(units + 1)).toBeGreaterThan(haveMm - 1e-6);
          }
        },
      ),
    );
  });

  it('there is a place between any two units of the woven part, and none beside a loop', () => {
    expect(placesToChange(laid([1, 1, 1]))).toEqual([1, 2]);
  });
});

/**
 * Thread of closed work whose beads touch all along: what lies in the holes. Bare thread between touching beads is next
 * to nothing, so this is the least that it takes.
 */
const inHoles = (path: Path, lengthMm: Record<string, number>): number =>
  path.moves.reduce((sum, move) => sum + (isTraversal(move) ? (lengthMm[move.bead.role] ?? 0) : 0), 0);

describe('structures that nothing makes yet, as fixtures', () => {
  it('practice: a spiral of 13 units, closed to a ring and reinforced, on 0.9 to 1.83 m; closing adds the last loop', () => {
    const w = new Weave();
    const t = w.needle('working').begin('none');
    const seeds = (n: number) => Array<string>(n).fill('S');
    const loops: Bead[][] = [];
    const cores: Bead[][] = [t.string(['C', 'S'])];
    for (let unit = 1; unit < 13; unit++) {
      const core = t.string(['C', 'S']);
      const loop = t.string([...seeds(6), 'B', ...seeds(6)]);
      t.through(...core);
      cores.push(core);
      loops.push(loop);
    }
    t.close(...(cores[0] ?? []));
    loops.push(t.string([...seeds(6), 'B', ...seeds(6)]));
    t.through(...(cores[0] ?? []));
    loops.forEach((loop, i) => t.reinforce(...loop, ...(cores[(i + 1) % 13] ?? [])));
    const path = w.path();
    expect(loops).toHaveLength(13);
    // 6 mm along the core bead; seeds 11/0 and a ball of 3 mm from the tables.
    const mm = inHoles(path, { C: 6, S: byId(BEADS, 'seed-11').lengthMm, B: 3 }) + 2 * END_MM;
    expect(mm / 1000).toBeGreaterThan(0.9);
    expect(mm / 1000).toBeLessThan(1.83);
  });

  it('practice: a flat motif of 136 seeds in four rounds from a ring of 16, on at most 0.85 m', () => {
    const w = new Weave();
    const t = w.needle('working').begin('none');
    const ring = t.string(Array<string>(16).fill('S'));
    t.close(...ring.slice(0, 1));
    let tips = ring.filter((_, i) => i % 2 === 0);
    for (const more of [3, 5, 7])
      tips = tips.map((_, i) => {
        const loop = t.string(Array<string>(more).fill('S'));
        t.through(tips[(i + 1) % tips.length] as Bead);
        return loop[(more - 1) / 2] as Bead;
      });
    const path = w.path();
    expect(path.beads).toHaveLength(136);
    // Between rounds the needle climbs to the tip of the first loop: half a loop each time.
    const climbs = (1.5 + 2.5 + 3.5) * byId(BEADS, 'seed-11').lengthMm;
    const mm = inHoles(path, { S: byId(BEADS, 'seed-11').lengthMm }) + climbs + 2 * END_MM;
    expect(mm / 1000).toBeLessThan(0.85);
    expect(mm / 1000).toBeGreaterThan(0.3);
  });

  it('components are cut for one by one, and never changed inside; what joins them goes with the thread that does it', () => {
    const path = joinedRings(3);
    // A hole of 2 mm, and nothing between beads that touch.
    const moves = follow(path).map((trip) => ({
      move: trip.move,
      trip,
      holeMm: isTraversal(trip.move) ? 2 : 0,
      gapMm: 0,
      strands: 1,
      through: null,
      span: null,
    }));
    const needles = ['thread 1', 'thread 2', 'thread 3'].map((needle) => ({
      needle,
      of: null,
      stretches: stretches({ kind: 'whole', at: { path, units: 1 } }, () => moves, needle),
      hasRoom: () => true,
    }));
    const inWorkMm = moves.reduce((sum, { holeMm }) => sum + holeMm, 0);
    const question = {
      threads: needles.map((arm) => ({ arms: [arm], tailSewsMm: 0 })),
      strands: 1,
      inWorkMm,
      wanted: null,
      whole: false,
    } as const;
    const plan = threadPlan(question, USUAL_SETTINGS);
    expect(cutLines(plan).some(({ folded }) => folded)).toBe(false);
    expect(cutLines(plan).map(({ of, until }) => [of, until])).toEqual([
      ['ring 1', null],
      ['ring 2', null],
      ['ring 3', null],
    ]);
    expect(needles.flatMap((laid) => placesToChange(laid))).toEqual([]);
    // By hand: eight beads and the first once more are 18 mm. Rings 1 and 2 join to the next.
    const told = needs(plan);
    expect(told.filter(({ section }) => section === wovenOf('ring 3'))).toEqual([
      { section: wovenOf('ring 3'), pass: 'base', mm: 18 },
    ]);
    expect(told.find(({ section }) => section === jointOf('join'))?.mm).toBe(inWorkMm - 3 * 18);
    const [first, , third] = plan.cutsMm;
    expect(third).toBeCloseTo(18 * (1 + USUAL_SETTINGS.threadMargin) + 2 * END_MM, 9);
    expect(first).toBeGreaterThan(third ?? 0);
  });

  it('the tail is no needle’s own: what it sews goes with the first length', () => {
    const { thread } = inStitch('ladder', { units: 40 });
    expect(thread.divisions.map(({ needle }) => needle)).not.toContain(TAIL);
    expect(thread.divisions[0]?.cuts[0]?.mm).toBeGreaterThan(thread.tailMm);
  });
});
