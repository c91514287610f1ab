import { HULL_POWER, type Solid } from './solid';

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
    for (const term of terms) {
      if (term.kind === 'ellipsoid') {
        const { axes } = term;
        const aa = axes[0] * axes[0];
        const bb = axes[1] * axes[1];
        const cc = axes[2] * axes[2];
        const q = Math.sqrt(aa * nx * nx + bb * ny * ny + cc * nz * nz);
        if (q < 1e-12) continue;
        const px = (aa * nx) / q;
        const py = (bb * ny) / q;
        const pz = (cc * nz) / q;
        const pt = px * tx + py * ty + pz * tz;
        const pu = px * ux + py * uy + pz * uz;
        this.h += q;
        this.x += px;
        this.y += py;
        this.z += pz;
        this.s11 += (aa * tx * tx + bb * ty * ty + cc * tz * tz - pt * pt) / q;
        this.s12 += (aa * tx * ux + bb * ty * uy + cc * tz * uz - pt * pu) / q;
        this.s22 += (aa * ux * ux + bb * uy * uy + cc * uz * uz - pu * pu) / q;
        continue;
      }
      this.hull(term.one, term.other, nx, ny, nz, tx, ty, tz, ux, uy, uz);
    }
    this.h *= scale;
    this.x *= scale;
    this.y *= scale;
    this.z *= scale;
    this.s11 *= scale;
    this.s12 *= scale;
    this.s22 *= scale;
    return this;
  }

  private hull(
    one: readonly [number, number, number],
    other: readonly [number, number, number],
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
    const parts = [one, other].map(([a, b, c]) => {
      const [aa, bb, cc] = [a * a, b * b, c * c];
      const q = Math.max(Math.sqrt(aa * nx * nx + bb * ny * ny + cc * nz * nz), 1e-9);
      const [px, py, pz] = [(aa * nx) / q, (bb * ny) / q, (cc * nz) / q];
      const pt = px * tx + py * ty + pz * tz;
      const pu = px * ux + py * uy + pz * uz;
      return {
        q,
        px,
        py,
        pz,
        pt,
        pu,
        s11: (aa * tx * tx + bb * ty * ty + cc * tz * tz - pt * pt) / q,
        s12: (aa * tx * ux + bb * ty * uy + cc * tz * uz - pt * pu) / q,
        s22: (aa * ux * ux + bb * uy * uy + cc * uz * uz - pu * pu) / q,
      };
    });
    const most = Math.max(...parts.map((p) => p.q));
    const h = most * parts.reduce((sum, p) => sum + (p.q / most) ** HULL_POWER, 0) ** (1 / HULL_POWER);
    let [pt, pu, s11, s12, s22] = [0, 0, 0, 0, 0];
    for (const p of parts) {
      const w = (p.q / h) ** (HULL_POWER - 1);
      const bend = ((HULL_POWER - 1) * (p.q / h) ** (HULL_POWER - 2)) / h;
      this.x += w * p.px;
      this.y += w * p.py;
      this.z += w * p.pz;
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
