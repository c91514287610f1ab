import { isBeside } from '../../weave/path';
import type { Bodies } from './bodies';
import type { Solid } from './solid';
import type { Stage } from './stage';
import { PER_BEAD } from './state';
import { Support } from './support';

/** What is known of each bead of where it is held. */
interface Where {
  readonly levels: Float64Array;
  readonly core: readonly boolean[];
}

/**
 * The energy of all that holds the work while it is laid out: mat, line and former, and what keeps it in place; adds its
 * gradient to the bodies. And how deep a bead lies in the former, mm.
 * @param where how high each bead lies on the mat, mm, and whether it is of a rope's core
 */
export function heldEnergy(
  bodies: Bodies,
  where: Where,
  stage: Stage,
  state: Float64Array,
): { readonly energy: number; readonly deepestMm: number } {
  const onMat = onTheMat(bodies, where, stage, state);
  const former = onTheFormer(bodies, stage, state);
  const energy =
    onMat +
    onTheDisc(bodies, stage, state) +
    former.energy +
    inPlace(bodies, stage, state) +
    openedOut(bodies, stage, state);
  return { energy, deepestMm: former.deepestMm };
}

/** What lies flat about its axis is held where the axis leaves the mat. */
function onTheDisc({ cell, force }: Bodies, { disc }: Stage, state: Float64Array): number {
  if (disc === 0) return 0;
  let energy = 0;
  for (let i = 0; i < cell.beads.length; i++) {
    const off = state[i * PER_BEAD] as number;
    energy += (disc / 2) * off * off;
    force[i * 3] = (force[i * 3] as number) + disc * off;
  }
  return energy;
}

/**
 * What lies on a mat is held down on it, and a line on its middle line. What hangs below a line, or stands above it, lies on the mat beside
 * it, one row on the other; what lies on a face of the work is held by nothing but its thread.
 */
function onTheMat(
  { cell, force, torque, turns, solids }: Bodies,
  { levels, core }: Where,
  { flat, line, axis }: Stage,
  state: Float64Array,
): number {
  let energy = 0;
  /** A bead of two holes lies flat: it is held by the middles of both. */
  const heldByHoles = (bead: number, k: number): void => {
    const { holes } = solids[bead] as Solid;
    const each = k / holes.length;
    for (const [from, to] of holes) {
      const x = (from[0] + to[0]) / 2;
      const y = (from[1] + to[1]) / 2;
      const z = (from[2] + to[2]) / 2;
      const r = bead * 9;
      const px = (turns[r] as number) * x + (turns[r + 1] as number) * y + (turns[r + 2] as number) * z;
      const py = (turns[r + 3] as number) * x + (turns[r + 4] as number) * y + (turns[r + 5] as number) * z;
      const pz = (turns[r + 6] as number) * x + (turns[r + 7] as number) * y + (turns[r + 8] as number) * z;
      const off = (state[bead * PER_BEAD + 2] as number) + pz - (levels[bead] as number);
      energy += (each / 2) * off * off;
      force[bead * 3 + 2] = (force[bead * 3 + 2] as number) + each * off;
      torque[bead * 3] = (torque[bead * 3] as number) + each * off * py;
      torque[bead * 3 + 1] = (torque[bead * 3 + 1] as number) - each * off * px;
    }
  };
  const held = (bead: number, across: 1 | 2, k: number, at: number): void => {
    const off = (state[bead * PER_BEAD + across] as number) - at;
    energy += (k / 2) * off * off;
    force[bead * 3 + across] = (force[bead * 3 + across] as number) + k * off;
  };
  cell.beads.forEach(({ face }, i) => {
    if (face === 'front' || face === 'back') return;
    if (core[i]) {
      held(i, 1, axis, 0);
      held(i, 2, axis, 0);
    }
    held(i, 1, isBeside(face) ? 0 : line, 0);
    const down = Math.max(flat, line);
    if ((solids[i] as Solid).holes.length > 1) heldByHoles(i, down);
    else held(i, 2, down, levels[i] as number);
  });
  return energy;
}

/** Beads of a tube stay outside the rod that it is worked round: each keeps off the axis by its own reach towards it. */
function onTheFormer(
  bodies: Bodies,
  { formerMm, stiffness }: Stage,
  state: Float64Array,
): { readonly energy: number; readonly deepestMm: number } {
  const { cell, force, torque } = bodies;
  let [energy, deepestMm] = [0, 0];
  if (formerMm === 0) return { energy, deepestMm };
  for (let i = 0; i < cell.beads.length; i++) {
    const c = i * PER_BEAD;
    const [y, z] = [state[c + 1] as number, state[c + 2] as number];
    const far = Math.hypot(y, z);
    if (far < 1e-9) continue;
    const [ny, nz] = [y / far, z / far];
    const p = farthest(bodies, i, 0, -ny, -nz);
    const reach = p[1] * ny + p[2] * nz;
    const d = far + reach - formerMm;
    if (d >= 0) continue;
    deepestMm = Math.max(deepestMm, -d);
    const f = stiffness * d;
    // As the bead goes round, the point that it touches with goes along: its part across the radius counts over the radius.
    const [ty, tz] = [(p[1] - reach * ny) / far, (p[2] - reach * nz) / far];
    force[i * 3 + 1] = (force[i * 3 + 1] as number) + f * (ny + ty);
    force[i * 3 + 2] = (force[i * 3 + 2] as number) + f * (nz + tz);
    torque[i * 3] = (torque[i * 3] as number) + f * (p[1] * nz - p[2] * ny);
    torque[i * 3 + 1] = (torque[i * 3 + 1] as number) - f * p[0] * nz;
    torque[i * 3 + 2] = (torque[i * 3 + 2] as number) + f * p[0] * ny;
    energy += (stiffness / 2) * d * d;
  }
  return { energy, deepestMm };
}

const towards = new Support();

/** The point of a bead that reaches farthest in a direction, from its centre. */
function farthest(
  { turns: r, solids, scales }: Bodies,
  bead: number,
  nx: number,
  ny: number,
  nz: number,
): readonly [number, number, number] {
  const o = bead * 9;
  towards.at(
    solids[bead] as Solid,
    scales[bead] as number,
    (r[o] as number) * nx + (r[o + 3] as number) * ny + (r[o + 6] as number) * nz,
    (r[o + 1] as number) * nx + (r[o + 4] as number) * ny + (r[o + 7] as number) * nz,
    (r[o + 2] as number) * nx + (r[o + 5] as number) * ny + (r[o + 8] as number) * nz,
    0,
    0,
    0,
    0,
    0,
    0,
  );
  const { x, y, z } = towards;
  return [
    (r[o] as number) * x + (r[o + 1] as number) * y + (r[o + 2] as number) * z,
    (r[o + 3] as number) * x + (r[o + 4] as number) * y + (r[o + 5] as number) * z,
    (r[o + 6] as number) * x + (r[o + 7] as number) * y + (r[o + 8] as number) * z,
  ];
}

/** As weak a spring as still keeps it, in threads' pull a millimetre. */
const IN_PLACE = 1e-3;

/** The cell may slide and turn as a whole: a touch of a spring keeps it in place without a say in its form. */
function inPlace({ cell, force }: Bodies, { twistFree }: Stage, state: Float64Array): number {
  const n = cell.beads.length;
  // What goes about an axis keeps its middle there.
  if (cell.folds !== null) return 0;
  const k = IN_PLACE;
  let energy = 0;
  for (let axis = 0; axis < 3; axis++) {
    if (cell.periodic && axis > 0 && twistFree) continue;
    let sum = 0;
    for (let i = 0; i < n; i++) sum += state[i * PER_BEAD + axis] as number;
    energy += (k * sum * sum) / (2 * n);
    for (let i = 0; i < n; i++) force[i * 3 + axis] = (force[i * 3 + axis] as number) + (k * sum) / n;
  }
  return energy;
}

/** A closed form is opened a little from its own middle, as one shapes it on the mat. */
function openedOut({ cell, force }: Bodies, { open }: Stage, state: Float64Array): number {
  if (open === 0) return 0;
  const n = cell.beads.length;
  let [mx, my] = [0, 0];
  for (let i = 0; i < n; i++) {
    mx += (state[i * PER_BEAD] as number) / n;
    my += (state[i * PER_BEAD + 1] as number) / n;
  }
  let [energy, sx, sy] = [0, 0, 0];
  for (let i = 0; i < n; i++) {
    const [x, y] = [(state[i * PER_BEAD] as number) - mx, (state[i * PER_BEAD + 1] as number) - my];
    const far = Math.sqrt(x * x + y * y + 0.01);
    energy -= open * far;
    sx += (open * x) / far;
    sy += (open * y) / far;
    force[i * 3] = (force[i * 3] as number) - (open * x) / far;
    force[i * 3 + 1] = (force[i * 3 + 1] as number) - (open * y) / far;
  }
  // The middle goes along with the beads.
  for (let i = 0; i < n; i++) {
    force[i * 3] = (force[i * 3] as number) + sx / n;
    force[i * 3 + 1] = (force[i * 3 + 1] as number) + sy / n;
  }
  return energy;
}
