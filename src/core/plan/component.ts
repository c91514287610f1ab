import { NO_LOOP } from '../closures/sewnLoop';
import { sizeOf } from '../materials/material';
import { beadOf, partName } from '../piece/part';
import { asPiece, partOf, type PartOfPiece } from '../piece/partOfPiece';
import { boundStitch } from '../structures/registry';
import type { Weaveable } from '../structures/structure';
import type { RoleLetter } from '../structures/roles';
import { given } from '../tools/given';
import type { PartId } from '../weave/path';
import { innerRole, type Neighbour, type Neighbours } from './asBead';
import { asClasp, attachedOf } from './attachedPart';
import { ballOf } from './ballPart';
import { dropOf } from './dropPart';
import type { Lookups } from './lookups';
import type { Component, Plan, StrungComponent } from './planned';
import { noPlan, type NoPlan } from './problems';
import { motifOf } from './motifPart';
import { strungOf } from './strungPart';

/** Parts made apart that are remembered: most keystrokes change none of them. */
const KEPT = 16;
const kept: { readonly key: string; readonly lookups: Lookups; readonly plan: Plan | NoPlan }[] = [];

/**
 * The plan of a part made apart; of the same choices and look-ups the one that was made before.
 * @param girthMm of what it runs on, where it does
 */
export function planKept(
  part: PartOfPiece,
  lookups: Lookups,
  plan: () => Plan | NoPlan,
  girthMm?: number,
): Plan | NoPlan {
  const {
    name: _name,
    wearer: _wearer,
    wear: _wear,
    targetMm: _target,
    ends: _ends,
    endsOfPiece: _of,
    others,
    ...own
  } = part;
  // What it does not string does not matter to it.
  const strings = Object.keys(own.strung).length > 0;
  const key = JSON.stringify([girthMm, strings ? { ...own, others } : own]);
  const same = (one: Lookups) =>
    one.layouts === lookups.layouts &&
    one.swatches === lookups.swatches &&
    one.experience === lookups.experience &&
    one.habits === lookups.habits;
  const before = kept.find((one) => one.key === key && same(one.lookups));
  if (before) return before.plan;
  const made = plan();
  kept.unshift({ key, lookups, plan: made });
  kept.length = Math.min(kept.length, KEPT);
  return made;
}

/** Units of the short piece in which neighbours are looked for. */
const FEW = 6;

/**
 * What lies on either side of a bead of a role, in the order in which beads are strung, in the middle of the work. A bead
 * that begins and ends the work lies beside itself.
 */
function neighboursOf(
  part: PartOfPiece,
  role: string,
  components: ReadonlyMap<string, StrungComponent>,
): Neighbours {
  const neighbour = (one: string): Neighbour => ({
    size: sizeOf(components.get(one)?.bead ?? beadOf(part, one)),
    madeApart: one in part.strung && !components.has(one),
  });
  const bound = boundStitch(part.structure);
  const ends = { start: NO_LOOP, end: NO_LOOP };
  const { weaveable } = bound.ok ? bound : { weaveable: null };
  const strung =
    weaveable
      ?.weave(weaveable.minimumUnits + FEW, ends)
      .moves.flatMap((move) => (move.kind === 'pick' ? [move.bead.role] : [])) ?? [];
  const places = strung.flatMap((one, i) => (one === role ? [i] : []));
  const middle = places[Math.floor(places.length / 2)];
  const beside = (i: number | undefined) => neighbour((i !== undefined && strung[i]) || role);
  return [beside(middle && middle - 1), beside(middle && middle + 1)];
}

/** A part with what it is made of beside its beads. */
interface Made {
  readonly ok: true;
  readonly part: PartOfPiece;
  /** By the role that each takes. */
  readonly components: ReadonlyMap<string, StrungComponent>;
  /** What closes it in the place of a clasp. */
  readonly closedBy: Component | null;
}

/**
 * Plans what a part strings and what closes it, and takes each for the bead, or the clasp, whose place it has.
 * @param planOne plans one of them
 * @param within the parts that are being planned already: one of them cannot be strung in itself
 */
export function withComponents(
  part: PartOfPiece,
  lookups: Lookups,
  planOne: (component: PartOfPiece) => Plan | NoPlan,
  within: readonly PartId[],
): Made | NoPlan {
  const components = new Map<string, StrungComponent>();
  let seen = ownSeen(part);
  const piece = asPiece(part);
  const plan = (id: PartId): { readonly one: PartOfPiece; readonly plan: Plan } | NoPlan => {
    if (id === part.id || within.includes(id))
      return noPlan({ code: 'strung-in-itself', part: nameOf(part, id) });
    const one = partOf(piece, id);
    const found = planKept(one, lookups, () => planOne(one));
    if (found.ok) return { one, plan: found };
    return found.problem.code === 'strung-in-itself'
      ? found
      : noPlan({ code: 'part', part: nameOf(part, id), of: found.problem });
  };
  const corner = cornerOf(part);
  for (const [role, id] of strungIn(part, corner)) {
    const made = plan(id);
    if ('ok' in made) return made;
    const component = taken(made.one, made.plan, {
      neighbours: () => neighboursOf(part, role, components),
      pointsApart: role === corner?.role ? corner.points : null,
      layouts: lookups.layouts,
    });
    if (component === null) return noPlan({ code: 'cannot-be-strung', part: nameOf(part, id) });
    components.set(role, component);
    seen = seenWith({ ...seen, beads: { ...seen.beads, [role]: component.bead } }, component);
  }
  const { ends } = part;
  if (ends.closing !== 'clasp' || ends.woven === null)
    return { ok: true, part: { ...part, ...seen }, components, closedBy: null };
  const made = plan(ends.woven);
  if ('ok' in made) return made;
  const closedBy = attachedOf(made.one, made.plan);
  const closed = { ...ends, clasp: asClasp(closedBy, mostLoopsOf(part)) };
  return { ok: true, part: { ...part, ...seenWith(seen, closedBy), ends: closed }, components, closedBy };
}

/** Where a part is taken up, and what is known of it there. */
interface TakenAt {
  readonly neighbours: () => Neighbours;
  /** Of a motif: how far apart it is held, in its points; null where they lie opposite each other. */
  readonly pointsApart: number | null;
  readonly layouts: Lookups['layouts'];
}

/** A planned part as a bead, by what it is held by; null where nothing of it can be held. */
function taken(part: PartOfPiece, plan: Plan, at: TakenAt): StrungComponent | null {
  if (part.count.by === 'around') return strungOf(part, plan, at.neighbours(), at.layouts);
  switch (plan.structure.madeWhole?.by) {
    case 'two points':
      return motifOf(part, plan, at.pointsApart);
    case 'its middle':
      return ballOf(part, plan, at.neighbours());
    case 'its loop':
      return dropOf(part, plan, at.neighbours());
    case undefined:
      return null;
  }
}

/** Beads and colours of a part, with those of what it is made of by their roles there. */
export function seenWith(seen: Plan['seen'], { id, plan }: Component): Plan['seen'] {
  const named = <T>(of: Readonly<Record<string, T>>) =>
    Object.fromEntries(Object.entries(of).map(([role, one]) => [innerRole(id, role), one]));
  return {
    beads: { ...seen.beads, ...named(plan.seen.beads) },
    colourings: { ...seen.colourings, ...named(plan.seen.colourings) },
  };
}

/** A part's own: what is strung has its own colours, and those of its beads. */
const ownSeen = ({ beads, colourings, strung }: PartOfPiece): Plan['seen'] => ({
  beads,
  // The same where nothing is strung: what is drawn by them need not be drawn anew.
  colourings:
    Object.keys(strung).length === 0
      ? colourings
      : Object.fromEntries(Object.entries(colourings).filter(([role]) => !(role in strung))),
});

const cornerOf = ({ structure }: PartOfPiece): Weaveable['corner'] => {
  const bound = boundStitch(structure);
  return bound.ok ? bound.weaveable.corner : undefined;
};

/** What a part strings, by the role that it takes; the one in the middle of a V is like the others, unless it is told. */
function strungIn({ strung }: PartOfPiece, corner: Weaveable['corner']): [RoleLetter, PartId][] {
  const all = Object.entries(strung) as [RoleLetter, PartId][];
  const like = corner && strung[corner.as];
  return like && !strung[corner.role] ? [...all, [corner.role, like]] : all;
}

/** Loops side by side that an end of a part has place for. */
function mostLoopsOf({ structure }: PartOfPiece): number {
  const bound = boundStitch(structure);
  return (bound.ok && bound.weaveable.mostLoops) || 1;
}

const nameOf = (part: PartOfPiece, id: PartId): string =>
  id === part.id
    ? partName({ ...part, name: part.partName })
    : partName(
        given(
          part.others.find((one) => one.id === id),
          `part ${id}`,
        ),
      );
