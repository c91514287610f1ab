// The same two stitches in a general rigid-body engine: bodies joined by springs between their hole ends.
import RAPIER from '@dimforge/rapier3d-compat';
import { BEADS, byId } from '@/core/materials/catalogue';

export interface EngineRun {
  readonly ms: number;
  /** Pitch error against the closed form when it was stopped. */
  readonly error: number;
}

const UNITS = 8;
const WANTED = 0.01;
const LONGEST_MS = 20_000;
/** The beads set out spread by this much; the engine is not asked to find the stitch, only to draw it taut. */
const SPREAD = 1.15;

type Body = RAPIER.RigidBody;
interface V {
  x: number;
  y: number;
  z: number;
}

function world(): RAPIER.World {
  const w = new RAPIER.World({ x: 0, y: 0, z: 0 });
  w.timestep = 1 / 240;
  return w;
}

/** Runs until the pitch, measured in the middle, is within the error wanted, or time is up. */
function run(w: RAPIER.World, pitch: () => number, pitchMm: number, started: number): EngineRun {
  let error = Infinity;
  while (performance.now() - started < LONGEST_MS) {
    for (let i = 0; i < 20; i++) w.step();
    error = Math.abs(pitch() / pitchMm - 1);
    if (error < WANTED) break;
  }
  return { ms: performance.now() - started, error };
}

const thread = (w: RAPIER.World, a: Body, atA: V, b: Body, atB: V) =>
  w.createImpulseJoint(RAPIER.JointData.spring(0, 40, 4, atA, atB), a, b, true);

/** Right-angle weave of 4 mm balls, one row. */
export async function engineRightAngle(): Promise<EngineRun> {
  await RAPIER.init();
  const started = performance.now();
  const w = world();
  const radius = 2;
  const pitchMm = 4 * Math.SQRT2;
  const ball = (x: number, y: number): Body => {
    const body = w.createRigidBody(
      RAPIER.RigidBodyDesc.dynamic()
        .setTranslation(x * SPREAD, y * SPREAD, 0)
        .setCanSleep(false)
        .setLinearDamping(6)
        .setAngularDamping(6)
        .enabledTranslations(true, true, false),
    );
    w.createCollider(RAPIER.ColliderDesc.ball(radius).setFriction(0), body);
    return body;
  };
  const rungs = Array.from({ length: UNITS + 1 }, (_, k) => ball(k * pitchMm, 0));
  const along = (side: 1 | -1): V => ({ x: side * radius, y: 0, z: 0 });
  const across = (side: 1 | -1): V => ({ x: 0, y: side * radius, z: 0 });
  for (let k = 0; k < UNITS; k++)
    for (const side of [1, -1] as const) {
      const edge = ball((k + 0.5) * pitchMm, (side * pitchMm) / 2);
      thread(w, rungs[k] as Body, across(side), edge, along(-1));
      thread(w, edge, along(1), rungs[k + 1] as Body, across(side));
    }
  const x = (k: number) => (rungs[k] as Body).translation().x;
  return run(w, () => (x(6) - x(2)) / 4, pitchMm, started);
}

/** Ladder of 8/0 seeds. */
export async function engineLadder(): Promise<EngineRun> {
  await RAPIER.init();
  const started = performance.now();
  const w = world();
  const { lengthMm, diameterMm } = byId(BEADS, 'seed-8');
  const round = 0.2;
  const rungs = Array.from({ length: UNITS + 1 }, (_, k) => {
    const body = w.createRigidBody(
      RAPIER.RigidBodyDesc.dynamic()
        .setTranslation(k * diameterMm * SPREAD, 0, 0)
        .setCanSleep(false)
        .setLinearDamping(6)
        .setAngularDamping(6)
        .enabledTranslations(true, true, false),
    );
    w.createCollider(
      RAPIER.ColliderDesc.roundCylinder(lengthMm / 2 - round, diameterMm / 2 - round, round).setFriction(0),
      body,
    );
    return body;
  });
  const end = (side: 1 | -1): V => ({ x: 0, y: (side * lengthMm) / 2, z: 0 });
  for (let k = 0; k < UNITS; k++)
    for (const side of [1, -1] as const)
      thread(w, rungs[k] as Body, end(side), rungs[k + 1] as Body, end(side));
  const x = (k: number) => (rungs[k] as Body).translation().x;
  return run(w, () => (x(6) - x(2)) / 4, diameterMm, started);
}
