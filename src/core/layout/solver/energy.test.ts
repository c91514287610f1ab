import { describe, expect, it } from 'vitest';
import { laid } from '../../testing/layoutCells';
import * as paths from '../../testing/paths';
import { BEADS, byId } from '../../materials/catalogue';
import { inUsualBeads } from '../solveLayout';
import { closedCell, type RepeatCell } from './cell';
import { CellEnergy } from './energy';
import { seeded } from './random';
import type { Solid } from './solid';
import { solidOf } from './solid';
import { AT_EASE } from './stage';
import { pitchIndex, PER_BEAD, stateOf } from './state';

interface Work {
  readonly name: string;
  readonly cell: RepeatCell;
  readonly solids: readonly Solid[];
  readonly state: Float64Array;
}

/** Repeats as their structures arrange them: a rope that turns on, a net, a line with what hangs from it. */
function repeats(): Work[] {
  const stitches = ['tubular-peyote', 'right-angle-weave', 'strung-line', 'flat-peyote'];
  return stitches.map((stitch) => {
    const beads = Object.fromEntries(['A', 'B', 'C', 'D'].map((role) => [role, 'pressed-4']));
    const { request } = laid({ stitch, params: {}, beads });
    const { solidsOf, from } = inUsualBeads(request);
    return { name: stitch, cell: request.cell, solids: solidsOf(), state: from.state.slice() };
  });
}

/** A motif whose beads lie loose in a box, none in another. */
function motif(): Work {
  const cell = closedCell(paths.rosette(5));
  const random = seeded(4);
  const state = stateOf(cell.beads.length).map(() => random());
  cell.beads.forEach((_, i) => {
    const shelf = [i % 4, Math.floor(i / 4) % 4, Math.floor(i / 16)];
    shelf.forEach((at, axis) => (state[i * PER_BEAD + axis] = 6 * at + random()));
  });
  return {
    name: 'a motif',
    cell,
    solids: cell.beads.map(() => solidOf(byId(BEADS, 'pressed-4'))),
    state,
  };
}

/** Walks a state, and holds what is told of it, step by step, against what one is told who comes there first. */
function walk({ cell, solids, state }: Work, step: (k: number) => void): number {
  const walker = new CellEnergy(cell, solids);
  walker.stage = { ...AT_EASE, threadMm: 0.05 };
  let deepest = 0;
  // From the very middle of a ball there are many ways out.
  for (let k = 0; k < 80 && deepest < (solids[0]?.boundMm ?? 0); k++) {
    step(k);
    const [walked, fresh] = [new Float64Array(state.length), new Float64Array(state.length)];
    const there = walker.evaluate(state, walked);
    const stranger = new CellEnergy(cell, solids);
    stranger.stage = walker.stage;
    expect(there).toBeCloseTo(stranger.evaluate(state, fresh), 6);
    expect(walker.deepestMm).toBeCloseTo(stranger.deepestMm, 7);
    for (let i = 0; i < walked.length; i++) expect(walked[i]).toBeCloseTo(fresh[i] ?? NaN, 4);
    deepest = Math.max(deepest, walker.deepestMm);
  }
  return deepest;
}

describe('the energy of a cell does not hang on the way to a state', () => {
  it.each([...repeats(), motif()])('where every other bead comes towards the rest: $name', (work) => {
    const { cell, state } = work;
    const towards = [0.48, 0.6, 0.64];
    const deepest = walk(work, (k) => {
      const size = k % 10 === 9 ? 0.4 : 0.02;
      for (let i = 0; i < cell.beads.length; i++)
        towards.forEach((part, axis) => {
          const at = i * PER_BEAD + axis;
          state[at] = (state[at] ?? 0) + size * part * (i % 2 ? 1 : -1);
        });
    });
    expect(deepest).toBeGreaterThan(0.1);
  });

  it.each(repeats())('where the period is drawn out and comes together: $name', (work) => {
    const pitch = pitchIndex(work.cell.beads.length);
    work.state[pitch] = 2.5 * (work.state[pitch] ?? 0);
    const deepest = walk(work, () => (work.state[pitch] = 0.98 * (work.state[pitch] ?? 0)));
    expect(deepest).toBeGreaterThan(0.1);
  });
});
