// Strands on one clasp: counted on paper, and hung as geometry has it.
import { describe, expect, it } from 'vitest';
import { BEADS, byId, CLASPS } from '../materials/catalogue';
import { newPart } from '../piece/newPiece';
import type { PartOfPiece } from '../piece/partOfPiece';
import { planSteps } from '../plan/steps';
import { findingPasses } from '../read/traversals';
import { planned } from '../testing/planned';
import { checkPath } from '../weave/check';
import { longerMm, severalStrands } from './severalStrands';
import { at } from './structure';

function strands(params: object, change: Partial<PartOfPiece> = {}): PartOfPiece {
  const base = newPart('Strands', 'several-strands', null, 'necklace');
  return {
    ...base,
    beads: { ...base.beads, A: { ...base.beads.A, ...byId(BEADS, 'pressed-4') } },
    structure: { id: base.structure.id, params: { ...severalStrands.defaults, ...params } },
    units: 100,
    ...change,
  };
}
const one = { sequence: ['A'], extra: 0 };
const onClasp = (id: string): Partial<PartOfPiece> => {
  const { ends } = newPart('Strands', 'several-strands', null, 'necklace');
  return { ends: { ...ends, clasp: byId(CLASPS, id) } };
};

describe('several strands', () => {
  it('by hand: of a hundred beads, and five more on each: 100 + 105 + 110, on three threads', () => {
    const plan = planned(strands({ ...one, strands: 3, more: 5 }));
    expect(plan.quantities.find(({ role }) => role === 'A')).toMatchObject({ total: 315, perUnit: 3 });
    expect(plan.thread.lengths).toBe(3);
    const sections = planned(strands({ sequence: ['A', 'B', 'A'], extra: 'section', strands: 2, more: 1 }));
    // Two A and a B a unit, and one A that ends each strand.
    expect(sections.quantities.map(({ role, total }) => [role, total]).slice(0, 2)).toEqual([
      ['A', 2 * 201 + 2],
      ['B', 201],
    ]);
    // Beyond the units of the innermost only the longer strands go on: there a unit is unlike.
    expect(checkPath(plan.work().path).filter(({ code }) => code !== 'cell-unlike')).toEqual([]);
  });

  it('can be fitted at both ends until the last strand is on', () => {
    const plan = planned(strands({ ...one }));
    expect(plan.closure.finalAt).toEqual({ start: 'after the body', end: 'after the body' });
    expect(plan.warnings.map(({ code }) => code)).not.toContain('end-fixed-first');
  });

  it('is as long as its innermost strand, whatever the others are', () => {
    const lengths = [0, 3, 20].map((more) => planned(strands({ ...one, more })).chosen.finishedMm);
    expect(new Set(lengths).size).toBe(1);
  });

  it('geometry: circles that meet at the clasp, their lowest points so far apart, differ by π times that', () => {
    const girth = (diameterMm: number) => Math.PI * diameterMm;
    for (const belowMm of [5, 8, 25])
      expect(longerMm(belowMm)).toBeCloseTo(girth(130 + belowMm) - girth(130), 9);
    // Common practice, no source: strands of 4 to 8 mm beads that just clear each other are half an inch to an inch apart in length.
    for (const beadMm of [4, 6, 8]) {
      expect(longerMm(beadMm)).toBeGreaterThan(12);
      expect(longerMm(beadMm)).toBeLessThan(26);
    }
  });

  it('what it takes to hang so far below is said, and done', () => {
    const doubtful = planned(strands({ ...one, belowMm: 12, more: 0 }));
    const said = (plan: typeof doubtful) => plan.warnings.filter(({ code }) => code === 'sizes');
    expect(JSON.stringify(said(doubtful))).toMatch(/wants 9 units more than that one, and has no unit/);
    const bound = severalStrands.bind({ ...severalStrands.defaults, ...one, belowMm: 12 });
    const better = bound.suited?.((role) => byId(BEADS, role === 'A' ? 'pressed-4' : 'seed-11'));
    // Nothing else of what was chosen is touched: it still ends as it was to end.
    expect(better).toEqual({ more: Math.round((Math.PI * 12) / 4) });
    expect(said(planned(strands({ ...one, belowMm: 12, ...better })))).toEqual([]);
    expect(JSON.stringify(said(planned(strands({ ...one, more: 2 }))))).toMatch(/sag/);
  });

  it.each([
    ['box-3', 3, ['', ', loop 2', ', loop 3']],
    ['slide-tube-2', 3, ['', '', ', loop 2']],
    ['lobster-12', 2, ['', '']],
    ['slide-tube-4', 3, ['', ', loop 2', ', loop 3']],
  ] as const)('on a %s %i strands go each to its own loop, or share', (clasp, count, loops) => {
    const plan = planned(strands({ ...one, strands: count }, onClasp(clasp)));
    const { path } = plan.work();
    const names = (end: string) =>
      path.findings.filter(({ at: place }) => place?.joint === end).map(({ name }) => name);
    expect(names('start')).toEqual(loops.map((loop) => `clasp at the start${loop}`));
    expect(names('end')).toEqual(loops.map((loop) => `clasp at the end${loop}`));
    expect([...findingPasses(path).values()].every((passes) => passes === 2)).toBe(true);
    const doubts = plan.warnings.flatMap((one_) => (one_.code === 'closure' ? [one_.doubt.code] : []));
    // Loops stand as far apart as they like, but of four one stays empty.
    expect(doubts.includes('loops-and-width')).toBe(clasp === 'slide-tube-4');
  });

  it('counts the beads of each strand from its own beginning', () => {
    const words = planSteps(planned(strands({ ...one, more: 5 })))
      .flatMap(({ steps }) => steps.map(({ text, by }) => `${by.of ?? ''} ${text}`))
      .join('\n');
    expect(words).toMatch(/^ .*bead of unit 100\./m);
    expect(words).toMatch(/^strand 2 .*bead of unit 105 of strand 2\./m);
    expect(words).toMatch(/^strand 3 .*bead of unit 110 of strand 3\./m);
    expect(words).not.toMatch(/unit (1[2-9]|2\d|3\d)\d\./);
  });

  it('lies to scale: neighbours touch, and a longer strand hangs lower between the same ends', () => {
    const plan = planned(strands({ ...one, strands: 3, more: 6, belowMm: 8 }));
    const { path, layout } = plan.work();
    const rows = [100, 106, 112];
    let from = 0;
    const lowest = rows.map((count) => {
      const beads = path.beads.filter(
        ({ place }) => place.section.zone === 'woven' && place.row >= from && place.row < from + count,
      );
      from += count;
      expect(beads).toHaveLength(count);
      const places = beads.map(({ id }) => at(layout.poses, id).centre);
      for (const [i, place] of places.entries()) {
        const next = places[i + 1];
        if (!next) continue;
        const apart = Math.hypot(next[0] - place[0], next[1] - place[1]);
        expect(apart).toBeGreaterThan(3.95);
        expect(apart).toBeLessThan(4.001);
      }
      const [first, last] = [at(places, 0), at(places, -1)];
      expect(first[0] + last[0]).toBeCloseTo(plan.stations.bodyStartMm + plan.stations.bodyEndMm, 6);
      return Math.max(...places.map(([, y]) => y)) - first[1];
    });
    const [flat = 0, second = 0, third = 0] = lowest;
    expect(flat).toBeCloseTo(0, 9);
    // A shallow arc of length L over a chord c sags by about √(3 c (L − c) / 8).
    expect(second / Math.sqrt((3 * 400 * 24) / 8)).toBeGreaterThan(0.85);
    expect(second / Math.sqrt((3 * 400 * 24) / 8)).toBeLessThan(1.15);
    expect(third).toBeGreaterThan(second);
  });

  it('over a ball each would have a loop of its own: that is told, and a clasp helps', () => {
    const codes = (clasp: string) =>
      planned(strands({ ...one }, onClasp(clasp))).warnings.flatMap((warning) =>
        warning.code === 'closure' ? [warning.doubt.code] : [],
      );
    expect(codes('ball-6')).toContain('strands-over-button');
    for (const clasp of ['box-3', 'lobster-12']) expect(codes(clasp)).not.toContain('strands-over-button');
  });
});
