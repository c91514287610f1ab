import * as z from 'zod';
import { WOVEN_BEADS } from '../joints/fastenOff';
import type { Body, Pose } from '../layout/layout';
import { against, bothEnds, forth, onePost, straight, type Edge, type Loom, type Made } from '../weave/edge';
import { START, type Bead, type HoleEnd } from '../weave/path';
import { extraField, extraSchema, extraWords } from './extra';
import { at, girthOf, lengthOf, partsOf, sequenceSchema, structure } from './structure';

const MOST = 6;
const MOST_OF_AN_EDGE = 8;
const MOST_OF_A_LEG = 10;

const params = z.object({
  /** The points of one stitch after another: they stand at either edge by turns. */
  sequence: sequenceSchema(MOST),
  extra: extraSchema,
  edge: sequenceSchema(MOST_OF_AN_EDGE),
  leg: sequenceSchema(MOST_OF_A_LEG),
});
type Params = z.infer<typeof params>;

const roleOfPoint = ({ sequence }: Params, stitch: number) => at(sequence, stitch % sequence.length);
const stitches = ({ sequence, extra }: Params, units: number) => units * sequence.length + extra;

/** A stitch as it is strung: along an edge, the point that ends it, and the leg to the other edge. */
interface Stitch {
  readonly edge: readonly Bead[];
  readonly point: Bead;
  readonly leg: readonly Bead[];
}
const beadsOf = ({ edge, point, leg }: Stitch) => [...edge, point, ...leg];

/**
 * Along an edge to a new point, and from its far end along a leg back to the last point of the other edge; through that, on to its
 * own edge. So both legs of a V pass beneath its point, each to the far end.
 */
function weave(p: Params, units: number, loom: Loom): Made {
  const { w } = loom;
  const t = w.needle('working');
  const point = (row: number) => at(t.string([roleOfPoint(p, row)], 'point'), 0);
  const leg = () => t.string(p.leg, 'leg');
  // The first leg leads from the second point to the first.
  const begun = w.in({ pass: START }, (): readonly [Stitch, Stitch] => {
    const second = w.in({ row: 1 }, (): Stitch => {
      t.begin('with a stop bead');
      return { edge: [], point: point(1), leg: leg() };
    });
    return [w.in({ row: 0 }, () => ({ edge: [], point: point(0), leg: [] })), second];
  });
  const { items } = w.repeat(2, stitches(p, units), begun, ([, last], row): readonly [Stitch, Stitch] => {
    const edge = t.string(p.edge, 'edge');
    const next = { edge, point: point(row), leg: leg() };
    t.through(last.point);
    return [last, next];
  });
  const all = [...begun, ...items.map(([, next]) => next)];
  /** What hangs at an end hangs on the middle bead of the leg that crosses it; thread turns back to it through a point, over a half hitch. */
  const onLeg = (way: readonly HoleEnd[]): Edge =>
    onePost({ ...straight(way.slice(-1)), reach: { through: () => way, hitched: true } });
  const half = Math.floor(p.leg.length / 2);
  const [first, before, last] = [at(all, 1), at(all, -2), at(all, -1)];
  const end = loom.reached('end', onLeg(against(before.point, ...last.leg.slice(half).reverse())), t);
  return {
    edges: { start: onLeg(forth(first.point, ...first.leg.slice(0, half + 1))), end },
    ends: bothEnds(loom, t, all.map(beadsOf), WOVEN_BEADS),
  };
}

/** A chain by its numbers, mm. */
interface Zigzag {
  /** From a point to the next along the same edge. */
  readonly spanMm: number;
  /** How far a leg leans along the chain, and how far it leads across it. */
  readonly leansMm: number;
  readonly acrossMm: number;
  /** From the middle of a leg's end to the middle of its point. */
  readonly offMm: number;
}

const meanLength = (roles: readonly string[], body: (role: string) => Body) =>
  lengthOf(roles, body) / roles.length;

/** Edges and points end to end; the two legs of a V begin side by side beneath its point. */
function zigzag(p: Params, body: (role: string) => Body): Zigzag {
  const spanMm = lengthOf(p.edge, body) + meanLength(p.sequence, body);
  const legMm = lengthOf(p.leg, body);
  const girth = girthOf(p.leg, body);
  const leansMm = Math.min(legMm, Math.max(0, spanMm / 2 - girth));
  return {
    spanMm,
    leansMm,
    acrossMm: Math.sqrt(legMm ** 2 - leansMm ** 2),
    offMm: (girthOf([...p.sequence, ...p.edge], body) + girth) / 2,
  };
}

/** Spans shorter than so many girths of a leg hold their Vs so narrow that the legs lie this way or that (tried in all beads of the catalogue). */
const NARROWEST = 3;
/** A leg must be so much longer than half a span, or there is no V (from memory). */
const LEAST_SLANT = 1.1;
/** Longer points, in girths of a leg, tip out of the chain (tried in all beads of the catalogue). */
const LONGEST_POINT = 2;
/** Edges that differ by more than this part bend the chain (from memory). */
const UNLIKE = 0.08;

export const chevronChain = structure({
  id: 'chevron-chain',
  name: 'Chevron chain',
  family: 'chain',
  about: 'Legs to and fro between two edges, with a point at the tip of each: a row of Vs, framed.',
  feel: 'light and open; it drapes, and stretches a little',
  handles: 'hangs like a chain',
  stopBead: true,
  uses: ['necklace', 'bracelet'],
  needles: 1,
  threads: ['gel-spun', 'waxed nylon'],
  thread: 'Gel-spun thread of 6 lb, or nylon in the colour of the legs: it shows a little at the points.',
  looks: [
    { after: 'the first stitch', look: 'A loose triangle with a bead hanging from it.' },
    { after: 'the third stitch', look: 'Both edges show, and the legs between them stand in a zigzag.' },
  ],
  watch: [
    'Go through every point the same way, towards the end that you work on: the other way, and the chain closes up.',
    'Draw every stitch tight before the next: a slack leg leaves thread at the point.',
    'The edges take turns: two stitches along the same edge, and a V is missing.',
  ],
  params,
  defaults: { sequence: ['A'], extra: 0, edge: ['B', 'B', 'B', 'B'], leg: ['C', 'C', 'C', 'C'] },
  usual: {},
  fields: [
    {
      key: 'sequence',
      kind: 'sequence',
      label: 'Points, stitch by stitch',
      help: 'Each letter is one stitch, with a point at one edge and then at the other.',
      most: MOST,
    },
    extraField('Stitches'),
    {
      key: 'edge',
      kind: 'sequence',
      label: 'Edge from point to point, in the order strung',
      help: 'As long as two steps of the chain: more beads open its Vs.',
      most: MOST_OF_AN_EDGE,
    },
    {
      key: 'leg',
      kind: 'sequence',
      label: 'One leg, in the order strung',
      help: 'From a point to the other edge: more beads make the chain wider.',
      most: MOST_OF_A_LEG,
    },
  ],
  bind: (p) => ({
    parts: [
      ...partsOf(p.sequence, 'point'),
      ...partsOf(p.edge, 'bead of an edge'),
      ...partsOf(p.leg, 'bead of a leg'),
    ],
    minimumUnits: Math.max(1, Math.ceil((3 - p.extra) / p.sequence.length)),
    rowWord: 'stitch',
    slots: { point: 'point', edge: 'edge', leg: 'leg' },
    extraWord: 'stitch',
    closing: extraWords(p, 'stitch'),
    closings: ['clasp', 'open'],
    notJoined: 'A chevron chain is not joined here: take a clasp.',
    rowsPerUnit: p.sequence.length,
    work: (loom, units) => weave(p, units, loom),
    advise(body) {
      const { spanMm } = zigzag(p, body);
      const points = p.sequence.map((role) => body(role).lengthMm);
      // With an odd number of them each edge has all by turns.
      const [one, other] = [0, 1].map((edge) => p.sequence.filter((_, i) => i % 2 === edge));
      const unlike =
        one && other && p.sequence.length % 2 === 0
          ? Math.abs(meanLength(one, body) - meanLength(other, body))
          : 0;
      return [
        ...(unlike > UNLIKE * spanMm
          ? [
              'The points of one edge are longer than those of the other, so the chain bends. Take points of like length for both.',
            ]
          : []),
        ...(Math.max(...points) > LONGEST_POINT * girthOf(p.leg, body)
          ? [
              'The points are so long that they tip out of the chain, and thread shows beneath them. Take shorter points, or thicker legs.',
            ]
          : []),
        ...(spanMm < NARROWEST * girthOf(p.leg, body)
          ? [
              'The edges are so short that the legs of a V have no room beside each other. Add beads to the edges, or take thinner ones for the legs.',
            ]
          : []),
        ...(lengthOf(p.leg, body) < (LEAST_SLANT * spanMm) / 2
          ? [
              'The legs are too short for such edges: they lie flat, and no V shows. Add beads to them, or take some out of the edges.',
            ]
          : []),
      ];
    },
    /** Closed form: edges and points end to end, legs straight between them. */
    form(body) {
      const { spanMm, leansMm, acrossMm, offMm } = zigzag(p, body);
      const stepMm = spanMm / 2;
      const girth = girthOf([...p.sequence, ...p.edge], body);
      const pointMm = meanLength(p.sequence, body);
      const edgeMm = acrossMm / 2 + offMm;
      const legMm = Math.hypot(leansMm, acrossMm);
      const side = (row: number) => (row % 2 === 0 ? -1 : 1);
      const middle = (run: Params['leg'], index: number) =>
        lengthOf(run.slice(0, index), body) + body(at(run, index)).lengthMm / 2;
      /** How far a bead of a leg is past its point, which it leads back from, and how far it leads across the chain. */
      const onLeg = (index: number) => {
        const part = middle(p.leg, index) / legMm - 0.5;
        return { pastMm: -stepMm / 2 - part * leansMm, acrossMm: -part * acrossMm };
      };
      const legs = p.leg.map((role, index) => {
        const { lengthMm, diameterMm } = body(role);
        const halfMm = (leansMm * lengthMm + acrossMm * diameterMm) / legMm / 2;
        return { pastMm: onLeg(index).pastMm, halfMm };
      });
      const halfPoint = (stitch: number) => body(roleOfPoint(p, stitch)).lengthMm / 2;
      // Either end is where its last point ends, or what reaches out farther.
      const leadMm = Math.max(
        halfPoint(0),
        halfPoint(1) - stepMm,
        ...legs.map(({ pastMm, halfMm }) => halfMm - pastMm - stepMm),
      );
      const last = p.extra + 2 * p.sequence.length - 1;
      const trailMm = Math.max(
        halfPoint(last),
        halfPoint(last - 1) - stepMm,
        ...legs.map(({ pastMm, halfMm }) => halfMm + pastMm),
      );
      const x = (row: number) => leadMm + row * stepMm;
      return {
        pitchMm: p.sequence.length * stepMm,
        extraMm: leadMm + trailMm + (p.extra - 1) * stepMm,
        widthMm: 2 * edgeMm + girth,
        endWidthMm: girthOf(p.leg, body),
        thicknessMm: girthOf([...p.sequence, ...p.edge, ...p.leg], body),
        mayShorten: 0.05,
        held: 'mat',
        pose({ slot: { of, index }, place: { row } }): Pose {
          const out = side(row);
          if (of === 'point') return { centre: [x(row), out * edgeMm, 0], axis: [1, 0, 0] };
          if (of === 'edge')
            return {
              centre: [x(row - 2) + pointMm / 2 + middle(p.edge, index), out * edgeMm, 0],
              axis: [1, 0, 0],
            };
          const { pastMm, acrossMm: y } = onLeg(index);
          return {
            centre: [x(row) + pastMm, out * y, 0],
            axis: [-leansMm / legMm, (-out * acrossMm) / legMm, 0],
          };
        },
      };
    },
  }),
});
