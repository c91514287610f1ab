import { turnedOver } from '../layout/aboutAxis';
import type { Inner } from '../layout/bent';
import { distance, holeEnd, type Layout, type Point, type Pose } from '../layout/layout';
import { add, cross, dot, mul, sub, unit } from '../layout/solver/vectors';
import { beadOf, bodiesOf, partName } from '../piece/part';
import type { PartOfPiece } from '../piece/partOfPiece';
import { oppositeOf } from '../structures/roundMotif';
import { given } from '../tools/given';
import { once } from '../tools/remember';
import { backOutOf, outOf } from '../weave/needle';
import { Links, holeKey } from '../weave/links';
import { otherEnd, type Bead, type HoleEnd, type Path } from '../weave/path';
import { findRoute } from '../weave/route';
import { postsOf, tooFull } from './edgeHoles';
import { standIn, wovenInner } from './asBead';
import type { Plan, StrungComponent } from './planned';

/**
 * By what part a motif may come out larger or smaller than its closed form says, to which the layout of nine in ten comes so
 * near (its test), and than it is laid out, by a hand (from memory).
 */
const HAND = { 'closed form': 0.12, 'laid out': 0.02 } as const;

/** Where a motif is held at two of its points, and the hidden way through it. */
interface HeldAt {
  readonly posts: readonly [near: Bead, far: Bead];
  /** Holes to go through from the one point, the other among them, each with the end at which the needle comes out. */
  readonly way: readonly HoleEnd[];
  readonly from: HoleEnd;
}

/** Two points of a motif, so many apart, and the shortest hidden way from the one to the other. */
function heldAt(path: Path, posts: readonly Bead[], pointsApart: number): HeldAt {
  const near = given(posts[0], 'first point');
  const far = given(posts[pointsApart], 'other point');
  const links = new Links(path);
  const ways = [outOf(near), backOutOf(near)].flatMap((from) => {
    const route = findRoute(links, from, [outOf(far), backOutOf(far)], () => true);
    return route ? [{ from, way: route.through }] : [];
  });
  const [first, ...others] = ways;
  const shortest = others.reduce(
    (least, one) => (one.way.length < least.way.length ? one : least),
    given(first, 'way through the motif'),
  );
  return { posts: [near, far], ...shortest };
}

/** Thread on a way from where it comes out of the one point to where it goes into the other, mm. */
function wayMm({ from, way }: HeldAt, layout: Layout): number {
  let [total, at] = [0, holeEnd(layout, from.bead, from.end)];
  way.forEach(({ bead, hole, end }, i) => {
    const into = holeEnd(layout, bead, otherEnd(end), hole);
    total += distance(at, into);
    if (i === way.length - 1) return;
    at = holeEnd(layout, bead, end, hole);
    total += distance(into, at);
  });
  return total;
}

/**
 * What a planned motif is to whatever joins it: a flat bead of two holes, which are the beads at two of its points. Measured
 * from point to point, that stands; else as it is laid out, or as its closed form says, by a hand more or less.
 * @param pointsApart how far apart it is held, in its points; null where they lie opposite each other
 */
export function motifOf(part: PartOfPiece, plan: Plan, pointsApart: number | null): StrungComponent {
  const { id, partName: own, beads, count } = part;
  const measuredMm = count.by === 'fixed' ? count.measuredMm : null;
  const { path, layout } = plan.work();
  const posts = postsOf(plan, part).end.map((bead) => given(path.beads[bead.id], 'point'));
  const opposite = oppositeOf(posts.length);
  const held = heldAt(path, posts, Math.min(pointsApart ?? opposite, opposite));
  const [near, far] = held.posts;
  const poseOf = (bead: Bead): Pose => given(layout.poses[bead.id], 'place of a point');
  const post = beadOf(plan.seen, near.role);
  const size = bodiesOf(plan.seen)(near.role);
  const apart = (bead: Bead) => distance(poseOf(near).centre, poseOf(bead).centre);
  // Measured from point to point: everything in it is so much larger, or smaller.
  const times =
    measuredMm === null
      ? 1
      : Math.max(size.diameterMm, measuredMm - size.diameterMm) / apart(given(posts[opposite], 'point'));
  const apartMm = apart(far) * times;
  const acrossMm = apartMm + size.diameterMm;
  const hand = HAND[plan.gauge.source === 'solver' ? 'laid out' : 'closed form'];
  const band = measuredMm === null ? hand * acrossMm : 0;
  const name = partName({ name: own, beads, count, structure: part.structure });
  const strands = new Map(plan.holes.holes.map((state) => [holeKey(state.bead, state.hole), state.strands]));
  return {
    id,
    name,
    plan,
    alongMm: acrossMm,
    betweenMm: [acrossMm - band, acrossMm + band],
    by: 'two points',
    slips: null,
    toLayOut: null,
    lies: [near, far].map((bead) => strands.get(holeKey(bead, 0)) ?? 0),
    // On its way from joint to joint the thread goes through it once.
    full: tooFull(
      plan,
      part.doubled,
      held.way.filter(({ bead }) => !held.posts.includes(bead)).map((one) => ({ ...one, passes: 1 })),
    ),
    bead: standIn({ id, name }, post, {
      shape: 'lens',
      lengthMm: plan.widthMm * times,
      diameterMm: plan.thicknessMm,
      widthMm: acrossMm,
      holes: 2,
      apartMm,
      crossing: false,
      inside: { post: size, wayMm: wayMm(held, layout) * times },
    }),
    inner: once(() => innerOf(plan, [poseOf(near), poseOf(far)])),
    sketch: plan.sketch,
  };
}

/** The beads of a motif in the axes of the bead that it stands for: along its holes, from hole to hole, and through it. */
function innerOf(plan: Plan, [near, far]: readonly [Pose, Pose]): Inner[] {
  const mid = mul(add(near.centre, far.centre), 0.5);
  const across = unit(sub(far.centre, near.centre));
  const front: Point = [0, 0, -1];
  // The axes of the bead, each as a way in the plane of the motif.
  const axes = [cross(across, front), across, front];
  const told = (p: Point): Point => axes.map((axis) => dot(axis, p)) as [number, number, number];
  return wovenInner(plan, (pose) => turnedOver(pose, (p) => told(sub(p, mid)), told));
}
