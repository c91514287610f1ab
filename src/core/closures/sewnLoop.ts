import type { Body, Point, Pose } from '../layout/layout';
import { EDGE_NAMES, type EdgeName } from '../weave/edge';
import { jointOf, type Bead, type JointId, type Section } from '../weave/path';

/** Role of the seeds that hold a clasp. */
export const LOOP_ROLE = 'loop';

/** How a clasp half is sewn on: so many seeds out to its ring, as many back, round so many times. */
export interface SewnLoop {
  readonly seedsEachSide: number;
  /** 0 where nothing is sewn on at this end. */
  readonly passes: number;
  /** Both its threads go through one seed more at the work, so that beyond it the loop can stand on edge. */
  readonly turned?: boolean;
  /** A loop of so many seeds that goes over a ball or a button, and holds no ring. */
  readonly buttonSeeds?: number;
  /** A part that it is sewn to by its edge. */
  readonly to?: string;
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
  /** Of several strands, which it is and to which loop of the clasp it goes, from 0: where those are fewer, some share one. */
  readonly strand?: { readonly nth: number; readonly place: number };
  /** Loops of the clasp side by side, each sewn on like this; one where nothing is said. */
  readonly loops?: number;
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
export const loopRuns = ({ seedsEachSide, buttonSeeds, passes }: SewnLoop): { out: number; back: number } => {
  if (passes === 0) return { out: 0, back: 0 };
  if (buttonSeeds === undefined) return { out: seedsEachSide, back: seedsEachSide };
  return { out: Math.ceil(buttonSeeds / 2), back: Math.floor(buttonSeeds / 2) };
};

/** Whether a loop has a seed that turns it: without seeds there is nothing to turn, and one over a button stays as it is. */
export const hasNeck = ({ turned = false, seedsEachSide, buttonSeeds, passes }: SewnLoop): boolean =>
  turned && passes > 0 && seedsEachSide > 0 && buttonSeeds === undefined;

export type Side = -1 | 1;

/** What is worked where a clasp half is sewn on. */
export const loopSection = (end: EdgeName): Section => LOOPS[end];
const LOOPS: Readonly<Record<EdgeName, Section>> = { start: jointOf('start'), end: jointOf('end') };

/** The end whose clasp half is sewn on in a section; null where it is none, as where a ring is joined. */
export const loopEndOf = (section: Section): EdgeName | null =>
  EDGE_NAMES.find((end) => LOOPS[end] === section) ?? null;
/** Slots of the seeds of a loop: on the way out, and on the way back, and the one through which both go. */
export const LOOP_SLOTS = { out: 'out', back: 'in', neck: 'neck' } as const;

/** Which loop of its end a seed belongs to, counted from 0. */
export const loopOf = ({ slot }: Bead): number => slot.run ?? 0;

/** What the loop takes of the piece's length: its seeds stand in two columns between work and ring, beyond the one that turns it. */
export const loopLengthMm = (loop: SewnLoop, seed: Body): number =>
  (loopRuns(loop).out + (hasNeck(loop) ? 1 : 0)) * seed.lengthMm;

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
  const neckMm = hasNeck(loop) ? seed.lengthMm : 0;
  // The seeds back begin beside the last one out; an odd loop has that one alone at its tip.
  // In a shell it stands in the middle, whatever edge thread came from.
  if (loop.inShell || bead.slot.of === LOOP_SLOTS.neck)
    return { centre: [edgeMm + (outward * seed.lengthMm) / 2, acrossMm, 0], axis: [outward, 0, 0] };
  const fromEdge = isOut || out === 0 ? k - 0.5 : back - k + 0.5;
  const centre: Point = [
    edgeMm + outward * (neckMm + fromEdge * seed.lengthMm),
    acrossMm + ((isOut ? side : -side) * seed.diameterMm) / 2,
    0,
  ];
  return { centre, axis: [isOut ? outward : -outward, 0, 0] };
}
