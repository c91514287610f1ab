import type { Point } from '../layout';
import { HULL_POWER, type Solid } from './solid';

/** A term of no size reaches nowhere: the floor keeps divisions finite, mm. */
const SMALLEST = 1e-9;

/** What one ellipsoid reaches: q, the point that does, and how that point turns between two tangents. */
class Ellipsoid {
  q = 0;
  x = 0;
  y = 0;
  z = 0;
  pt = 0;
  pu = 0;
  s11 = 0;
  s12 = 0;
  s22 = 0;

  at(
    axes: Point,
    nx: number,
    ny: number,
    nz: number,
    tx: number,
    ty: number,
    tz: number,
    ux: number,
    uy: number,
    uz: number,
  ): this {
    const aa = axes[0] * axes[0];
    const bb = axes[1] * axes[1];
    const cc = axes[2] * axes[2];
    const q = Math.max(Math.sqrt(aa * nx * nx + bb * ny * ny + cc * nz * nz), SMALLEST);
    this.q = q;
    this.x = (aa * nx) / q;
    this.y = (bb * ny) / q;
    this.z = (cc * nz) / q;
    this.pt = this.x * tx + this.y * ty + this.z * tz;
    this.pu = this.x * ux + this.y * uy + this.z * uz;
    this.s11 = (aa * tx * tx + bb * ty * ty + cc * tz * tz - this.pt * this.pt) / q;
    this.s12 = (aa * tx * ux + bb * ty * uy + cc * tz * uz - this.pt * this.pu) / q;
    this.s22 = (aa * ux * ux + bb * uy * uy + cc * uz * uz - this.pu * this.pu) / q;
    return this;
  }
}

/**
 * The support function of a body and its derivatives in one direction, worked out in place:
 * h, the point that reaches farthest (its gradient), and how the point turns with the direction (its
 * Hessian), as the 2×2 matrix between two tangents.
 */
export class Support {
  h = 0;
  x = 0;
  y = 0;
  z = 0;
  s11 = 0;
  s12 = 0;
  s22 = 0;
  private readonly one = new Ellipsoid();
  private readonly two = new Ellipsoid();

  /** n, t and u in the body's frame: the direction and two tangents to it. */
  at(
    { terms }: Solid,
    scale: number,
    nx: number,
    ny: number,
    nz: number,
    tx: number,
    ty: number,
    tz: number,
    ux: number,
    uy: number,
    uz: number,
  ): this {
    this.h = this.x = this.y = this.z = this.s11 = this.s12 = this.s22 = 0;
    let h = 0;
    let x = 0;
    let y = 0;
    let z = 0;
    let s11 = 0;
    let s12 = 0;
    let s22 = 0;
    for (const term of terms) {
      if (term.kind === 'hull') {
        this.hull(term.one, term.other, nx, ny, nz, tx, ty, tz, ux, uy, uz);
        continue;
      }
      const a = term.axes[0];
      // A ball reaches as far each way: most beads have one, to round their edges.
      if (a === term.axes[1] && a === term.axes[2]) {
        h += a;
        x += a * nx;
        y += a * ny;
        z += a * nz;
        s11 += a;
        s22 += a;
        continue;
      }
      const one = this.one.at(term.axes, nx, ny, nz, tx, ty, tz, ux, uy, uz);
      h += one.q;
      x += one.x;
      y += one.y;
      z += one.z;
      s11 += one.s11;
      s12 += one.s12;
      s22 += one.s22;
    }
    this.h = scale * (this.h + h);
    this.x = scale * (this.x + x);
    this.y = scale * (this.y + y);
    this.z = scale * (this.z + z);
    this.s11 = scale * (this.s11 + s11);
    this.s12 = scale * (this.s12 + s12);
    this.s22 = scale * (this.s22 + s22);
    return this;
  }

  private hull(
    one: Point,
    other: Point,
    nx: number,
    ny: number,
    nz: number,
    tx: number,
    ty: number,
    tz: number,
    ux: number,
    uy: number,
    uz: number,
  ): void {
    const a = this.one.at(one, nx, ny, nz, tx, ty, tz, ux, uy, uz);
    const b = this.two.at(other, nx, ny, nz, tx, ty, tz, ux, uy, uz);
    const h = hullReach(a.q, b.q);
    let [pt, pu, s11, s12, s22] = [0, 0, 0, 0, 0];
    for (let k = 0; k < 2; k++) {
      const p = k === 0 ? a : b;
      const part = p.q / h;
      const steep = power(part, HULL_POWER - 2);
      const w = steep * part;
      const bend = ((HULL_POWER - 1) * steep) / h;
      this.x += w * p.x;
      this.y += w * p.y;
      this.z += w * p.z;
      pt += w * p.pt;
      pu += w * p.pu;
      s11 += w * p.s11 + bend * p.pt * p.pt;
      s12 += w * p.s12 + bend * p.pt * p.pu;
      s22 += w * p.s22 + bend * p.pu * p.pu;
    }
    const less = (HULL_POWER - 1) / h;
    this.h += h;
    this.s11 += s11 - less * pt * pt;
    this.s12 += s12 - less * pt * pu;
    this.s22 += s22 - less * pu * pu;
  }
}

/** How far a body reaches from its middle in a direction of its own frame, of length 1: no more of it is worked out. */
export function reachOf({ terms }: Solid, nx: number, ny: number, nz: number): number {
  let h = 0;
  for (const term of terms) {
    if (term.kind === 'ellipsoid') {
      h += ellipsoidReach(term.axes, nx, ny, nz);
      continue;
    }
    h += hullReach(ellipsoidReach(term.one, nx, ny, nz), ellipsoidReach(term.other, nx, ny, nz));
  }
  return h;
}

function ellipsoidReach(axes: Point, nx: number, ny: number, nz: number): number {
  const x = axes[0] * nx;
  const y = axes[1] * ny;
  const z = axes[2] * nz;
  return Math.max(Math.sqrt(x * x + y * y + z * z), SMALLEST);
}

/** The power mean of both, told so that no power of it is too small for a number. */
function hullReach(one: number, other: number): number {
  const most = Math.max(one, other);
  return most * (1 + power(Math.min(one, other) / most, HULL_POWER)) ** (1 / HULL_POWER);
}

/** A whole power, by squaring: several times as quick as any other. */
function power(base: number, exponent: number): number {
  let result = 1;
  let square = base;
  for (let left = exponent; left > 0; left >>= 1) {
    if (left & 1) result *= square;
    square *= square;
  }
  return result;
}
