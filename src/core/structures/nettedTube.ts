import * as z from 'zod';
import { WOVEN_BEADS } from '../joints/fastenOff';
import type { Body, Pose } from '../layout/layout';
import { against, bothEnds, forth, straight, type Edge, type Loom, type Made } from '../weave/edge';
import { backOutOf, outOf } from '../weave/needle';
import { START, type Bead } from '../weave/path';
import { BESIDE } from './netting';
import { tubePose } from './tubePose';
import { at, girthOf, lengthOf, partsOf, sequenceSchema, structure } from './structure';

const MOST = 8;
const MOST_OF_A_LEG = 6;
const MOST_OF_THE_RING = 8;
const AROUND = [3, 4, 5, 6, 8] as const;

const params = z.object({
  /** The points of one round after another. */
  sequence: sequenceSchema(MOST),
  /** From a point of the round before out to a new one; mirrored on the way back. */
  leg: sequenceSchema(MOST_OF_A_LEG),
  /** Between two points of the first ring: how open the net is begun. */
  ring: sequenceSchema(MOST_OF_THE_RING),
  around: z.literal(AROUND).default(4),
});
type Params = z.infer<typeof params>;

const roleOfPoint = ({ sequence }: Params, round: number) =>
  at(sequence, ((round % sequence.length) + sequence.length) % sequence.length);

/** A mesh as it is strung: out from a point of the round before, its own point, and back to the next. */
interface Mesh {
  readonly up: readonly Bead[];
  readonly point: Bead;
  readonly down: readonly Bead[];
}
const beadsOf = ({ up, point, down }: Mesh) => [...up, point, ...down];

/**
 * A ring of points with beads between; each later round hangs a mesh from every point of the round before to the next, and steps up
 * through half of its own first mesh, to its point.
 */
function weave(p: Params, units: number, loom: Loom): Made {
  const { w } = loom;
  const t = w.needle('working');
  const rounds = units * p.sequence.length;
  const point = (row: number, run: number) => at(t.string([roleOfPoint(p, row)], 'point', { run }), 0);
  const first = w.in({ pass: START, row: 0 }, (): Mesh[] => {
    t.begin('none');
    const ring = Array.from({ length: p.around }, (_, run) => ({
      up: [],
      point: point(0, run),
      down: t.string(p.ring, 'ring', { run }),
    }));
    t.close(at(ring, 0).point);
    return ring;
  });
  const { items, last } = w.repeat<readonly Mesh[]>(1, rounds, first, (before, row) => {
    const round = before.map((_, run) => {
      const mesh = {
        up: t.string(p.leg, 'up', { run }),
        point: point(row, run),
        down: t.string(p.leg.toReversed(), 'down', { run }),
      };
      t.through(at(before, (run + 1) % p.around).point);
      return mesh;
    });
    const { up, point: own } = at(round, 0);
    t.stepUp(...up, own);
    return round;
  });

  const points = (round: readonly Mesh[]) => round.map((mesh) => mesh.point);
  const opposite = Math.floor(p.around / 2);
  const top = points(last);
  const end = loom.reached(
    'end',
    {
      posts: top.map((bead) => [straight(forth(bead))]),
      alone: [{ out: outOf(at(top, 0)), into: forth(at(top, opposite)) }],
      mouth: forth(...top.slice(1), at(top, 0)),
    },
    t,
  );
  // The tail runs the other way round.
  const foot = points(first);
  const start: Edge = {
    posts: foot.map((bead) => [straight(against(bead))]),
    alone: [{ out: backOutOf(at(foot, 0)), into: against(at(foot, opposite)) }],
    mouth: against(...first.flatMap(beadsOf).toReversed()),
  };
  const all = [first, ...items].map((round) => round.flatMap(beadsOf));
  return { edges: { start, end }, ends: bothEnds(loom, t, all, WOVEN_BEADS) };
}

/** What is measured of a net, mm. */
interface Net {
  /** From point to point of a round, on the tube. */
  readonly meshMm: number;
  readonly radiusMm: number;
  /** How far a leg leads along the tube, and round it. */
  readonly upMm: number;
  readonly asideMm: number;
  /** From round to round. */
  readonly riseMm: number;
}

/** On a former as wide as the first ring; legs lead straight from the end of a point to that of another. */
function netOf(p: Params, body: (role: string) => Body): Net {
  const pointMm = Math.max(...p.sequence.map((role) => body(role).lengthMm));
  const meshMm = body(roleOfPoint(p, 0)).lengthMm + lengthOf(p.ring, body);
  const legMm = lengthOf(p.leg, body);
  const girth = girthOf(p.sequence, body);
  const asideMm = Math.min(legMm, Math.max(0, meshMm / 2 - pointMm - BESIDE.aside * girth));
  const upMm = Math.sqrt(legMm ** 2 - asideMm ** 2);
  return {
    meshMm,
    radiusMm: (p.around * meshMm) / (2 * Math.PI),
    upMm,
    asideMm,
    riseMm: upMm + BESIDE.up * girth,
  };
}

/** A leg must be so much longer than it leads round the tube, or rounds lie in each other (from memory). */
const LEAST_SLANT = 1.15;
/** Points nearer than so many girths of a leg leave the legs of a mesh no room beside each other (geometry: a mesh has two). */
const NEAREST = 2;

export const nettedTube = structure({
  id: 'netted-tube',
  name: 'Netted tube',
  family: 'netting',
  about: 'Meshes round and round, each hung from the points of the round before: an open, lacy tube.',
  feel: 'soft and stretchy; it narrows as it is pulled, and widens as it is pushed',
  handles: 'round like a rope',
  grows: 'up',
  uses: ['rope', 'necklace', 'bracelet'],
  needles: 1,
  threads: ['gel-spun', 'waxed nylon'],
  thread: 'Gel-spun thread of 6 lb; in nylon it drapes more. It shows between the meshes: match the legs.',
  looks: [
    { after: 'the first ring', look: 'A slack ring. Put it on a former as wide as you want the tube.' },
    { after: 'the first round', look: 'Loops that flop. The second round draws them into meshes.' },
  ],
  watch: [
    'Step up to the point of the first mesh at the end of every round: it moves half a mesh on each time.',
    'Go through points only: through a bead beside one, and a mesh hangs askew.',
    'Measure it as it will hang: pulled, a net is longer and thinner.',
  ],
  params,
  defaults: { sequence: ['A'], leg: ['B', 'B'], ring: ['B', 'B', 'B'], around: 4 },
  usual: {},
  fields: [
    {
      key: 'sequence',
      kind: 'sequence',
      label: 'Points, round by round',
      help: 'Each letter is one round: the bead where its meshes meet the next.',
      most: MOST,
    },
    {
      key: 'leg',
      kind: 'sequence',
      label: 'One leg, out from a point',
      help: 'To the point of the new round; mirrored on the way back. More beads make longer meshes.',
      most: MOST_OF_A_LEG,
    },
    {
      key: 'ring',
      kind: 'sequence',
      label: 'First ring, between two points',
      help: 'More beads open the net: it is wider, and each round is shorter.',
      most: MOST_OF_THE_RING,
    },
    {
      key: 'around',
      kind: 'choice',
      label: 'Meshes around',
      help: 'More make a wider tube.',
      options: AROUND.map((value) => ({ value, label: `${value}` })),
    },
  ],
  bind: (p) => ({
    parts: [
      ...partsOf(p.sequence, 'point'),
      ...partsOf(p.leg, 'bead of a leg'),
      ...partsOf(p.ring, 'bead of the first ring'),
    ],
    formIsExact: 'as begun',
    minimumUnits: Math.max(1, Math.ceil(3 / p.sequence.length)),
    legs: p.around,
    rowWord: 'round',
    slots: { point: 'point', up: 'leg', down: 'leg', ring: 'ring' },
    closing: null,
    closings: ['clasp', 'open'],
    notJoined: 'A netted tube is not joined here: take a clasp.',
    rowsPerUnit: p.sequence.length,
    work: (loom, units) => weave(p, units, loom),
    advise(body) {
      const { meshMm, asideMm } = netOf(p, body);
      return [
        ...(lengthOf(p.leg, body) < LEAST_SLANT * asideMm
          ? [
              'The first ring is so wide that the legs hardly reach from point to point. Add beads to the legs, or take some out of the ring.',
            ]
          : []),
        ...(meshMm < NEAREST * girthOf(p.leg, body)
          ? [
              'The points of the first ring are so near each other that the legs of a mesh have no room. Add beads to the ring, or take thinner ones for the legs.',
            ]
          : []),
      ];
    },
    /** Closed form: see `netOf`. */
    form(body) {
      const { radiusMm, upMm, asideMm, riseMm } = netOf(p, body);
      const step = (2 * Math.PI) / p.around;
      const legMm = lengthOf(p.leg, body);
      const onTube = tubePose(radiusMm);
      /** Where a bead lies of a round whose points are at x = 0. */
      const inRound = (row: number, of: string, run: number, index: number): Pose => {
        const turned = (run + row / 2) * step;
        if (of === 'point') return onTube(0, turned, 0, 1);
        if (of === 'ring') {
          const before = lengthOf(p.ring.slice(0, index), body) + body(at(p.ring, index)).lengthMm / 2;
          const half = body(roleOfPoint(p, 0)).lengthMm / 2;
          return onTube(0, turned + (half + before) / radiusMm, 0, 1);
        }
        // Legs are mirrored about their point: how far one is from the middle of its leg, towards the point.
        const out = of === 'up' ? index : p.leg.length - 1 - index;
        const nearer =
          (lengthOf(p.leg.slice(0, out), body) + body(at(p.leg, out)).lengthMm / 2) / legMm - 0.5;
        const side = of === 'up' ? -1 : 1;
        const aside = side * (step / 4 - (nearer * asideMm) / radiusMm);
        return onTube(-riseMm / 2 + nearer * upMm, turned + aside, -side * upMm, asideMm);
      };
      const half = (role: string, [along]: Pose['axis']) => {
        const { lengthMm, diameterMm } = body(role);
        return (Math.abs(along) * lengthMm + Math.sqrt(Math.max(0, 1 - along ** 2)) * diameterMm) / 2;
      };
      const legs = p.leg.map((role, index) => {
        const { centre, axis } = inRound(1, 'up', 0, index);
        return { x: centre[0], half: half(role, axis) };
      });
      const halfPoint = (round: number) => body(roleOfPoint(p, round)).diameterMm / 2;
      const leadMm = Math.max(
        halfPoint(0),
        girthOf(p.ring, body) / 2,
        ...legs.map((leg) => leg.half - leg.x - riseMm),
      );
      const trailMm = Math.max(halfPoint(-1), ...legs.map((leg) => leg.x + leg.half));
      const across = 2 * radiusMm + girthOf([...p.sequence, ...p.leg, ...p.ring], body);
      return {
        pitchMm: p.sequence.length * riseMm,
        extraMm: leadMm + trailMm - riseMm,
        widthMm: across,
        thicknessMm: across,
        // Pushed together by hand (from memory).
        mayShorten: 0.1,
        held: 'former',
        pose({ slot: { of, index, run = 0 }, place: { row } }): Pose {
          const { centre, ...pose } = inRound(row, of, run, index);
          return { ...pose, centre: [leadMm + row * riseMm + centre[0], centre[1], centre[2]] };
        },
      };
    },
  }),
});
