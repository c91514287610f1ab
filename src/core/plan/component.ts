import { asideMm, restingMm } from '../body/about';
import type { Inner } from '../layout/bent';
import { innerRole, type AsBead } from './asBead';
import { bent, within } from '../layout/bent';
import { dressedRequest, type DressedLayout, type DressedRequest } from '../layout/dressed';
import type { View } from '../layout/drawing';
import { dressedAt, type Layouts } from '../layout/kept';
import { matrixOf } from '../layout/solver/turns';
import type { Layout, Point, Pose } from '../layout/layout';
import { wholeSketch, type Sketch } from '../layout/sketch';
import { Weave } from '../weave/builder';
import { CORE_ROLE, isSetIn } from '../joints/setIn';
import type { BeadMaterial, Clasp } from '../materials/material';
import { sizeOf, type BeadSize } from '../materials/material';
import { beadOf, bodiesOf, partName, type Way } from '../piece/part';
import { asPiece, partOf, type PartOfPiece } from '../piece/partOfPiece';
import { boundStitch } from '../structures/registry';
import { rolesOf, type RoleLetter } from '../structures/structure';
import { NO_LOOP } from '../closures/sewnLoop';
import { given } from '../tools/given';
import { once, remembered } from '../tools/remember';
import { WOVEN, type PartId } from '../weave/path';
import type { Lookups } from './lookups';
import type { Component, HungComponent, Plan, StrungComponent } from './planned';
import { noPlan, type NoPlan } from './problems';

/**
 * How much of the thread's length a ring about a body takes, at the least and at the most, mm. Strung between its beads, the
 * neighbours come as near as the body, or no nearer than its beads let them; under its threads they rest on its beads, which
 * may yield by half of one, or stand off by as much.
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
function strungOf(
  part: PartOfPiece,
  plan: Plan,
  neighbours: DressedRequest['neighbours'],
  layouts: Layouts,
): StrungComponent {
  const { id, count, partName: own, beads } = part;
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
    neighbours,
  });
  const found = dressedAt(layouts, request.key);
  const laidOut = found?.settled ? found : null;
  const known = count.measuredMm ?? laidOut?.alongMm;
  const between: AsBead['betweenMm'] =
    known === undefined ? betweenMm(count.way, core, { acrossMm, thicknessMm }) : [known, known];
  const { grams, unknown } = plan.weight;
  const inner = once(() => innerOf(plan, radiusMm, laidOut));
  const name = partName({ name: own, beads, count });
  return {
    id,
    name,
    plan,
    betweenMm: between,
    toLayOut: found || count.measuredMm !== null ? null : request,
    bead: {
      ...core,
      id: `part ${id}`,
      name,
      shape: 'oval',
      lengthMm: known ?? Math.max(acrossMm, between[0]),
      diameterMm: Math.max(sizeOf(core).diameterMm, widthMm),
      widthMm: acrossMm,
      perGram: unknown.length === 0 && grams > 0 ? 1 / grams : null,
      sold: null,
      finish: 'plain',
    },
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

/** A pose as a layout keeps it: a centre, and a turn. */
function poseOf([x = 0, y = 0, z = 0, ...turn]: readonly number[], mirrored: boolean): Pose {
  const [w = 1, i = 0, j = 0, k = 0] = turn;
  const m = matrixOf(w, i, j, k);
  const over = ([a, b, c]: Point): Point => (mirrored ? [a, -b, c] : [a, b, c]);
  return { centre: over([x, y, z]), axis: over([m[0], m[3], m[6]]), across: over([m[1], m[4], m[7]]) };
}

/**
 * The beads of a ring about a body: as they are laid out, or bent round it, the body in its middle; what is strung in it
 * opened in its turn.
 */
function innerOf(plan: Plan, radiusMm: number, laidOut: DressedLayout | null): Inner[] {
  const { path, layout } = plan.work();
  const { bodyStartMm, bodyEndMm } = layout.stations;
  const shades = plan.shades();
  const inner = path.beads.flatMap((bead): Inner[] => {
    const lies = laidOut?.beads[bead.id];
    if (!lies && isSetIn(bead.place.section.joint))
      return [{ role: bead.role, pose: { centre: [0, 0, 0], axis: [1, 0, 0] } }];
    const flat = given(layout.poses[bead.id], 'place of a bead');
    const [x, y, z] = flat.centre;
    const pose = lies
      ? poseOf(lies, plan.hand === 'left')
      : bent({ ...flat, centre: [x - bodyStartMm, y, z] }, bodyEndMm - bodyStartMm, radiusMm);
    const strung = plan.components.get(bead.role);
    return strung
      ? strung
          .inner()
          .map((one) => ({ ...one, role: innerRole(strung.id, one.role), pose: within(pose, one.pose) }))
      : [{ role: bead.role, shade: shades.get(bead.id), pose }];
  });
  // The body stands for all of it.
  return inner.sort((a, b) => Number(b.role === CORE_ROLE) - Number(a.role === CORE_ROLE));
}

/** What stands in the place of one bead, drawn by itself as it lies so. */
function alone(
  inner: readonly Inner[],
  sizeOf: (role: string) => BeadSize,
  view: View,
  pose: Pose = { centre: [0, 0, 0], axis: [1, 0, 0] },
): Sketch {
  const w = new Weave();
  w.needle('working').string([CORE_ROLE]);
  const layout: Layout = { poses: [pose], findings: [], body: sizeOf };
  return wholeSketch({ path: w.path(), layout, inner: () => inner }, sizeOf, view);
}

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
    one.layouts === lookups.layouts && one.swatches === lookups.swatches && one.habits === lookups.habits;
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
): DressedRequest['neighbours'] {
  const size = (one: string) => sizeOf(components.get(one)?.bead ?? beadOf(part, one));
  const bound = boundStitch(part.structure);
  const ends = { start: NO_LOOP, end: NO_LOOP };
  const { weaveable } = bound.ok ? bound : { weaveable: null };
  const strung =
    weaveable
      ?.weave(weaveable.minimumUnits + FEW, ends)
      .moves.flatMap((move) => (move.kind === 'pick' ? [move.bead.role] : [])) ?? [];
  const places = strung.flatMap((one, i) => (one === role ? [i] : []));
  const middle = places[Math.floor(places.length / 2)];
  const beside = (i: number | undefined) => size((i !== undefined && strung[i]) || role);
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
  for (const [role, id] of Object.entries(part.strung) as [RoleLetter, PartId][]) {
    const made = plan(id);
    if ('ok' in made) return made;
    if (made.one.count.by !== 'around') return noPlan({ code: 'cannot-be-strung', part: nameOf(part, id) });
    const neighbours = neighboursOf(part, role, components);
    const component = strungOf(made.one, made.plan, neighbours, lookups.layouts);
    components.set(role, component);
    seen = seenWith({ ...seen, beads: { ...seen.beads, [role]: component.bead } }, component);
  }
  const { ends } = part;
  if (ends.closing !== 'clasp' || ends.woven === null)
    return { ok: true, part: { ...part, ...seen }, components, closedBy: null };
  const made = plan(ends.woven);
  if ('ok' in made) return made;
  const closedBy = closingOf(made.one, made.plan);
  const closed = { ...ends, clasp: asClasp(closedBy, mostLoopsOf(part)), loopSeeds: null };
  return { ok: true, part: { ...part, ...seenWith(seen, closedBy), ends: closed }, components, closedBy };
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

/** A part with two free edges, as it closes a piece. */
const closingOf = ({ id, partName: name, beads, count }: PartOfPiece, plan: Plan): Component => ({
  id,
  name: partName({ name, beads, count }),
  plan,
  toLayOut: null,
  sketch: plan.sketch,
});

/** Loops side by side that an end of a part has place for. */
function mostLoopsOf({ structure }: PartOfPiece): number {
  const bound = boundStitch(structure);
  return (bound.ok && bound.weaveable.mostLoops) || 1;
}

/** Girth of a piece where something runs on it: of a rope its round, of a strip its breadth twice and its rounded edges. */
export const girthOf = ({ widthMm, thicknessMm }: Pick<Plan, 'widthMm' | 'thicknessMm'>): number => {
  const [broad, thin] = [Math.max(widthMm, thicknessMm), Math.min(widthMm, thicknessMm)];
  return 2 * (broad - thin) + Math.PI * thin;
};

/** A ring about the x axis, as one is that runs on a piece. */
const ON_ROPE: Pose = { centre: [0, 0, 0], axis: [0, 1, 0], across: [0, 0, 1] };

/** A bail, as it runs on a piece. */
export function hungOf({ id, partName: name, beads, count }: PartOfPiece, plan: Plan): HungComponent {
  const inner = once(() => innerOf(plan, plan.chosen.finishedMm / (2 * Math.PI), null));
  const seen = (pose?: Pose) => remembered((view: View) => alone(inner(), bodiesOf(plan.seen), view, pose));
  return {
    id,
    name: partName({ name, beads, count }),
    plan,
    toLayOut: null,
    sketch: seen(),
    onRope: seen(ON_ROPE),
  };
}

/** What a woven part is as a clasp: all of its length lies at the start, and it has as many loops as both edges have places. */
const asClasp = ({ id, name, plan }: Component, mostLoops: number): Clasp => ({
  id: `part ${id}`,
  name,
  shape: 'ring top',
  startMm: plan.chosen.finishedMm,
  endMm: 0,
  // A uniform spread of half-width s deviates by s/√3.
  spreadMm: Math.sqrt(3) * plan.chosen.sdMm,
  loops: Math.min(mostLoops, plan.weaveable.mostLoops ?? 1),
  turned: false,
  fastening: 'sewn loop',
  barMm: null,
  ringMm: null,
  buttonsMm: null,
  plated: false,
  note: '',
  source: 'memory',
});

const nameOf = (part: PartOfPiece, id: PartId): string =>
  id === part.id
    ? partName({ ...part, name: part.partName })
    : partName(
        given(
          part.others.find((one) => one.id === id),
          `part ${id}`,
        ),
      );
