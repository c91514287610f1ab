import type { Anchor, RepeatCell, Span } from './cell';
import { Contact, type Placed } from './contact';
import { heldEnergy, type HeldWork } from './holds';
import type { Solid } from './solid';
import { AT_EASE, type Stage } from './stage';
import { pitchIndex, PER_BEAD } from './state';
import { Moved } from './moved';
import { setMatrix } from './turns';

/** Where along a span bare thread is looked at, and how short a span is not, mm. */
const ALONG_SPAN = [0.2, 0.4, 0.6, 0.8] as const;
const MIDDLE_OF_SPAN = [0.4, 0.6] as const;
const SHORT_MM = 0.3;
/**
 * A straight span cannot bend round the rims of the two beads that it leaves, and would push them apart: for it they are
 * so much smaller. Without any such contact picots fall over; at full size a ladder of unequal rungs opens by a quarter.
 */
const OWN_SIZE = 0.85;
const BALL: Solid = { terms: [{ kind: 'ellipsoid', axes: [1, 1, 1] }], holes: [], boundMm: 1 };
const STILL = Float64Array.from([1, 0, 0, 0, 1, 0, 0, 0, 1]);
/** The furthest period that can be touched. */
const FAR = 8;

/**
 * The energy of a repeat cell: taut thread, beads that may not overlap. Neighbouring periods are images of the
 * cell under a screw along x, by the period's pitch and twist, which are unknowns of the state too.
 */
export class CellEnergy implements HeldWork {
  stage: Stage = AT_EASE;
  /** Size of each bead: they grow from small to 1. */
  readonly scales: Float64Array;
  /** The ends of each span of bare thread, and the periods whose beads it can touch. */
  private readonly reaches: readonly {
    readonly span: Span;
    readonly own: readonly Anchor[];
    readonly first: number;
    readonly last: number;
  }[];
  /** How high each bead lies on the mat, mm. */
  readonly levels: Float64Array;
  /** Beads that are held where they are, and with them pitch and twist; null where all may move. */
  frozen: readonly boolean[] | null = null;
  /** Read after an evaluation: bare thread, each span by its pull, and the deepest overlap, mm. */
  threadMm = 0;
  deepestMm = 0;
  /** The longest bare thread that is no turn, mm. */
  longestMm = 0;
  readonly turns: Float64Array;
  readonly force: Float64Array;
  readonly torque: Float64Array;
  private readonly contact = new Contact();
  private readonly pairs = new Map<number, Pair>();
  private readonly moved: Moved;
  private pitchForce = 0;
  private twistForce = 0;

  constructor(
    readonly cell: RepeatCell,
    readonly solids: readonly Solid[],
  ) {
    this.scales = new Float64Array(cell.beads.length).fill(1);
    this.reaches = cell.spans.map((span) => {
      const own = [...span.from, ...span.to];
      const shifts = own.map(({ shift }) => shift);
      return cell.periodic
        ? { span, own, first: Math.min(...shifts) - 1, last: Math.max(...shifts) + 1 }
        : { span, own, first: 0, last: 0 };
    });
    this.levels = new Float64Array(cell.beads.length);
    this.turns = new Float64Array(cell.beads.length * 9);
    this.moved = new Moved(solids);
    this.force = new Float64Array(cell.beads.length * 3);
    this.torque = new Float64Array(cell.beads.length * 3);
  }

  /** Value and gradient of the state. */
  evaluate = (state: Float64Array, gradient: Float64Array): number => {
    const { cell, stage, force, torque } = this;
    const n = cell.beads.length;
    force.fill(0);
    torque.fill(0);
    this.pitchForce = 0;
    this.twistForce = 0;
    this.threadMm = 0;
    this.deepestMm = 0;
    this.longestMm = 0;
    const norms = this.turnAll(state);
    if (!this.moved.on(state, this.turns, this.scales)) this.pairs.clear();
    let energy = this.spans(state) + this.overlaps(state) + this.bareThread(state);
    if (cell.periodic) {
      energy -= stage.pull * (state[n * PER_BEAD] as number);
      this.pitchForce -= stage.pull;
    }
    energy += heldEnergy(this, stage, state);
    this.gather(state, norms, gradient);
    return energy;
  };

  /** Rotation matrices of all beads; returns the squared lengths of the quaternions. */
  private turnAll(state: Float64Array): Float64Array {
    const n = this.cell.beads.length;
    const norms = new Float64Array(n);
    for (let i = 0; i < n; i++) {
      const o = i * PER_BEAD + 3;
      const w = state[o] as number;
      const x = state[o + 1] as number;
      const y = state[o + 2] as number;
      const z = state[o + 3] as number;
      norms[i] = w * w + x * x + y * y + z * z;
      setMatrix(this.turns, i * 9, w, x, y, z);
    }
    return norms;
  }

  private spans(state: Float64Array): number {
    let energy = 0;
    const { slack } = this.stage;
    const a: Where = { x: 0, y: 0, z: 0 };
    const b: Where = { x: 0, y: 0, z: 0 };
    for (const { from, to, pull, turn } of this.cell.spans) {
      this.locate(state, from, a);
      this.locate(state, to, b);
      const [dx, dy, dz] = [b.x - a.x, b.y - a.y, b.z - a.z];
      const dd = dx * dx + dy * dy + dz * dz;
      const length = Math.sqrt(dd + slack * slack);
      energy += pull * length;
      this.threadMm += pull * Math.sqrt(dd);
      if (!turn) this.longestMm = Math.max(this.longestMm, Math.sqrt(dd));
      const [fx, fy, fz] = [(pull * dx) / length, (pull * dy) / length, (pull * dz) / length];
      this.pullAt(state, to, fx, fy, fz);
      this.pullAt(state, from, -fx, -fy, -fz);
    }
    return energy;
  }

  /**
   * Bare thread lies on beads, not in them: a few points along each span are small balls that touch every
   * bead; in a repeat, those in its middle also the two it leaves.
   */
  private bareThread(state: Float64Array): number {
    const { threadMm } = this.stage;
    if (threadMm === 0) return 0;
    const n = this.cell.beads.length;
    const p = pitchIndex(n);
    this.ball.scale = threadMm;
    const a: Where = { x: 0, y: 0, z: 0 };
    const b: Where = { x: 0, y: 0, z: 0 };
    let energy = 0;
    for (const reach of this.reaches) {
      const { span } = reach;
      this.locate(state, span.from, a);
      this.locate(state, span.to, b);
      const lengthMm = Math.sqrt((b.x - a.x) ** 2 + (b.y - a.y) ** 2 + (b.z - a.z) ** 2);
      if (lengthMm < SHORT_MM) continue;
      const [mx, my, mz] = [(a.x + b.x) / 2, (a.y + b.y) / 2, (a.z + b.z) / 2];
      const { own, first, last } = reach;
      for (let shift = first; shift <= last; shift++) {
        const along = shift * (state[p] as number);
        const angle = shift * (state[p + 1] as number);
        const [cos, sin] = [Math.cos(angle), Math.sin(angle)];
        for (let j = 0; j < n; j++) {
          const c = j * PER_BEAD;
          const x = (state[c] as number) + along;
          const reachMm = (this.solids[j] as Solid).boundMm * (this.scales[j] as number) + threadMm;
          const far = reachMm + lengthMm / 2;
          if (Math.abs(mx - x) > far) continue;
          const y = state[c + 1] as number;
          const z = state[c + 2] as number;
          const yy = cos * y - sin * z;
          const zz = sin * y + cos * z;
          if ((mx - x) ** 2 + (my - yy) ** 2 + (mz - zz) ** 2 > far * far) continue;
          // It leaves its own beads at their mouths; only well away from them can it be in them. Without that a
          // ladder of nearly cubic beads falls into line. Motifs bend their thread round too many rims for it.
          const leaves = own.some((one) => one.bead === j && one.shift === shift);
          if (leaves && !this.cell.periodic) continue;
          let turned = false;
          for (const t of leaves ? MIDDLE_OF_SPAN : ALONG_SPAN) {
            const ball = this.ball;
            ball.x = a.x + t * (b.x - a.x);
            ball.y = a.y + t * (b.y - a.y);
            ball.z = a.z + t * (b.z - a.z);
            const dx = ball.x - x;
            const dy = ball.y - yy;
            const dz = ball.z - zz;
            const dd = dx * dx + dy * dy + dz * dz;
            if (dd > reachMm * reachMm) continue;
            if (!turned) this.image(j, cos, sin);
            turned = true;
            const size = leaves ? OWN_SIZE : 1;
            energy += this.threadOn(state, span, t, j, shift, [x, yy, zz], Math.sqrt(dd), size);
          }
        }
      }
    }
    return energy;
  }

  private readonly ball = { solid: BALL, scale: 0, x: 0, y: 0, z: 0, turn: STILL, offset: 0 };

  private threadOn(
    state: Float64Array,
    { from, to }: Span,
    t: number,
    j: number,
    shift: number,
    [x, y, z]: readonly [number, number, number],
    apart: number,
    size: number,
  ): number {
    const { contact, ball } = this;
    if (apart > 1e-9) {
      contact.nx = (ball.x - x) / apart;
      contact.ny = (ball.y - y) / apart;
      contact.nz = (ball.z - z) / apart;
    } else [contact.nx, contact.ny, contact.nz] = [0, 0, 1];
    const bead: Placed = {
      solid: this.solids[j] as Solid,
      scale: size * (this.scales[j] as number),
      x,
      y,
      z,
      turn: this.imageTurn,
      offset: 0,
    };
    if (contact.gap(bead, ball) > 0) return 0;
    const d = contact.distance(bead, ball, true);
    if (d >= 0) return 0;
    const f = this.stage.stiffness * d;
    const [fx, fy, fz] = [f * contact.nx, f * contact.ny, f * contact.nz];
    this.pullAt(state, to, t * fx, t * fy, t * fz);
    this.pullAt(state, from, (1 - t) * fx, (1 - t) * fy, (1 - t) * fz);
    this.push(state, j, shift, -fx, -fy, -fz, x + contact.ax, y + contact.ay, z + contact.az);
    return (this.stage.stiffness / 2) * d * d;
  }

  /** Where thread passes: a hole end, or the middle between two. */
  private locate(state: Float64Array, anchors: readonly Anchor[], out: Where): void {
    out.x = out.y = out.z = 0;
    for (const anchor of anchors) {
      this.holeEnd(state, anchor);
      out.x += this.px / anchors.length;
      out.y += this.py / anchors.length;
      out.z += this.pz / anchors.length;
    }
  }

  private px = 0;
  private py = 0;
  private pz = 0;
  private lx = 0;
  private ly = 0;
  private lz = 0;

  private holeEnd(state: Float64Array, { bead, hole, end, shift }: Anchor): void {
    const point = this.solids[bead]?.holes[hole]?.[end];
    if (!point) throw new Error(`The ${this.cell.beads[bead]?.role} bead has no hole number ${hole + 1}.`);
    const [hx, hy, hz] = point;
    const scale = this.scales[bead] as number;
    const r = this.turns;
    const o = bead * 9;
    this.lx = scale * ((r[o] as number) * hx + (r[o + 1] as number) * hy + (r[o + 2] as number) * hz);
    this.ly = scale * ((r[o + 3] as number) * hx + (r[o + 4] as number) * hy + (r[o + 5] as number) * hz);
    this.lz = scale * ((r[o + 6] as number) * hx + (r[o + 7] as number) * hy + (r[o + 8] as number) * hz);
    const c = bead * PER_BEAD;
    const x = (state[c] as number) + this.lx;
    const y = (state[c + 1] as number) + this.ly;
    const z = (state[c + 2] as number) + this.lz;
    if (shift === 0) {
      this.px = x;
      this.py = y;
      this.pz = z;
      return;
    }
    const p = pitchIndex(this.cell.beads.length);
    const angle = shift * (state[p + 1] as number);
    const [cos, sin] = [Math.cos(angle), Math.sin(angle)];
    this.px = x + shift * (state[p] as number);
    this.py = cos * y - sin * z;
    this.pz = sin * y + cos * z;
  }

  private pullAt(state: Float64Array, anchors: readonly Anchor[], fx: number, fy: number, fz: number): void {
    const part = 1 / anchors.length;
    for (const anchor of anchors) {
      this.holeEnd(state, anchor);
      this.push(state, anchor.bead, anchor.shift, fx * part, fy * part, fz * part, this.px, this.py, this.pz);
    }
  }

  /** Adds the gradient `f` at the world point `at` of the image of a bead `shift` periods on. */
  private push(
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
    const p = pitchIndex(this.cell.beads.length);
    let gy = fy;
    let gz = fz;
    let x = atX;
    let y = atY;
    let z = atZ;
    if (shift !== 0) {
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

  private overlaps(state: Float64Array): number {
    const n = this.cell.beads.length;
    const p = pitchIndex(n);
    let energy = 0;
    const most = this.cell.periodic ? FAR : 0;
    const touchingMm = this.longMm(state);
    for (let shift = 0; shift <= most; shift++) {
      const along = shift * (state[p] as number);
      if (along > touchingMm) break;
      const angle = shift * (state[p + 1] as number);
      const [cos, sin] = [Math.cos(angle), Math.sin(angle)];
      for (let j = 0; j < n; j++) {
        const c = j * PER_BEAD;
        const [y, z] = [state[c + 1] as number, state[c + 2] as number];
        const bx = (state[c] as number) + along;
        const by = cos * y - sin * z;
        const bz = sin * y + cos * z;
        const reachB = (this.solids[j] as Solid).boundMm * (this.scales[j] as number);
        let turned = false;
        // Within the cell each pair once; between periods every pair, the image of j against i.
        for (let i = 0; i < (shift === 0 ? j : n); i++) {
          const o = i * PER_BEAD;
          const dx = bx - (state[o] as number);
          const dy = by - (state[o + 1] as number);
          const dz = bz - (state[o + 2] as number);
          const reach = reachB + (this.solids[i] as Solid).boundMm * (this.scales[i] as number);
          const dd = dx * dx + dy * dy + dz * dz;
          if (dd > reach * reach) continue;
          const pair = this.pair(i, j, shift);
          if (this.moved.together(i, j, shift) < pair.apartUntilMm) continue;
          if (!turned) {
            this.image(j, cos, sin);
            turned = true;
          }
          energy += this.overlap(state, pair, i, j, shift, bx, by, bz, Math.sqrt(dd));
        }
      }
    }
    return energy;
  }

  /** Farther apart than this along the piece, no bead of one period touches one of another: its length, and two reaches. */
  private longMm(state: Float64Array): number {
    let [least, most, reach] = [Infinity, -Infinity, 0];
    for (let i = 0; i < this.cell.beads.length; i++) {
      const x = state[i * PER_BEAD] as number;
      least = Math.min(least, x);
      most = Math.max(most, x);
      reach = Math.max(reach, (this.solids[i] as Solid).boundMm * (this.scales[i] as number));
    }
    return most - least + 2 * reach;
  }

  private readonly imageTurn = new Float64Array(9);

  /** The rotation of bead j, turned on with its period. */
  private image(j: number, cos: number, sin: number): void {
    const r = this.turns;
    const o = j * 9;
    for (let k = 0; k < 3; k++) {
      const [b, c] = [r[o + 3 + k] as number, r[o + 6 + k] as number];
      this.imageTurn[k] = r[o + k] as number;
      this.imageTurn[3 + k] = cos * b - sin * c;
      this.imageTurn[6 + k] = sin * b + cos * c;
    }
  }

  private pair(i: number, j: number, shift: number): Pair {
    const key = (i * this.cell.beads.length + j) * (FAR + 1) + shift;
    let pair = this.pairs.get(key);
    if (!pair) this.pairs.set(key, (pair = { known: false, nx: 0, ny: 0, nz: 1, apartUntilMm: -Infinity }));
    return pair;
  }

  private overlap(
    state: Float64Array,
    pair: Pair,
    i: number,
    j: number,
    shift: number,
    bx: number,
    by: number,
    bz: number,
    apart: number,
  ): number {
    const { contact, stage } = this;
    const o = i * PER_BEAD;
    const [ax, ay, az] = [state[o] as number, state[o + 1] as number, state[o + 2] as number];
    if (pair.known) {
      contact.nx = pair.nx;
      contact.ny = pair.ny;
      contact.nz = pair.nz;
    } else if (apart > 1e-9) {
      contact.nx = (bx - ax) / apart;
      contact.ny = (by - ay) / apart;
      contact.nz = (bz - az) / apart;
    } else {
      [contact.nx, contact.ny, contact.nz] = [0, 0, 1];
    }
    const a: Placed = {
      solid: this.solids[i] as Solid,
      scale: this.scales[i] as number,
      x: ax,
      y: ay,
      z: az,
      turn: this.turns,
      offset: i * 9,
    };
    const b: Placed = {
      solid: this.solids[j] as Solid,
      scale: this.scales[j] as number,
      x: bx,
      y: by,
      z: bz,
      turn: this.imageTurn,
      offset: 0,
    };
    const wasApart = pair.apartUntilMm > 0;
    const gap = wasApart ? contact.gap(a, b) : 0;
    const d = gap > 0 ? gap : contact.distance(a, b, true);
    pair.known = true;
    pair.nx = contact.nx;
    pair.ny = contact.ny;
    pair.nz = contact.nz;
    if (d >= 0) {
      pair.apartUntilMm = d + this.moved.together(i, j, shift);
      return 0;
    }
    this.deepestMm = Math.max(this.deepestMm, -d);
    // E = k/2 · d²; its gradient by b's place is k·d along the normal, at the point of contact.
    const f = stage.stiffness * d;
    const [fx, fy, fz] = [f * contact.nx, f * contact.ny, f * contact.nz];
    this.push(state, j, shift, fx, fy, fz, bx + contact.bx, by + contact.by, bz + contact.bz);
    this.push(state, i, 0, -fx, -fy, -fz, ax + contact.ax, ay + contact.ay, az + contact.az);
    return (stage.stiffness / 2) * d * d;
  }

  /** From forces and torques to the gradient of the state's own numbers. */
  private gather(state: Float64Array, norms: Float64Array, gradient: Float64Array): void {
    const n = this.cell.beads.length;
    for (let i = 0; i < n; i++) {
      const c = i * PER_BEAD;
      const f = i * 3;
      gradient[c] = this.force[f] as number;
      gradient[c + 1] = this.force[f + 1] as number;
      gradient[c + 2] = this.force[f + 2] as number;
      // dE = torque · ω, and ω = 2 δq q⁻¹: the gradient by q is 2 (0, torque) q / |q|².
      const [w, x, y, z] = [
        state[c + 3] as number,
        state[c + 4] as number,
        state[c + 5] as number,
        state[c + 6] as number,
      ];
      const [tx, ty, tz] = [
        this.torque[f] as number,
        this.torque[f + 1] as number,
        this.torque[f + 2] as number,
      ];
      const s = 2 / (norms[i] as number);
      gradient[c + 3] = s * -(tx * x + ty * y + tz * z);
      gradient[c + 4] = s * (tx * w + ty * z - tz * y);
      gradient[c + 5] = s * (ty * w + tz * x - tx * z);
      gradient[c + 6] = s * (tz * w + tx * y - ty * x);
    }
    const p = pitchIndex(n);
    if (this.frozen) {
      this.frozen.forEach((held, i) => held && gradient.fill(0, i * PER_BEAD, (i + 1) * PER_BEAD));
      gradient[p] = gradient[p + 1] = 0;
      return;
    }
    gradient[p] = this.cell.periodic && !this.stage.pitchHeld ? this.pitchForce : 0;
    gradient[p + 1] = this.cell.periodic && this.stage.twistFree ? this.twistForce : 0;
  }
}

/** What is known of two beads that may touch. */
interface Pair {
  known: boolean;
  /** The normal of their contact, or of the gap between them. */
  nx: number;
  ny: number;
  nz: number;
  /** They are apart until they have moved so far together, mm. */
  apartUntilMm: number;
}

interface Where {
  x: number;
  y: number;
  z: number;
}
