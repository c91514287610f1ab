import type { Bodies, Where } from './bodies';
import type { Span } from './cell';
import { Contact, place, unplaced, type Placed } from './contact';
import type { Moved } from './moved';
import type { Solid } from './solid';
import { pitchIndex, PER_BEAD } from './state';

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
/** Beads this near to a span, mm, are kept in view: as long as nothing has come so far, it touches no others. */
const IN_VIEW_MM = 0.6;

/** A span of bare thread, and the beads near it, by period and bead. */
interface Reach {
  readonly span: Span;
  /** The periods whose beads it can touch. */
  readonly first: number;
  readonly last: number;
  readonly near: Near[];
}

interface Near {
  readonly bead: number;
  readonly shift: number;
  /** Whether the span leaves or enters this very bead. */
  readonly own: boolean;
}

/**
 * Bare thread lies on beads, not in them: a few points along each span are small balls that touch every
 * bead; in a repeat, those in its middle also the two it leaves.
 */
export class BareThread {
  private readonly reaches: readonly Reach[];
  /** The farthest that a span reaches from its own period. */
  private readonly farthest: number;
  private readonly contact = new Contact();
  private readonly ball: Placed = { ...unplaced(STILL), solid: BALL };
  private readonly bead: Placed;
  private readonly from: Where = { x: 0, y: 0, z: 0 };
  private readonly to: Where = { x: 0, y: 0, z: 0 };
  private inViewUntil = { mm: -Infinity, pitchMm: -Infinity, threadMm: 0 };

  constructor(
    private readonly bodies: Bodies,
    private readonly moved: Moved,
  ) {
    const { spans, periodic } = bodies.cell;
    this.bead = unplaced(bodies.imageTurn);
    this.reaches = spans.map((span) => {
      const shifts = [...span.from, ...span.to].map(({ shift }) => shift);
      const [first, last] = periodic ? [Math.min(...shifts) - 1, Math.max(...shifts) + 1] : [0, 0];
      return { span, first, last, near: [] };
    });
    this.farthest = Math.max(1, ...this.reaches.flatMap(({ first, last }) => [-first, last]));
  }

  /** Nothing is known any more: sizes have changed, or the screw has turned. */
  forget(): void {
    this.inViewUntil.mm = -Infinity;
  }

  /** The energy of thread of this radius in beads; adds its gradient to the bodies. */
  energy(state: Float64Array, threadMm: number, stiffness: number): number {
    if (threadMm === 0) return 0;
    const { bodies, moved, ball, from: a, to: b, inViewUntil: until } = this;
    if (moved.mostMm > until.mm || moved.pitchMm > until.pitchMm || threadMm > until.threadMm)
      this.look(state, threadMm);
    const p = pitchIndex(bodies.cell.beads.length);
    ball.scale = threadMm;
    let energy = 0;
    for (const { span, near } of this.reaches) {
      if (near.length === 0) continue;
      bodies.locate(state, span.from, a);
      bodies.locate(state, span.to, b);
      const lengthMm = Math.sqrt((b.x - a.x) ** 2 + (b.y - a.y) ** 2 + (b.z - a.z) ** 2);
      if (lengthMm < SHORT_MM) continue;
      const mx = (a.x + b.x) / 2;
      const my = (a.y + b.y) / 2;
      const mz = (a.z + b.z) / 2;
      let [at, cos, sin] = [NaN, 1, 0];
      for (const { bead, shift, own } of near) {
        if (shift !== at) {
          at = shift;
          const angle = shift * (state[p + 1] as number);
          cos = Math.cos(angle);
          sin = Math.sin(angle);
        }
        const c = bead * PER_BEAD;
        const x = (state[c] as number) + shift * (state[p] as number);
        const reachMm = bodies.boundMm(bead) + threadMm;
        const far = reachMm + lengthMm / 2;
        if (Math.abs(mx - x) > far) continue;
        const y = state[c + 1] as number;
        const z = state[c + 2] as number;
        const yy = cos * y - sin * z;
        const zz = sin * y + cos * z;
        if ((mx - x) ** 2 + (my - yy) ** 2 + (mz - zz) ** 2 > far * far) continue;
        let turned = false;
        for (const t of own ? MIDDLE_OF_SPAN : ALONG_SPAN) {
          ball.x = a.x + t * (b.x - a.x);
          ball.y = a.y + t * (b.y - a.y);
          ball.z = a.z + t * (b.z - a.z);
          const dx = ball.x - x;
          const dy = ball.y - yy;
          const dz = ball.z - zz;
          const dd = dx * dx + dy * dy + dz * dz;
          if (dd > reachMm * reachMm) continue;
          if (!turned) bodies.image(bead, cos, sin);
          turned = true;
          const size = own ? OWN_SIZE : 1;
          energy += this.on(state, span, t, bead, shift, x, yy, zz, Math.sqrt(dd), size, stiffness);
        }
      }
    }
    return energy;
  }

  /** Looks round for the beads that are near each span. */
  private look(state: Float64Array, threadMm: number): void {
    const { bodies, moved, from: a, to: b } = this;
    const { beads, periodic } = bodies.cell;
    const p = pitchIndex(beads.length);
    for (const { span, first, last, near } of this.reaches) {
      near.length = 0;
      bodies.locate(state, span.from, a);
      bodies.locate(state, span.to, b);
      const lengthMm = Math.sqrt((b.x - a.x) ** 2 + (b.y - a.y) ** 2 + (b.z - a.z) ** 2);
      const ends = [...span.from, ...span.to];
      for (let shift = first; shift <= last; shift++) {
        const along = shift * (state[p] as number);
        const angle = shift * (state[p + 1] as number);
        const cos = Math.cos(angle);
        const sin = Math.sin(angle);
        for (let bead = 0; bead < beads.length; bead++) {
          const c = bead * PER_BEAD;
          const y = state[c + 1] as number;
          const z = state[c + 2] as number;
          const dx = (a.x + b.x) / 2 - (state[c] as number) - along;
          const dy = (a.y + b.y) / 2 - (cos * y - sin * z);
          const dz = (a.z + b.z) / 2 - (sin * y + cos * z);
          const far = bodies.boundMm(bead) + threadMm + lengthMm / 2 + IN_VIEW_MM;
          if (dx * dx + dy * dy + dz * dz > far * far) continue;
          // It leaves its own beads at their mouths; only well away from them can it be in them. Without that a
          // ladder of nearly cubic beads falls into line. Motifs bend their thread round too many rims for it.
          const own = ends.some((one) => one.bead === bead && one.shift === shift);
          if (!own || periodic) near.push({ bead, shift, own });
        }
      }
    }
    // Both ends of the span and the bead may come nearer, and the screw with each: half of the room for either.
    this.inViewUntil = {
      mm: moved.mostMm + IN_VIEW_MM / 6,
      pitchMm: moved.pitchMm + IN_VIEW_MM / (6 * this.farthest),
      threadMm,
    };
  }

  private on(
    state: Float64Array,
    { from, to }: Span,
    t: number,
    j: number,
    shift: number,
    x: number,
    y: number,
    z: number,
    apart: number,
    size: number,
    stiffness: number,
  ): number {
    const { contact, ball, bead, bodies } = this;
    contact.along(ball.x - x, ball.y - y, ball.z - z, apart);
    place(bead, bodies.solids[j] as Solid, size * (bodies.scales[j] as number), x, y, z);
    if (contact.gap(bead, ball) > 0) return 0;
    const d = contact.distance(bead, ball, true);
    if (d >= 0) return 0;
    const f = stiffness * d;
    const fx = f * contact.nx;
    const fy = f * contact.ny;
    const fz = f * contact.nz;
    bodies.pullAt(state, to, this.to, t * fx, t * fy, t * fz);
    bodies.pullAt(state, from, this.from, (1 - t) * fx, (1 - t) * fy, (1 - t) * fz);
    bodies.push(state, j, shift, -fx, -fy, -fz, x + contact.ax, y + contact.ay, z + contact.az);
    return (stiffness / 2) * d * d;
  }
}
