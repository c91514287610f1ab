import { range } from 'd3';
import { describe, expect, it } from 'vitest';
import { BEADS, byId } from '../materials/catalogue';
import { newPart } from '../piece/newPiece';
import type { PartOfPiece } from '../piece/partOfPiece';
import type { Plan } from '../plan/plan';
import { planPart } from '../plan/shipped';
import { NO_LOOP } from '../closures/sewnLoop';
import { threadMoves } from '../read/thread';
import { STRUCTURES } from '../structures/registry';
import { tubularPeyote } from '../structures/tubularPeyote';
import { hang } from './arc';
import type { BeadSize } from '../materials/material';
import { closedLayout } from '../testing/closed';
import { rightAngleRing, rosette } from '../testing/paths';
import { THOROUGH } from '../testing/thorough';
import { WOVEN, type Path } from '../weave/path';
import { drawing, type View } from './drawing';
import { isRound, outline } from './outline';
import { turnOf } from './pose';
import { beadAt, extent, slice, standing, timesWithin, wholeSketch, type Sketch } from './sketch';
import { solidOf } from './solver/solid';
import type { Point } from './layout';

const bead = (id: string) => byId(BEADS, id);
const BARE_ENDS = { start: NO_LOOP, end: NO_LOOP };
const along: Point = [1, 0, 0];
const towards: Point = [0, 0, 1];
const spans = (edge: readonly (readonly [number, number])[]) =>
  [0, 1].map((k) => {
    const values = edge.map((point) => point[k] as number);
    return Math.max(...values) - Math.min(...values);
  });
const seen = (id: string, axis: Point, across?: Point) =>
  outline(solidOf(bead(id)), turnOf({ centre: [0, 0, 0], axis, ...(across && { across }) }));

describe('outlines', () => {
  it('a ball is a circle from every side (geometry)', () => {
    for (const axis of [along, towards, [0.6, 0.64, 0.48] as Point])
      for (const [x, y] of seen('pressed-4', axis)) expect(Math.hypot(x, y)).toBeCloseTo(2, 6);
  });

  it('a seed is as long as it is from the side, and round as it is thick from its end (geometry)', () => {
    const { lengthMm, diameterMm } = bead('seed-8');
    const side = spans(seen('seed-8', along));
    expect(side[0]).toBeCloseTo(lengthMm, 2);
    expect(side[1]).toBeCloseTo(diameterMm, 2);
    for (const [x, y] of seen('seed-8', towards)) expect(Math.hypot(x, y)).toBeCloseTo(diameterMm / 2, 3);
  });

  it('a tile shows its width and its length from above, its thickness from the edge (geometry)', () => {
    const { lengthMm, widthMm, diameterMm } = bead('tile');
    const above = spans(seen('tile', along, [0, 1, 0]));
    expect(above[0]).toBeCloseTo(lengthMm, 1);
    expect(above[1]).toBeCloseTo(widthMm ?? 0, 1);
    expect(spans(seen('tile', along, [0, 0, 1]))[1]).toBeCloseTo(diameterMm, 1);
    expect(isRound(solidOf(bead('tile')))).toBe(false);
    expect(isRound(solidOf(bead('bicone-4')))).toBe(true);
  });

  it('a bicone is a rhombus, cut off at its hole: half as wide half way to its tip (geometry)', () => {
    const edge = seen('bicone-4', along);
    const half = edge.filter(([x]) => Math.abs(Math.abs(x) - 1) < 0.35).map(([, y]) => Math.abs(y));
    for (const y of half) expect(y).toBeLessThan(1.6);
    expect(spans(edge)[0]).toBeCloseTo(4, 1);
  });
});

describe('an arc that hangs', () => {
  it('a half circle: chord 2r, sag r (geometry)', () => {
    const beads = Array<number>(101).fill(Math.PI / 101);
    const arc = hang(2, beads);
    expect(Math.max(...arc.map(({ at: [, y] }) => y))).toBeCloseTo(1, 6);
    expect(arc[50]?.way).toEqual([expect.closeTo(1, 6), expect.closeTo(0, 6), 0]);
  });

  it('no longer than its chord it lies straight, in the middle of it', () => {
    expect(hang(10, [2, 2]).map(({ at }) => at)).toEqual([
      [4, 0, 0],
      [6, 0, 0],
    ]);
  });
});

const sample = (id: string, units: number, params: PartOfPiece['structure']['params'] = {}): Plan => {
  const piece = newPart('Sample', id, null);
  const plan = planPart({
    ...piece,
    units,
    structure: { id, params: { ...piece.structure.params, ...params } },
  });
  if (!plan.ok) throw new Error(plan.problem.code);
  return plan;
};

/** A graduated line is one unit, whatever its count. */
const COUNTED = STRUCTURES.filter(({ bind, defaults }) => !bind(defaults).arrangement);

describe.each(COUNTED.map((s) => [s.name, s.id] as const))('the sketch of %s', (_, id) => {
  it.each([60, 61])('of %i units shows every bead once, where the whole layout has it', (units) => {
    const plan = sample(id, units);
    const { layout, path } = plan.work();
    const { parts } = plan.sketch('above');
    const places = parts
      .flatMap(({ beads, times, atMm, stepMm }) =>
        Array.from({ length: times }, (_, k) =>
          beads.map(({ bead: { role }, at: [x, y] }) => [role, x + atMm + k * stepMm, y] as const),
        ).flat(),
      )
      .sort(byPlace);
    const whole = path.beads
      .map(({ id, role }) => {
        const [x = 0, y = 0] = layout.poses[id]?.centre ?? [];
        return [role, x, y] as const;
      })
      .sort(byPlace);
    expect(places).toHaveLength(whole.length);
    // What looks alike is drawn alike: to a twentieth of a millimetre, which cannot be seen.
    const apart = places.map(([role, x, y], i) => {
      const other = whole[i];
      return other && other[0] === role ? Math.hypot(x - other[1], y - other[2]) : Infinity;
    });
    expect(Math.max(...apart)).toBeLessThan(0.06);
  });

  it('in a stretch of it stands every bead that reaches into it', () => {
    const sketch = sample(id, 60).sketch('above');
    const { from, to } = extent(sketch);
    const wide = to[0] - from[0];
    const stretch = { fromMm: from[0] + 0.3 * wide, toMm: from[0] + 0.4 * wide };
    const reach = (shape: string) =>
      Math.max(...(sketch.shapes.get(shape)?.edge ?? []).map(([x]) => Math.abs(x)));
    const every = standing(sketch).filter(
      ({ drawn, at: [x] }) =>
        x + reach(drawn.shape) >= stretch.fromMm && x - reach(drawn.shape) <= stretch.toMm,
    );
    const drawn = sketch.parts.flatMap((part) => {
      const [first, end] = timesWithin(sketch, part, stretch);
      return part.beads.flatMap(({ bead }) => range(first, end).map((time) => `${bead.id}/${time}`));
    });
    expect(drawn).toEqual(expect.arrayContaining(every.map((one) => `${one.drawn.bead.id}/${one.time}`)));
    const nowhere = { fromMm: to[0] + 10, toMm: to[0] + 20 };
    for (const part of sketch.parts) {
      const [first, end] = timesWithin(sketch, part, nowhere);
      expect(end).toBe(first);
    }
  });

  it('tells which bead and which unit is under a point, at every bead that is not covered', () => {
    const plan = sample(id, 40);
    const sketch = plan.sketch('above');
    const { from, to } = extent(sketch);
    const found = new Set<number>();
    for (let x = from[0]; x < to[0]; x += 0.7)
      for (let y = from[1]; y < to[1]; y += 0.7) {
        const hit = beadAt(sketch, [x, y]);
        if (hit?.drawn.bead.place.section === WOVEN) found.add(hit.unit);
      }
    for (let unit = 0; unit < 40; unit++) expect(found).toContain(unit);
    expect(beadAt(sketch, [from[0] - 5, 0])).toBeNull();
  });

  it('a cut across shows beads of one unit only', () => {
    const cut = slice(sample(id, 12).sketch('end'), 6, 7);
    const units = cut.parts.flatMap(({ beads }) => beads.map(({ bead }) => bead.place.unit));
    expect(units.length).toBeGreaterThan(0);
    expect(new Set(units)).toEqual(new Set([6]));
  });
});

/** Along the piece, then across; roles break ties. Rounded coarsely, so that equal places sort alike. */
const byPlace = (a: readonly [string, number, number], b: readonly [string, number, number]) =>
  a[0].localeCompare(b[0]) ||
  Math.round(a[2] * 4 + 0.31) - Math.round(b[2] * 4 + 0.31) ||
  a[1] - b[1] ||
  a[2] - b[2];

describe('what repeats is drawn once', () => {
  it('what lies behind is drawn first, however short or long the piece', () => {
    for (const [id, units] of [
      ['two-hole-line', 8],
      ['two-hole-line', 80],
      ['tubular-herringbone', 6],
    ] as const)
      for (const view of ['above', 'side'] as const) {
        const levels = sample(id, units)
          .sketch(view)
          .parts.map(({ level }) => level);
        expect(levels).toEqual([...levels].sort((a, b) => a - b));
      }
  });

  it('a flat piece of 3,000 beads has few parts and few shapes', () => {
    const { parts, shapes } = sample('flat-peyote', 500).sketch('above');
    const drawn = parts.reduce((sum, { beads }) => sum + beads.length, 0);
    const meant = parts.reduce((sum, { beads, times }) => sum + beads.length * times, 0);
    expect(meant).toBeGreaterThan(3000);
    expect(drawn).toBeLessThan(300);
    expect(shapes.size).toBeLessThan(8);
  });

  it.each(['right-angle-weave', 'ladder'])('%s alternates, and repeats with odd and even counts', (id) => {
    for (const units of [200, 201]) {
      const { parts } = sample(id, units).sketch('above');
      expect(parts.reduce((sum, { beads }) => sum + beads.length, 0)).toBeLessThan(100);
    }
  });

  it('what is sewn on the front is nearer to the eye than what it lies on', () => {
    const plan = sample('two-hole-line', 10);
    const { beads } = drawing(plan.work(), () => ({ ...bead('seed-11') }), 'above');
    const depth = (role: string) => {
      const all = beads.filter((one) => one.bead.role === role && one.bead.place.section === WOVEN);
      return all.reduce((sum, one) => sum + one.depth, 0) / all.length;
    };
    expect(depth('D')).toBeGreaterThan(depth('A') + 1);
    const back = sample('two-hole-line', 10, { face: 'back' });
    const turned = drawing(back.work(), () => ({ ...bead('seed-11') }), 'above').beads;
    const middle = turned.filter((one) => one.bead.role === 'D');
    for (const one of middle) expect(one.depth).toBeLessThan(0);
  });
});

describe('mouths of holes', () => {
  const planOf = (id: string) => {
    const plan = planPart(newPart('Seen', id, null));
    if (!plan.ok) throw new Error(plan.problem.code);
    return plan;
  };
  const mouths = (id: string, view: View, role: string) => {
    const { shapes } = planOf(id).sketch(view);
    return [...shapes.values()].filter((shape) => shape.role === role).map((shape) => shape.mouths);
  };

  it('a strung line looks at one with one open mouth from its end, in the middle of the bead; with none from above', () => {
    const fromEnd = mouths('strung-line', 'end', 'A').flat();
    expect(fromEnd.length).toBeGreaterThan(0);
    for (const { at, open } of fromEnd) {
      expect(open).toBeGreaterThan(0.95);
      expect(Math.hypot(...at)).toBeLessThan(0.2);
    }
    for (const shape of mouths('strung-line', 'end', 'A')) expect(shape).toHaveLength(1);
    for (const shape of mouths('strung-line', 'above', 'A')) expect(shape).toEqual([]);
  });

  it('a rung of a ladder lies across: its mouth is seen from the side, and from no end', () => {
    for (const shape of mouths('ladder', 'side', 'A')) expect(shape).toHaveLength(1);
    for (const shape of mouths('ladder', 'end', 'A')) expect(shape).toEqual([]);
  });
});

describe('rings and motifs', () => {
  const whole = (path: Path, sizeOf: (role: string) => BeadSize, view: View) =>
    wholeSketch({ path, layout: closedLayout(path, sizeOf) }, sizeOf, view);
  const size = (seen: Sketch) => {
    const { from, to } = extent(seen);
    return [to[0] - from[0], to[1] - from[1]] as const;
  };

  // Long, and seldom fails: part of `npm run soak`.
  it.runIf(THOROUGH)(
    'a rosette of eight is drawn round from above, and thin from its edge (geometry)',
    () => {
      const eleven = () => bead('seed-11');
      const [wide, high] = size(whole(rosette(8), eleven, 'above'));
      expect(Math.abs(wide / high - 1)).toBeLessThan(0.08);
      const [, thick] = size(whole(rosette(8), eleven, 'side'));
      expect(thick).toBeLessThan(0.4 * wide);
    },
  );

  it('a ring of a right-angle strip: as wide as its circle and two beads (geometry)', () => {
    const path = rightAngleRing(12);
    const four = () => bead('pressed-4');
    const [wide, high] = size(whole(path, four, 'above'));
    expect(Math.abs(wide / high - 1)).toBeLessThan(0.05);
    // The middle line is twelve units of √2·D round; half a ball stands out on either side of it.
    expect(wide).toBeGreaterThan((12 * Math.SQRT2 * 4) / Math.PI);
    expect(wide).toBeLessThan((12 * Math.SQRT2 * 4) / Math.PI + 2 * 4);
  });
});

describe('levels of a whole picture', () => {
  // Beads much thicker and much thinner than a unit of length: a level is as deep as the thickest bead is across.
  it.each(['seed-15', 'pressed-6'])('are as deep as a bead is across: a tube in %s', (id) => {
    const size = byId(BEADS, id);
    const sizeOf = () => size;
    const path = tubularPeyote.bind(tubularPeyote.defaults).weave(6, BARE_ENDS);
    const form = tubularPeyote.bind(tubularPeyote.defaults).form(sizeOf, new Set());
    const layout = { poses: path.beads.map((one) => form.pose(one)), findings: [], body: sizeOf };
    const { parts } = wholeSketch({ path, layout, thread: threadMoves(path, layout) }, sizeOf, 'above');
    const depths = parts.map(({ beads }) => beads.map(({ depth }) => depth));
    const all = depths.flat();
    expect(all).toHaveLength(path.beads.length);
    for (const level of depths.filter((one) => one.length > 0))
      expect(Math.max(...level) - Math.min(...level)).toBeLessThanOrEqual(size.diameterMm + 1e-6);
    const deep = (Math.max(...all) - Math.min(...all)) / size.diameterMm;
    expect(depths.filter((one) => one.length > 0).length).toBeLessThanOrEqual(deep + 2);
    expect(depths.filter((one) => one.length > 0).length).toBeGreaterThan(1);
  });
});
