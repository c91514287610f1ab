// What a plan reads off its path about ends and later passes, by stitch: by hand.
import { describe, expect, it } from 'vitest';
import { closureDoubts, closureOf } from './closure';
import { LOOP_ROLE } from './sewnLoop';
import { endStage } from '../plan/endStage';
import { BEADS, byId, CLASPS } from '../materials/catalogue';
import { beadOf, bodiesOf } from '../piece/part';
import type { PartOfPiece } from '../piece/partOfPiece';
import { NEW_THREAD } from '../joints/newThread';
import { newPart } from '../piece/newPiece';
import type { Plan } from '../plan/plan';
import { planPart } from '../plan/shipped';
import { routeLines } from '../read/routes';
import { threadMoves } from '../read/thread';
import { isTraversal, FINISH } from '../weave/path';

const planned = (id: string, params: object = {}, change: Partial<PartOfPiece> = {}): Plan => {
  const base = newPart('Ends', id, null);
  const structure = { id, params: { ...base.structure.params, ...params } };
  const plan = planPart({ ...base, units: 12, structure, ...change });
  if (!plan.ok) throw new Error(plan.problem.code);
  return plan;
};

describe('passes that can be left out', () => {
  it.each([
    ['ladder', {}, ['picots']],
    ['two-hole-line', { overlay: 'crosses' }, ['crosses']],
    ['two-hole-line', { overlay: 'diagonals' }, ['diagonals']],
    ['right-angle-weave', { edge: 'C' }, ['edge fill']],
    ['right-angle-weave', { rows: 3 }, []],
    ['flat-herringbone', {}, []],
    ['strung-line', { swags: 1 }, []],
  ])('%s %o: %j', (id, params, names) => {
    const { optionalPasses } = planned(id, params);
    expect(optionalPasses.map(({ name }) => name)).toEqual(names);
    for (const { info } of optionalPasses)
      expect(info).toMatchObject({ optional: true, why: expect.any(String) });
  });

  it('are told when they are left out, too', () => {
    const { optionalPasses } = planned('ladder', {}, { without: ['picots'] });
    expect(optionalPasses.map(({ name }) => name)).toEqual(['picots']);
  });
});

describe('when each end is final', () => {
  it.each([
    // Cross-weave begins with its clasp in the middle of the cord; picots come back to the start.
    ['cross-weave', {}, 'before the body', 'after the body'],
    ['flat-herringbone', {}, 'after the body', 'after the body'],
    ['ladder', {}, 'after later passes', 'after the body'],
    ['strung-line', { swags: 1 }, 'after later passes', 'after the body'],
    ['right-angle-weave', { rows: 2 }, 'after later passes', 'after the body'],
    ['right-angle-weave', { rows: 3 }, 'after later passes', 'after later passes'],
  ] as const)('%s %o: its start %s, its end %s', (id, params, start, end) => {
    const { path } = planned(id, params).work();
    expect([endStage(path, 'start'), endStage(path, 'end')]).toEqual([start, end]);
    expect(planned(id, params).closure.finalAt).toEqual({ start, end });
  });
});

describe('hidden journeys', () => {
  it('are drawn as they are gone: one line each, from bead to bead, none where there is none', () => {
    const { path, layout } = planned('flat-peyote').work();
    const travels = path.moves.filter((m) => isTraversal(m) && m.as === 'travel');
    const lines = routeLines(path, layout);
    expect(travels.length).toBeGreaterThan(0);
    expect(lines.length).toBeGreaterThan(0);
    expect(lines.every((points) => points.length > 0 && points.length % 2 === 0)).toBe(true);
    expect(lines.reduce((n, points) => n + points.length, 0)).toBe(2 * travels.length);
    // Each stretch is a bead long.
    for (const points of lines)
      for (let i = 0; i < points.length; i += 2) {
        const [a, b] = [points[i], points[i + 1]];
        if (!a || !b) throw new Error('half a stretch');
        expect(Math.hypot(a[0] - b[0], a[1] - b[1], a[2] - b[2])).toBeCloseTo(1.3, 6);
      }
    const strung = planned('strung-line', { trips: 1 }, {}).work();
    expect(routeLines({ ...strung.path, moves: [] }, strung.layout)).toEqual([]);
  });
});

describe('several loops of a clasp need their width', () => {
  const piece = newPart('Wide', 'flat-peyote', null);
  const clasp = (loops: 2 | 3) => byId(CLASPS, `slide-tube-${loops}`);
  const seed = { ...bodiesOf(piece)(LOOP_ROLE), holeMm: beadOf(piece, LOOP_ROLE).holeMm };
  const doubts = (widthMm: number, mostLoops: number, loops: 2 | 3 = 2) => {
    const ends = { ...piece.ends, clasp: clasp(loops) };
    const strip = { widthMm, thicknessMm: 1.6, threadMm: 0.15, mostLoops, seed };
    return closureDoubts(ends, closureOf(ends, seed, { mostLoops }), strip)
      .map(({ code }) => code)
      .filter((code) => code === 'loops-and-width');
  };
  it('two seeds for each loop, exactly so much is enough; and loops that the stitch has', () => {
    const needsMm = 2 * 2 * seed.diameterMm;
    expect(doubts(needsMm, 2)).toEqual([]);
    expect(doubts(needsMm - 0.01, 2)).toEqual(['loops-and-width']);
    expect(doubts(50, 1)).toEqual(['loops-and-width']);
    expect(doubts(50, 3)).toEqual([]);
    expect(doubts(needsMm, 3, 3)).toEqual(['loops-and-width']);
    expect(doubts((3 * needsMm) / 2, 3, 3)).toEqual([]);
  });
  it('one loop needs none of it', () => {
    const ends = { ...piece.ends, clasp: byId(CLASPS, 'toggle-12') };
    const strip = { widthMm: 1, thicknessMm: 1, threadMm: 0.15, mostLoops: 0, seed };
    const codes = closureDoubts(ends, closureOf(ends, seed), strip).map(({ code }) => code);
    expect(codes).not.toContain('loops-and-width');
  });
});

describe('where ends are woven in, by hand', () => {
  /** The beads that the last moves of a needle before its tail go through, by unit. */
  const wovenIn = (plan: Plan, needle: string) =>
    plan
      .work()
      .path.moves.filter(
        (m) =>
          isTraversal(m) && m.place.section === FINISH && m.place.pass !== NEW_THREAD && m.needle === needle,
      )
      .flatMap((m) => (isTraversal(m) ? [m.bead.place.unit] : []));

  it.each(['flat-herringbone', 'strung-line', 'flat-peyote', 'brick-stitch', 'tile-ladder'])(
    '%s: both inside the work, the one near its start, the other near its end',
    (id) => {
      const plan = planned(id, {}, { units: 40 });
      const needles = [...new Set(plan.work().path.moves.map(({ needle }) => needle))];
      const units = needles.map((needle) => wovenIn(plan, needle)).filter((of) => of.length > 0);
      expect(units.length).toBeGreaterThan(0);
      for (const of of units) {
        expect(Math.min(...of)).toBeGreaterThanOrEqual(0);
        expect(Math.max(...of)).toBeLessThanOrEqual(40);
        // A few units at one end, not along all of it.
        expect(Math.max(...of) - Math.min(...of)).toBeLessThan(8);
        expect(Math.max(...of) < 9 || Math.min(...of) > 31).toBe(true);
      }
    },
  );

  it('a line without picots ends its working thread near its end, its tail near its start', () => {
    const plan = planned('ladder', {}, { without: ['picots'], units: 20 });
    const [working, tail] = [wovenIn(plan, 'working'), wovenIn(plan, 'tail')];
    expect(Math.min(...working)).toBeGreaterThan(13);
    expect(Math.max(...tail)).toBeLessThan(6);
    // Thread that is woven in lies in beads: none of it is longer bare than two beads.
    const { path, layout } = plan.work();
    for (const { move, gapMm } of threadMoves(path, layout))
      if (move.place.section === FINISH) expect(gapMm).toBeLessThan(2 * byId(BEADS, 'seed-8').diameterMm);
  });
});
