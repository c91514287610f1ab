import type { Body, Point, Pose } from '../layout/layout';
import type { Bead, Finding } from '../weave/path';
import type { Needle, Weave } from '../weave/builder';

/** Role of the seeds that hold a clasp. */
export const LOOP_ROLE = 'loop';

/** How a clasp half is sewn on: so many seeds out to its ring, as many back, round so many times. */
export interface SewnLoop {
  readonly seedsEachSide: number;
  readonly passes: number;
}

export type PieceEnd = 'start' | 'end';
export type Side = -1 | 1;

export const loopSection = (end: PieceEnd) => `${end} loop`;
export const claspFinding = (end: PieceEnd) => `clasp at the ${end}`;

const OUT = 'out';
const BACK = 'in';

/**
 * Sews one clasp half with a small loop of seeds: pick up seeds, through the ring, pick up as many, and
 * back into the work; then round the same way again until the ring holds `loop.passes` threads.
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
  const seeds = Array<string>(loop.seedsEachSide).fill(LOOP_ROLE);
  weave.in({ section: loopSection(end), pass: 'sew on the clasp', row: 0, rowsPerUnit: 1 }, () => {
    const ring: Finding = weave.finding(claspFinding(end));
    const out = needle.string(seeds, OUT);
    needle.attach(ring);
    const back = needle.string(seeds, BACK);
    enter();
    for (let pass = 1; pass < loop.passes; pass++) {
      weave.in({ pass: `reinforce the loop ${pass}` }, () => {
        comeRound();
        needle
          .reinforce(...out)
          .attach(ring)
          .reinforce(...back);
        enter();
      });
    }
  });
}

/** What the loop takes of the piece's length: its seeds stand in two columns between work and ring. */
export const loopLengthMm = (loop: SewnLoop, seed: Body): number => loop.seedsEachSide * seed.lengthMm;

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
  const fromEdge = isOut ? k - 0.5 : loop.seedsEachSide - k + 0.5;
  const centre: Point = [
    edgeMm + outward * fromEdge * seed.lengthMm,
    ((isOut ? side : -side) * seed.diameterMm) / 2,
    0,
  ];
  return { centre, axis: [isOut ? outward : -outward, 0, 0] };
}
