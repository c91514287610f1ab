import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { examplePiece } from '@/demo/choir';
import { planMade } from '../plan/steps';
import { planPiece } from '../plan/shipped';
import { newPart } from '../piece/newPiece';
import { asPiece } from '../piece/partOfPiece';
import type { Piece } from '../piece/piece';
import { STRUCTURES } from '../structures/registry';
import { ownUnit } from '../structures/ownUnit';
import { runs } from '../testing/thorough';
import { BASE, isTraversal, type Bead, type Move } from '../weave/path';
import { mendingWords } from '../words/mending';
import { mending, strungIn } from './mending';

function movesOf(piece: Piece): Move[][] {
  const plan = planPiece(piece);
  if (!plan.ok) throw new Error(plan.problem.code);
  return planMade(plan).flatMap(({ steps }) => steps.map(({ moves }) => [...moves]));
}

const bare = (structure: string, params: Record<string, unknown> = {}): Piece => {
  const part = newPart('Any', structure, null, 'bracelet');
  return asPiece({
    ...part,
    structure: { id: structure, params: { ...part.structure.params, ...params } },
    ends: { ...part.ends, closing: 'open' },
  });
};

const inside = (steps: readonly Move[][], at: number): Bead[] =>
  steps
    .slice(0, at)
    .flat()
    .flatMap((move) => (move.kind === 'pick' && move.place.pass === BASE ? [move.bead] : []));

describe('a broken bead', () => {
  it('practice: in flat peyote any bead within can be replaced, for its neighbours hold each other', () => {
    const steps = movesOf(bare('flat-peyote', { width: 6 }));
    const at = Math.floor(steps.length / 2);
    const beads = inside(steps, at);
    const middle = beads.slice(20, beads.length - 20);
    expect(middle.length).toBeGreaterThan(20);
    for (const bead of middle) expect(mending(steps, at, bead).holds).toBe(true);
  });

  it('practice: on a line strung once nothing holds but the thread; gone through again, it is the same', () => {
    for (const trips of [1, 2]) {
      const steps = movesOf(bare('strung-line', { trips }));
      const [, , third] = inside(steps, steps.length);
      const found = third && mending(steps, steps.length, third);
      expect(found?.holds).toBe(false);
      expect(found && mendingWords(found, (role) => role)).toContain('it alone joins');
    }
  });

  it('is between the bead before it and the bead after it, and ripping back takes out all that was strung since', () => {
    const steps = movesOf(bare('flat-peyote', { width: 6 }));
    const beads = inside(steps, steps.length);
    const bead = beads.at(-5) as Bead;
    const found = mending(steps, steps.length, bead);
    const flat = steps.flat().filter(isTraversal);
    const i = flat.findIndex((move) => move.bead === bead);
    expect(found.before).toBe(flat[i - 1]?.bead);
    expect(found.after).toBe(flat[i + 1]?.bead);
    expect(found.trips).toBe(flat.filter((move) => move.bead === bead).length);
    const strung = steps.slice(found.strungAt).flat();
    expect(strung.some((move) => move.kind === 'pick' && move.bead === bead)).toBe(true);
    expect(found.beadsOut).toBe(strung.filter(({ kind }) => kind === 'pick').length);
    expect(() => mending(steps, found.strungAt, bead)).toThrow('not in the work yet');
  });

  it('is found by its unit and role, as many as the plan strings there', () => {
    const piece = examplePiece('slack-water');
    const plan = planPiece(piece);
    if (!plan.ok) throw new Error(plan.problem.code);
    const steps = movesOf(piece);
    const unit = 3;
    const of = (at: number) => strungIn(steps, at, { unit, role: 'A' });
    expect(of(steps.length).every(({ role }) => role === 'A')).toBe(true);
    expect(of(steps.length).length).toBeGreaterThan(0);
    expect(of(0)).toEqual([]);
  });

  it('whatever is woven: what does not hold is a bead without which the work falls into pieces, counted apart', () => {
    const ids = STRUCTURES.filter(({ id, madeWhole }) => id !== ownUnit.id && !madeWhole).map(({ id }) => id);
    fc.assert(
      fc.property(fc.constantFrom(...ids), fc.double({ min: 0, max: 0.999, noNaN: true }), (id, where) => {
        const plan = planPiece(bare(id));
        if (!plan.ok || plan.weaveable.pathless) return;
        const steps = movesOf(bare(id));
        const at = Math.max(1, Math.floor(steps.length * 0.6));
        const beads = inside(steps, at);
        const bead = beads[Math.floor(where * beads.length)];
        if (!bead) return;
        // By union and find over the same thread, and not by walking it.
        const root = new Map<string, string>();
        const find = (a: string): string => {
          const up = root.get(a) ?? a;
          return up === a ? a : find(up);
        };
        const last = new Map<string, string[]>();
        const beside = new Set<string>();
        const own = `b${bead.id}`;
        for (const move of steps.slice(0, at).flat()) {
          if (move.kind === 'begin') last.delete(move.needle);
          const to =
            isTraversal(move) || move.kind === 'around'
              ? [`b${move.bead.id}`]
              : move.kind === 'attach'
                ? [`f${move.finding.id}`]
                : move.kind === 'under'
                  ? [`b${move.bridge.from.bead.id}`, `b${move.bridge.to.bead.id}`]
                  : [];
          if (to.length === 0) continue;
          for (const a of last.get(move.needle) ?? [])
            for (const b of to) {
              if (a === own || b === own) for (const one of [a, b]) beside.add(one);
              else root.set(find(a), find(b));
            }
          last.set(move.needle, to);
        }
        beside.delete(own);
        const pieces = new Set([...beside].map(find)).size;
        expect(mending(steps, at, bead).holds, `${id} ${bead.name}`).toBe(pieces <= 1);
      }),
      { seed: 24, numRuns: runs(80) },
    );
  });
});
