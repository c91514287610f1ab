import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import type { Layout } from '../layout/layout';
import { BEADS, byId } from '../materials/catalogue';
import { beadGrams } from '../materials/weight';
import { STRUCTURES } from '../structures/registry';
import { inALine } from '../testing/inALine';
import { capsule, REPEATING, rosette, strung } from '../testing/paths';
import { Weave } from '../weave/builder';
import { isTraversal, type Path } from '../weave/path';
import { newPart } from '../piece/newPiece';
import { planSteps } from '../plan/steps';
import { planned } from '../testing/planned';
import { steps } from './steps';
import { strokes } from './strokes';
import { tally } from './tally';
import { reading, totals } from './totals';
import { holeUses } from './traversals';
import { weight } from './weight';
import { ends } from '../testing/woven';

const every = [
  ...REPEATING.filter(({ name }) => name !== 'rosette'),
  ...STRUCTURES.map((s) => {
    const weaveable = s.bind(s.defaults);
    return {
      name: s.name,
      fewest: weaveable.minimumUnits,
      build: (n: number) => weaveable.weave(n, ends),
    };
  }),
];

/** Trips for each role, as a second kind of total. */
function tripsOf(path: Path): Map<string, number> {
  const trips = new Map<string, number>();
  for (const { bead, traversals } of holeUses(path))
    trips.set(bead.role, (trips.get(bead.role) ?? 0) + traversals);
  return trips;
}

describe.each(every)('$name', ({ build, fewest }) => {
  it('totals off two short paths are those of the whole path', () =>
    fc.assert(
      fc.property(fc.integer({ min: fewest, max: 400 }), (n) => {
        const from = reading(build, n, fewest);
        const whole = build(n);
        expect(totals(from, tally)).toEqual(new Map(tally(whole)));
        expect(totals(from, tripsOf)).toEqual(tripsOf(whole));
      }),
      { numRuns: 12, seed: 3 },
    ));

  it('every move is in a step, and equal units are told once', () => {
    const groups = (n: number) => steps(inALine(build(n)), { row: 'row', role: (r) => r });
    const told = groups(12).reduce(
      (sum, { steps, times }) => sum + times * steps.reduce((n, step) => n + step.moves.length, 0),
      0,
    );
    expect(told).toBe(build(12).moves.length);
    expect(groups(40).length).toBe(groups(20).length);
    for (const { steps } of groups(12)) for (const { text } of steps) expect(text).toMatch(/^[A-Z1-9].*\.$/);
  });
});

it('a round of a motif is told once for all its parts', () => {
  const part = newPart('x', 'round-motif', null);
  const groups = planSteps(planned({ ...part, ends: { ...part.ends, closing: 'open' } }));
  // The last closes the round, and leads up to the next.
  expect(groups.find(({ pass }) => pass === 'round 1')).toMatchObject({ fromUnit: 1, toUnit: 7, times: 7 });
});

describe('strokes of the needle', () => {
  const seed = { lengthMm: 1.5, diameterMm: 2 };
  const line = (path: Path, bend: number): Layout => ({
    body: () => seed,
    findings: [],
    poses: path.beads.map((_, i) => {
      const turn = i * bend;
      // Beads end to end round a circle, or along a line where nothing bends.
      const r = bend === 0 ? 0 : seed.lengthMm / (2 * Math.tan(bend / 2));
      const centre = bend === 0 ? [i * seed.lengthMm, 0, 0] : [r * Math.sin(turn), r * Math.cos(turn), 0];
      return { centre: centre as [number, number, number], axis: [Math.cos(turn), -Math.sin(turn), 0] };
    }),
  });
  const sizes = (path: Path, bend: number) => {
    const counts = new Map<number, number>();
    for (const stroke of strokes(path, line(path, bend)).values())
      counts.set(stroke, (counts.get(stroke) ?? 0) + 1);
    return [...counts.values()];
  };

  it('20 beads of 1.5 mm in a line are 30 mm: one stroke, and one bead more begins the next', () => {
    const inOneRow = (n: number) => strung(1, Array<string>(n).fill('A'));
    expect(sizes(inOneRow(20), 0)).toEqual([20]);
    expect(sizes(inOneRow(21), 0)).toEqual([20, 1]);
    // In rows of three it is told row by row.
    expect(sizes(strung(4, ['A', 'A', 'A']), 0)).toEqual([3, 3, 3, 3]);
  });

  it('a needle does not go round a corner', () =>
    expect(sizes(strung(1, ['A', 'A', 'A', 'A']), Math.PI / 3)).toEqual([1, 1, 1, 1]));

  it('a stroke is said in the step', () => {
    const w = new Weave();
    const t = w.needle('working');
    const beads = t.string(['A', 'A', 'A', 'B']);
    t.through(...beads.slice(0, 3));
    const path = w.path();
    const words = { row: 'row', role: (r: string) => r } as const;
    const laid = inALine(path);
    const text = steps({ ...laid, seen: { strokes: strokes(path, laid.layout) } }, words)[0]?.steps[0]?.text;
    expect(text).toMatch(/through the first three new beads, all on the needle at once/);
    expect(steps(laid, words)[0]?.steps[0]?.text).not.toMatch(/at once/);
  });
});

describe('what a step says beside the moves', () => {
  it('what is set in, by name', () => {
    const words = { row: 'row', role: (r: string) => (r === 'Z' ? 'stone' : r) } as const;
    const told = steps(inALine(capsule(8)), words).flatMap((group) => group.steps.map(({ text }) => text));
    expect(told.filter((text) => /set in 1 stone\b/i.test(text))).toHaveLength(1);
    expect(told.join(' ')).not.toMatch(/set in (?!1 stone)/i);
  });

  it('tension and reason of its pass; left out where an optional pass is switched off', () => {
    const path = (without: readonly string[]) => {
      const w = new Weave({ without: new Set(without) });
      const t = w.needle('working');
      const line = w.repeat(0, 4, null, () => t.pick({ a: 'A' }));
      w.pass('edge', { tension: 'loose', optional: true, why: 'Or it bends.' }, () =>
        w.along(line, { backwards: true }, () => void t.pick({ edge: 'E' })),
      );
      return w.path();
    };
    const words = { row: 'row', role: (r: string) => r } as const;
    expect(steps(inALine(path([])), words).at(-1)).toMatchObject({
      pass: 'edge',
      info: { tension: 'loose', why: 'Or it bends.', optional: true },
      times: 4,
    });
    expect(tally(path(['edge'])).has('E')).toBe(false);
    expect(path(['edge']).passes.get('edge')?.optional).toBe(true);
  });
});

describe('weight', () => {
  it('memory: 105 to 120 round 11/0 seeds go to a gram', () => {
    const seed = { ...byId(BEADS, 'seed-11'), colourName: 'x', colour: '#000000', finish: 'plain' } as const;
    const { grams, unknown } = weight(new Map([['A', 1000]]), () => beadGrams(seed));
    expect(grams).toBeGreaterThan(1000 / 120);
    expect(grams).toBeLessThan(1000 / 105);
    expect(unknown).toEqual([]);
  });

  it('glass is 2.5 g/cm³: a 4 mm ball with a hole of 1 mm, by the formula of the sphere', () => {
    const ball = byId(BEADS, 'pressed-4');
    const material = { ...ball, perGram: null, colourName: 'x', colour: '#000000', finish: 'plain' } as const;
    const byHand = ((4 / 3) * Math.PI * 2 ** 3 - Math.PI * 0.5 ** 2 * 4) * 0.0025;
    expect(beadGrams(material)).toBeCloseTo(byHand, 6);
  });

  it('says which roles it does not know', () =>
    expect(weight(new Map([['Z', 1]]), () => null)).toEqual({ grams: 0, unknown: ['Z'] }));
});

it('picks of a bead that only travels are never counted twice', () => {
  const path = rosette(6);
  const picked = path.moves.filter((m) => m.kind === 'pick').length;
  expect(picked).toBe(path.beads.length);
  expect(path.moves.filter(isTraversal).length).toBeGreaterThan(picked);
});
