import { describe, expect, it } from 'vitest';
import { KINDS } from '../body/kinds';
import { CLASPS } from '../materials/catalogue';
import { newPart } from '../piece/newPiece';
import { forPlace } from '../piece/variants';
import { absorbers } from '../plan/absorbers';
import { planSteps } from '../plan/steps';
import { findingPasses } from '../read/traversals';
import { STRUCTURES } from '../structures/registry';
import { strandsOf } from '../testing/woven';
import { planned } from '../testing/planned';
import { checkPath } from '../weave/check';
import { holdsOneEnd, suitsKind } from './suits';

/** An earring hangs from its wire by one end, whatever it is made in; the other end is free (common practice, no source). */
describe.each(STRUCTURES.map(({ id }) => id))('an earring in %s', (id) => {
  const piece = newPart('x', id, null, 'earring');
  const plan = planned(piece);

  it('hangs by one end: one loop, one wire, and nothing is taken of the other end', () => {
    expect(plan.closure.parts.map(({ what }) => what)).toEqual(['clasp', 'loops']);
    const { path } = plan.work();
    const held = [...findingPasses(path)];
    const strands = strandsOf(plan.weaveable);
    expect(held.map(([{ name, at }, threads]) => [name, at?.joint, threads])).toEqual(
      Array.from({ length: strands }, () => ['ear wire', 'start', 2]),
    );
    // Six seeds of 11/0, three a side of the wire.
    expect(plan.quantities.find(({ role }) => role === 'loop')?.total).toBe(6 * strands);
    expect(plan.stations.totalMm).toBeCloseTo(plan.stations.bodyEndMm, 9);
    expect(plan.stations.bodyStartMm).toBeCloseTo(18 + 3 * piece.beads.loop.lengthMm, 9);
    expect(plan.chosen.finishedMm).toBeCloseTo(plan.stations.totalMm, 2);
    expect(checkPath(path).filter(({ code }) => code !== 'cell-unlike')).toEqual([]);
  });

  it('is told so in words, and what takes up a rest leaves the free end alone', () => {
    const told = planSteps(plan).flatMap(({ steps }) => steps.map(({ text }) => text));
    expect(told.join(' ')).toContain('go through the ear wire');
    expect(told.join(' ')).not.toMatch(/clasp/);
    const offered = absorbers(piece, plan, { clasps: CLASPS, findings: [], beads: [] });
    for (const { what, change } of offered) {
      if (what.kind === 'seeds' || what.kind === 'ring') expect(what.end).toBe('start');
      if (change.ends) expect(suitsKind(change.ends.clasp, 'earring')).toBe(true);
    }
    expect(plan.cautions).toContain('nickel');
  });
});

it('strung once through, a line goes round its free end all the same, and back', () => {
  const { structure, ...part } = newPart('x', 'strung-line', null, 'earring');
  const once = planned({ ...part, structure: { ...structure, params: { ...structure.params, trips: 1 } } });
  const last = once
    .work()
    .path.beads.filter(({ place }) => place.section.zone === 'woven')
    .at(-1);
  const first = once.work().path.beads.find(({ place }) => place.section.zone === 'woven');
  const trips = (id: number | undefined) =>
    once.work().path.moves.filter((move) => 'bead' in move && move.bead.id === id).length;
  expect(trips(last?.id)).toBe(1);
  expect(trips(first?.id)).toBeGreaterThan(1);
});

it('an ear wire stays with earrings, and what suits another kind comes back with it', () => {
  for (const from of KINDS)
    for (const to of KINDS) {
      const { ends } = forPlace(newPart('x', 'flat-peyote', null, from), to);
      expect(holdsOneEnd(ends.clasp), `${from} to ${to}`).toBe(to === 'earring');
    }
});
