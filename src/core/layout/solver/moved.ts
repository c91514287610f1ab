import type { Solid } from './solid';
import { pitchIndex, PER_BEAD } from './state';

/** A turn of the screw by less than this is none, radians. */
const NO_TURN = 1e-15;

/**
 * How far beads have come, mm, each by whichever of its points has come farthest: while two have moved less than the gap
 * between them was wide, they are apart, and need not be looked at again.
 */
export class Moved {
  private readonly farMm: Float64Array;
  private readonly places: Float64Array;
  private readonly turns: Float64Array;
  private readonly scales: Float64Array;
  private pitch = 0;
  private twist = NaN;
  /** How far the screw's pitch has come, mm, and how far any bead can have come by it all: sums that only grow. */
  pitchMm = 0;
  mostMm = 0;

  constructor(private readonly solids: readonly Solid[]) {
    const n = solids.length;
    this.farMm = new Float64Array(n);
    this.places = new Float64Array(n * 3);
    this.turns = new Float64Array(n * 9);
    this.scales = new Float64Array(n);
  }

  /** Follows the beads to where they are now. False where sizes or the screw's turn have changed: then nothing is known. */
  on(state: Float64Array, turns: Float64Array, scales: Float64Array): boolean {
    const n = this.solids.length;
    const p = pitchIndex(n);
    const [pitch, twist] = [state[p] as number, state[p + 1] as number];
    let same = Math.abs(twist - this.twist) < NO_TURN;
    let most = 0;
    for (let i = 0; i < n; i++) {
      const scale = scales[i] as number;
      if (scale !== this.scales[i]) same = false;
      this.scales[i] = scale;
      let [moved, turned] = [0, 0];
      for (let k = 0; k < 3; k++) {
        const now = state[i * PER_BEAD + k] as number;
        moved += (now - (this.places[i * 3 + k] as number)) ** 2;
        this.places[i * 3 + k] = now;
      }
      for (let k = i * 9; k < i * 9 + 9; k++) {
        turned += ((turns[k] as number) - (this.turns[k] as number)) ** 2;
        this.turns[k] = turns[k] as number;
      }
      // A turn moves no point farther than its change, as a matrix, times how far out the point is.
      const far = Math.sqrt(moved) + Math.sqrt(turned) * (this.solids[i] as Solid).boundMm * scale;
      this.farMm[i] = (this.farMm[i] as number) + far;
      most = Math.max(most, far);
    }
    this.mostMm += most;
    this.pitchMm += Math.abs(pitch - this.pitch);
    this.pitch = pitch;
    this.twist = twist;
    return same;
  }

  /** How far a bead and the image of another, `shift` periods on, have come, together, mm: only its changes mean anything. */
  together = (i: number, j: number, shift: number): number =>
    (this.farMm[i] as number) + (this.farMm[j] as number) + shift * this.pitchMm;
}
