import { describe, expect, it } from 'vitest';
import { NO_LOOP } from '../closures/sewnLoop';
import { tally } from '../read/tally';
import { STRUCTURES } from '../structures/registry';
import { at } from '../structures/structure';
import { Weave } from '../weave/builder';
import { checkPath } from '../weave/check';
import { follow } from '../weave/follow';
import { isTraversal } from '../weave/path';
import { joinBetween, UnequalEdges, type Between } from './between';

const OPEN = { start: NO_LOOP, end: NO_LOOP };
const bound = (id: string, params: Readonly<Record<string, unknown>> = {}) => {
  const structure = at(
    STRUCTURES.filter((one) => one.id === id),
    0,
  );
  return structure.bind({ ...structure.defaults, ...params });
};

/** Two pieces of right-angle weave of so many rows each, joined end to start. */
function joined([here, there]: readonly [number, number], between: Between) {
  const path = new Weave();
  const one = bound('right-angle-weave', { rows: here }).weaveInto(path, 'one', 3, OPEN);
  const other = bound('right-angle-weave', { rows: there }).weaveInto(path, 'other', 3, OPEN);
  const t = one.w.needle('joining').begin('none');
  joinBetween(one.w, t, 'seam', [one.edges.end, other.edges.start], between);
  return path.path();
}

const ONE_EACH: Between = { across: ['A'], back: ['A'], rounds: 1 };

describe('two edges joined by beads between them', () => {
  it('bead by bead: in by the rung, a bead across, through the other rung, a bead back, and in again (by hand)', () => {
    const { moves } = joined([1, 1], ONE_EACH);
    const sewn = moves.filter(({ needle }) => needle === 'one/joining');
    const told = sewn.map((move) =>
      isTraversal(move)
        ? `${move.kind} ${move.bead.place.section.part} ${move.bead.name} ${move.enter}`
        : move.kind,
    );
    // Strung one after another, the last rung of one is `rung1` like every other, gone through as it was strung.
    expect(told).toEqual([
      'begin',
      'pass one rung1 0',
      'pick one across1 0',
      'pass other rung1 1',
      'pick one back1 0',
      'pass one rung1 0',
    ]);
  });

  it.each([1, 2, 3, 4])(
    'of %i rows leave no fault in the path, and take their beads at every post',
    (rows) => {
      const path = joined([rows, rows], { across: ['A', 'B'], back: ['A'], rounds: 2 });
      expect(checkPath(path)).toEqual([]);
      const seam = tally(path, ({ place }) => place.section.zone === 'joint');
      expect(Object.fromEntries(seam)).toEqual({ 'one/A': 2 * rows, 'one/B': rows });
      // Across and back, and once more, at every post.
      const parts = follow(path).flatMap(({ move, from }) =>
        isTraversal(move) &&
        move.kind === 'pass' &&
        move.bead.place.section.part === 'other' &&
        from?.at === 'hole'
          ? [`${move.needle} from ${from.bead.place.section.part}`]
          : [],
      );
      expect(parts.filter((told) => told === 'one/joining from one')).toHaveLength(2 * rows);
    },
  );

  it('of unequal count are refused, with both counts', () => {
    expect(() => joined([2, 3], ONE_EACH)).toThrow(UnequalEdges);
    expect(() => joined([2, 3], ONE_EACH)).toThrow('An edge of 2 cannot be joined to one of 3 bead by bead.');
  });
});
