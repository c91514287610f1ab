import * as z from 'zod';
import type { Point, Pose } from '../layout/layout';
import { restingAt } from '../layout/pose';
import { reach } from '../layout/solver/resting';
import { solidOf } from '../layout/solver/solid';
import { reachOf } from '../layout/solver/support';
import { add, mul, sub, unit } from '../layout/solver/vectors';
import type { BeadSize } from '../materials/material';
import { given } from '../tools/given';
import { forth, inside, ownAndTail, straight, type Loom, type Made, type Post } from '../weave/edge';
import type { Bead } from '../weave/path';
import {
  angleAt,
  BALL_BEADS,
  ballShape,
  edgeKey,
  edgesOf,
  withEdges,
  type BallShape,
  type Edge,
} from './ballShape';
import type { Bodies } from './loops';
import { FIRST_ROLES, ROLE_LETTERS, type RoleLetter } from './roles';
import { beadField } from './field';
import { at, partsOf, structure } from './structure';

const params = z.object({
  beads: z.literal(BALL_BEADS),
  /** The beads of the two circles through which the ball is strung. */
  holes: z.enum(ROLE_LETTERS),
  /** All others. */
  others: z.enum(ROLE_LETTERS),
});
type Params = z.infer<typeof params>;

/** Slot of every bead of a ball, counted as they are strung. */
const SIDE = 'side';

/** What plays which part: the first circle and the last are those through which it is strung. */
function roleOfSide({ beads, holes, others }: Params): (side: Edge) => RoleLetter {
  const { circles } = ballShape(beads);
  const atHoles = new Set([at(circles, 0), at(circles, -1)].flatMap(edgesOf).map(edgeKey));
  return (side) => (atHoles.has(edgeKey(side)) ? holes : others);
}

/** The sides of a circle from behind one of them on, and that one last. */
function onFrom(side: Edge, circle: readonly number[]): Edge[] {
  const all = edgesOf(circle);
  const here = all.findIndex((one) => edgeKey(one) === edgeKey(side));
  return [...all.slice(here + 1), ...all.slice(0, here + 1)];
}

/** A side that the needle comes to, and how it goes through it. */
interface Gone {
  readonly side: Edge;
  /** Which it is, as they are strung. */
  readonly nth: number;
  /** It is picked up here; else it is there already, and is gone through the way it was strung, or against it. */
  readonly way: 'strung' | 'forth' | 'back';
  readonly closes: boolean;
}

/**
 * Circle upon circle: on through the one just closed to the side that it shares with the next, and round that, picking up what
 * it lacks. Each turns the other way round than the one before, so that no thread crosses a corner.
 */
function gone(circles: readonly (readonly number[])[]): Gone[][] {
  const there = new Map<string, { readonly side: Edge; readonly nth: number }>();
  const go = (side: Edge, closes = false): Gone => {
    const found = there.get(edgeKey(side));
    if (found) return { side, nth: found.nth, way: found.side[0] === side[0] ? 'forth' : 'back', closes };
    const nth = there.size;
    there.set(edgeKey(side), { side, nth });
    return { side, nth, way: 'strung', closes };
  };
  let round = at(circles, 0);
  let out = at(edgesOf(round), 0);
  return circles.map((circle, row) => {
    const moves: Gone[] = row === 0 ? [go(out)] : [];
    if (row > 0) {
      const shared = new Set(edgesOf(circle).map(edgeKey));
      while (!shared.has(edgeKey(out))) {
        out = at(onFrom(out, round), 0);
        moves.push(go(out));
      }
      const sameWay = edgesOf(circle).some(([a, b]) => a === out[0] && b === out[1]);
      round = sameWay ? circle : circle.toReversed();
    }
    const sides = onFrom(out, round);
    return [...moves, ...sides.map((side, i) => go(side, i === sides.length - 1))];
  });
}

function weave(p: Params, loom: Loom): Made {
  const { w } = loom;
  const { circles } = ballShape(p.beads);
  const roleOf = roleOfSide(p);
  const t = w.needle('working');
  const beads: Bead[] = [];
  const nthOf = new Map<string, number>();
  gone(circles).forEach((moves, row) =>
    w.in({ pass: `circle ${row + 1}`, row }, () => {
      if (row === 0) t.begin('none');
      for (const { side, nth, way, closes } of moves) {
        nthOf.set(edgeKey(side), nth);
        if (way === 'strung') beads.push(...t.string([roleOf(side)], SIDE, { run: nth }));
        else
          t.enter([{ bead: at(beads, nth), hole: 0, end: way === 'forth' ? 0 : 1 }], closes ? 'close' : null);
      }
    }),
  );
  const hole = (circle: readonly number[]): Post[] =>
    edgesOf(circle).map((side) => [straight(forth(at(beads, given(nthOf.get(edgeKey(side)), 'side'))))]);
  const end = loom.reached('end', { posts: hole(at(circles, -1)) }, t);
  return {
    edges: { start: { posts: hole(at(circles, 0)) }, end },
    ends: ownAndTail(loom, t, inside(...beads), inside(...beads)),
  };
}

/**
 * How long a side is, from corner to corner: its bead touches at either end the plane that halves the corner with its neighbour,
 * in the narrower of the two circles that it is of. Exact where all beads are alike, for then everything is a mirror image.
 */
function sideMm(bead: BeadSize, angle: number): number {
  const [along, aside] = [Math.sin(angle / 2), Math.cos(angle / 2)];
  return (2 * reachOf(solidOf(bead), along, aside, 0)) / along;
}

/** The narrowest corner that each side has in its circles, radians. */
function narrowestOf({ corners, circles }: BallShape): Map<string, number> {
  const all = new Map<string, number>();
  for (const circle of circles)
    circle.forEach((here, i) => {
      const [before, behind] = [at(circle, i - 1), at(circle, (i + 1) % circle.length)];
      const angle = angleAt(corners, [before, here, behind]);
      for (const key of [edgeKey([before, here]), edgeKey([here, behind])])
        all.set(key, Math.min(angle, all.get(key) ?? Math.PI));
    });
  return all;
}

/** Where each side lies by closed form, in the order strung, about the middle of the ball. */
function sidesOf(p: Params, body: Bodies): { readonly role: RoleLetter; readonly pose: Pose }[] {
  const shape = ballShape(p.beads);
  const narrowest = narrowestOf(shape);
  const roleOf = roleOfSide(p);
  const corners = withEdges(shape, (side) =>
    sideMm(body(roleOf(side)), given(narrowest.get(edgeKey(side)), 'corner')),
  );
  return gone(shape.circles)
    .flat()
    .filter(({ way }) => way === 'strung')
    .map(({ side }) => {
      const [from, to] = [at(corners, side[0]), at(corners, side[1])];
      const pose: Pose = { centre: mul(add(from, to), 0.5), axis: unit(sub(to, from)) };
      return { role: roleOf(side), pose };
    });
}

export const beadedBall = structure({
  id: 'beaded-ball',
  name: 'Beaded ball',
  madeWhole: { called: 'beaded ball', by: 'its middle' },
  family: 'motif',
  about:
    'Circles of beads that share their sides, closed all round into a hollow ball. Made one at a time, and strung.',
  feel: 'hollow and springy; firm once every circle has been gone round',
  handles: 'round like a rope',
  uses: ['necklace', 'bracelet'],
  needles: 1,
  threads: ['gel-spun'],
  thread: 'Gel-spun thread of 6 lb, a length for each ball.',
  looks: [
    { after: 'the first circle', look: 'A small flat ring. What comes next stands up round it.' },
    { after: 'half of the circles', look: 'A cup. It closes by itself if every circle is pulled tight.' },
  ],
  watch: [
    'Count the beads of each circle before you close it: one that has too many leaves a hole.',
    'Where a circle has beads already, go through them; pick up only what it lacks.',
    'Pull tight after every circle: a ball that is closed cannot be drawn in.',
  ],
  params,
  defaults: { beads: 30, holes: 'A', others: 'B' },
  usual: {},
  fields: [
    {
      key: 'beads',
      kind: 'choice',
      label: 'Beads in all',
      help: 'Twelve make six circles of four; thirty make twelve circles of five; ninety make circles of five and six.',
      options: BALL_BEADS.map((value) => ({ value, label: `${value}` })),
    },
    beadField({
      key: 'holes',
      label: 'Round its two holes',
      help: 'The circles through which the thread goes that strings it.',
      roles: FIRST_ROLES,
    }),
    beadField({
      key: 'others',
      label: 'All others',
      help: 'Beads of another size make the ball longer, or flatter.',
      roles: FIRST_ROLES,
    }),
  ],
  bind: (p) => ({
    parts: [...partsOf([p.holes], 'bead round a hole'), ...partsOf([p.others], 'bead of a circle')],
    minimumUnits: 1,
    mostUnits: 1,
    rowsPerUnit: ballShape(p.beads).circles.length,
    rowWord: 'circle',
    closing: null,
    closings: ['open'],
    work: (loom) => weave(p, loom),
    /** Closed form: the even body, each side as long as its bead takes between its neighbours. */
    form(body) {
      const sides = sidesOf(p, body);
      const far = (way: Point) =>
        Math.max(...sides.map(({ role, pose }) => reach(solidOf(body(role)), restingAt(pose), way)));
      const startMm = far([-1, 0, 0]);
      return {
        pitchMm: startMm + far([1, 0, 0]),
        extraMm: 0,
        widthMm: far([0, 1, 0]) + far([0, -1, 0]),
        thicknessMm: far([0, 0, 1]) + far([0, 0, -1]),
        mayShorten: 0,
        held: 'mat',
        pose({ slot: { run = 0 } }): Pose {
          const { centre, axis } = at(sides, run).pose;
          return { centre: add(centre, [startMm, 0, 0]), axis };
        },
      };
    },
  }),
});
