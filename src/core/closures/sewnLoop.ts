import type { Body, Point, Pose } from '../layout/layout';
import type { Bead, Finding } from '../weave/path';
import type { Needle, Weave } from '../weave/builder';

/** Role of the seeds that hold a clasp. */
export const LOOP_ROLE = 'loop';

/** How a clasp half is sewn on: so many seeds out to its ring, as many back, round so many times. */
export interface SewnLoop {
  readonly seedsEachSide: number;
  /** 0 where nothing is sewn on at this end. */
  readonly passes: number;
  /** A loop of so many seeds that goes over a ball or a button, and holds no ring. */
  readonly buttonSeeds?: number;
}

/** An end at which nothing is sewn on. */
export const NO_LOOP: SewnLoop = { seedsEachSide: 0, passes: 0 };

/** Seeds out, and seeds back; an odd one belongs to the way out. */
export const loopRuns = ({ seedsEachSide, buttonSeeds, passes }: SewnLoop): { out: number; back: number } => {
  if (passes === 0) return { out: 0, back: 0 };
  if (buttonSeeds === undefined) return { out: seedsEachSide, back: seedsEachSide };
  return { out: Math.ceil(buttonSeeds / 2), back: Math.floor(buttonSeeds / 2) };
};

export type PieceEnd = 'start' | 'end';
export type Side = -1 | 1;

export const loopSection = (end: PieceEnd) => `${end} loop`;
export const claspFinding = (end: PieceEnd) => `clasp at the ${end}`;

const OUT = 'out';
const BACK = 'in';

/**
 * Sews one clasp half with a small loop of seeds: pick up seeds, through the ring, pick up as many, and
 * back into the work; then round the same way again until the ring holds `loop.passes` threads. A loop over a
 * button holds no ring; where there is no loop, nothing is done.
 * @param enter takes the thread from the loop back into the work
 * @param comeRound brings it out again where the loop began
 */
export function sewLoop(
  weave: Weave,
  needle: Needle,
  end: PieceEnd,
  loop: SewnLoop,
  enter: () => void,
  comeRound: () => void,
): void {
  if (loop.passes === 0) return;
  const runs = loopRuns(loop);
  const seeds = (count: number) => Array<string>(count).fill(LOOP_ROLE);
  weave.in({ section: loopSection(end), pass: 'sew on the clasp', row: 0, rowsPerUnit: 1 }, () => {
    const ring: Finding | null = loop.buttonSeeds === undefined ? weave.finding(claspFinding(end)) : null;
    const out = needle.string(seeds(runs.out), OUT);
    if (ring) needle.attach(ring);
    const back = needle.string(seeds(runs.back), BACK);
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
 */
export function loopPose(
  bead: Bead,
  end: PieceEnd,
  edgeMm: number,
  side: Side,
  loop: SewnLoop,
  seed: Body,
): Pose {
  const outward = end === 'end' ? 1 : -1;
  const isOut = bead.name.startsWith(OUT);
  const k = Number(bead.name.slice((isOut ? OUT : BACK).length));
  const { out, back } = loopRuns(loop);
  // The seeds back begin beside the last one out; an odd loop has that one alone at its tip.
  const fromEdge = isOut || out === 0 ? k - 0.5 : back - k + 0.5;
  const centre: Point = [
    edgeMm + outward * fromEdge * seed.lengthMm,
    ((isOut ? side : -side) * seed.diameterMm) / 2,
    0,
  ];
  return { centre, axis: [isOut ? outward : -outward, 0, 0] };
}
