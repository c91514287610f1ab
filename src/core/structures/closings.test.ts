import { describe, expect, it } from 'vitest';
import { KIND_FACTS, type Closing } from '../body/kinds';
import { LOOP_ROLE } from '../closures/sewnLoop';
import { BEADS, byId, CLASPS, THREADS } from '../materials/catalogue';
import { inColour, newPart, usualWear } from '../piece/newPiece';
import type { PartOfPiece } from '../piece/partOfPiece';
import type { Plan } from '../plan/plan';
import { planSteps } from '../plan/steps';
import { planPart } from '../plan/shipped';
import { findingPasses } from '../read/traversals';
import { checkPath } from '../weave/check';
import { isTraversal, FINISH, WOVEN } from '../weave/path';
import { wordProblem } from '../words/problems';
import { STRUCTURES } from './registry';
import type { Structure } from './structure';
import { sectionWords } from '../words/sections';

/** A structure joined, or left open, as a piece that asks for no body. */
function piece(structure: Structure, closing: Closing, change: Partial<PartOfPiece> = {}): PartOfPiece {
  const kind = closing === 'joined' ? 'bracelet' : closing === 'open' ? 'lariat' : 'bracelet';
  const base = newPart('Closed', structure.id, null, kind);
  return { ...base, ends: { ...base.ends, closing }, ...change };
}
const planned = (one: PartOfPiece): Plan => {
  const plan = planPart(one);
  if (!plan.ok) throw new Error(JSON.stringify(plan.problem));
  return plan;
};
const totalOf = (plan: Plan, role: string) => plan.quantities.find((q) => q.role === role)?.total ?? 0;

/** Whose last unit shares the beginning of the first: they are closed as they are woven. */
const CLOSE_THEMSELVES: readonly string[] = ['right-angle-weave', 'cross-weave', 'square-rope'];

const CASES = STRUCTURES.flatMap((structure) =>
  (['joined', 'open'] as const)
    .filter((closing) => structure.bind(structure.defaults).closings?.includes(closing))
    .map((closing) => [structure.name, closing, structure] as const),
);

describe.each(CASES)('%s, %s', (_, closing, structure) => {
  it('is a sound path at every count that its rules allow: every bead strung once and gone through', () => {
    for (let units = 6; units <= 40; units++) {
      const plan = planned(piece(structure, closing, { units }));
      if (plan.chosen.breaks.some(({ must }) => must)) continue;
      const { path } = plan.work();
      const faults = checkPath(path).filter(({ code }) => code !== 'cell-unlike');
      expect(faults, `${units} units`).toEqual([]);
      const gone = new Set(path.moves.filter(isTraversal).map(({ bead }) => bead.id));
      expect(gone.size).toBe(path.beads.length);
    }
  });

  it('has no clasp, no loop, and nothing of its length is taken', () => {
    const plan = planned(piece(structure, closing, { units: 24 }));
    expect(totalOf(plan, LOOP_ROLE)).toBe(0);
    expect(plan.work().path.findings).toEqual([]);
    expect(plan.closure.allowanceMm).toBe(0);
    expect(plan.warnings.map(({ code }) => code)).not.toContain('one-pass-through-clasp');
    // A graduated line is one unit, however many beads it counts.
    const units = plan.arrangement ? 1 : 24;
    if (closing === 'joined') expect(plan.chosen.finishedMm).toBeCloseTo(units * plan.gauge.pitchMm, 9);
  });

  it('leaves no thread longer than two beads’ girth bare, across the join either', () => {
    const plan = planned(piece(structure, closing, { units: 24 }));
    const { thread } = plan.work();
    const woven = thread.filter(({ move }) => isTraversal(move) && move.place.section !== FINISH);
    expect(woven.length).toBeGreaterThan(24);
    for (const { gapMm } of woven) expect(gapMm).toBeLessThan(2 * 3.05);
  });

  it('is told in steps that say how it is closed', () => {
    const told = planSteps(planned(piece(structure, closing, { units: 24 })));
    const words = told.map(({ section, pass }) => `${sectionWords(section)} ${pass}`).join(' ');
    if (closing === 'joined' && !CLOSE_THEMSELVES.includes(structure.id)) expect(words).toMatch(/join/i);
    expect(words).not.toMatch(/clasp/i);
  });
});

const three = inColour(byId(BEADS, 'fire-polished-3'), { name: 'tar', hex: '#2f3330' });
const elastic = byId(THREADS, 'elastic-0.5');

describe('rings by hand', () => {
  it('closing a square rope into a ring adds a cube of posts alone: n rings, not n + 1', () => {
    const structure = STRUCTURES.find(({ id }) => id === 'square-rope') as Structure;
    const count = (closing: Closing) => {
      const plan = planned(piece(structure, closing, { units: 12 }));
      return [totalOf(plan, 'A'), totalOf(plan, 'B')];
    };
    expect(count('clasp')).toEqual([4 * 13, 4 * 12]);
    expect(count('joined')).toEqual([4 * 12, 4 * 12]);
  });

  it('closing a strip of right-angle weave into a ring adds a unit: n circles share n rungs, not n + 1', () => {
    const [rung, side] = ['B', 'A'];
    const structure = STRUCTURES.find(({ id }) => id === 'right-angle-weave') as Structure;
    const params = { ...structure.defaults, side: [side], rung: [rung], rows: 1 };
    const count = (closing: Closing) => {
      const plan = planned(piece(structure, closing, { units: 12, structure: { id: structure.id, params } }));
      return [totalOf(plan, side), totalOf(plan, rung)];
    };
    expect(count('clasp')).toEqual([24, 13]);
    expect(count('joined')).toEqual([24, 12]);
  });

  it('practice: a two-needle band ends with one bead on each thread, then closes through a bead of the other end', () => {
    const structure = STRUCTURES.find(({ id }) => id === 'cross-weave') as Structure;
    const { path } = planned(piece(structure, 'joined', { units: 8 })).work();
    const body = path.moves.filter((move) => isTraversal(move) && move.place.section === WOVEN);
    const last = body.slice(-4);
    expect(last.map(({ kind }) => kind)).toEqual(['pick', 'pick', 'pass', 'pass']);
    const [, , one, other] = last;
    if (!one || !other || !isTraversal(one) || !isTraversal(other)) throw new Error('no traversal');
    expect(one.bead).toBe(other.bead);
    expect(one.bead.id).toBe(0); // the rung strung first of all
    expect(one.enter).not.toBe(other.enter);
  });

  it('practice: rows of flat herringbone that close round an 8 mm ball: 20, of 40 seeds, on 0.3 to 0.55 m of thread', () => {
    const base = newPart('Frame', 'flat-herringbone', null, 'bail');
    const params = { sequence: ['A'], extra: 0, columns: 2 };
    const frame = planned({
      ...base,
      beads: { ...base.beads, A: inColour(byId(BEADS, 'seed-11'), { name: 'foam', hex: '#e9e3d0' }) },
      structure: { id: 'flat-herringbone', params },
      wear: { ...usualWear('bail', 'over'), overMm: Math.PI * 8 } as PartOfPiece['wear'],
    });
    // A frame lies tight round its ball: no ease, and its beads lean.
    const tight = (Math.PI * 8 + frame.wear.thicknessEffectMm) / frame.gauge.pitchMm;
    expect(tight * 0.94).toBeGreaterThan(18);
    expect(tight * 0.94).toBeLessThan(22);
    const twenty = planned({ ...base, units: 20, structure: { id: 'flat-herringbone', params } });
    expect(totalOf(twenty, 'A')).toBe(40);
    const metres = (twenty.thread.inWorkMm + 2 * 100) / 1000;
    expect(metres).toBeGreaterThan(0.3);
    expect(metres).toBeLessThan(0.55);
  });

  it('practice: 3 mm balls in an elastic cross-weave band beside a top 20 mm wide, US 6 to 8: 18 to 24 beads', () => {
    for (const us of [6, 7, 8]) {
      const finger = Math.PI * (11.63 + 0.8128 * us); // ASTM-style scale, constants from memory
      const base = newPart('Ring', 'cross-weave', null, 'ring');
      const plan = planned({
        ...base,
        wearer: { personId: null, name: 'Ilse', girths: { finger }, typical: null },
        beads: { ...base.beads, A: three, B: three },
        thread: elastic,
        wear: { school: 'elastic' },
        ends: {
          ...base.ends,
          closing: 'clasp',
          clasp: byId(CLASPS, 'ring-top-20'),
          start: { seedsEachSide: 0, passes: 2, rings: null },
          end: { seedsEachSide: 0, passes: 2, rings: null },
        },
      });
      const beads = totalOf(plan, 'A') + totalOf(plan, 'B');
      expect(plan.chosen.units).toBeGreaterThanOrEqual(6);
      expect(plan.chosen.units).toBeLessThanOrEqual(8);
      expect(beads).toBeGreaterThanOrEqual(18);
      expect(beads).toBeLessThanOrEqual(25); // the first rung, which both ends share, is one more
      expect(plan.thread.inWorkMm + 30).toBeLessThan(305); // practice: cord with knots at most 305 mm
    }
  });

  it('practice: where peyote is joined, the last row stands in the gaps of the first: an even number of rows', () => {
    const base = newPart('Band', 'flat-peyote', null, 'bracelet');
    const one = { id: 'flat-peyote', params: { ...base.structure.params, sequence: ['A'], wide: 6 } };
    const joined = { ...base, structure: one, ends: { ...base.ends, closing: 'joined' as const } };
    expect(planned(joined).chosen.units % 2).toBe(0);
    expect(planned({ ...joined, units: 101 }).warnings).toContainEqual(
      expect.objectContaining({ code: 'breaks-rule' }),
    );
  });
});

it('what cannot be closed as asked says what can', () => {
  const tube = newPart('Tube', 'tubular-peyote', null, 'bracelet');
  expect(planPart({ ...tube, ends: { ...tube.ends, closing: 'joined' } })).toMatchObject({
    ok: false,
    problem: { code: 'cannot-close', can: ['clasp'] },
  });
});

it('an odd strip of peyote that is to be joined is told why not, and the nearest that can be', () => {
  const band = newPart('Band', 'flat-peyote', null, 'bangle');
  const across = (wide: number) => {
    const plan = planPart({
      ...band,
      structure: { id: 'flat-peyote', params: { ...band.structure.params, wide } },
    });
    return plan.ok ? 'a plan' : wordProblem(plan.problem, { unit: 'cm', denominator: 8 });
  };
  expect(across(3)).toMatch(/long and short rows take turns.*: take 4 across\./);
  expect(across(5)).toMatch(/: take 4 or 6 across\./);
  for (const wide of [4, 6]) expect(across(wide)).toBe('a plan');
});

it('a kind’s usual way of closing is one of its own', () => {
  for (const { closings } of Object.values(KIND_FACTS)) expect(closings.length).toBeGreaterThan(0);
});

describe('a clasp with several loops', () => {
  const wide: readonly [string, Readonly<Record<string, unknown>>, number][] = [
    ['flat-peyote', { wide: 10 }, 3],
    ['flat-peyote', { wide: 9 }, 2],
    ['flat-herringbone', { columns: 6 }, 3],
    ['flat-herringbone', { columns: 8 }, 2],
    ['right-angle-weave', { rows: 3 }, 3],
    ['right-angle-weave', { rows: 4 }, 2],
  ];
  const tubed = (id: string, params: Readonly<Record<string, unknown>>, loops: number): PartOfPiece => {
    const base = newPart('Wide', id, null);
    return {
      ...base,
      units: 20,
      structure: { id, params: { ...base.structure.params, ...params } },
      ends: { ...base.ends, clasp: byId(CLASPS, `slide-tube-${loops}`) },
    };
  };

  it.each(wide)(
    '%s %o: each of %i loops is sewn on both sides, twice through, across the strip',
    (id, params, loops) => {
      const plan = planned(tubed(id, params, loops));
      const { path, layout } = plan.work();
      expect(checkPath(path)).toEqual([]);
      expect([...findingPasses(path).values()]).toEqual(Array(2 * loops).fill(2));
      // Three seeds out and three back, at every loop of both ends.
      expect(totalOf(plan, LOOP_ROLE)).toBe(2 * loops * 6);
      const across = new Set(layout.findings.map(([x, y]) => `${x.toFixed(2)}/${y.toFixed(2)}`));
      expect(across.size).toBe(2 * loops);
      for (const [, y] of layout.findings) expect(Math.abs(y)).toBeLessThanOrEqual(plan.widthMm / 2);
    },
  );

  it('more loops than a strip can hold are told, and not counted', () => {
    const plan = planned(tubed('strung-line', {}, 3));
    expect(totalOf(plan, LOOP_ROLE)).toBe(12);
    expect(plan.warnings).toContainEqual(
      expect.objectContaining({
        code: 'closure',
        doubt: expect.objectContaining({ code: 'loops-and-width' }),
      }),
    );
  });
});

describe('the edges of right-angle weave, filled', () => {
  const filled = (closing: Closing, units: number, without: string[] = []): Plan => {
    const structure = STRUCTURES.find(({ id }) => id === 'right-angle-weave') as Structure;
    const params = { ...structure.defaults, edge: 'C' };
    return planned(piece(structure, closing, { units, without, structure: { id: structure.id, params } }));
  };

  it('counted by hand: between n sides of an edge there are n − 1 gaps, and n in a ring', () => {
    // Five circles: four gaps above and four below. In a ring the fifth circle meets the first.
    expect(totalOf(filled('clasp', 5), 'C')).toBe(8);
    expect(totalOf(filled('joined', 5), 'C')).toBe(10);
    expect(totalOf(filled('clasp', 5, ['edge fill']), 'C')).toBe(0);
  });

  it('is a sound path for even and odd counts, from either corner', () => {
    for (let units = 4; units <= 13; units++)
      for (const closing of ['clasp', 'joined', 'open'] as const) {
        const { path } = filled(closing, units).work();
        expect(checkPath(path).filter(({ code }) => code !== 'cell-unlike')).toEqual([]);
      }
  });

  it('memory: tightens the band by 3 to 6 %, so that a ring is made of more units', () => {
    const part = ({ gauge }: Plan) => 1 - gauge.pitchMm / gauge.basePitchMm;
    expect(part(filled('joined', 12))).toBeGreaterThan(0.03);
    expect(part(filled('joined', 12))).toBeLessThan(0.06);
    const structure = STRUCTURES.find(({ id }) => id === 'right-angle-weave') as Structure;
    const base = newPart('Ring', structure.id, null, 'ring');
    const ring = (edge: string) =>
      planned({
        ...base,
        wearer: { personId: null, name: 'Ilse', girths: { finger: 54 }, typical: null },
        beads: { ...base.beads, A: three, B: three },
        structure: { id: structure.id, params: { ...structure.defaults, edge } },
      });
    const inUnits = (plan: Plan) => plan.wear.wishMm / plan.gauge.pitchMm;
    expect(inUnits(ring('C'))).toBeGreaterThan(inUnits(ring('none')));
  });

  it('is for one row: of several it says what to do', () => {
    const structure = STRUCTURES.find(({ id }) => id === 'right-angle-weave') as Structure;
    expect(structure.check({ ...structure.defaults, rows: 2, edge: 'C' }).join()).toMatch(/one row/);
  });
});
