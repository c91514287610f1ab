/** A function of many numbers: returns its value and fills in its gradient. */
export type Energy = (at: Float64Array, gradient: Float64Array) => number;

export interface Minimum {
  readonly value: number;
  /** Largest part of the gradient that is left. */
  readonly residual: number;
  readonly steps: number;
}

/** It is done, too, when so many steps have gained no more than this part of the value. */
const LOOK_BACK = 60;
const NO_GAIN = 2e-8;

/**
 * Limited-memory BFGS with a backtracking line search (Nocedal and Wright, Numerical Optimization, ch. 7).
 * Moves `at` to a minimum in place.
 * @param stillAt gradient at which it is done
 * @param mostMove longest change of any number in one step
 * @param memory steps that it remembers: the more, the fewer it takes, and the longer each
 */
export function minimise(
  energy: Energy,
  at: Float64Array,
  { steps = 400, stillAt = 1e-5, mostMove = 0.3, memory = 12 } = {},
): Minimum {
  const n = at.length;
  let gradient = new Float64Array(n);
  let next = new Float64Array(n);
  const trial = new Float64Array(n);
  const direction = new Float64Array(n);
  const moved: Float64Array[] = [];
  const turned: Float64Array[] = [];
  const curved: number[] = [];
  let value = energy(at, gradient);
  let step = 0;
  let earlier = value;
  for (; step < steps; step++) {
    if (largest(gradient) < stillAt) break;
    if (step % LOOK_BACK === LOOK_BACK - 1) {
      if (earlier - value < NO_GAIN * (1 + Math.abs(value))) break;
      earlier = value;
    }
    descend(direction, gradient, moved, turned, curved);
    let slope = dot(direction, gradient);
    if (slope >= 0) {
      moved.length = turned.length = curved.length = 0;
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
        remember(at, trial, gradient, next, moved, turned, curved, memory);
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
      if (moved.length === 0) break;
      moved.length = turned.length = curved.length = 0;
    }
  }
  return { value, residual: largest(gradient), steps: step };
}

function remember(
  from: Float64Array,
  to: Float64Array,
  before: Float64Array,
  after: Float64Array,
  moved: Float64Array[],
  turned: Float64Array[],
  curved: number[],
  memory: number,
): void {
  const s = to.map((v, i) => v - (from[i] as number));
  const y = after.map((v, i) => v - (before[i] as number));
  const sy = dot(s, y);
  if (sy <= 1e-12) return;
  moved.push(s);
  turned.push(y);
  curved.push(1 / sy);
  if (moved.length > memory) {
    moved.shift();
    turned.shift();
    curved.shift();
  }
}

/** The two-loop recursion: direction = −(approximate inverse Hessian) · gradient. */
function descend(
  direction: Float64Array,
  gradient: Float64Array,
  moved: readonly Float64Array[],
  turned: readonly Float64Array[],
  curved: readonly number[],
): void {
  direction.set(gradient);
  const alpha = new Array<number>(moved.length);
  for (let k = moved.length - 1; k >= 0; k--) {
    const a = (curved[k] as number) * dot(moved[k] as Float64Array, direction);
    alpha[k] = a;
    add(direction, turned[k] as Float64Array, -a);
  }
  const last = turned.at(-1);
  const scale = last ? 1 / ((curved.at(-1) as number) * dot(last, last)) : 1;
  for (let i = 0; i < direction.length; i++) direction[i] = (direction[i] as number) * scale;
  for (let k = 0; k < moved.length; k++) {
    const b = (curved[k] as number) * dot(turned[k] as Float64Array, direction);
    add(direction, moved[k] as Float64Array, (alpha[k] as number) - b);
  }
  for (let i = 0; i < direction.length; i++) direction[i] = -(direction[i] as number);
}

function dot(a: Float64Array, b: Float64Array): number {
  let sum = 0;
  for (let i = 0; i < a.length; i++) sum += (a[i] as number) * (b[i] as number);
  return sum;
}

function add(to: Float64Array, what: Float64Array, times: number): void {
  for (let i = 0; i < to.length; i++) to[i] = (to[i] as number) + times * (what[i] as number);
}

function largest(a: Float64Array): number {
  let most = 0;
  for (const v of a) most = Math.max(most, Math.abs(v));
  return most;
}
