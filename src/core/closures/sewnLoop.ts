import type { Body, Point, Pose } from '../layout/layout';
import { EDGE_NAMES, type EdgeName } from '../weave/edge';
import { jointOf, type Bead, type JointId, type Section } from '../weave/path';

/** Role of the seeds that hold a clasp. */
export const LOOP_ROLE = 'loop';

/** A part that an end is sewn to, by what of it the thread goes through. */
export interface SewnTo {
  readonly name: string;
  readonly by: 'edge' | 'circle' | 'point';
}

/** How a clasp half is sewn on: so many seeds out to its ring, as many back, round so many times. */
export interface SewnLoop {
  readonly seedsEachSide: number;
  /** 0 where nothing is sewn on at this end. */
  readonly passes: number;
  /** Both its threads go through one seed more at the work, so that beyond it the loop can stand on edge. */
  readonly turned?: boolean;
  /** A loop of so many seeds that goes over a ball or a button, and holds no ring. */
  readonly buttonSeeds?: number;
  /** A part that it is sewn to, and what of it. */
  readonly to?: SewnTo;
  /** What it holds, as the maker calls it; a clasp where nothing is said. */
  readonly called?: string;
  /** A seed lies in the shell of what it holds, with a knot, and thread goes back out of the shell by the hole it came in by. */
  readonly inShell?: true;
  /** A crimp lies between the work and what it holds: thread goes through it and back, and it is pressed flat. */
  readonly crimped?: true;
  /** What to see to when it is sewn, in words. */
  readonly note?: string;
  /** What it holds where it holds no clasp, and the joint at which it is sewn on. */
  readonly finding?: { readonly name: string; readonly joint: JointId };
  /**
   * It hangs from a V: legs of so many seeds a side from so many places round the end of a tube, that meet in one seed; beyond that lies the
   * ring, or the loop over a button.
   */
  readonly legs?: Legs;
  /** Of several strands, which it is and to which loop of the clasp it goes, from 0: where those are fewer, some share one. */
  readonly strand?: { readonly nth: number; readonly place: number };
  /** Loops of the clasp side by side, each sewn on like this; one where nothing is said. */
  readonly loops?: number;
}

/** So many legs, and how far from the middle of a tube they begin, mm. */
export interface Legs {
  readonly count: number;
  readonly fromMm: number;
}

/** How both ends of a piece are closed: a loop at each, or neither; joined, the last unit is sewn to the first. */
export interface EndLoops {
  readonly start: SewnLoop;
  readonly end: SewnLoop;
  readonly joined?: boolean;
  /** A body is set in before it is closed. */
  readonly about?: boolean;
}

/** An end at which nothing is sewn on. */
export const NO_LOOP: SewnLoop = { seedsEachSide: 0, passes: 0 };

/** Seeds out, and seeds back; an odd one belongs to the way out. */
export const loopRuns = ({
  seedsEachSide,
  buttonSeeds,
  passes,
  legs,
}: SewnLoop): { out: number; back: number } => {
  if (passes === 0) return { out: 0, back: 0 };
  if (buttonSeeds === undefined)
    return legs ? { out: 0, back: 0 } : { out: seedsEachSide, back: seedsEachSide };
  return { out: Math.ceil(buttonSeeds / 2), back: Math.floor(buttonSeeds / 2) };
};

/**
 * Whether a loop has a seed at the work through which both its threads go: one that turns it, but for a loop without seeds and one over a
 * button, which stay as they are; or that in which legs meet.
 */
export const hasNeck = ({ turned = false, seedsEachSide, buttonSeeds, passes, legs }: SewnLoop): boolean =>
  passes > 0 && (legs !== undefined || (turned && seedsEachSide > 0 && buttonSeeds === undefined));

export type Side = -1 | 1;

/** What is worked where a clasp half is sewn on. */
export const loopSection = (end: EdgeName): Section => LOOPS[end];
const LOOPS: Readonly<Record<EdgeName, Section>> = { start: jointOf('start'), end: jointOf('end') };

/** The end whose clasp half is sewn on in a section; null where it is none, as where a ring is joined. */
export const loopEndOf = (section: Section): EdgeName | null =>
  EDGE_NAMES.find((end) => LOOPS[end] === section) ?? null;
/** Slots of the seeds of a loop: on the way out, and on the way back, and the one through which both go. */
export const LOOP_SLOTS = { out: 'out', back: 'in', neck: 'neck', leg: 'leg' } as const;

/** Whether a seed is of a leg of a V. */
export const isOfLeg = ({ slot }: Bead): boolean => slot.of === LOOP_SLOTS.leg;

/** Which loop of its end a seed belongs to, counted from 0; all legs of a V belong to one. */
export const loopOf = (bead: Bead): number => (isOfLeg(bead) ? 0 : (bead.slot.run ?? 0));

/** How far along the piece the legs of a V reach, mm (Pythagoras); nothing where they do not reach the middle. */
export const legReachMm = ({ seedsEachSide, legs }: SewnLoop, seed: Body): number =>
  legs ? Math.sqrt(Math.max(0, (seedsEachSide * seed.lengthMm) ** 2 - legs.fromMm ** 2)) : 0;

/** How far from the work a loop begins: beyond its legs, and the seed that its threads share. */
const rootMm = (loop: SewnLoop, seed: Body): number =>
  legReachMm(loop, seed) + (hasNeck(loop) ? seed.lengthMm : 0);

/** What the loop takes of the piece's length: its seeds stand in two columns between work and ring, beyond the one that turns it. */
export const loopLengthMm = (loop: SewnLoop, seed: Body): number =>
  loop.passes === 0 ? 0 : loopRuns(loop).out * seed.lengthMm + rootMm(loop, seed);

/**
 * Where the seeds of a loop lie: two columns, side by side, out along the first and back along the second.
 * @param edgeMm x of the work's edge
 * @param side the edge of the work that the thread leaves from: −1 or 1, the sign of its y
 * @param acrossMm y of the loop's middle
 */
export function loopPose(
  bead: Bead,
  end: EdgeName,
  edgeMm: number,
  side: Side,
  loop: SewnLoop,
  seed: Body,
  acrossMm: number,
): Pose {
  const outward = end === 'end' ? 1 : -1;
  const isOut = bead.slot.of === LOOP_SLOTS.out;
  const k = bead.slot.index + 1;
  const { out, back } = loopRuns(loop);
  // The seeds back begin beside the last one out; an odd loop has that one alone at its tip.
  // In a shell it stands in the middle, whatever edge thread came from.
  if (loop.inShell || bead.slot.of === LOOP_SLOTS.neck)
    return {
      centre: [edgeMm + outward * (legReachMm(loop, seed) + seed.lengthMm / 2), acrossMm, 0],
      axis: [outward, 0, 0],
    };
  const fromEdge = isOut || out === 0 ? k - 0.5 : back - k + 0.5;
  const centre: Point = [
    edgeMm + outward * (rootMm(loop, seed) + fromEdge * seed.lengthMm),
    acrossMm + ((isOut ? side : -side) * seed.diameterMm) / 2,
    0,
  ];
  return { centre, axis: [isOut ? outward : -outward, 0, 0] };
}

/**
 * Where a seed of a leg lies: on the straight way from its place at the edge to where the legs meet. The second leg is strung on the way back
 * into the work, all others on the way out.
 * @param foot where the leg leaves the work: y and z
 */
export function legPose(
  { slot: { index, run = 0 } }: Bead,
  end: EdgeName,
  edgeMm: number,
  loop: SewnLoop,
  seed: Body,
  foot: Point,
): Pose {
  const outward = end === 'end' ? 1 : -1;
  const inwards = run === 1;
  const part = (inwards ? loop.seedsEachSide - index - 0.5 : index + 0.5) / loop.seedsEachSide;
  const reachMm = legReachMm(loop, seed);
  const [, y, z] = foot;
  const size = Math.hypot(reachMm, y, z) || 1;
  const way = (inwards ? -1 : 1) / size;
  return {
    centre: [edgeMm + outward * part * reachMm, (1 - part) * y, (1 - part) * z],
    axis: [way * outward * reachMm, -way * y, -way * z],
  };
}
