// An end loop turned on edge, by the clasp that comes.
import { describe, expect, it } from 'vitest';
import { BEADS, byId, CLASPS } from '../materials/catalogue';
import { newPart } from '../piece/newPiece';
import type { PartOfPiece } from '../piece/partOfPiece';
import { planUnits, planSteps } from '../plan/steps';
import { holeUses } from '../read/traversals';
import { STRUCTURES } from '../structures/registry';
import { planned } from '../testing/planned';
import { checkPath } from '../weave/check';
import { LOOP_SLOTS } from './sewnLoop';

const UNITS = 8;
const piece = (id: string, change: Partial<PartOfPiece['ends']['start']>, clasp?: string): PartOfPiece => {
  const part = newPart('Turned', id, null);
  return {
    ...part,
    units: UNITS,
    ends: {
      ...part.ends,
      ...(clasp && { clasp: byId(CLASPS, clasp) }),
      start: { ...part.ends.start, ...change },
      end: { ...part.ends.end, ...change },
    },
  };
};
const clasped = STRUCTURES.filter(
  ({ bind, defaults }) => !bind(defaults).arrangement && !bind(defaults).mostUnits,
);

describe('a turned end loop', () => {
  it.each(clasped.map(({ id }) => [id]))('of %s has one seed more that both its threads go through', (id) => {
    const [flat, turned] = [planned(piece(id, {})), planned(piece(id, { turned: true }))];
    const { path } = turned.work();
    const necks = path.beads.filter(({ slot }) => slot.of === LOOP_SLOTS.neck);
    const ends = new Set(necks.map(({ place }) => place.section.joint));
    expect([...ends].sort()).toEqual(['end', 'start']);
    expect(path.beads.length).toBe(flat.work().path.beads.length + necks.length);
    // Out to the clasp and back, as often as the loop is gone round.
    const { passes } = turned.closure.loops.start;
    for (const { bead, traversals } of holeUses(path))
      if (bead.slot.of === LOOP_SLOTS.neck) expect(traversals).toBe(2 * passes);
    const { lengthMm } = turned.work().layout.body('loop');
    expect(turned.chosen.finishedMm - flat.chosen.finishedMm).toBeCloseTo(2 * lengthMm, 6);
    expect(checkPath(path).filter(({ code }) => code !== 'cell-unlike')).toEqual([]);
    expect(planSteps(turned).length).toBeGreaterThan(0);
  });

  it('is what a clasp asks for whose loop lies flat; a jump ring does as well', () => {
    const doubts = (change: Partial<PartOfPiece['ends']['start']>, clasp: string) =>
      planned(piece('ladder', change, clasp)).warnings.flatMap((warning) =>
        warning.code === 'closure' ? [warning.doubt.code] : [],
      );
    expect(doubts({}, 'box-12')).toContain('turned-loop');
    expect(doubts({ turned: true }, 'box-12')).not.toContain('turned-loop');
    expect(doubts({}, 'lobster-12')).not.toContain('turned-loop');
  });
});

describe('beads of two holes', () => {
  it('are called by their own names, and a wedge by how it faces', () => {
    const told = (bead: string) => {
      const part = newPart('Names', 'two-hole-line', null);
      const plan = planned({
        ...part,
        beads: { ...part.beads, A: { ...part.beads.A, ...byId(BEADS, bead) } },
      });
      return planUnits(plan)
        .flatMap(({ steps }) => steps.map(({ text }) => text))
        .join(' ');
    };
    expect(told('lens')).toMatch(/1 A lens by its (upper|lower) hole/);
    expect(told('wedge')).toMatch(/1 A wedge \(its curved face to the front\) by its (upper|lower) hole/);
    expect(told('bar')).toMatch(/through .*A bar/);
  });
});
