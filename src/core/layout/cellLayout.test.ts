import { describe, expect, it } from 'vitest';
import { BEADS, byId } from '../materials/catalogue';
import type { BeadSize } from '../materials/material';
import { newPart } from '../piece/newPiece';
import { planPart } from '../plan/shipped';
import { STRUCTURES } from '../structures/registry';
import { flatHerringbone } from '../structures/flatHerringbone';
import type { Form, Structure } from '../structures/structure';
import { all, ends } from '../testing/woven';
import { layoutRequest, settledOf } from './cellLayout';
import { solveLayout } from './solveLayout';
import { holeEnd, distance, type Layout } from './layout';
import { cellLayoutAt } from './kept';
import { shippedLayouts } from './shipped';
import { restingOf } from './solver/resting';
import { CellEnergy } from './solver/energy';
import { solidOf } from './solver/solid';
import { WOVEN, type Bead } from '../weave/path';

const sizes = (id: string) => () => byId(BEADS, id);

/** A stitch with these parameters, wholly in one bead, as it is to be laid out. */
function asked(
  { bind, defaults }: Structure,
  units: number,
  params = {},
  size: (role: string) => BeadSize = sizes('seed-11'),
) {
  const weaveable = bind({ ...defaults, ...params });
  return layoutRequest(weaveable.weave(units, ends), size, weaveable.form(size, all));
}

describe('the key of a layout', () => {
  const key = (...of: Parameters<typeof asked>) => asked(...of)?.key;

  it('is the same for the same links and sizes, whatever roles are called and however long the piece', () => {
    expect(key(flatHerringbone, 12)).toBeDefined();
    expect(key(flatHerringbone, 12)).toBe(key(flatHerringbone, 20, { sequence: ['B'] }));
    expect(key(flatHerringbone, 12)).not.toBe(key(flatHerringbone, 12, {}, sizes('seed-8')));
    expect(key(flatHerringbone, 12)).not.toBe(key(flatHerringbone, 12, { columns: 4 }));
  });

  it('sets out from the stitch’s own arrangement: every bead where its form has it, but for where the period begins', () => {
    const weaveable = flatHerringbone.bind(flatHerringbone.defaults);
    const form = weaveable.form(sizes('seed-11'), all);
    const path = weaveable.weave(12, ends);
    const request = layoutRequest(path, sizes('seed-11'), form);
    const { state } = request?.start ?? { state: new Float64Array() };
    const cell = request?.cell.beads ?? [];
    expect(cell.length).toBeGreaterThan(1);
    const at = cell.map((_, i) => restingOf(state, i).centre);
    const from = cell.map(({ id }) => form.pose(path.beads[id] as Bead).centre);
    cell.forEach((_, i) => {
      expect((at[i]?.[0] ?? 0) - (at[0]?.[0] ?? 0)).toBeCloseTo((from[i]?.[0] ?? 0) - (from[0]?.[0] ?? 0), 6);
      expect(Math.abs(at[i]?.[1] ?? 0)).toBeCloseTo(Math.abs(from[i]?.[1] ?? 0), 6);
    });
    expect(at.some(([, y]) => Math.abs(y) > 0.1)).toBe(true);
  });

  it('is none for what does not repeat, or not as its own arrangement does', () => {
    expect(asked(flatHerringbone, 2)).toBeNull();
    const weaveable = flatHerringbone.bind(flatHerringbone.defaults);
    const form = weaveable.form(sizes('seed-11'), all);
    const askew: Form = {
      ...form,
      pose: (bead) => ({
        ...form.pose(bead),
        centre: [bead.place.row ** (bead.name === 'left' ? 2 : 1), 0, 0],
      }),
    };
    expect(layoutRequest(weaveable.weave(12, ends), sizes('seed-11'), askew)).toBeNull();
  });
});

const LAID_OUT = STRUCTURES.filter(({ bind, defaults }) => !bind(defaults).formIsExact);

describe.each(LAID_OUT.map((s) => [s.name, s.id] as const))('what ships: %s', (_, id) => {
  const plan = planPart({ ...newPart('Kept', id, null), units: 12 });
  if (!plan.ok) throw new Error(plan.problem.code);

  it('stands on the solver, with a band round it', () => {
    expect(plan.toLayOut).toBeNull();
    expect(plan.gauge).toMatchObject({ source: 'solver', settled: true });
    expect(plan.gauge.lowMm).toBeLessThan(plan.gauge.pitchMm);
    expect(plan.gauge.highMm).toBeGreaterThan(plan.gauge.pitchMm);
    expect(plan.gauge.drape).not.toBeNull();
  });

  it('is what the solver still says, to a thousandth of a millimetre', () => {
    const open = planPart({ ...newPart('Kept', id, null), units: 12 }, { layouts: () => undefined });
    if (!open.ok || !open.toLayOut) throw new Error('nothing to lay out');
    expect(open.gauge.source).toBe('closed form');
    const kept = cellLayoutAt(shippedLayouts, open.toLayOut.key);
    if (!kept) throw new Error('nothing kept');
    const again = solveLayout(open.toLayOut);
    expect(again.pitchMm).toBeCloseTo(kept.pitchMm, 3);
    expect(again.thicknessMm).toBeCloseTo(kept.thicknessMm, 2);
  });

  it('no bead lies deeper in another than a twentieth of its size, in any of its choices', () => {
    const { fields } = plan.structure;
    const choices = fields.flatMap((field) =>
      field.kind === 'choice' ? field.options.map(({ value }) => ({ [field.key]: value })) : [],
    );
    const piece = newPart('Kept', id, null);
    for (const choice of [{}, ...choices]) {
      const params = { ...piece.structure.params, ...choice };
      const open = planPart({ ...piece, units: 12, structure: { id, params } }, { layouts: () => undefined });
      // A V does not go on as it begins, and knots hold a line as it is: the closed form stands.
      if (open.ok && (open.weaveable.corner || open.weaveable.knotted)) continue;
      if (!open.ok || !open.toLayOut) throw new Error('nothing to lay out');
      const { key, cell, sizes } = open.toLayOut;
      const kept = cellLayoutAt(shippedLayouts, key);
      if (!kept) throw new Error(`${id} ${JSON.stringify(choice)} does not ship.`);
      const energy = new CellEnergy(
        cell,
        sizes.map((size) => solidOf(size)),
      );
      const { state } = settledOf(kept);
      energy.evaluate(state, new Float64Array(state.length));
      const smallest = Math.min(...sizes.map(({ lengthMm, diameterMm }) => Math.min(lengthMm, diameterMm)));
      expect(energy.deepestMm).toBeLessThan(0.05 * smallest);
    }
  });

  it('lays every bead of the woven part, its thread taut: no bare stretch longer than two beads', () => {
    const { path, layout, thread } = plan.work();
    const woven = path.beads.filter((bead) => bead.place.section === WOVEN);
    const largest = Math.max(...woven.map(({ role }) => layout.body(role).diameterMm));
    for (const bead of woven) expect(length(layout, bead)).toBeCloseTo(layout.body(bead.role).lengthMm, 3);
    const inside = thread.filter(({ move }) => move.place.section === WOVEN);
    expect(inside.length).toBeGreaterThan(0);
    for (const { gapMm } of inside) expect(gapMm).toBeLessThan(2 * largest);
  });
});

const length = (layout: Layout, bead: Parameters<typeof holeEnd>[1]) =>
  distance(holeEnd(layout, bead, 0), holeEnd(layout, bead, 1));

it('says what stands out: 4 mm cubes by nearly half a millimetre over the 8/0 beside them (geometry)', () => {
  const size = (role: string) => byId(BEADS, role === 'A' ? 'cube-4' : 'seed-8');
  const request = asked(flatHerringbone, 12, { sequence: ['A', 'B'] }, size);
  if (!request) throw new Error('no repeat');
  const { heightsMm } = solveLayout(request);
  const front = (role: string) =>
    Math.max(...request.cell.beads.map((b, i) => (b.role === role ? (heightsMm[i]?.[0] ?? 0) : 0)));
  expect(front('A') - front('B')).toBeGreaterThan(0.3);
  expect(front('A') - front('B')).toBeLessThan((4 - 3.05) / 2 + 0.15);
});

it('an odd material still gets a plan at once, by the closed form, and says what is to be laid out', () => {
  const piece = newPart('Odd', 'ladder', null);
  const odd = { ...piece.beads.A, lengthMm: 2.345, diameterMm: 2.222 };
  const plan = planPart({ ...piece, beads: { ...piece.beads, A: odd } });
  expect(plan.ok && plan.toLayOut?.sizes[0]).toMatchObject({ lengthMm: 2.345 });
  expect(plan.ok && plan.gauge.source).toBe('closed form');
});
