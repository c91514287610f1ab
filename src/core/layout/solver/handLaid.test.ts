import { describe, expect, it } from 'vitest';
import { BEADS, byId } from '../../materials/catalogue';
import { laid, type LayoutCell } from '../../testing/layoutCells';
import { inUsualBeads, solveLayout } from '../solveLayout';
import { CellEnergy } from './energy';
import { AT_EASE } from './stage';
import { clearInside, measure } from './measure';
import { alikeAcross, alikeAround } from './alike';
import { seeded } from './random';
import { restingOf } from './resting';
import { solidOf } from './solid';
import { beadsOf, pitchIndex, PER_BEAD } from './state';

const inBead = (stitch: string, params: LayoutCell['params'], ...beads: string[]) =>
  laid({ stitch, params, beads: Object.fromEntries(beads.map((id, i) => ['ABCDEF'.charAt(i), id])) });
const many = (n: number, role = 'A') => Array<string>(n).fill(role);

/** What a weaver comes to, mm a unit: single seeds from memory (2.8 to 3.1), the others round what the third trial found to lie flat. */
const PRACTICE: readonly (readonly [
  string,
  LayoutCell['params'],
  readonly string[],
  least: number,
  most: number,
])[] = [
  ['right-angle-weave', { side: ['A'], rung: ['A'] }, ['seed-11'], 2.8, 3.1],
  ['right-angle-weave', { side: ['A'], rung: ['A'], rows: 3 }, ['seed-11'], 2.8, 3.1],
  ['cross-weave', { side: ['A'], other: ['A'], rung: ['A'] }, ['seed-11'], 2.8, 3.1],
  ['right-angle-weave', { side: many(2), rung: many(2) }, ['seed-11'], 3.7, 4],
  ['right-angle-weave', { side: many(3), rung: many(3) }, ['seed-11'], 5.1, 5.4],
  ['right-angle-weave', { side: ['A'], rung: ['A'] }, ['pressed-4'], 5.5, 5.8],
  ['ladder', { high: 2 }, ['seed-8', 'seed-11'], 3, 3.1],
  ['ladder', { high: 2 }, ['bugle-6', 'seed-15'], 1.95, 2.05],
  ['tile-ladder', {}, ['half-tile'], 4.9, 5.1],
];

describe('from the structure’s own arrangement, as a hand makes it', () => {
  it.each(PRACTICE)('practice: %s %o in %j', (stitch, params, beads, least, most) => {
    const { pitchMm, thicknessMm, rests } = inBead(stitch, params, ...beads);
    expect(rests).toBe(true);
    expect(pitchMm).toBeGreaterThan(least);
    expect(pitchMm).toBeLessThan(most);
    const thickest = Math.max(...beads.map((id) => byId(BEADS, id).diameterMm));
    expect(thicknessMm).toBeLessThan(1.03 * thickest);
  });

  // So many units make up what is woven of a bracelet for a 165 mm wrist: its ease and the work's thickness make up for the clasp.
  it.each([
    ['right-angle-weave', { side: many(2), rung: many(2) }, ['seed-11'], 43],
    ['right-angle-weave', { side: many(3), rung: many(3) }, ['seed-11'], 32],
    ['ladder', { high: 2 }, ['seed-8', 'seed-11'], 54],
    ['tile-ladder', {}, ['half-tile'], 32],
  ])(
    'a count to be trusted (third trial): %s %o in %j, about %i round a 165 mm wrist',
    (stitch, params, beads, right) => {
      const { pitchMm } = inBead(stitch, params, ...beads);
      expect(Math.abs(165 / pitchMm / right - 1)).toBeLessThan(0.04);
    },
  );

  it.each([
    ['right-angle-weave', { side: ['A'], rung: ['A'] }, [1, 2, 3, 5]],
    ['cross-weave', { side: ['A'], other: ['A'], rung: ['B'] }, [1, 2, 4]],
    // Sides of two kinds: its circles are not each other turned over.
    ['cross-weave', { side: ['A'], other: ['C'], rung: ['A'] }, [1, 2, 3]],
  ])('a net has one pitch, in however many rows: %s %o', (stitch, params, rows) => {
    const pitches = rows.map(
      (n) => inBead(stitch, { ...params, rows: n }, 'seed-11', 'bicone-3', 'cylinder-11').pitchMm,
    );
    for (const pitchMm of pitches) expect(pitchMm / (pitches[0] ?? NaN)).toBeCloseTo(1, 2);
  });

  it('an edge that is filled leaves its net the pitch', () => {
    const pitch = (edge: string) =>
      inBead('right-angle-weave', { side: ['A'], rung: ['A'], edge }, 'seed-11', 'seed-11', 'seed-15')
        .pitchMm;
    expect(pitch('C') / pitch('none')).toBeCloseTo(1, 2);
  });

  it('on a former a tube of four columns is square, and all its columns are alike', () => {
    const { settled, request } = inBead('tubular-herringbone', { sequence: ['A'], around: 4 }, 'seed-11');
    const { solidsOf } = inUsualBeads(request);
    const far = request.cell.beads.map((_, i) => {
      const { centre } = restingOf(settled.state, i);
      return Math.hypot(centre[1], centre[2]);
    });
    expect(Math.max(...far) - Math.min(...far)).toBeLessThan(0.01);
    const { widthMm, thicknessMm } = measure(request.cell, solidsOf(), settled);
    // Seen across its corners it is wider by √2 − 1 of what lies between the middles.
    expect(widthMm / thicknessMm).toBeLessThan(1.25);
    expect(clearInside(solidsOf(), settled)).toBeGreaterThan(0);
  });

  it('sections of 4 mm beads stay straight: the tube does not turn', () => {
    const { settled, rests } = inBead(
      'tubular-herringbone',
      { sequence: ['A', 'A', 'B'] },
      'seed-11',
      'pressed-4',
    );
    expect(rests).toBe(true);
    expect(settled.twist).toBe(0);
  });

  it('what is alike on both sides stays so: sides of several beads bow alike', () => {
    const { settled, request } = inBead('right-angle-weave', { side: many(3), rung: many(3) }, 'seed-11');
    const at = (word: string) => {
      const i = request.cell.beads.findIndex((bead) => bead.word.endsWith(`/${word}`));
      return restingOf(settled.state, i).centre;
    };
    for (const [near, far] of [
      ['near1', 'far3'],
      ['near2', 'far2'],
      ['near3', 'far1'],
    ] as const) {
      expect(at(near)[0]).toBeCloseTo(at(far)[0], 3);
      expect(at(near)[1]).toBeCloseTo(-at(far)[1], 3);
    }
    // Bowed outward: the middle of a side lies farther out than its ends.
    expect(Math.abs(at('near2')[1])).toBeGreaterThan(Math.abs(at('near1')[1]) + 0.2);
  });

  it('later passes leave the pitch of what is there, and give way where they need more room', () => {
    const pitch = (rung: string, picot: string) => inBead('ladder', {}, rung, picot).pitchMm;
    expect(pitch('seed-8', 'seed-15')).toBeCloseTo(3.05, 2);
    expect(pitch('seed-15', 'seed-11')).toBeCloseTo(byId(BEADS, 'seed-11').diameterMm, 2);
  });

  it('swags hang below their line, and lie on the mat beside it', () => {
    const { settled, request, thicknessMm, pitchMm, form } = inBead(
      'strung-line',
      { swags: 1 },
      ...many(4, 'seed-11'),
    );
    request.cell.beads.forEach(({ face }, i) => {
      const [, y, z] = restingOf(settled.state, i).centre;
      expect(Math.abs(z)).toBeLessThan(0.2);
      if (face === 'below') expect(y).toBeGreaterThan(1);
      else expect(Math.abs(y)).toBeLessThan(0.2);
    });
    expect(thicknessMm).toBeCloseTo(2.15, 1);
    expect(pitchMm / form.pitchMm).toBeCloseTo(1, 2);
  });
});

describe('what holds the work', () => {
  const cell = laid({ stitch: 'tubular-herringbone', params: { sequence: ['A'] }, beads: { A: 'cube-3' } });
  const { cell: four } = cell.request;
  const faced = {
    ...four,
    beads: four.beads.map((bead, i) => (i === 0 ? { ...bead, face: 'below' as const } : bead)),
  };

  it.each([
    ['the mat', { flat: 3 }],
    ['the line', { line: 3 }],
    ['the former', { formerMm: 3 }],
  ])('%s: its gradient is what small steps measure (central differences)', (_, hold) => {
    const energy = new CellEnergy(
      faced,
      faced.beads.map(() => solidOf(byId(BEADS, 'cube-3'))),
    );
    energy.levels[0] = 0.4;
    energy.stage = { ...AT_EASE, ...hold, stiffness: 50 };
    const random = seeded(3);
    const state = cell.settled.state.map((v) => v + 0.3 * (random() - 0.5));
    const gradient = new Float64Array(state.length);
    const value = energy.evaluate(state, gradient);
    energy.stage = { ...AT_EASE, stiffness: 50 };
    expect(value - energy.evaluate(state, new Float64Array(state.length))).toBeGreaterThan(0.01);
    energy.stage = { ...AT_EASE, ...hold, stiffness: 50 };
    const unused = new Float64Array(state.length);
    const at = (i: number, by: number) =>
      energy.evaluate(
        state.map((v, k) => (k === i ? v + by : v)),
        unused,
      );
    for (let i = 0; i < state.length - 2; i++)
      expect((at(i, 1e-5) - at(i, -1e-5)) / 2e-5).toBeCloseTo(gradient[i] as number, 3);
  });

  it('a pitch that is held is not moved', () => {
    const energy = new CellEnergy(
      four,
      four.beads.map(() => solidOf(byId(BEADS, 'cube-3'))),
    );
    const gradient = new Float64Array(cell.settled.state.length);
    const pitchForce = (pitchHeld: boolean) => {
      energy.stage = { ...AT_EASE, pull: 0.5, pitchHeld };
      energy.evaluate(cell.settled.state, gradient);
      return gradient[pitchIndex(beadsOf(gradient))] as number;
    };
    expect(Math.abs(pitchForce(false))).toBeGreaterThan(0.1);
    expect(pitchForce(true)).toBe(0);
  });
});

describe('both edges alike', () => {
  /** Two beads across the line from each other, and one on it. */
  const start = new Float64Array(3 * PER_BEAD + 2);
  start.set([1, 2, 0, 1, 0, 0, 0], 0);
  start.set([1, -2, 0, 0, 0, 0, 1], PER_BEAD);
  start.set([3, 0, 0, Math.SQRT1_2, 0, 0, Math.SQRT1_2], 2 * PER_BEAD);
  const weights = start.map((_, i) => ((i * 37) % 11) - 5);
  const linear = (at: Float64Array, gradient: Float64Array) => {
    gradient.set(weights.subarray(0, gradient.length));
    return at.reduce((sum, v, i) => sum + v * (weights[i] as number), 0);
  };

  it('leaves what is alike as it is, and tells the same of a state and its mirror image', () => {
    const alike = alikeAcross(linear, start, ['A', 'A', 'B']);
    const gradient = new Float64Array(start.length);
    expect(alike?.(start, gradient)).toBeCloseTo(linear(start, new Float64Array(start.length)), 12);
    const [moved, image] = [start.slice(), start.slice()];
    moved[1] = 2.5;
    image[PER_BEAD + 1] = -2.5;
    expect(alike?.(moved, gradient)).toBeCloseTo(alike?.(image, gradient) ?? NaN, 12);
    // Its gradient moves both alike.
    expect(gradient[0]).toBeCloseTo(gradient[PER_BEAD] as number, 12);
    expect(gradient[1]).toBeCloseTo(-(gradient[PER_BEAD + 1] as number), 12);
    expect(gradient[2 * PER_BEAD + 1]).toBeCloseTo(0, 12);
  });

  it('of a tube: beads of a round that are strung one way are each other turned about it', () => {
    const round = new Float64Array(3 * PER_BEAD + 2);
    // Two beads across the tube from each other, turned about it with their place; a third strung the other way.
    round.set([0, 2, 0, 1, 0, 0, 0], 0);
    round.set([0, -2, 0, 0, 1, 0, 0], PER_BEAD);
    const both = alikeAround(linear, round.subarray(0, 2 * PER_BEAD), ['A', 'A']);
    const gradient = new Float64Array(2 * PER_BEAD);
    const [moved, image] = [round.slice(0, 2 * PER_BEAD), round.slice(0, 2 * PER_BEAD)];
    moved[1] = 2.5;
    image[PER_BEAD + 1] = -2.5;
    expect(both?.(moved, gradient)).toBeCloseTo(both?.(image, gradient) ?? NaN, 12);
    expect(gradient[1]).toBeCloseTo(-(gradient[PER_BEAD + 1] as number), 12);
    round.set([0, 0, 2, 0, 0, 0, 1], 2 * PER_BEAD);
    expect(alikeAround(linear, round, ['A', 'A', 'A'])).toBeNull();
    expect(alikeAround(linear, round.subarray(0, 2 * PER_BEAD), ['A', 'B'])).toBeNull();
  });

  it('is nothing where the sides are not alike', () => {
    expect(alikeAcross(linear, start, ['A', 'B', 'C'])).toBeNull();
    const off = start.slice();
    off[0] = 1.2;
    expect(alikeAcross(linear, off, ['A', 'A', 'B'])).toBeNull();
  });
});

describe('a soft net', () => {
  it('lies midway from its square circles to its pinwheel; both ends are told (11/0: 2.71 to 3.10, fourth trial)', () => {
    const { request, form } = inBead('right-angle-weave', { side: ['A'], rung: ['A'] }, 'seed-11');
    const { pitchMm, snugMm } = solveLayout(request);
    expect(form.pitchMm).toBeCloseTo(3.1, 2);
    expect(snugMm).toBeCloseTo(2.71, 2);
    expect(pitchMm).toBeCloseTo((snugMm + form.pitchMm) / 2, 3);
  });

  it('of balls is hardly soft: √2 · D', () => {
    const { request } = inBead('right-angle-weave', { side: ['A'], rung: ['A'] }, 'pressed-4');
    const { pitchMm, snugMm } = solveLayout(request);
    expect(pitchMm / (4 * Math.SQRT2)).toBeCloseTo(1, 2);
    expect(snugMm / pitchMm).toBeCloseTo(1, 2);
  });
});
