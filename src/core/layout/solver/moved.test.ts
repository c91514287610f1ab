import { describe, expect, it } from 'vitest';
import { BEADS, byId } from '../../materials/catalogue';
import { Moved } from './moved';
import { seeded } from './random';
import { shifted, type Resting } from './resting';
import { solidOf } from './solid';
import { pitchIndex, PER_BEAD, stateOf } from './state';
import { matrixOf, setMatrix } from './turns';

describe('how far beads have come', () => {
  const solids = ['seed-11', 'bugle-6', 'tile'].map((id) => solidOf(byId(BEADS, id)));
  const n = solids.length;
  const [pitch, twist] = [pitchIndex(n), pitchIndex(n) + 1];
  const scales = new Float64Array(n).fill(1);
  const turnsOf = (state: Float64Array) => {
    const turns = new Float64Array(9 * n);
    for (let i = 0; i < n; i++) {
      const [w, x, y, z] = state.subarray(i * PER_BEAD + 3, (i + 1) * PER_BEAD);
      setMatrix(turns, 9 * i, w ?? 1, x ?? 0, y ?? 0, z ?? 0);
    }
    return turns;
  };
  const restingAt = (state: Float64Array, i: number, shift: number): Resting => {
    const [x, y, z, ...q] = state.subarray(i * PER_BEAD, (i + 1) * PER_BEAD);
    const turn = matrixOf(...(q as [number, number, number, number]));
    return shifted({ centre: [x ?? 0, y ?? 0, z ?? 0], turn }, state[pitch] ?? 0, state[twist] ?? 0, shift);
  };

  it('no point of one comes nearer to a point of another than both have come (geometry)', () => {
    const random = seeded(8);
    const off = () => 2 * random() - 1;
    const state = stateOf(n).map(() => 3 * off());
    state[twist] = 0.7;
    const moved = new Moved(solids);
    moved.on(state, turnsOf(state), scales);
    let [nearest, seen] = [0, 0];
    for (let walk = 0; walk < 40; walk++) {
      const [i, j, shift] = [0, 1, 2].map(() => Math.floor(n * random())) as [number, number, number];
      // Any point of each, in its own frame.
      const points = [i, j].map((bead) => {
        const p = [off(), off(), off()];
        const size = ((solids[bead]?.boundMm ?? 0) * random()) / Math.hypot(...p);
        return p.map((v) => v * size);
      });
      const apartMm = () => {
        const [a, b] = [restingAt(state, i, 0), restingAt(state, j, shift)].map(({ centre, turn }, k) =>
          [0, 1, 2].map(
            (row) =>
              (centre[row] ?? 0) +
              (points[k] ?? []).reduce((sum, v, c) => sum + v * (turn[3 * row + c] ?? 0), 0),
          ),
        );
        return Math.hypot(...(a ?? []).map((v, k) => v - (b?.[k] ?? 0)));
      };
      const [before, known] = [apartMm(), moved.together(i, j, shift)];
      for (let step = 0; step < 5; step++) {
        for (let k = 0; k < twist; k++) state[k] = (state[k] ?? 0) + 0.1 * off();
        expect(moved.on(state, turnsOf(state), scales)).toBe(true);
        const come = moved.together(i, j, shift) - known;
        const nearer = before - apartMm();
        expect(nearer).toBeLessThanOrEqual(come + 1e-9);
        nearest = Math.max(nearest, nearer / come);
        seen++;
      }
    }
    expect(seen).toBe(200);
    // Not so careful that it says nothing.
    expect(nearest).toBeGreaterThan(0.2);
  });

  it('knows nothing more where a size or the turn of the screw has changed', () => {
    const state = stateOf(n).map((_, i) => i);
    const moved = new Moved(solids);
    expect(moved.on(state, turnsOf(state), scales)).toBe(false);
    expect(moved.on(state, turnsOf(state), scales)).toBe(true);
    const smaller = scales.map((scale, i) => (i === 1 ? 0.9 * scale : scale));
    expect(moved.on(state, turnsOf(state), smaller)).toBe(false);
    expect(moved.on(state, turnsOf(state), smaller)).toBe(true);
    state[twist] = (state[twist] ?? 0) + 1e-6;
    expect(moved.on(state, turnsOf(state), smaller)).toBe(false);
  });
});
