import { asideMm, restingMm } from '../body/about';
import { CORE_ROLE } from '../joints/setIn';
import { dressedRequest, type DressedRequest } from '../layout/dressed';
import { dressedAt, type Layouts } from '../layout/kept';
import { sizeOf, type BeadMaterial } from '../materials/material';
import { beadOf, bodiesOf, partName, type Way } from '../piece/part';
import type { PartOfPiece } from '../piece/partOfPiece';
import { rolesOf } from '../structures/structure';
import { given } from '../tools/given';
import { once, remembered } from '../tools/remember';
import { WOVEN } from '../weave/path';
import { standIn, type AsBead, type Neighbours } from './asBead';
import type { Plan, StrungComponent } from './planned';
import { alone, innerOf } from './ringBeads';

/**
 * How much of the thread's length a ring about a body takes, at the least and at the most, mm. Strung between its beads, the
 * neighbours come as near as the body, or no nearer than its beads let them; under its threads they rest on its beads, which
 * may yield by half of one, or stand off by as much (from memory).
 * @param acrossMm the ring from outside to outside
 */
export function betweenMm(
  way: Way,
  core: BeadMaterial,
  { acrossMm, thicknessMm }: { readonly acrossMm: number; readonly thicknessMm: number },
): readonly [number, number] {
  const insideMm = sizeOf(core).lengthMm;
  return way === 'between'
    ? [insideMm, Math.max(insideMm, acrossMm)]
    : [Math.max(insideMm, acrossMm - thicknessMm), Math.max(insideMm, acrossMm + thicknessMm)];
}

/**
 * What a planned part is to whatever strings it. Measured, that stands; else as it lies between its neighbours, once that is
 * known; until then it takes as much as it is wide, from outside to outside.
 */
export function strungOf(
  part: PartOfPiece,
  plan: Plan,
  neighbours: Neighbours,
  layouts: Layouts,
): StrungComponent {
  const { id, count, partName: own, beads, structure } = part;
  if (count.by !== 'around') throw new Error(`The part ${id} is not made apart.`);
  const core = beadOf(part, CORE_ROLE);
  const { thicknessMm, widthMm } = plan;
  const radiusMm = ringRadiusMm(plan, core);
  const acrossMm = 2 * radiusMm + thicknessMm;
  const request = dressedRequest({
    structure: { id: part.structure.id, params: paramsOf(part, plan) },
    without: part.without,
    units: plan.chosen.units,
    way: count.way,
    sizes: [...rolesOf(plan.weaveable), CORE_ROLE].map((role) => [role, sizeOf(beadOf(plan.seen, role))]),
    neighbours: [neighbours[0].size, neighbours[1].size],
  });
  const found = dressedAt(layouts, request.key);
  const laidOut = found?.settled ? found : null;
  const known = count.measuredMm ?? laidOut?.alongMm;
  const between: AsBead['betweenMm'] =
    known === undefined ? betweenMm(count.way, core, { acrossMm, thicknessMm }) : [known, known];
  const inner = once(() => innerOf(plan, radiusMm, laidOut));
  const alongMm = known ?? Math.max(acrossMm, between[0]);
  const name = partName({ name: own, beads, count, structure });
  return {
    id,
    name,
    plan,
    alongMm,
    betweenMm: between,
    by: 'its middle',
    slips: null,
    lies: [],
    full: [],
    // Where nobody has told the path of its stitch, there is none to lay out.
    toLayOut: found || count.measuredMm !== null || plan.weaveable.byMeasure ? null : request,
    bead: standIn({ id, name }, core, {
      shape: 'oval',
      lengthMm: alongMm,
      diameterMm: Math.max(sizeOf(core).diameterMm, widthMm),
      widthMm: acrossMm,
    }),
    inner,
    sketch: remembered((view) => alone(inner(), bodiesOf(plan.seen), view)),
  };
}

/** The ring's middle line: as far out as it must rest on the body, farther where it has more beads than it needs. */
function ringRadiusMm(plan: Plan, core: BeadMaterial): number {
  const { path, layout } = plan.work();
  const woven = path.beads.filter(({ place }) => place.section === WOVEN);
  const aside = asideMm(woven.map(({ id }) => given(layout.poses[id], 'place of a bead').centre));
  const { lies } = restingMm({ core: sizeOf(core), thicknessMm: plan.thicknessMm, asideMm: aside });
  return Math.max(lies, plan.chosen.finishedMm / (2 * Math.PI));
}

/** A stitch's parameters with the counts that the fit chose, where it chose any. */
function paramsOf(
  { structure }: PartOfPiece,
  { weaveable, arrangement }: Plan,
): DressedRequest['structure']['params'] {
  return weaveable.arrangement && arrangement
    ? weaveable.arrangement.withCounts(arrangement.counts)
    : structure.params;
}
