import type { Bodies } from './bodies';
import type { RepeatCell } from './cell';
import { Contact, place, unplaced, type Placed } from './contact';
import type { Moved } from './moved';
import type { Solid } from './solid';
import { pitchIndex, PER_BEAD } from './state';

/** The furthest period that can be touched. */
const FAR = 8;
/** Beads this far apart, mm, are kept in view: as long as nothing has come so far, all others are still apart. */
const IN_VIEW_MM = 0.5;

/** What is known of two beads that may touch: bead `i`, and the image of bead `j`, `shift` periods on. */
interface Pair {
  readonly i: number;
  readonly j: number;
  readonly shift: number;
  known: boolean;
  /** The normal of their contact, or of the gap between them. */
  nx: number;
  ny: number;
  nz: number;
  /** They are apart until they have moved so far together, mm. */
  apartUntilMm: number;
}

/** How many periods on a bead may be touched: about an axis, no farther than the opposite. */
const farthest = ({ periodic, folds }: RepeatCell): number =>
  folds === null ? (periodic ? FAR : 0) : Math.min(FAR, Math.floor(folds / 2));

/** Beads that may not overlap, with each other and with those of neighbouring periods. */
export class Overlaps {
  /** Read after an evaluation: the deepest overlap, mm. */
  deepestMm = 0;
  private readonly contact = new Contact();
  private readonly a: Placed;
  private readonly b: Placed;
  private readonly pairs = new Map<number, Pair>();
  /** Those that are near enough to touch soon, by period, then by bead; and until how far the beads have come, mm. */
  private readonly inView: Pair[] = [];
  private inViewUntil = { mm: -Infinity, pitchMm: -Infinity };

  constructor(
    private readonly bodies: Bodies,
    private readonly moved: Moved,
  ) {
    this.a = unplaced(bodies.turns);
    this.b = unplaced(bodies.imageTurn);
  }

  /** Nothing is known any more: sizes have changed, or the screw has turned. */
  forget(): void {
    this.pairs.clear();
    this.inViewUntil.mm = -Infinity;
  }

  /** The energy of the overlaps, k/2 · depth² each; adds its gradient to the bodies. */
  energy(state: Float64Array, stiffness: number): number {
    const { bodies, moved } = this;
    this.deepestMm = 0;
    if (moved.mostMm > this.inViewUntil.mm || moved.pitchMm > this.inViewUntil.pitchMm) this.look(state);
    const p = pitchIndex(bodies.cell.beads.length);
    let energy = 0;
    let [at, of] = [-1, -1];
    let [bx, by, bz, cos, sin, reachB] = [0, 0, 0, 1, 0, 0];
    let turned = false;
    for (const pair of this.inView) {
      const { i, j, shift } = pair;
      if (j !== of || shift !== at) {
        if (shift !== at) {
          const angle = shift * (state[p + 1] as number);
          cos = Math.cos(angle);
          sin = Math.sin(angle);
        }
        [at, of] = [shift, j];
        const c = j * PER_BEAD;
        const y = state[c + 1] as number;
        const z = state[c + 2] as number;
        bx = (state[c] as number) + shift * (state[p] as number);
        by = cos * y - sin * z;
        bz = sin * y + cos * z;
        reachB = bodies.boundMm(j);
        turned = false;
      }
      const o = i * PER_BEAD;
      const dx = bx - (state[o] as number);
      const dy = by - (state[o + 1] as number);
      const dz = bz - (state[o + 2] as number);
      const reach = reachB + bodies.boundMm(i);
      const dd = dx * dx + dy * dy + dz * dz;
      if (dd > reach * reach) continue;
      if (moved.together(i, j, shift) < pair.apartUntilMm) continue;
      if (!turned) bodies.image(j, cos, sin);
      turned = true;
      energy += this.overlap(state, pair, stiffness, bx, by, bz, Math.sqrt(dd));
    }
    return energy;
  }

  /** Looks round for pairs that are near, each once within the cell; between periods every pair, the image of j against i. */
  private look(state: Float64Array): void {
    const { bodies, inView, moved } = this;
    const n = bodies.cell.beads.length;
    const p = pitchIndex(n);
    const most = farthest(bodies.cell);
    const touchingMm = this.longMm(state) + IN_VIEW_MM;
    inView.length = 0;
    for (let shift = 0; shift <= most; shift++) {
      const along = shift * (state[p] as number);
      if (along > touchingMm) break;
      const angle = shift * (state[p + 1] as number);
      const cos = Math.cos(angle);
      const sin = Math.sin(angle);
      for (let j = 0; j < n; j++) {
        const c = j * PER_BEAD;
        const y = state[c + 1] as number;
        const z = state[c + 2] as number;
        const bx = (state[c] as number) + along;
        const by = cos * y - sin * z;
        const bz = sin * y + cos * z;
        const reachB = bodies.boundMm(j) + IN_VIEW_MM;
        for (let i = 0; i < (shift === 0 ? j : n); i++) {
          const o = i * PER_BEAD;
          const dx = bx - (state[o] as number);
          const dy = by - (state[o + 1] as number);
          const dz = bz - (state[o + 2] as number);
          const reach = reachB + bodies.boundMm(i);
          if (dx * dx + dy * dy + dz * dz <= reach * reach) inView.push(this.pair(i, j, shift));
        }
      }
    }
    // Half of the room is for the two beads of a pair, the other half for the screw, over as many periods as they are apart.
    this.inViewUntil = {
      mm: moved.mostMm + IN_VIEW_MM / 4,
      pitchMm: moved.pitchMm + IN_VIEW_MM / (2 * Math.max(most, 1)),
    };
  }

  /** Farther apart than this along the piece, no bead of one period touches one of another: its length, and two reaches. */
  private longMm(state: Float64Array): number {
    let [least, most, reach] = [Infinity, -Infinity, 0];
    for (let i = 0; i < this.bodies.cell.beads.length; i++) {
      const x = state[i * PER_BEAD] as number;
      least = Math.min(least, x);
      most = Math.max(most, x);
      reach = Math.max(reach, this.bodies.boundMm(i));
    }
    return most - least + 2 * reach;
  }

  private pair(i: number, j: number, shift: number): Pair {
    const key = (i * this.bodies.cell.beads.length + j) * (FAR + 1) + shift;
    let pair = this.pairs.get(key);
    if (!pair) {
      pair = { i, j, shift, known: false, nx: 0, ny: 0, nz: 1, apartUntilMm: -Infinity };
      this.pairs.set(key, pair);
    }
    return pair;
  }

  private overlap(
    state: Float64Array,
    pair: Pair,
    stiffness: number,
    bx: number,
    by: number,
    bz: number,
    apart: number,
  ): number {
    const { contact, bodies, a, b } = this;
    const { i, j, shift } = pair;
    const o = i * PER_BEAD;
    const ax = state[o] as number;
    const ay = state[o + 1] as number;
    const az = state[o + 2] as number;
    if (pair.known) contact.along(pair.nx, pair.ny, pair.nz, 1);
    else contact.along(bx - ax, by - ay, bz - az, apart);
    place(a, bodies.solids[i] as Solid, bodies.scales[i] as number, ax, ay, az);
    a.offset = i * 9;
    place(b, bodies.solids[j] as Solid, bodies.scales[j] as number, bx, by, bz);
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
    const f = stiffness * d;
    const fx = f * contact.nx;
    const fy = f * contact.ny;
    const fz = f * contact.nz;
    bodies.push(state, j, shift, fx, fy, fz, bx + contact.bx, by + contact.by, bz + contact.bz);
    bodies.push(state, i, 0, -fx, -fy, -fz, ax + contact.ax, ay + contact.ay, az + contact.az);
    return (stiffness / 2) * d * d;
  }
}
