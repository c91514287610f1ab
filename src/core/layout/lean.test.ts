import { WOVEN } from '../weave/path';
import { describe, expect, it } from 'vitest';
import { newPart } from '../piece/newPiece';
import type { PartOfPiece } from '../piece/partOfPiece';
import type { Plan } from '../plan/plan';
import { planSolved } from '../plan/shipped';
import { leaning, leanOf } from './lean';

const DEGREE = Math.PI / 180;

describe('herringbone leans on thread that runs slantwise through its holes', () => {
  // The trial's table for 11/0, 1.4 mm long: so far from the middle the thread may lie, so much the inner columns lean.
  it.each([
    [0.1, 9],
    [0.2, 17],
    [0.3, 24],
  ])(
    '%s mm from the middle: about %s° (a taut string with its length in the beads counted, solved apart)',
    (s, degrees) => {
      const thread = { diameterMm: 0.15 };
      const holeMm = 2 * s + 2 * thread.diameterMm;
      const lean = leanOf({ holeMm, lengthMm: 1.4 }, thread, false);
      expect(lean).toBeCloseTo(Math.atan((2 * s) / 1.4), 9);
      expect(Math.abs(lean / DEGREE - degrees)).toBeLessThan(1.6);
    },
  );

  it('not at all where thread fills the hole, and less on doubled thread', () => {
    expect(leanOf({ holeMm: 0.3, lengthMm: 1.4 }, { diameterMm: 0.15 }, false)).toBe(0);
    expect(leanOf({ holeMm: 0.2, lengthMm: 1.4 }, { diameterMm: 0.15 }, false)).toBe(0);
    const lean = (doubled: boolean) => leanOf({ holeMm: 0.8, lengthMm: 1.4 }, { diameterMm: 0.15 }, doubled);
    expect(lean(false)).toBeCloseTo(Math.atan(0.5 / 1.4), 9);
    expect(lean(true)).toBeCloseTo(Math.atan(0.2 / 1.4), 9);
  });

  it('its end farther along the piece points where it leans to, whichever way it was strung', () => {
    const lean = [0, Math.tan(20 * DEGREE), 0] as const;
    const on = leaning({ centre: [0, 0, 0], axis: [1, 0, 0], lean });
    const back = leaning({ centre: [0, 0, 0], axis: [-1, 0, 0], lean });
    expect(on.axis[0]).toBeCloseTo(Math.cos(20 * DEGREE), 9);
    expect(on.axis[1]).toBeCloseTo(Math.sin(20 * DEGREE), 9);
    back.axis.forEach((v, k) => expect(v).toBeCloseTo(-(on.axis[k] ?? 0), 9));
    const upright = { centre: [0, 0, 0], axis: [1, 0, 0] } as const;
    expect(leaning(upright)).toBe(upright);
  });

  const planned = (id: string, params: object, change: Partial<PartOfPiece> = {}): Plan => {
    const base = newPart('Lean', id, null);
    const structure = { id, params: { ...base.structure.params, ...params } };
    const plan = planSolved({ ...base, units: 12, structure, ...change });
    if (!plan.ok) throw new Error(plan.problem.code);
    return plan;
  };
  /** How far each bead of a row in the middle leans across the piece, from one edge to the other. */
  const row = (plan: Plan) => {
    const { path, layout } = plan.work();
    return path.beads
      .filter(({ place }) => place.section === WOVEN && place.row === 6)
      .map(({ id }) => layout.poses[id])
      .sort((a, b) => (a?.centre[1] ?? 0) - (b?.centre[1] ?? 0))
      .map((pose) => pose?.lean?.[1] ?? 0);
  };

  it('pairs lean to each other, the outermost half as much; two columns stand upright; so does peyote', () => {
    const [a = 0, b = 0, c = 0, d = 0] = row(planned('flat-herringbone', { columns: 4, sequence: ['A'] }));
    expect(a).toBeGreaterThan(0.05);
    expect([b, c, d]).toEqual([-2 * a, 2 * a, -a]);
    expect(row(planned('flat-herringbone', { columns: 2 }))).toEqual([0, 0]);
    expect(new Set(row(planned('flat-peyote', {})))).toEqual(new Set([0]));
  });

  it('for the left hand it leans the same way to its partner', () => {
    const right = row(planned('flat-herringbone', { columns: 4, sequence: ['A'] }));
    const left = row(planned('flat-herringbone', { columns: 4, sequence: ['A'] }, { hand: 'left' }));
    left.forEach((lean, i) => expect(lean).toBeCloseTo(right[i] ?? NaN, 9));
  });

  it('the pitch stays; the band reaches to where leaning rows would be', () => {
    const { gauge } = planned('flat-herringbone', { columns: 4, sequence: ['A'] });
    const { A } = newPart('Lean', 'flat-herringbone', null).beads;
    expect(gauge.pitchMm).toBeCloseTo(A.lengthMm, 1);
    const upright = planned('flat-herringbone', { columns: 2, sequence: ['A'] }).gauge;
    expect(gauge.highMm).toBeGreaterThan(upright.highMm + 0.02);
    expect(gauge.lowMm).toBeCloseTo(upright.lowMm, 1);
  });

  it('round a tube each bead leans along the round, and none towards its middle', () => {
    const { path, layout } = planned('tubular-herringbone', { sequence: ['A'], around: 6 }).work();
    const leans = path.beads
      .filter(({ place }) => place.section === WOVEN && place.row === 6)
      .flatMap(({ id }) => (layout.poses[id] ? [layout.poses[id]] : []));
    expect(leans).toHaveLength(6);
    for (const { centre, lean = [0, 0, 0] } of leans) {
      expect(Math.hypot(...lean)).toBeGreaterThan(0.1);
      expect(lean[0]).toBe(0);
      const towards = centre[1] * lean[1] + centre[2] * lean[2];
      expect(Math.abs(towards) / Math.hypot(centre[1], centre[2])).toBeLessThan(0.02);
    }
  });
});
