import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { BEADS, byId } from '../materials/catalogue';
import { newPart } from '../piece/newPiece';
import { planPart } from '../plan/plan';
import { planSteps } from '../plan/steps';
import { holeUses } from '../read/traversals';
import { runs } from '../testing/thorough';
import { checkPath } from '../weave/check';
import { misfit } from './parts';
import { MOST_BACK, pathFaults, type Stroke } from './ownPath';
import { ownUnit } from './ownUnit';
import type { RoleLetter } from './roles';

const LOOP = { seedsEachSide: 3, passes: 2 };
const CLOSED = { start: LOOP, end: LOOP };
const OPEN = { start: { seedsEachSide: 0, passes: 0 }, end: { seedsEachSide: 0, passes: 0 } };

const pick = (beads: number): Stroke => ({ does: 'pick', beads });
const through = (bead: number, back: number, against = false, hole: 1 | 2 = 1): Stroke => ({
  does: 'through',
  spot: { bead, back },
  against,
  hole,
});

const bind = (sequence: readonly RoleLetter[], path: readonly Stroke[]) =>
  ownUnit.bind({ ...ownUnit.defaults, sequence, path });

/** A ladder (common practice): through the bead before, and once more through the new one. */
const LADDER = [pick(1), through(1, 1), through(1, 0)];

describe('a stitch of one’s own whose path is told', () => {
  it('a ladder, by hand: every bead is picked up, gone through again, and held by the next', () => {
    expect(pathFaults(['A'], LADDER)).toEqual([]);
    const path = bind(['A'], LADDER).weave(5, OPEN);
    const moves = path.moves.filter(({ place }) => place.section.zone === 'woven');
    const woven = holeUses({ ...path, moves }).map(({ traversals }) => traversals);
    // The first has nothing before it to go through, and is gone through by the second; the last by none.
    expect(woven).toEqual([2, 3, 3, 3, 2]);
    expect(checkPath(path)).toEqual([]);
  });

  it('two-hole beads are gone through hole by hole', () => {
    const strokes = [pick(1), through(1, 0, true, 2)];
    const weaveable = bind(['A'], strokes);
    expect(weaveable.parts).toMatchObject([{ role: 'A', holes: 2 }]);
    expect(pathFaults(['A'], strokes)).toEqual([]);
    expect(checkPath(weaveable.weave(6, CLOSED))).toEqual([]);
  });

  it('brick stitch goes under a thread, and the work can be turned and beads gone round', () => {
    const strokes: Stroke[] = [
      pick(2),
      { does: 'under', spot: { bead: 1, back: 1 }, other: { bead: 2, back: 1 } },
      through(2, 0, true),
      { does: 'round', spot: { bead: 1, back: 0 } },
      through(2, 0),
      { does: 'turn', how: 'over' },
    ];
    expect(pathFaults(['A', 'B'], strokes)).toEqual([]);
    const { moves } = bind(['A', 'B'], strokes).weave(4, OPEN);
    const count = (kind: string) => moves.filter((move) => move.kind === kind).length;
    expect([count('under'), count('around'), count('turn')]).toEqual([3, 4, 4]);
  });

  it.each<readonly [string, readonly RoleLetter[], readonly Stroke[], string]>([
    [
      'too few are picked up',
      ['A', 'B', 'B'],
      [pick(2), through(1, 1)],
      'The steps pick up 2 beads, and a unit takes 3',
    ],
    [
      'a bead that is not there',
      ['A'],
      [pick(1), through(4, 1)],
      'Step 2: That bead is not in the work yet. Pick it up before.',
    ],
    [
      'a bead before it is picked up',
      ['A', 'B'],
      [pick(1), through(2, 0), pick(1)],
      'Step 2: That bead is not in the work yet',
    ],
    [
      'straight back',
      ['A', 'B'],
      [pick(2), through(2, 0, true)],
      'Step 2: The thread goes back into the hole',
    ],
    [
      'twice the same way',
      ['A', 'B'],
      [pick(2), through(2, 0)],
      'Step 2: The thread goes through the same bead the same way twice',
    ],
    [
      'an end that holds nothing',
      ['A'],
      [pick(1), { does: 'round', spot: { bead: 1, back: 1 } }],
      'Step 2: A unit ends in a bead',
    ],
    [
      'no thread there',
      ['A', 'B', 'B'],
      [pick(3), { does: 'under', spot: { bead: 1, back: 0 }, other: { bead: 3, back: 0 } }, through(1, 0)],
      'Step 2: No thread leads straight from the one bead to the other',
    ],
  ])(
    '%s: said at its step, in words, and counted without its path all the same',
    (_, sequence, strokes, said) => {
      const faults = pathFaults(sequence, strokes);
      expect(faults.join(' ')).toContain(said);
      expect(faults.join(' ')).not.toMatch(/undefined|NaN|\bworking\b/);
      const part = newPart('x', 'own-unit', null);
      const plan = planPart({
        ...part,
        structure: { id: 'own-unit', params: { ...part.structure.params, sequence, path: strokes } },
      });
      if (!plan.ok) throw new Error(plan.problem.code);
      expect(plan.weaveable.pathless).toBe(true);
      expect(planSteps(plan)).toEqual([]);
      expect(plan.quantities.find(({ role }) => role === 'A')?.total).toBeGreaterThan(0);
      expect(JSON.stringify(plan.warnings)).toContain(said.slice(0, 12));
    },
  );

  it('whatever is told: either a fault is named, or every count of it is a sound path, with steps and holes', () => {
    const anyRole = fc.constantFrom<RoleLetter>('A', 'B', 'C');
    const anySpot = fc.record({
      bead: fc.integer({ min: 1, max: 4 }),
      back: fc.integer({ min: 0, max: MOST_BACK }),
    });
    const anyStroke: fc.Arbitrary<Stroke> = fc.oneof(
      fc.record({ does: fc.constant('pick' as const), beads: fc.integer({ min: 1, max: 3 }) }),
      fc.record({
        does: fc.constant('through' as const),
        spot: anySpot,
        against: fc.boolean(),
        hole: fc.constantFrom<1 | 2>(1, 1, 1, 2),
      }),
      fc.record({ does: fc.constant('under' as const), spot: anySpot, other: anySpot }),
      fc.record({ does: fc.constant('round' as const), spot: anySpot }),
      fc.record({
        does: fc.constant('turn' as const),
        how: fc.constantFrom('over' as const, 'end for end' as const),
      }),
    );
    let sound = 0;
    fc.assert(
      fc.property(
        fc.array(anyRole, { minLength: 4, maxLength: 4 }),
        fc.array(anyStroke, { maxLength: 4 }),
        fc.integer({ min: 1, max: 30 }),
        fc.constantFrom(...BEADS),
        fc.constantFrom('right' as const, 'left' as const),
        (roles, others, units, bead, hand) => {
          const picked = others.reduce((sum, one) => sum + (one.does === 'pick' ? one.beads : 0), 2);
          const sequence = Array.from({ length: picked }, (_, i) => roles[i % roles.length] ?? 'A');
          const strokes = [pick(2), ...others];
          const faults = pathFaults(sequence, strokes);
          const weaveable = bind(sequence, strokes);
          expect(weaveable.pathless).toBe(faults.length > 0);
          const path = weaveable.weave(units, CLOSED);
          expect(path.beads.filter(({ place }) => place.section.zone === 'woven')).toHaveLength(
            units * sequence.length,
          );
          if (faults.length > 0) return;
          sound++;
          expect(checkPath(path).filter(({ code }) => code !== 'cell-unlike')).toEqual([]);
          if (weaveable.parts.some((part) => misfit(part, bead) !== null)) return;
          const part = newPart('x', 'own-unit', null);
          const dressed = { ...part.beads.A, ...byId(BEADS, bead.id) };
          const plan = planPart({
            ...part,
            hand,
            units,
            beads: { ...part.beads, A: dressed, B: dressed, C: dressed },
            structure: { id: 'own-unit', params: { ...part.structure.params, sequence, path: strokes } },
          });
          if (!plan.ok) throw new Error(plan.problem.code);
          expect(planSteps(plan).length).toBeGreaterThan(0);
          expect(plan.holes.holes.length).toBeGreaterThan(0);
        },
      ),
      { numRuns: runs(250), seed: 20 },
    );
    expect(sound).toBeGreaterThan(20);
  });
});
