import { describe, expect, it } from 'vitest';
import { planned } from '../testing/planned';
import type { PartOfPiece } from '../piece/partOfPiece';
import { newPart } from '../piece/newPiece';
import { byId, NEEDLES, THREADS } from '../materials/catalogue';
import { STRUCTURES } from '../structures/registry';
import { holeMarks } from './holeMarks';
import { lane, moved } from './lane';

const inStitch = (id: string, change: Partial<PartOfPiece> = {}) => {
  const piece = { ...newPart('Lane', id, null), ...change };
  return { piece, plan: planned(piece) };
};

const counted = STRUCTURES.filter(({ bind, defaults }) => !bind(defaults).arrangement).map(
  ({ id }) => [id] as const,
);

describe('thread along the piece', () => {
  it.each(counted)('of %s: on every line bars follow each other from end to end', (id) => {
    const { plan } = inStitch(id, { units: 150 });
    const { lines, bars } = lane(plan);
    expect(lines).toBeGreaterThan(0);
    for (let line = 0; line < lines; line++) {
      const on = bars.filter((bar) => bar.line === line).sort((a, b) => a.fromUnit - b.fromUnit);
      expect(on.length).toBeGreaterThan(0);
      // Two lengths may share the unit in which one ends and the next begins, and no more.
      on.slice(1).forEach((bar, i) => {
        const gap = bar.fromUnit - (on[i]?.toUnit ?? 0);
        expect(gap).toBeLessThanOrEqual(1);
        expect(gap).toBeGreaterThanOrEqual(-2);
      });
      for (const { fromUnit, toUnit } of on) expect(toUnit).toBeGreaterThan(fromUnit);
    }
    // The weave itself reaches from the first unit to the last.
    const first = bars.filter((bar) => bar.line === 0);
    expect(Math.min(...first.map(({ fromUnit }) => fromUnit))).toBe(0);
    expect(Math.max(...first.map(({ toUnit }) => toUnit))).toBeGreaterThanOrEqual(149);
  });

  it('a pass that comes back has a line for each way; a turn at an end has none', () => {
    // Out along one row of holes, back along the other; crosses out, and crossed on the way back.
    const { bars, lines } = lane(inStitch('two-hole-line', { units: 150 }).plan);
    expect(lines).toBe(4);
    for (let line = 0; line < lines; line++)
      expect(
        Math.max(...bars.filter((bar) => bar.line === line).map(({ toUnit }) => toUnit)),
      ).toBeGreaterThan(140);
    // A line that is strung once and gone back along.
    expect(lane(inStitch('strung-line', { units: 150 }).plan).lines).toBe(2);
    // Rows to and fro across the strip are one way along it.
    expect(lane(inStitch('flat-peyote', { units: 150 }).plan).lines).toBe(1);
  });

  it('a bar for every length, a change between two', () => {
    const { plan } = inStitch('flat-peyote', { units: 300 });
    const { bars, changes } = lane(plan);
    const lengths = plan.thread.divisions.reduce((sum, { cuts }) => sum + cuts.length, 0);
    expect(lengths).toBeGreaterThan(2);
    expect(new Set(bars.map(({ length }) => length)).size).toBe(lengths);
    expect(changes).toHaveLength(lengths - plan.thread.divisions.length);
  });

  it('a change moved to any of its other places stands there in the plan that follows', () => {
    const { piece, plan } = inStitch('flat-peyote', { units: 300 });
    const { changes } = lane(plan);
    const [first] = changes;
    if (!first) throw new Error('no change of thread');
    expect(first.others.map(({ unit }) => unit)).toContain(first.unit);
    for (const other of [first.others[0], first.others.at(-1)]) {
      if (!other) continue;
      const threadChanges = moved(changes, 0, other.after);
      expect(threadChanges.slice(1)).toEqual(changes.slice(1).map(({ after }) => after));
      const [now] = lane(planned({ ...piece, threadChanges })).changes;
      expect(now?.unit).toBe(other.unit);
    }
  });

  it('other places lie between the change before and the one behind', () => {
    const { changes } = lane(inStitch('right-angle-weave', { units: 500 }).plan);
    expect(changes.length).toBeGreaterThan(1);
    let compared = 0;
    changes.forEach(({ others }, k) => {
      for (const { line, unit } of others) {
        const [before, behind] = [changes[k - 1], changes[k + 1]];
        if (before?.line === line) {
          compared++;
          expect(unit).toBeGreaterThan(before.unit);
        }
        if (behind?.line === line) {
          compared++;
          expect(unit).toBeLessThan(behind.unit);
        }
      }
    });
    expect(compared).toBeGreaterThan(changes.length);
  });
});

describe('marks on full holes', () => {
  const thick = {
    thread: byId(THREADS, 'gel-10'),
    needle: byId(NEEDLES, 'needle-10'),
    doubled: true,
  };

  it('none where thread goes easily', () => {
    const { plan } = inStitch('flat-herringbone', { units: 20 });
    expect(plan.holes.bottleneck?.going).toBe('easy');
    expect(holeMarks(plan, 'above')).toEqual({ hard: [], no: [] });
  });

  it('where it does not, one on every such bead, where the bead lies', () => {
    const { plan } = inStitch('flat-herringbone', { units: 20, ...thick });
    const going = plan.holes.bottleneck?.going;
    expect(['hard', 'no']).toContain(going);
    const marks = holeMarks(plan, 'above');
    const all = [...marks.hard, ...marks.no];
    expect(all.length).toBeGreaterThan(0);
    const places = new Set(
      plan.work().layout.poses.map((pose) => pose && `${pose.centre[0]} ${pose.centre[1]}`),
    );
    for (const [x, y] of all) expect(places).toContain(`${x} ${y}`);
    // From the side the same beads are marked.
    const side = holeMarks(plan, 'side');
    expect([side.hard.length, side.no.length]).toEqual([marks.hard.length, marks.no.length]);
  });
});
