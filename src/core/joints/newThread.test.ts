// A change of thread leaves the work as it was, comes out where the old thread did, and takes no more than is cut for it.
import fc from 'fast-check';
import { expect, describe, it } from 'vitest';
import { newPart } from '../piece/newPiece';
import { beadOf } from '../piece/part';
import { planPart } from '../plan/plan';
import { threadMm } from '../read/thread';
import { STRUCTURES } from '../structures/registry';
import { tripsThatGo } from '../supplies/holeFill';
import { END_MM } from '../supplies/threadPlan';
import { anyParams } from '../testing/anyParams';
import { runs } from '../testing/thorough';
import { checkPath } from '../weave/check';
import { follow, holeEndOf } from '../weave/follow';
import { holeKey } from '../weave/links';
import { BASE, isTraversal, type Move, type Path } from '../weave/path';
import { NEW_THREAD } from './newThread';

/** A piece of one unit has no place between units. */
const inUnits = STRUCTURES.filter((structure) => {
  const { pathless, arrangement } = structure.bind(structure.defaults);
  return !pathless && !arrangement;
});

const isOfChange = ({ place }: Move) => place.pass === NEW_THREAD;

/** Where each needle comes out, before the moves of a change and behind them. */
function aboutChanges(path: Path) {
  const at = new Map<string, string | null>();
  const found: { before: string | null; behind: string | null }[] = [];
  let open: { needle: string; before: string | null } | null = null;
  for (const { move, out } of follow(path)) {
    if (!isOfChange(move) && open && move.needle === open.needle) {
      found.push({ before: open.before, behind: at.get(move.needle) ?? null });
      open = null;
    }
    if (isOfChange(move)) open ??= { needle: move.needle, before: at.get(move.needle) ?? null };
    const end = holeEndOf(out);
    if (out) at.set(move.needle, end && [end.bead.id, end.hole, end.end].join());
  }
  return found;
}

const trips = (moves: readonly Move[]) => {
  const counts = new Map<number, number>();
  for (const move of moves)
    if (isTraversal(move))
      counts.set(holeKey(move.bead, move.hole), 1 + (counts.get(holeKey(move.bead, move.hole)) ?? 0));
  return counts;
};

describe.each(inUnits.map((structure) => [structure.id, structure] as const))('%s', (_, structure) => {
  it('its thread can be changed after any unit', () => {
    let changed = 0;
    fc.assert(
      fc.property(
        anyParams(structure),
        fc.subarray([0, 1, 2, 3, 4, 5, 6], { minLength: 1 }),
        fc.boolean(),
        (params, units, doubled) => {
          const part = {
            ...newPart('Changed', structure.id, null),
            structure: { id: structure.id, params },
            units: 8,
            doubled,
          };
          const [plain, plan] = [[], ['working', 'left', 'right']].map((needles) =>
            planPart({
              ...part,
              threadChanges: needles.flatMap((needle) => units.map((unit) => ({ needle, pass: BASE, unit }))),
            }),
          );
          if (!plain?.ok || !plan?.ok) return;
          const [without, work] = [plain.work(), plan.work()];
          const { path } = work;
          const changes = plan.thread.divisions.reduce((sum, one) => sum + one.changes.length, 0);
          changed += changes;
          expect(path.moves.filter((move) => !isOfChange(move)).map((move) => JSON.stringify(move))).toEqual(
            without.path.moves.map((move) => JSON.stringify(move)),
          );
          expect(path.moves.filter((move) => isOfChange(move) && move.kind === 'begin')).toHaveLength(
            changes,
          );
          for (const { before, behind } of aboutChanges(path)) expect(behind).toBe(before);
          expect(checkPath(path)).toEqual(checkPath(without.path));
          // Either end holds: it is woven through a bead at least.
          const woven = path.moves.filter((move) => isOfChange(move) && isTraversal(move));
          expect(woven.length).toBeGreaterThanOrEqual(2 * changes);
          // More thread in the work than before by no more than is cut for it.
          const more = threadMm(work.thread) - threadMm(without.thread);
          expect(more).toBeLessThanOrEqual(2 * END_MM * (doubled ? 2 : 1) * changes);
          // Filled beyond what it takes is the one hole at most out of which both threads come.
          const [had, has] = [trips(without.path.moves), trips(path.moves)];
          const full = path.beads.filter((bead) =>
            Array.from({ length: bead.holes }, (_, hole) => holeKey(bead, hole)).some((key) => {
              const { holeMm } = beadOf(plan.seen, bead.role);
              const room = tripsThatGo(holeMm, plan.gear, doubled ? 2 : 1);
              return (has.get(key) ?? 0) > Math.max(room, had.get(key) ?? 0);
            }),
          );
          expect(full.length).toBeLessThanOrEqual(changes);
        },
      ),
      { numRuns: runs(12) },
    );
    expect(changed).toBeGreaterThan(0);
  });
});
