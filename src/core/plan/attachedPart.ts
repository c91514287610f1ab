import type { View } from '../layout/drawing';
import type { Pose } from '../layout/layout';
import { ballGirthMm, buttonGirthMm } from '../closures/goesThrough';
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

/**
 * The girth of a part made whole where a loop goes over it, mm: a motif goes through edge on, all else by its round. Null of what is
 * sewn on by both its edges.
 */
export function overMm({ structure, widthMm, thicknessMm, chosen }: Plan): number | null {
  switch (structure.madeWhole?.by) {
    case 'two points':
      return buttonGirthMm(Math.min(chosen.finishedMm, widthMm), thicknessMm);
    case 'its middle':
    case 'its loop':
      return ballGirthMm(Math.max(widthMm, thicknessMm));
    case undefined:
      return null;
  }
}

/**
 * What a woven part is as a clasp. What is made whole has a loop over it, where that is widest; of anything else all of its length
 * lies at the start, and it has as many loops as both edges have places.
 */
export function asClasp({ id, name, plan }: Component, mostLoops: number): Clasp {
  const common = {
    id: `part ${id}`,
    endMm: 0,
    turned: false,
    fastening: 'sewn loop',
    barMm: null,
    ringMm: null,
    plated: false,
    source: 'memory',
  } as const;
  const buttonsMm = overMm(plan);
  if (buttonsMm !== null)
    return {
      ...common,
      name: `beaded loop over the ${name}`,
      shape: plan.structure.madeWhole?.by === 'two points' ? 'button' : 'ball',
      startMm: 0,
      spreadMm: 0,
      loops: 1,
      buttonsMm,
      note: 'Try the loop over it before it is reinforced: reinforcing too hard shrinks it.',
    };
  return {
    ...common,
    name,
    shape: 'ring top',
    startMm: plan.chosen.finishedMm,
    // A uniform spread of half-width s deviates by s/√3.
    spreadMm: Math.sqrt(3) * plan.chosen.sdMm,
    loops: Math.min(mostLoops, plan.weaveable.mostLoops ?? 1),
    buttonsMm,
    note: '',
  };
}
