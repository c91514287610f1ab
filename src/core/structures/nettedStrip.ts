import * as z from 'zod';
import { WOVEN_BEADS } from '../joints/fastenOff';
import type { Body, Pose } from '../layout/layout';
import { against, beginsAt, bothEnds, forth, straight, type Edge, type Loom, type Made } from '../weave/edge';
import { backOutOf, outOf } from '../weave/needle';
import { START, type Bead, type Slot } from '../weave/path';
import { BESIDE } from './netting';
import { at, girthOf, lengthOf, partsOf, sequenceSchema, structure } from './structure';

const MOST = 8;
const MOST_OF_A_LEG = 6;
const MOST_OF_AN_EDGE = 12;
const ACROSS = [2, 3, 4, 5, 6] as const;

const params = z.object({
  /** The points of one row after another. */
  sequence: sequenceSchema(MOST),
  /** From a point down to one of the row before; mirrored on the way up. */
  leg: sequenceSchema(MOST_OF_A_LEG),
  /** Along an edge, from a row up to the next but one, which begins there: it says how open the net is. */
  edge: sequenceSchema(MOST_OF_AN_EDGE),
  across: z.literal(ACROSS).default(3),
});
type Params = z.infer<typeof params>;

const roleOfPoint = ({ sequence }: Params, row: number) =>
  at(sequence, ((row % sequence.length) + sequence.length) % sequence.length);

const [POINT, FOOT, DOWN, UP, EDGE] = ['point', 'foot', 'down', 'up', 'edge'] as const;

/**
 * The first row is strung with the points between which it hangs. Each later one begins at the other edge: a run of beads up along it, and a
 * point; then from point to point of the row before, down one leg and up the next, to its outermost point at the far edge.
 */
function weave(p: Params, units: number, loom: Loom): Made {
  const { w } = loom;
  const t = w.needle('working');
  const rows = units * p.sequence.length;
  const one = (row: number, of: string, run: number) => at(t.string([roleOfPoint(p, row)], of, { run }), 0);
  const down = (run: number) => t.string(p.leg, DOWN, { run });
  const up = (run: number) => t.string(p.leg.toReversed(), UP, { run });

  const { feet, first, strung } = w.in({ pass: START, row: 0 }, () => {
    t.begin('with a stop bead');
    const feet: Bead[] = [];
    const strung: Bead[] = [];
    const first = Array.from({ length: p.across }, (_, run) => {
      if (run > 0) strung.push(...up(run));
      const point = one(0, POINT, run);
      strung.push(point, ...down(run));
      feet.push(one(-1, FOOT, run));
      return point;
    });
    return { feet, first, strung: [...strung, ...feet] };
  });
  /** The points of a row, in the order worked, and all that is strung in it. */
  interface Row {
    readonly points: readonly Bead[];
    readonly beads: readonly Bead[];
  }
  const { items, last } = w.repeat<Row>(
    1,
    rows,
    { points: first, beads: strung },
    ({ points: before }, row) => {
      const beads: Bead[] = [...t.string(p.edge, EDGE)];
      const points = before.map((_, run) => {
        if (run > 0) beads.push(...up(run));
        const point = one(row, POINT, run);
        beads.push(point, ...down(run));
        // Those of the row before come the other way; in the first they were all strung one way, its feet with them.
        t.back(at(before, -1 - run));
        return point;
      });
      return { points, beads };
    },
  );

  const { points } = last;
  const [near, far] = [Math.floor((p.across - 1) / 2), Math.ceil((p.across - 1) / 2)];
  const from = beginsAt(rows - 1);
  const end = loom.reached(
    'end',
    {
      posts: points.map((bead) => [straight(forth(bead))]),
      from,
      alone: [{ out: outOf(at(points, near)), into: forth(at(points, far)) }],
    },
    t,
  );
  const start: Edge = {
    posts: feet.map((bead) => [straight(against(bead))]),
    from: beginsAt(0),
    alone: [{ out: backOutOf(at(feet, far)), into: against(at(feet, near)) }],
  };
  return {
    edges: { start, end },
    ends: bothEnds(loom, t, [strung, ...items.map(({ beads }) => beads)], WOVEN_BEADS),
  };
}

/** What is measured of a net, mm. */
interface Net {
  /** From row to row: half of a run along an edge, which leads past two of them. */
  readonly riseMm: number;
  /** From point to point of a row. */
  readonly meshMm: number;
  /** How far a leg leads along the strip, and across it. */
  readonly upMm: number;
  readonly asideMm: number;
}

/** Its edges drawn straight; legs lead straight from the end of a point to that of another. */
function netOf(p: Params, body: (role: string) => Body): Net {
  const pointMm = Math.max(...p.sequence.map((role) => body(role).lengthMm));
  const girth = girthOf(p.sequence, body);
  const legMm = lengthOf(p.leg, body);
  const riseMm = lengthOf(p.edge, body) / 2;
  const upMm = Math.min(legMm, Math.max(0, riseMm - BESIDE.up * girth));
  const asideMm = Math.sqrt(legMm ** 2 - upMm ** 2);
  return { riseMm, upMm, asideMm, meshMm: 2 * (asideMm + pointMm + BESIDE.aside * girth) };
}

/** Where beads of a netted strip lie: rows from x = 0 on, the first from y = 0, and how far it reaches. */
function layOut(p: Params, body: (role: string) => Body) {
  const { riseMm, meshMm, upMm, asideMm } = netOf(p, body);
  const legMm = lengthOf(p.leg, body);
  const halfPointMm = Math.max(...p.sequence.map((role) => body(role).lengthMm)) / 2;
  const edgeGirth = girthOf(p.edge, body);
  const broadMm = (p.across - 0.5) * meshMm;
  const middleMm = broadMm / 2;
  /** How far from the edge at which its row begins a point of it is. */
  const fromEdge = (run: number) => run * meshMm;
  /** Where a bead of a row lies, with its row at x = 0 and the edge at which that begins at y = 0. */
  const inRow = ({ of, run = 0, index }: Slot): Pose => {
    if (of === POINT) return { centre: [0, fromEdge(run), 0], axis: [0, 1, 0] };
    if (of === FOOT) return { centre: [-riseMm, fromEdge(run) + meshMm / 2, 0], axis: [0, 1, 0] };
    if (of === EDGE) {
      const before = lengthOf(p.edge.slice(0, index), body) + body(at(p.edge, index)).lengthMm / 2;
      return { centre: [before - 2 * riseMm, -halfPointMm - edgeGirth / 2, 0], axis: [1, 0, 0] };
    }
    const isDown = of === DOWN;
    // How far a bead is from the middle of its leg, towards the point that it leads from, or to.
    const out = isDown ? index : p.leg.length - 1 - index;
    const nearer = 0.5 - (lengthOf(p.leg.slice(0, out), body) + body(at(p.leg, out)).lengthMm / 2) / legMm;
    const side = isDown ? 1 : -1;
    return {
      centre: [-riseMm / 2 + nearer * upMm, fromEdge(run) + side * (meshMm / 4 - nearer * asideMm), 0],
      axis: [-side * (upMm / legMm), asideMm / legMm, 0],
    };
  };
  /** The same on the whole strip: every second row begins at the far edge. */
  const pose = (slot: Slot, row: number): Pose => {
    const { centre, axis } = inRow(slot);
    const way = beginsAt(row) === -1 ? 1 : -1;
    return {
      centre: [row * riseMm + centre[0], way * (centre[1] - middleMm), 0],
      axis: [axis[0], way * axis[1], 0],
    };
  };
  return { riseMm, pose, widthMm: broadMm + 2 * halfPointMm + 2 * edgeGirth };
}

/** Legs that lead along the strip by nearly all of their length have no room beside each other (geometry: a mesh has two). */
const NEAREST = 2;

export const nettedStrip = structure({
  id: 'netted-strip',
  name: 'Netted strip',
  family: 'netting',
  about: 'Rows of meshes to and fro, each hung from the points of the row before: an open, lacy band.',
  feel: 'soft and open; it drapes, and runs of beads along its edges keep its length',
  handles: 'soft like cloth',
  stopBead: true,
  uses: ['bracelet', 'necklace'],
  needles: 1,
  threads: ['gel-spun', 'waxed nylon'],
  thread: 'Gel-spun thread of 6 lb; in nylon it drapes more. It shows at the edges: match the points.',
  looks: [
    { after: 'the first row', look: 'A wavy line. Pin it down, its points up and down by turns.' },
    { after: 'the third row', look: 'Meshes that hang askew. Pull both edges straight, and they open.' },
  ],
  watch: [
    'Begin every row with the run along the edge, or the strip grows narrower.',
    'Go through points only, and through the outermost one too before you turn.',
    'Pull the edges alike: the net bends to the tighter one.',
  ],
  params,
  defaults: { sequence: ['A'], leg: ['B', 'B', 'B'], edge: ['B', 'B', 'B', 'B', 'B'], across: 3 },
  usual: {},
  fields: [
    {
      key: 'sequence',
      kind: 'sequence',
      label: 'Points, row by row',
      help: 'Each letter is one row: the bead where its meshes meet the next.',
      most: MOST,
    },
    {
      key: 'leg',
      kind: 'sequence',
      label: 'One leg, from a point down',
      help: 'To a point of the row before; mirrored on the way up. More beads make wider meshes.',
      most: MOST_OF_A_LEG,
    },
    {
      key: 'edge',
      kind: 'sequence',
      label: 'Along an edge, past two rows',
      help: 'More beads pull the net longer and narrower.',
      most: MOST_OF_AN_EDGE,
    },
    {
      key: 'across',
      kind: 'choice',
      label: 'Points in a row',
      help: 'More make a wider strip.',
      options: ACROSS.map((value) => ({ value, label: `${value}` })),
    },
  ],
  bind: (p) => ({
    parts: [
      ...partsOf(p.sequence, 'point'),
      ...partsOf(p.leg, 'bead of a leg'),
      ...partsOf(p.edge, 'bead of an edge'),
    ],
    formIsExact: 'as its edges',
    minimumUnits: Math.max(1, Math.ceil(3 / p.sequence.length)),
    mostLoops: p.across,
    rowWord: 'row',
    slots: { [POINT]: 'point', [FOOT]: 'point', [DOWN]: 'leg', [UP]: 'leg', [EDGE]: 'edge' },
    closing: null,
    closings: ['clasp', 'open'],
    notJoined: 'A netted strip is not joined here: take a clasp.',
    rowsPerUnit: p.sequence.length,
    work: (loom, units) => weave(p, units, loom),
    advise(body) {
      const { riseMm, meshMm } = netOf(p, body);
      const legMm = lengthOf(p.leg, body);
      return [
        ...(riseMm - BESIDE.up * girthOf(p.sequence, body) > legMm
          ? [
              'The edges are so long that the legs cannot reach. Take beads out of the edge, or add some to the legs.',
            ]
          : meshMm < NEAREST * (girthOf(p.leg, body) + girthOf(p.sequence, body) / 2)
            ? [
                'Pulled so long the legs of a mesh have no room beside each other. Take beads out of the edge, or add some to the legs.',
              ]
            : []),
        ...(riseMm < girthOf([...p.sequence, ...p.leg], body)
          ? ['The edges are so short that rows lie in each other. Add beads to the edge.']
          : []),
      ];
    },
    /** Closed form: see `netOf`. */
    form(body) {
      const { riseMm, pose: poseIn, widthMm } = layOut(p, body);
      const pose = (slot: Slot, row: number) => poseIn(slot, row);
      /** How far beads of these slots reach along the strip, one way, from the row at x = 0. */
      const reach = (slots: readonly (readonly [Slot, string])[], way: 1 | -1) =>
        Math.max(
          ...slots.map(([slot, role]) => {
            const { centre, axis } = pose(slot, 0);
            const { lengthMm, diameterMm } = body(role);
            const half =
              (Math.abs(axis[0]) * lengthMm + Math.sqrt(Math.max(0, 1 - axis[0] ** 2)) * diameterMm) / 2;
            return way * centre[0] + half;
          }),
        );
      const legs = p.leg.map((role, index): [Slot, string] => [{ of: DOWN, index, run: 0 }, role]);
      const point = (row: number): [Slot, string] => [{ of: POINT, index: 0, run: 0 }, roleOfPoint(p, row)];
      const leadMm = reach([...legs, point(0), [{ of: FOOT, index: 0, run: 0 }, roleOfPoint(p, -1)]], -1);
      const trailMm = reach([...legs, point(-1)], 1);
      return {
        pitchMm: p.sequence.length * riseMm,
        extraMm: leadMm + trailMm - riseMm,
        widthMm,
        thicknessMm: girthOf([...p.sequence, ...p.leg, ...p.edge], body),
        // Its edges are drawn straight; one that waves is shorter (from memory).
        mayShorten: 0.05,
        held: 'mat',
        pose({ slot, place: { row } }): Pose {
          const { centre, ...rest } = pose(slot, row);
          return { ...rest, centre: [leadMm + centre[0], centre[1], 0] };
        },
      };
    },
  }),
});
