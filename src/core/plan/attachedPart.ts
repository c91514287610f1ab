import type { View } from '../layout/drawing';
import type { Pose } from '../layout/layout';
import { ballGirthMm } from '../closures/goesThrough';
import { extenderIn } from '../closures/suits';
import type { Clasp } from '../materials/material';
import { bodiesOf, partName } from '../piece/part';
import type { PartOfPiece } from '../piece/partOfPiece';
import type { PartId } from '../weave/path';
import { given } from '../tools/given';
import { once, remembered } from '../tools/remember';
import type { Component, HungComponent, Plan } from './planned';
import { postsOf } from './edgeHoles';
import { alone, innerOf } from './ringBeads';
import type { Warning } from './warnings';

/** A part made apart, as it closes a piece, or hangs from its end. */
export const attachedOf = (
  { id, partName: name, beads, count, structure }: PartOfPiece,
  plan: Plan,
): Component => ({
  id,
  name: partName({ name, beads, count, structure }),
  plan,
  toLayOut: null,
  sketch: plan.sketch,
});

/** What hangs in the last link of a piece's extender; null where it has none. */
export const dangleIn = (ends: PartOfPiece['ends']): PartId | null => (extenderIn(ends) ? ends.dangle : null);

/** What is to be said of a drop that hangs in a ring: its loop may be too thick for it. */
export function danglesBadly(
  { name, plan }: Component,
  part: PartOfPiece,
  { extender }: PartOfPiece['ends'],
): Warning[] {
  const ring = extender?.rings;
  if (!ring?.insideMm) return [];
  const top = given(postsOf(plan, part).start[0], 'bead of the loop');
  const beadMm = bodiesOf(plan.seen)(top.role).diameterMm;
  const { insideMm } = ring;
  return beadMm < insideMm ? [] : [{ code: 'loop-too-thick', part: name, ring: ring.name, beadMm, insideMm }];
}

/** Girth of a piece where something runs on it: of a rope its round, of a strip its breadth twice and its rounded edges. */
export const girthOf = ({ widthMm, thicknessMm }: Pick<Plan, 'widthMm' | 'thicknessMm'>): number => {
  const [broad, thin] = [Math.max(widthMm, thicknessMm), Math.min(widthMm, thicknessMm)];
  return 2 * (broad - thin) + Math.PI * thin;
};

/** A ring about the x axis, as one is that runs on a piece. */
const ON_ROPE: Pose = { centre: [0, 0, 0], axis: [0, 1, 0], across: [0, 0, 1] };

/** A bail, as it runs on a piece. */
export function hungOf(
  { id, partName: name, beads, count, structure }: PartOfPiece,
  plan: Plan,
): HungComponent {
  const inner = once(() => innerOf(plan, plan.chosen.finishedMm / (2 * Math.PI), null));
  const seen = (pose?: Pose) => remembered((view: View) => alone(inner(), bodiesOf(plan.seen), view, pose));
  return {
    id,
    name: partName({ name, beads, count, structure }),
    plan,
    toLayOut: null,
    sketch: seen(),
    onRope: seen(ON_ROPE),
  };
}

/** Whether a part closes a piece as a ball does, that a loop goes over: by its middle nothing else can be sewn to it. */
export const isBall = ({ structure }: Pick<Plan, 'structure'>): boolean =>
  structure.madeWhole?.by === 'its middle';

/**
 * What a woven part is as a clasp. A ball has a loop over it, where it is thickest; of anything else all of its length lies at the
 * start, and it has as many loops as both edges have places.
 */
export const asClasp = ({ id, name, plan }: Component, mostLoops: number): Clasp => ({
  id: `part ${id}`,
  name: isBall(plan) ? `beaded loop over the ${name}` : name,
  shape: isBall(plan) ? 'ball' : 'ring top',
  startMm: isBall(plan) ? 0 : plan.chosen.finishedMm,
  endMm: 0,
  // A uniform spread of half-width s deviates by s/√3.
  spreadMm: Math.sqrt(3) * plan.chosen.sdMm,
  loops: isBall(plan) ? 1 : Math.min(mostLoops, plan.weaveable.mostLoops ?? 1),
  turned: false,
  fastening: 'sewn loop',
  barMm: null,
  ringMm: null,
  buttonsMm: isBall(plan) ? ballGirthMm(Math.max(plan.widthMm, plan.thicknessMm)) : null,
  plated: false,
  note: isBall(plan)
    ? 'Try the loop over the ball before it is reinforced: reinforcing too hard shrinks it.'
    : '',
  source: 'memory',
});
