/** A function of many numbers: returns its value and fills in its gradient. */
export type Energy = (at: Float64Array, gradient: Float64Array) => number;

export interface Minimum {
  readonly value: number;
  /** Largest part of the gradient that is left. */
  readonly residual: number;
  readonly steps: number;
}

/** Over so many steps it looks back at what they gained. */
const LOOK_BACK = 60;

export interface MinimumOptions {
  readonly steps?: number;
  /** Gradient at which it is done. */
  readonly stillAt?: number;
  /** It is done, too, when the last steps have gained no more than this part of the value. */
  readonly noGain?: number;
  /** Longest change of any number in one step. */
  readonly mostMove?: number;
  /** Steps that it remembers: the more, the fewer it takes, and the longer each. */
  readonly memory?: number;
}

/**
 * Limited-memory BFGS with a backtracking line search (Nocedal and Wright, Numerical Optimization, ch. 7).
 * Moves `at` to a minimum in place.
 */
export function minimise(
  energy: Energy,
  at: Float64Array,
  { steps = 400, stillAt = 1e-5, noGain = 2e-8, mostMove = 0.3, memory = 12 }: MinimumOptions = {},
): Minimum {
  const n = at.length;
  let gradient = new Float64Array(n);
  let next = new Float64Array(n);
  const trial = new Float64Array(n);
  const direction = new Float64Array(n);
  const past: Past[] = [];
  let value = energy(at, gradient);
  let step = 0;
  let earlier = value;
  for (; step < steps; step++) {
    if (largest(gradient) < stillAt) break;
    if (step % LOOK_BACK === LOOK_BACK - 1) {
      if (earlier - value < noGain * (1 + Math.abs(value))) break;
      earlier = value;
    }
    descend(direction, gradient, past);
    let slope = dot(direction, gradient);
    if (slope >= 0) {
      past.length = 0;
      for (let i = 0; i < n; i++) direction[i] = -(gradient[i] as number);
      slope = dot(direction, gradient);
    }
    let size = Math.min(1, mostMove / Math.max(largest(direction), 1e-12));
    let found = false;
    for (let tries = 0; tries < 20; tries++) {
      for (let i = 0; i < n; i++) trial[i] = (at[i] as number) + size * (direction[i] as number);
      const there = energy(trial, next);
      if (there <= value + 1e-4 * size * slope) {
        found = true;
        remember(at, trial, gradient, next, past, memory);
        at.set(trial);
        value = there;
        [gradient, next] = [next, gradient];
        break;
      }
      // The lowest point of the parabola through what is known, kept within reason.
      const parabola = (-slope * size * size) / (2 * (there - value - slope * size));
      size = Math.min(0.5 * size, Math.max(0.1 * size, parabola));
    }
    if (!found) {
      if (past.length === 0) break;
      past.length = 0;
    }
  }
  return { value, residual: largest(gradient), steps: step };
}

/** A step that was made: how the state changed, how its gradient did, and one over the product of both. */
interface Past {
  readonly moved: Float64Array;
  readonly turned: Float64Array;
  curved: number;
}

function remember(
  from: Float64Array,
  to: Float64Array,
  before: Float64Array,
  after: Float64Array,
  past: Past[],
  memory: number,
): void {
  const n = from.length;
  let sy = 0;
  for (let i = 0; i < n; i++)
    sy += ((to[i] as number) - (from[i] as number)) * ((after[i] as number) - (before[i] as number));
  if (sy <= 1e-12) return;
  // The oldest step makes room for the newest.
  const one =
    past.length < memory
      ? { moved: new Float64Array(n), turned: new Float64Array(n), curved: 0 }
      : (past.shift() as Past);
  for (let i = 0; i < n; i++) {
    one.moved[i] = (to[i] as number) - (from[i] as number);
    one.turned[i] = (after[i] as number) - (before[i] as number);
  }
  one.curved = 1 / sy;
  past.push(one);
}

/** The two-loop recursion: direction = −(approximate inverse Hessian) · gradient. */
function descend(direction: Float64Array, gradient: Float64Array, past: readonly Past[]): void {
  direction.set(gradient);
  const last = past.at(-1);
  if (last) {
    const alpha = new Float64Array(past.length);
    let along = dot(last.moved, direction);
    for (let k = past.length - 1; k >= 0; k--) {
      const { turned, curved } = past[k] as Past;
      const a = curved * along;
      alpha[k] = a;
      along = added(direction, turned, -a, (past[k - 1] ?? last).moved);
    }
    const scale = 1 / (last.curved * dot(last.turned, last.turned));
    for (let i = 0; i < direction.length; i++) direction[i] = (direction[i] as number) * scale;
    along = dot((past[0] as Past).turned, direction);
    for (let k = 0; k < past.length; k++) {
      const { moved, curved } = past[k] as Past;
      along = added(direction, moved, (alpha[k] as number) - curved * along, (past[k + 1] ?? last).turned);
    }
  }
  for (let i = 0; i < direction.length; i++) direction[i] = -(direction[i] as number);
}

function dot(a: Float64Array, b: Float64Array): number {
  let sum = 0;
  for (let i = 0; i < a.length; i++) sum += (a[i] as number) * (b[i] as number);
  return sum;
}

/** Adds so many times `what`, and returns how far the sum lies along `next`: once over the numbers in the place of twice. */
function added(to: Float64Array, what: Float64Array, times: number, next: Float64Array): number {
  let sum = 0;
  for (let i = 0; i < to.length; i++) {
    const now = (to[i] as number) + times * (what[i] as number);
    to[i] = now;
    sum += (next[i] as number) * now;
  }
  return sum;
}

function largest(a: Float64Array): number {
  let most = 0;
  for (let i = 0; i < a.length; i++) most = Math.max(most, Math.abs(a[i] as number));
  return most;
}
