import type { Solid } from './solid';
import { reachOf, Support } from './support';

/** A body somewhere: its solid, its centre and its rotation matrix, row by row. */
export interface Placed {
  solid: Solid;
  scale: number;
  x: number;
  y: number;
  z: number;
  /** Nine numbers from `offset` in `turn`. */
  readonly turn: Float64Array;
  offset: number;
}

/** A body to be placed, whose turn is read from there. */
export const unplaced = (turn: Float64Array): Placed => ({
  solid: { terms: [], holes: [], boundMm: 0 },
  scale: 1,
  x: 0,
  y: 0,
  z: 0,
  turn,
  offset: 0,
});

/** Places a body where it is. */
export function place(body: Placed, solid: Solid, scale: number, x: number, y: number, z: number): void {
  body.solid = solid;
  body.scale = scale;
  body.x = x;
  body.y = y;
  body.z = z;
}

/** Newton steps on the sphere of directions. */
const MOST_STEPS = 30;
/** Slope over the direction, mm a radian, at which the distance is known: it is off by the square of that, 1e-14 mm. */
const STILL = 1e-7;

/**
 * The signed distance of two bodies, d = max over directions n of n·(b − a) − h_a(n) − h_b(−n): the gap
 * where they are apart, the least depth where they overlap. The direction that reaches it is the normal of
 * contact, from a to b. The maximum is found by Newton's method on the sphere.
 */
export class Contact {
  /** The normal, and where it touches each body, relative to the body's centre. */
  nx = 0;
  ny = 0;
  nz = 1;
  ax = 0;
  ay = 0;
  az = 0;
  bx = 0;
  by = 0;
  bz = 0;
  private readonly a = new Support();
  private readonly b = new Support();

  /** Sets out in this direction, of this length; upwards where there is none. */
  along(x: number, y: number, z: number, length: number): void {
    const known = length > 1e-9;
    this.nx = known ? x / length : 0;
    this.ny = known ? y / length : 0;
    this.nz = known ? z / length : 1;
  }

  /** How far apart two bodies are along the direction held in nx, ny, nz, at least; below 0 they may overlap. */
  gap(a: Placed, b: Placed): number {
    const { nx, ny, nz } = this;
    const between = (b.x - a.x) * nx + (b.y - a.y) * ny + (b.z - a.z) * nz;
    return between - reachAlong(a, nx, ny, nz) - reachAlong(b, -nx, -ny, -nz);
  }

  /**
   * Works out the distance, from the direction held in nx, ny, nz on. Where `apartIsEnough`, stops as soon as
   * the bodies are known to be apart; the number is then a gap that is at least so wide.
   */
  distance(a: Placed, b: Placed, apartIsEnough: boolean): number {
    const dx = b.x - a.x;
    const dy = b.y - a.y;
    const dz = b.z - a.z;
    // The best direction so far, two tangents to it, and the step from it that is being tried.
    let { nx: ox, ny: oy, nz: oz } = this;
    let [tx, ty, tz, ux, uy, uz, e1, e2] = [0, 0, 0, 0, 0, 0, 0, 0];
    let best = -Infinity;
    for (let step = 0; step < MOST_STEPS; step++) {
      const { nx, ny, nz } = this;
      const s = nz >= 0 ? 1 : -1;
      const f = -1 / (s + nz);
      const g = nx * ny * f;
      const vx = 1 + s * nx * nx * f;
      const vy = s * g;
      const vz = -s * nx;
      const qx = g;
      const qy = s + ny * ny * f;
      const qz = -ny;
      this.support(this.a, a, nx, ny, nz, vx, vy, vz, qx, qy, qz, 1);
      this.support(this.b, b, nx, ny, nz, vx, vy, vz, qx, qy, qz, -1);
      const wx = dx + this.bx - this.ax;
      const wy = dy + this.by - this.ay;
      const wz = dz + this.bz - this.az;
      const d = wx * nx + wy * ny + wz * nz;
      if (apartIsEnough && d > 0) return d;
      if (d < best - 1e-14 && e1 * e1 + e2 * e2 > 1e-18) {
        // Too far: half of the way, or less.
        e1 *= 0.3;
        e2 *= 0.3;
        this.turn(ox + e1 * tx + e2 * ux, oy + e1 * ty + e2 * uy, oz + e1 * tz + e2 * uz);
        continue;
      }
      best = d;
      ox = nx;
      oy = ny;
      oz = nz;
      tx = vx;
      ty = vy;
      tz = vz;
      ux = qx;
      uy = qy;
      uz = qz;
      const g1 = wx * tx + wy * ty + wz * tz;
      const g2 = wx * ux + wy * uy + wz * uz;
      if (g1 * g1 + g2 * g2 < STILL * STILL) return d;
      let m11 = this.a.s11 + this.b.s11 + d;
      let m22 = this.a.s22 + this.b.s22 + d;
      const m12 = this.a.s12 + this.b.s12;
      // Deep overlap can bend the function the wrong way: add what makes it a hill again.
      const half = (m11 - m22) / 2;
      const low = (m11 + m22) / 2 - Math.sqrt(half * half + m12 * m12);
      if (low < 1e-3) {
        m11 += 0.05 - low;
        m22 += 0.05 - low;
      }
      const det = m11 * m22 - m12 * m12;
      e1 = (m22 * g1 - m12 * g2) / det;
      e2 = (m11 * g2 - m12 * g1) / det;
      const size = Math.sqrt(e1 * e1 + e2 * e2);
      if (size > 0.4) {
        e1 *= 0.4 / size;
        e2 *= 0.4 / size;
      }
      this.turn(ox + e1 * tx + e2 * ux, oy + e1 * ty + e2 * uy, oz + e1 * tz + e2 * uz);
    }
    return best;
  }

  private turn(x: number, y: number, z: number): void {
    const length = Math.sqrt(x * x + y * y + z * z);
    this.nx = x / length;
    this.ny = y / length;
    this.nz = z / length;
  }

  /** The support point of one body in direction ±n, turned back into the world. */
  private support(
    out: Support,
    { solid, scale, turn, offset }: Placed,
    nx: number,
    ny: number,
    nz: number,
    tx: number,
    ty: number,
    tz: number,
    ux: number,
    uy: number,
    uz: number,
    sign: 1 | -1,
  ): void {
    const r0 = turn[offset] as number;
    const r1 = turn[offset + 1] as number;
    const r2 = turn[offset + 2] as number;
    const r3 = turn[offset + 3] as number;
    const r4 = turn[offset + 4] as number;
    const r5 = turn[offset + 5] as number;
    const r6 = turn[offset + 6] as number;
    const r7 = turn[offset + 7] as number;
    const r8 = turn[offset + 8] as number;
    out.at(
      solid,
      scale,
      sign * (r0 * nx + r3 * ny + r6 * nz),
      sign * (r1 * nx + r4 * ny + r7 * nz),
      sign * (r2 * nx + r5 * ny + r8 * nz),
      r0 * tx + r3 * ty + r6 * tz,
      r1 * tx + r4 * ty + r7 * tz,
      r2 * tx + r5 * ty + r8 * tz,
      r0 * ux + r3 * uy + r6 * uz,
      r1 * ux + r4 * uy + r7 * uz,
      r2 * ux + r5 * uy + r8 * uz,
    );
    const px = r0 * out.x + r1 * out.y + r2 * out.z;
    const py = r3 * out.x + r4 * out.y + r5 * out.z;
    const pz = r6 * out.x + r7 * out.y + r8 * out.z;
    if (sign === 1) {
      this.ax = px;
      this.ay = py;
      this.az = pz;
    } else {
      this.bx = px;
      this.by = py;
      this.bz = pz;
    }
  }
}

/** How far a body reaches from its middle in a direction of the world. */
const reachAlong = ({ solid, scale, turn: r, offset: o }: Placed, x: number, y: number, z: number): number =>
  scale *
  reachOf(
    solid,
    (r[o] as number) * x + (r[o + 3] as number) * y + (r[o + 6] as number) * z,
    (r[o + 1] as number) * x + (r[o + 4] as number) * y + (r[o + 7] as number) * z,
    (r[o + 2] as number) * x + (r[o + 5] as number) * y + (r[o + 8] as number) * z,
  );
