import type { Pose } from '../layout/layout';
import { restingAt } from '../layout/pose';
import { Contact, place, unplaced } from '../layout/solver/contact';
import { solidOf, type Solid } from '../layout/solver/solid';
import { reach, type Resting } from '../layout/solver/resting';
import { add, mean, sub } from '../layout/solver/vectors';
import type { BeadSize } from '../materials/material';
import { beadOf, bodiesOf, partName } from '../piece/part';
import type { PartOfPiece } from '../piece/partOfPiece';
import { rolesOf } from '../structures/structure';
import { given } from '../tools/given';
import { once, remembered } from '../tools/remember';
import { standIn, wovenInner, type Neighbours } from './asBead';
import { postsOf } from './edgeHoles';
import type { Plan, StrungComponent } from './planned';
import { alone } from './ringBeads';

/**
 * By what part a ball may come out smaller than its closed form says, and larger. Round beads roll on each other and stand; the
 * flanks of others slip past each other, and the layout has such balls smaller by so much (its test).
 */
const HAND = { round: [0.02, 0.02], other: [0.15, 0.06] } as const;

/** A bead of a ball where it lies about the ball's middle, x along the thread that strings it. */
interface Lies {
  readonly size: BeadSize;
  readonly at: Resting;
}

/** Halvings that find how near a neighbour comes. */
const HALVINGS = 40;
/** The turn of a bead whose hole lies along x. */
const UPRIGHT = Float64Array.of(1, 0, 0, 0, 1, 0, 0, 0, 1);

/** Whether a bead on the axis, its middle so far out, lies in one of those round a hole. */
function lieIn(neighbour: Solid, xMm: number, hole: readonly Lies[]): boolean {
  const contact = new Contact();
  const own = unplaced(UPRIGHT);
  place(own, neighbour, 1, xMm, 0, 0);
  return hole.some(({ size, at: { centre, turn } }) => {
    const other = unplaced(Float64Array.from(turn));
    place(other, solidOf(size), 1, ...centre);
    const [x, y, z] = sub(centre, [xMm, 0, 0]);
    contact.along(x, y, z, Math.hypot(x, y, z));
    return contact.distance(own, other, true) < 0;
  });
}

/**
 * How far from the middle of a ball the end of a neighbour rests in its hole, mm: as near as the beads round the hole let it, with
 * its own hole on the axis of the ball. Null where it finds no hold, and slips in.
 */
export function restsMm(neighbour: BeadSize, hole: readonly Lies[], side: -1 | 1): number | null {
  const solid = solidOf(neighbour);
  const touches = (outMm: number) => lieIn(solid, side * outMm, hole);
  const planeMm = side * mean(hole.map(({ at }) => at.centre))[0];
  // What passes where it is widest, its middle in the plane of the hole, passes altogether.
  if (!touches(planeMm)) return null;
  const half = neighbour.lengthMm / 2;
  let low = planeMm;
  let high = half + reachOf(hole, side);
  for (let i = 0; i < HALVINGS; i++) {
    const middle = (low + high) / 2;
    if (touches(middle)) low = middle;
    else high = middle;
  }
  return high - half;
}

/** How wide a hole is between the beads round it, mm. */
const clearMm = (hole: readonly Lies[]): number =>
  2 *
  Math.max(
    0,
    Math.min(
      ...hole.map(({ size, at }) => {
        const [, y, z] = at.centre;
        const far = Math.hypot(y, z) || 1;
        return -reach(solidOf(size), at, [0, -y / far, -z / far]);
      }),
    ),
  );

/**
 * What a planned ball is to whatever strings it: a bead as long as from neighbour to neighbour, which rest in its two holes.
 * Measured, that stands.
 * @param neighbours what lies on either side of it on the thread
 */
export function ballOf(part: PartOfPiece, plan: Plan, neighbours: Neighbours): StrungComponent {
  const { id, partName: own, beads, count, structure } = part;
  const { layout } = plan.work();
  const sizeOf = bodiesOf(plan.seen);
  const middleMm = layout.stations.bodyStartMm + plan.chosen.finishedMm / 2;
  const liesOf = (beadId: number): Resting =>
    restingAt(moved(given(layout.poses[beadId], 'place of a bead'), -middleMm));
  const { start, end } = postsOf(plan, part);
  const [before, behind] = [start, end].map((posts) =>
    posts.map(({ id: beadId, role }): Lies => ({ size: sizeOf(role), at: liesOf(beadId) })),
  ) as [Lies[], Lies[]];
  const sides = [before, behind].map((hole, i) => {
    const side = i === 0 ? -1 : 1;
    const { size, madeApart } = neighbours[i as 0 | 1];
    // Another ball meets it rim to rim.
    const rests = madeApart ? reachOf(hole, side) : restsMm(size, hole, side);
    // What slips in rests on nothing: it is taken as if it came to the edge of the hole.
    return { outMm: rests ?? reachOf(hole, side), slips: rests === null };
  });
  const [left = 0, right = 0] = sides.map(({ outMm }) => outMm);
  const measuredMm = count.by === 'fixed' ? count.measuredMm : null;
  const alongMm = measuredMm ?? left + right;
  const round = rolesOf(plan.weaveable).every((role) => sizeOf(role).shape === 'ball');
  const [less, more] = HAND[round ? 'round' : 'other'];
  const slips = sides.some((side) => side.slips);
  const name = partName({ name: own, beads, count, structure });
  const shift = (left - right) / 2 - middleMm;
  const inner = once(() => wovenInner(plan, (pose) => moved(pose, shift)));
  return {
    id,
    name,
    plan,
    alongMm,
    betweenMm:
      measuredMm === null ? [slips ? 0 : alongMm * (1 - less), alongMm * (1 + more)] : [alongMm, alongMm],
    by: 'its middle',
    slips: slips ? 'hole' : null,
    toLayOut: null,
    lies: [],
    full: [],
    bead: standIn({ id, name }, beadOf(plan.seen, given(start[0], 'bead round a hole').role), {
      shape: 'oval',
      lengthMm: alongMm,
      diameterMm: Math.max(plan.widthMm, plan.thicknessMm),
      widthMm: null,
      holeMm: Math.min(clearMm(before), clearMm(behind)),
    }),
    inner,
    sketch: remembered((view) => alone(inner(), sizeOf, view)),
  };
}

const moved = (pose: Pose, alongMm: number): Pose => ({ ...pose, centre: add(pose.centre, [alongMm, 0, 0]) });

/** How far the beads round a hole reach along the thread, mm. */
const reachOf = (hole: readonly Lies[], side: -1 | 1): number =>
  Math.max(...hole.map(({ size, at }) => reach(solidOf(size), at, [side, 0, 0])));
