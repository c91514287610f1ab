import type { Body, Point, Pose } from '../layout/layout';
import { jointOf, type Bead, type Finding, type Section } from '../weave/path';
import type { Weave } from '../weave/builder';
import type { Needle } from '../weave/needle';

/** Role of the seeds that hold a clasp. */
export const LOOP_ROLE = 'loop';

/** How a clasp half is sewn on: so many seeds out to its ring, as many back, round so many times. */
export interface SewnLoop {
  readonly seedsEachSide: number;
  /** 0 where nothing is sewn on at this end. */
  readonly passes: number;
  /** A loop of so many seeds that goes over a ball or a button, and holds no ring. */
  readonly buttonSeeds?: number;
  /** Loops of the clasp side by side, each sewn on like this; one where nothing is said. */
  readonly loops?: number;
}

/** How both ends of a piece are closed: a loop at each, or neither; joined, the last unit is sewn to the first. */
export interface EndLoops {
  readonly start: SewnLoop;
  readonly end: SewnLoop;
  readonly joined?: boolean;
}

/** An end at which nothing is sewn on. */
export const NO_LOOP: SewnLoop = { seedsEachSide: 0, passes: 0 };

/** Seeds out, and seeds back; an odd one belongs to the way out. */
export const loopRuns = ({ seedsEachSide, buttonSeeds, passes }: SewnLoop): { out: number; back: number } => {
  if (passes === 0) return { out: 0, back: 0 };
  if (buttonSeeds === undefined) return { out: seedsEachSide, back: seedsEachSide };
  return { out: Math.ceil(buttonSeeds / 2), back: Math.floor(buttonSeeds / 2) };
};

const PIECE_ENDS = ['start', 'end'] as const;
export type PieceEnd = (typeof PIECE_ENDS)[number];
export type Side = -1 | 1;

/** What is worked where a clasp half is sewn on. */
export const loopSection = (end: PieceEnd): Section => jointOf(end);

/** The end whose clasp half is sewn on in a section; null where it is none, as where a ring is joined. */
export const loopEndOf = (section: Section): PieceEnd | null =>
  PIECE_ENDS.find((end) => loopSection(end) === section) ?? null;
const claspFinding = (end: PieceEnd) => `clasp at the ${end}`;

const OUT = 'out';
const BACK = 'in';

/** Which loop of its end a seed belongs to, counted from 0. */
export const loopOf = ({ slot }: Bead): number => slot.run ?? 0;

/** Where along an edge each of several loops is sewn: the middle of as many equal stretches. */
export function spread<T>(edge: readonly T[], loops = 1): T[] {
  const count = Math.min(loops, edge.length);
  return Array.from({ length: count }, (_, k) => edge[Math.floor(((k + 0.5) / count) * edge.length)] as T);
}

/**
 * Sews one clasp half with a small loop of seeds: pick up seeds, through the ring, pick up as many, and
 * back into the work; then round the same way again until the ring holds `loop.passes` threads. A loop over a
 * button holds no ring; where there is no loop, nothing is done.
 * @param enter takes the thread from the loop back into the work
 * @param comeRound brings it out again where the loop began
 * @param nth which of several loops of this end it is, counted from 0
 */
export function sewLoop(
  weave: Weave,
  needle: Needle,
  end: PieceEnd,
  loop: SewnLoop,
  enter: () => void,
  comeRound: () => void,
  nth = 0,
): void {
  if (loop.passes === 0) return;
  const runs = loopRuns(loop);
  const ringName = nth === 0 ? claspFinding(end) : `${claspFinding(end)}, loop ${nth + 1}`;
  const seeds = (count: number) => Array<string>(count).fill(LOOP_ROLE);
  weave.joint(end, 'sew on the clasp', () => {
    const ring: Finding | null =
      loop.buttonSeeds === undefined ? weave.finding(ringName, 1, { joint: end, nth }) : null;
    // A single loop is no run of several.
    const run = nth === 0 ? {} : { run: nth };
    const out = needle.string(seeds(runs.out), OUT, run);
    if (ring) needle.attach(ring);
    const back = needle.string(seeds(runs.back), BACK, run);
    enter();
    for (let pass = 1; pass < loop.passes; pass++) {
      weave.in({ pass: `reinforce the loop ${pass}` }, () => {
        comeRound();
        needle.reinforce(...out);
        if (ring) needle.attach(ring);
        needle.reinforce(...back);
        enter();
      });
    }
  });
}

/** What the loop takes of the piece's length: its seeds stand in two columns between work and ring. */
export const loopLengthMm = (loop: SewnLoop, seed: Body): number => loopRuns(loop).out * seed.lengthMm;

/**
 * Where the seeds of a loop lie: two columns, side by side, out along the first and back along the second.
 * @param edgeMm x of the work's edge
 * @param side the edge of the work that the thread leaves from: −1 or 1, the sign of its y
 * @param acrossMm y of the loop's middle
 */
export function loopPose(
  bead: Bead,
  end: PieceEnd,
  edgeMm: number,
  side: Side,
  loop: SewnLoop,
  seed: Body,
  acrossMm: number,
): Pose {
  const outward = end === 'end' ? 1 : -1;
  const isOut = bead.slot.of === OUT;
  const k = bead.slot.index + 1;
  const { out, back } = loopRuns(loop);
  // The seeds back begin beside the last one out; an odd loop has that one alone at its tip.
  const fromEdge = isOut || out === 0 ? k - 0.5 : back - k + 0.5;
  const centre: Point = [
    edgeMm + outward * fromEdge * seed.lengthMm,
    acrossMm + ((isOut ? side : -side) * seed.diameterMm) / 2,
    0,
  ];
  return { centre, axis: [isOut ? outward : -outward, 0, 0] };
}
