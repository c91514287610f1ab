import type { ToLayOut } from '../layout/kept';
import { dangleIn } from './attachedPart';
import { partName } from '../piece/part';
import { asPiece, carrying, type PartOfPiece } from '../piece/partOfPiece';
import { rolesOf } from '../structures/structure';
import type { Component, Plan } from './planned';

/** A part that is made so many times before it is strung. */
export interface MadeApart {
  readonly component: Component;
  /** How many the whole piece takes. */
  readonly times: number;
}

type Strings = Pick<Plan, 'components' | 'closedBy' | 'hung' | 'dangle' | 'quantities'>;

/** The parts that a plan strings, each with how often: those that another strings before it, in the order in which they are made. */
export function madeApart({ components, closedBy, hung, dangle, quantities }: Strings): MadeApart[] {
  const all = new Map<string, MadeApart>();
  const strung = [...components].map(([role, component]) => ({
    component,
    times: quantities.find((quantity) => quantity.role === role)?.total ?? 0,
  }));
  const once = [closedBy, ...hung, dangle].flatMap((component) =>
    component ? [{ component, times: 1 }] : [],
  );
  for (const { component, times } of [...strung, ...once]) {
    if (times === 0) continue;
    const inside = madeApart(component.plan).map((one) => ({ ...one, times: times * one.times }));
    for (const one of [...inside, { component, times }]) {
      const { id } = one.component;
      all.set(id, { ...one, times: (all.get(id)?.times ?? 0) + one.times });
    }
  }
  return [...all.values()];
}

/** A figure of a piece with all that it strings: its own, and that of each part as often as it is made. */
const inAll = (plan: Plan, figure: (plan: Plan) => number): number =>
  madeApart(plan).reduce((sum, { component, times }) => sum + times * figure(component.plan), figure(plan));

/** Beads in all; what is strung in the place of one is not itself a bead. */
export const beadsInAll = (plan: Plan): number =>
  inAll(plan, ({ quantities, components }) =>
    quantities.reduce((sum, { role, total }) => sum + (components.has(role) ? 0 : total), 0),
  );

/** Thread that lies in the work in all, mm. */
export const inWorkInAllMm = (plan: Plan): number => inAll(plan, ({ thread }) => thread.inWorkMm);

/** Thread to cut in all, mm. */
export const threadInAllMm = (plan: Plan): number => inAll(plan, ({ thread }) => thread.totalMm);

/** Trips of the needle through beads in all. */
export const tripsInAll = (plan: Plan): number => inAll(plan, ({ trips }) => trips);

/** Lengths to cut in all. */
export const lengthsInAll = (plan: Plan): number => inAll(plan, ({ thread }) => thread.lengths);

/** What would have to be laid out first to know the piece better: of what it strings, then of itself. Null where all is. */
export const toLayOutFirst = (plan: Plan): ToLayOut | null =>
  madeApart(plan)
    .map(({ component }) => component.plan.toLayOut ?? component.toLayOut)
    .find((request) => request !== null) ?? plan.toLayOut;

/** Names of the parts that a piece has and that nothing of it strings; of a part that another strings, none. */
export function looseParts(
  part: PartOfPiece,
  own: Pick<Plan, 'components' | 'closedBy' | 'weaveable'>,
): string[] {
  if (part.others.length === 0 || carrying(asPiece(part)).id !== part.id) return [];
  const reached = new Set<string>();
  const reach = (strings: typeof own) => {
    const inUse = new Set<string>(rolesOf(strings.weaveable));
    for (const [role, { id, plan }] of strings.components) {
      if (!inUse.has(role)) continue;
      reached.add(id);
      reach(plan);
    }
    if (strings.closedBy) {
      reached.add(strings.closedBy.id);
      reach(strings.closedBy.plan);
    }
  };
  reach(own);
  const hangs = dangleIn(part.ends);
  if (hangs !== null) reached.add(hangs);
  // A bail runs on whatever piece there is.
  return part.others.filter(({ id, count }) => count.by !== 'over' && !reached.has(id)).map(partName);
}
