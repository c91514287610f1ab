import type { Anchor, RepeatCell } from './cell';
import type { Solid } from './solid';
import { pitchIndex, PER_BEAD } from './state';
import { setMatrix } from './turns';

/** Where something is, mm. */
export interface Where {
  x: number;
  y: number;
  z: number;
}

/**
 * The beads of a cell as they lie in one state, and the forces on them, which are added up. Images of the cell follow under
 * a screw along x; a force on an image is a force on its bead, and on the screw.
 */
export class Bodies {
  /** Size of each bead: they grow from small to 1. */
  readonly scales: Float64Array;
  /** Nine numbers for the turn of each bead, three for the gradient by its place, and by its turn. */
  readonly turns: Float64Array;
  readonly force: Float64Array;
  readonly torque: Float64Array;
  pitchForce = 0;
  twistForce = 0;
  /** The turn of the bead whose image was asked for last, turned on with its period. */
  readonly imageTurn = new Float64Array(9);
  /** Squared lengths of the quaternions. */
  private readonly norms: Float64Array;
  private readonly end: Where = { x: 0, y: 0, z: 0 };

  constructor(
    readonly cell: RepeatCell,
    readonly solids: readonly Solid[],
  ) {
    const n = cell.beads.length;
    this.scales = new Float64Array(n).fill(1);
    this.turns = new Float64Array(n * 9);
    this.force = new Float64Array(n * 3);
    this.torque = new Float64Array(n * 3);
    this.norms = new Float64Array(n);
  }

  /** How far a bead reaches from its middle at most, mm. */
  boundMm = (bead: number): number => (this.solids[bead] as Solid).boundMm * (this.scales[bead] as number);

  /** Sets every bead down as the state has it, with no force on it. */
  setDown(state: Float64Array): void {
    this.force.fill(0);
    this.torque.fill(0);
    this.pitchForce = 0;
    this.twistForce = 0;
    for (let i = 0; i < this.norms.length; i++) {
      const o = i * PER_BEAD + 3;
      const w = state[o] as number;
      const x = state[o + 1] as number;
      const y = state[o + 2] as number;
      const z = state[o + 3] as number;
      this.norms[i] = w * w + x * x + y * y + z * z;
      setMatrix(this.turns, i * 9, w, x, y, z);
    }
  }

  /** Turns a bead on with its period; its turn is then in `imageTurn`. */
  image(bead: number, cos: number, sin: number): void {
    const r = this.turns;
    const o = bead * 9;
    for (let k = 0; k < 3; k++) {
      const b = r[o + 3 + k] as number;
      const c = r[o + 6 + k] as number;
      this.imageTurn[k] = r[o + k] as number;
      this.imageTurn[3 + k] = cos * b - sin * c;
      this.imageTurn[6 + k] = sin * b + cos * c;
    }
  }

  /** Where thread passes: a hole end, or the middle between two. */
  locate(state: Float64Array, anchors: readonly Anchor[], out: Where): void {
    const { end } = this;
    out.x = out.y = out.z = 0;
    for (const anchor of anchors) {
      this.holeEnd(state, anchor);
      out.x += end.x / anchors.length;
      out.y += end.y / anchors.length;
      out.z += end.z / anchors.length;
    }
  }

  /** Adds a gradient at the place where thread passes, `at`, as it was located. */
  pullAt(
    state: Float64Array,
    anchors: readonly Anchor[],
    at: Where,
    fx: number,
    fy: number,
    fz: number,
  ): void {
    const [only] = anchors;
    if (anchors.length === 1 && only) {
      this.push(state, only.bead, only.shift, fx, fy, fz, at.x, at.y, at.z);
      return;
    }
    const part = 1 / anchors.length;
    const { end } = this;
    for (const anchor of anchors) {
      this.holeEnd(state, anchor);
      this.push(state, anchor.bead, anchor.shift, fx * part, fy * part, fz * part, end.x, end.y, end.z);
    }
  }

  /** Adds the gradient `f` at the world point `at` of the image of a bead `shift` periods on. */
  push(
    state: Float64Array,
    bead: number,
    shift: number,
    fx: number,
    fy: number,
    fz: number,
    atX: number,
    atY: number,
    atZ: number,
  ): void {
    let gy = fy;
    let gz = fz;
    let x = atX;
    let y = atY;
    let z = atZ;
    if (shift !== 0) {
      const p = pitchIndex(this.cell.beads.length);
      this.pitchForce += shift * fx;
      this.twistForce += shift * (atY * fz - atZ * fy);
      const angle = shift * (state[p + 1] as number);
      const cos = Math.cos(angle);
      const sin = Math.sin(angle);
      gy = cos * fy + sin * fz;
      gz = cos * fz - sin * fy;
      x = atX - shift * (state[p] as number);
      y = cos * atY + sin * atZ;
      z = cos * atZ - sin * atY;
    }
    const c = bead * PER_BEAD;
    const i = bead * 3;
    const rx = x - (state[c] as number);
    const ry = y - (state[c + 1] as number);
    const rz = z - (state[c + 2] as number);
    this.force[i] = (this.force[i] as number) + fx;
    this.force[i + 1] = (this.force[i + 1] as number) + gy;
    this.force[i + 2] = (this.force[i + 2] as number) + gz;
    this.torque[i] = (this.torque[i] as number) + ry * gz - rz * gy;
    this.torque[i + 1] = (this.torque[i + 1] as number) + rz * fx - rx * gz;
    this.torque[i + 2] = (this.torque[i + 2] as number) + rx * gy - ry * fx;
  }

  /** From forces and torques to the gradient of the state's own numbers, but for the screw's. */
  gather(state: Float64Array, gradient: Float64Array): void {
    for (let i = 0; i < this.norms.length; i++) {
      const c = i * PER_BEAD;
      const f = i * 3;
      gradient[c] = this.force[f] as number;
      gradient[c + 1] = this.force[f + 1] as number;
      gradient[c + 2] = this.force[f + 2] as number;
      // dE = torque · ω, and ω = 2 δq q⁻¹: the gradient by q is 2 (0, torque) q / |q|².
      const w = state[c + 3] as number;
      const x = state[c + 4] as number;
      const y = state[c + 5] as number;
      const z = state[c + 6] as number;
      const tx = this.torque[f] as number;
      const ty = this.torque[f + 1] as number;
      const tz = this.torque[f + 2] as number;
      const s = 2 / (this.norms[i] as number);
      gradient[c + 3] = s * -(tx * x + ty * y + tz * z);
      gradient[c + 4] = s * (tx * w + ty * z - tz * y);
      gradient[c + 5] = s * (ty * w + tz * x - tx * z);
      gradient[c + 6] = s * (tz * w + tx * y - ty * x);
    }
  }

  private holeEnd(state: Float64Array, { bead, hole, end, shift }: Anchor): void {
    const point = this.solids[bead]?.holes[hole]?.[end];
    if (!point) throw new Error(`The ${this.cell.beads[bead]?.role} bead has no hole number ${hole + 1}.`);
    const hx = point[0];
    const hy = point[1];
    const hz = point[2];
    const scale = this.scales[bead] as number;
    const r = this.turns;
    const o = bead * 9;
    const c = bead * PER_BEAD;
    const x =
      (state[c] as number) +
      scale * ((r[o] as number) * hx + (r[o + 1] as number) * hy + (r[o + 2] as number) * hz);
    const y =
      (state[c + 1] as number) +
      scale * ((r[o + 3] as number) * hx + (r[o + 4] as number) * hy + (r[o + 5] as number) * hz);
    const z =
      (state[c + 2] as number) +
      scale * ((r[o + 6] as number) * hx + (r[o + 7] as number) * hy + (r[o + 8] as number) * hz);
    const { end: out } = this;
    if (shift === 0) {
      out.x = x;
      out.y = y;
      out.z = z;
      return;
    }
    const p = pitchIndex(this.cell.beads.length);
    const angle = shift * (state[p + 1] as number);
    const cos = Math.cos(angle);
    const sin = Math.sin(angle);
    out.x = x + shift * (state[p] as number);
    out.y = cos * y - sin * z;
    out.z = sin * y + cos * z;
  }
}
