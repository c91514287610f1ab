// Rounds of loops about a ring, by closed form, and their counts against the circle.
import { solidOf, type Solid } from '../layout/solver/solid';
import { reachOf } from '../layout/solver/support';
import type { BeadSize } from '../materials/material';
import { halving } from '../tools/halving';
import { at } from './structure';

/** The one in the middle of an odd run. */
export const middleOf = <T>(loop: readonly T[]): T => at(loop, (loop.length - 1) / 2);

export type Bodies = (role: string) => BeadSize;

/** A bead of a loop: beside the way out from the middle to the loop's own middle bead, how far out, and where its hole leads. */
interface Lie {
  readonly asideMm: number;
  readonly outMm: number;
  /** Of its hole, from across that way towards outward, radians. */
  readonly heading: number;
}

/** A round of loops as it lies, and whether it has the room that it takes. */
export interface Round {
  readonly beads: readonly Lie[];
  /** `short`: its loops cannot reach; `long`: they have no room beside their neighbours. */
  readonly lies: 'flat' | 'short' | 'long';
}

/** Radius of the circle whose inside beads of these lengths fill end to end, each a chord. Found by halving. */
export function ringRadiusMm(lengths: readonly number[]): number {
  const total = lengths.reduce((sum, mm) => sum + mm, 0);
  const round = (radius: number) =>
    lengths.reduce((sum, mm) => sum + 2 * Math.asin(Math.min(1, mm / (2 * radius))), 0);
  return halving(
    Math.max(...lengths) / 2,
    Math.max(total, ...lengths),
    (radius) => round(radius) > 2 * Math.PI,
    60,
  );
}

/** Where the bead of length `mm` lies of a chord in a circle: its middle's distance, and half the angle it spans. */
export const onCircle = (radiusMm: number, mm: number) => {
  const half = Math.asin(Math.min(1, mm / (2 * radiusMm)));
  return { outMm: radiusMm * Math.cos(half), half };
};

/** From a bead's middle to the corner at which the thread turns by an angle: both beads touch the line that halves it, mm. */
const toCorner = (bead: BeadSize, turn: number): number =>
  reachOf(solidIn(bead), Math.cos(turn / 2), Math.sin(turn / 2), 0) / Math.cos(turn / 2);

/** Bodies of the beads that loops are tried with: each is asked for over and over. */
const solids = new WeakMap<BeadSize, Solid>();
function solidIn(bead: BeadSize): Solid {
  const solid = solids.get(bead) ?? solidOf(bead);
  solids.set(bead, solid);
  return solid;
}

/** Parts of the most that a leg may lean, as they are tried, and how many halvings find the one that closes. */
const TRIED = Array.from({ length: 61 }, (_, i) => i / 60);
const HALVINGS = 40;
/** Legs of neighbouring loops lean to the front and to the back, and so lie over each other by so much of a bead (from memory). */
const LEAN = 0.3;

/** How half a loop leaves its anchor: where its foot stands, and which way it heads, for so many of its beads straight on. */
interface Leg {
  readonly from: readonly [aside: number, out: number];
  readonly heading: number;
  readonly straight: number;
}

/** Where half a loop leads that leaves its anchor so: its beads from there, and its middle bead. */
function halfLoop({ from, heading, straight }: Leg, run: readonly BeadSize[], middle: BeadSize): Lie[] {
  const turn = run.length === 0 ? 0 : heading / (run.length - straight);
  /** The turn from the k-th bead to the next. */
  const after = (k: number) => (k < straight ? 0 : turn);
  let [aside, out, way] = [...from, heading];
  const go = (mm: number) => {
    aside += mm * Math.cos(way);
    out += mm * Math.sin(way);
  };
  const lies = run.map((bead, k): Lie => {
    go(k === 0 ? bead.lengthMm / 2 : toCorner(bead, after(k - 1)));
    const lie = { asideMm: aside, outMm: out, heading: way };
    go(toCorner(bead, after(k)));
    way -= after(k);
    return lie;
  });
  go(run.length === 0 ? middle.lengthMm / 2 : toCorner(middle, turn));
  return [...lies, { asideMm: aside, outMm: out, heading: 0 }];
}

/** Where a round is sewn on: how far out that bead lies, and its body. */
interface Anchor {
  readonly outMm: number;
  readonly bead: BeadSize;
}

interface Half {
  readonly beads: readonly Lie[];
  readonly lies: Round['lies'];
}

/**
 * Half a loop between its anchor and the way out to its middle. It stands on its anchor beside the neighbouring loop, and
 * turns alike from bead to bead; a longer one goes straight on first. Against the circle: stretched out it must reach, its
 * feet must have room beside each other, and none may lean further than its neighbour lets it, which is straight away from
 * the middle of the motif.
 */
function halfOf(points: number, { outMm, bead }: Anchor, run: readonly BeadSize[], middle: BeadSize): Half {
  const step = Math.PI / points;
  const [foot] = run;
  const asideMm = foot ? (foot.diameterMm / 2) * (1 - LEAN) : bead.lengthMm / 2;
  const footMm = outMm + (foot ? bead.diameterMm / 2 : 0);
  const from = [
    asideMm * Math.cos(step) - footMm * Math.sin(step),
    asideMm * Math.sin(step) + footMm * Math.cos(step),
  ] as const;
  const leg = (heading: number, straight: number) => halfLoop({ from, heading, straight }, run, middle);
  /** How far the middle bead lies beyond the middle. */
  const beyond = (heading: number, straight: number) => at(leg(heading, straight), -1).asideMm;
  const across = leg(0, 0);
  if (!foot) return single(middle, beyond(0, 0), footMm, step);
  if (beyond(0, 0) < 0) return { beads: across, lies: 'short' };
  const upright = Math.PI / 2 + step;
  if (-from[0] >= asideMm)
    for (let straight = 0; straight < run.length; straight++) {
      const closes = TRIED.findIndex((part) => beyond(part * upright, straight) <= 0);
      if (closes < 0) continue;
      let [low, high] = [at(TRIED, Math.max(0, closes - 1)) * upright, at(TRIED, closes) * upright];
      for (let i = 0; i < HALVINGS; i++) {
        const heading = (low + high) / 2;
        if (beyond(heading, straight) > 0) low = heading;
        else high = heading;
      }
      return { beads: leg(high, straight), lies: 'flat' };
    }
  return { beads: leg(upright, run.length - 1), lies: 'long' };
}

/** By how much of its girth a single bead stands out that fills the gap between its anchors (by the layout solver). */
const RISE = 1 / 3;
/**
 * The gap may be longer or shorter than the bead by this part of it at either end. Between beads that touch half of it has no room
 * at either end, and the layout solver has the round twice as wide; a bead over one of its own length has all it needs.
 */
const FILLS = 1 / 4;

/**
 * A single bead lies across, over bare thread at either end: no more than half its girth (from memory). Where it fills the gap
 * it stands out a little; where it is longer than that by more than half of itself, it forces the round before apart.
 * @param beyondMm how far half of it reaches beyond half the gap
 */
function single(middle: BeadSize, beyondMm: number, footMm: number, step: number): Half {
  const fills = beyondMm > -FILLS * middle.lengthMm;
  const outMm = footMm * Math.cos(step) + (fills ? RISE * middle.diameterMm : 0);
  return {
    beads: [{ asideMm: beyondMm, outMm, heading: 0 }],
    lies: beyondMm < -middle.diameterMm / 2 ? 'short' : beyondMm > FILLS * middle.lengthMm ? 'long' : 'flat',
  };
}

/** A round of loops between anchors that lie so far out: each half by itself, its middle bead midway between where they lead. */
export function roundAt(points: number, anchor: Anchor, roles: readonly string[], body: Bodies): Round {
  const sizes = roles.map(body);
  const k = (sizes.length - 1) / 2;
  const middle = middleOf(sizes);
  const there = halfOf(points, anchor, sizes.slice(0, k), middle);
  const back = halfOf(points, anchor, sizes.slice(k + 1).reverse(), middle);
  const mirrored = back.beads
    .slice(0, -1)
    .map(({ asideMm, outMm, heading }): Lie => ({ asideMm: -asideMm, outMm, heading: -heading }));
  const outMm = (at(there.beads, -1).outMm + at(back.beads, -1).outMm) / 2;
  const both = [there.lies, back.lies];
  return {
    beads: [...there.beads.slice(0, -1), { asideMm: 0, outMm, heading: 0 }, ...mirrored.reverse()],
    lies: both.includes('long') ? 'long' : both.includes('short') ? 'short' : 'flat',
  };
}
