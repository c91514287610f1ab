import { BareThread } from './bareThread';
import { Bodies, type Where } from './bodies';
import type { RepeatCell } from './cell';
import { heldEnergy } from './holds';
import { Moved } from './moved';
import { Overlaps } from './overlaps';
import type { Solid } from './solid';
import { AT_EASE, type Stage } from './stage';
import { pitchIndex, PER_BEAD } from './state';

/**
 * The energy of a repeat cell: taut thread, beads that may not overlap. Neighbouring periods are images of the
 * cell under a screw along x, by the period's pitch and twist, which are unknowns of the state too.
 */
export class CellEnergy {
  stage: Stage = AT_EASE;
  /** How high each bead lies on the mat, mm. */
  readonly levels: Float64Array;
  /** Beads of a rope's core, which lies along its axis. */
  readonly core: boolean[];
  /** Beads that are held where they are, and with them pitch and twist; null where all may move. */
  frozen: readonly boolean[] | null = null;
  /** Read after an evaluation: bare thread, each span by its pull, and the deepest overlap, mm. */
  threadMm = 0;
  deepestMm = 0;
  /** The longest bare thread that is no turn, mm. */
  longestMm = 0;
  readonly bodies: Bodies;
  private readonly moved: Moved;
  private readonly overlaps: Overlaps;
  private readonly bareThread: BareThread;
  private readonly from: Where = { x: 0, y: 0, z: 0 };
  private readonly to: Where = { x: 0, y: 0, z: 0 };

  constructor(
    readonly cell: RepeatCell,
    solids: readonly Solid[],
  ) {
    this.levels = new Float64Array(cell.beads.length);
    this.core = cell.beads.map(() => false);
    this.bodies = new Bodies(cell, solids);
    this.moved = new Moved(solids);
    this.overlaps = new Overlaps(this.bodies, this.moved);
    this.bareThread = new BareThread(this.bodies, this.moved);
  }

  /** Value and gradient of the state. */
  evaluate = (state: Float64Array, gradient: Float64Array): number => {
    const { bodies, cell, stage, moved } = this;
    bodies.setDown(state);
    if (!moved.on(state, bodies.turns, bodies.scales)) {
      this.overlaps.forget();
      this.bareThread.forget();
    }
    let energy = this.tautThread(state) + this.overlaps.energy(state, stage.stiffness);
    energy += this.bareThread.energy(state, stage.threadMm, stage.stiffness);
    if (cell.periodic) {
      energy -= stage.pull * (state[pitchIndex(cell.beads.length)] as number);
      bodies.pitchForce -= stage.pull;
    }
    const held = heldEnergy(bodies, this, stage, state);
    energy += held.energy;
    this.deepestMm = Math.max(this.overlaps.deepestMm, held.deepestMm);
    bodies.gather(state, gradient);
    this.hold(gradient);
    return energy;
  };

  /** Taut thread pulls the two ends of each bare span together. */
  private tautThread(state: Float64Array): number {
    const { bodies, from: a, to: b } = this;
    const { slack } = this.stage;
    let energy = 0;
    this.threadMm = 0;
    this.longestMm = 0;
    for (const { from, to, pull, turn } of this.cell.spans) {
      bodies.locate(state, from, a);
      bodies.locate(state, to, b);
      const dx = b.x - a.x;
      const dy = b.y - a.y;
      const dz = b.z - a.z;
      const dd = dx * dx + dy * dy + dz * dz;
      const length = Math.sqrt(dd + slack * slack);
      energy += pull * length;
      this.threadMm += pull * Math.sqrt(dd);
      if (!turn) this.longestMm = Math.max(this.longestMm, Math.sqrt(dd));
      const fx = (pull * dx) / length;
      const fy = (pull * dy) / length;
      const fz = (pull * dz) / length;
      bodies.pullAt(state, to, b, fx, fy, fz);
      bodies.pullAt(state, from, a, -fx, -fy, -fz);
    }
    return energy;
  }

  /** What may not move has no gradient. */
  private hold(gradient: Float64Array): void {
    const { bodies, cell, frozen, stage } = this;
    const p = pitchIndex(cell.beads.length);
    frozen?.forEach((held, i) => held && gradient.fill(0, i * PER_BEAD, (i + 1) * PER_BEAD));
    const free = cell.periodic && !frozen;
    gradient[p] = free && !stage.pitchHeld ? bodies.pitchForce : 0;
    gradient[p + 1] = free && stage.twistFree ? bodies.twistForce : 0;
  }
}
