import type { Point } from '../layout';
import type { RepeatCell } from './cell';
import { neighboursOf } from './grow';
import { restingOf } from './resting';
import { pitchIndex, PER_BEAD } from './state';
import { mean, sub } from './vectors';

/** Rounds of evening out; a pass is seldom longer than so many beads from what it is sewn to. */
const EVEN = 60;

/**
 * Sets the beads of a stage where their structure puts them, moved along with what their thread joins: each by the mean
 * of its neighbours' movement.
 */
export function seat(cell: RepeatCell, start: Float64Array, state: Float64Array, stage: number): void {
  const near = neighboursOf(cell);
  const n = cell.beads.length;
  const [pitch, twist] = [pitchIndex(n), start[pitchIndex(n) + 1] as number];
  const moved: Point[] = cell.beads.map((bead, i) =>
    bead.stage < stage ? sub(restingOf(state, i).centre, restingOf(start, i).centre) : [0, 0, 0],
  );
  const fresh = cell.beads.flatMap((bead, i) => (bead.stage === stage ? [i] : []));
  // A neighbour a period on has moved by what the pitch has changed, too.
  const grown = (state[pitch] as number) - (start[pitch] as number);
  for (let round = 0; round < EVEN; round++)
    for (const i of fresh) {
      const around = (near[i] ?? [])
        .filter(({ bead }) => (cell.beads[bead]?.stage ?? 0) <= stage)
        .map(({ bead, shift }): Point => {
          const [x, y, z] = moved[bead] as Point;
          const [c, s] = [Math.cos(shift * twist), Math.sin(shift * twist)];
          return [x + shift * grown, c * y - s * z, s * y + c * z];
        });
      if (around.length > 0) moved[i] = mean(around);
    }
  for (const i of fresh) {
    const [x, y, z] = restingOf(start, i).centre;
    const [dx, dy, dz] = moved[i] as Point;
    state.set([x + dx, y + dy, z + dz], i * PER_BEAD);
    state.set(start.subarray(i * PER_BEAD + 3, (i + 1) * PER_BEAD), i * PER_BEAD + 3);
  }
}
