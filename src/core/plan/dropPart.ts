import { turnedOver } from '../layout/aboutAxis';
import type { Point } from '../layout/layout';
import { beadOf, bodiesOf, partName } from '../piece/part';
import type { PartOfPiece } from '../piece/partOfPiece';
import { given } from '../tools/given';
import { once } from '../tools/remember';
import { standIn, wovenInner, type Neighbours } from './asBead';
import { postsOf } from './edgeHoles';
import type { Plan, StrungComponent } from './planned';

/** A loop that hangs aslant takes so much more of the thread than its beads are thick (from memory). */
const ASLANT = 0.5;

/** The beads of a loop yield to a needle: so wide it opens at the least, mm (from memory). */
const YIELDS_MM = 1;

/** From a drop as it is made, from its loop on along x, to how it hangs from thread along x: a turn, not a mirror image. */
const hanging = ([x, y, z]: Point): Point => [z, x, y];

/**
 * What a planned drop is to whatever strings it by its loop: as long on the thread as the beads of the loop are thick, where those
 * beside it are too large to go through. Measured, that stands.
 * @param neighbours what lies on either side of it on the thread
 */
export function dropOf(part: PartOfPiece, plan: Plan, neighbours: Neighbours): StrungComponent {
  const { id, partName: own, beads, count, structure } = part;
  const { layout } = plan.work();
  const sizeOf = bodiesOf(plan.seen);
  const top = given(postsOf(plan, part).start[0], 'bead of the loop');
  const thickMm = sizeOf(top.role).diameterMm;
  const clearMm = given(plan.weaveable.loopClearMm?.(sizeOf), 'room in the loop');
  const slips = neighbours.some(({ size, madeApart }) => !madeApart && size.diameterMm < clearMm);
  const measuredMm = count.by === 'fixed' ? count.measuredMm : null;
  const alongMm = measuredMm ?? thickMm;
  const name = partName({ name: own, beads, count, structure });
  // Thread lies in the loop, under its topmost bead.
  const threadMm = layout.stations.bodyStartMm + thickMm;
  const inner = once(() =>
    wovenInner(plan, (pose) => turnedOver(pose, ([x, y, z]) => hanging([x - threadMm, y, z]), hanging)),
  );
  return {
    id,
    name,
    plan,
    alongMm,
    betweenMm: measuredMm === null ? [slips ? 0 : thickMm, thickMm * (1 + ASLANT)] : [alongMm, alongMm],
    by: 'its loop',
    slips: slips ? 'loop' : null,
    toLayOut: null,
    lies: [],
    full: [],
    // What hangs from the loop takes no room on the thread.
    bead: standIn({ id, name }, beadOf(plan.seen, top.role), {
      shape: 'rondelle',
      lengthMm: alongMm,
      diameterMm: thickMm,
      widthMm: null,
      holeMm: Math.max(clearMm, YIELDS_MM),
    }),
    inner,
    sketch: plan.sketch,
  };
}
