// A seeded part of the sweep over every layout, so that it cannot rot.
import { describe, expect, it } from 'vitest';
import { brokenOf, cellName, drawnCells, everyCell, laid, type LayoutCell } from '@/core/testing/layoutCells';
import { STRUCTURES } from '@/core/structures/registry';
import { told, type SweptCell } from './layouts';
import { oneOf, randoms } from './random';

describe('a seeded part of the sweep over every layout', () => {
  const random = randoms(11);
  const every = everyCell();
  const cells = [...Array.from({ length: 16 }, () => oneOf(every, random)), ...drawnCells(6, random)];

  it('has every stitch that is laid out, in most of the beads', () => {
    expect(every.length).toBeGreaterThan(1500);
    expect(new Set(every.map(({ stitch }) => stitch)).size).toBe(
      STRUCTURES.filter(({ bind, defaults }) => !bind(defaults).formIsExact).length,
    );
    expect(new Set(every.flatMap(({ beads }) => Object.values(beads))).size).toBeGreaterThan(30);
    expect(new Set(every.map(cellName)).size).toBe(every.length);
  });

  it.each(cells.map((cell) => [cellName(cell), cell] as const))('%s', (_, cell) => {
    expect(brokenOf(cell)).toEqual([]);
  });

  it('notices what does not hold', () => {
    const cell: LayoutCell = {
      stitch: 'right-angle-weave',
      params: { side: ['A'], rung: ['A'] },
      beads: { A: 'seed-11' },
    };
    const one = laid(cell);
    const what = (change: Partial<typeof one>) =>
      brokenOf(cell, { ...one, ...change }).map(({ what }) => what);
    expect(what({})).toEqual([]);
    expect(what({ bareMm: 3 * one.bareMm }).join()).toMatch(/bare thread/);
    expect(what({ thicknessMm: 2 * one.thicknessMm }).join()).toMatch(/thicker/);
    expect(what({ pitchMm: 1.2 * one.pitchMm })).toEqual([
      'twice as large is not twice as long',
      '1 % of a bead moves it',
      'its mirror image is another',
      'the same net, otherwise told',
      'the same net, otherwise told',
    ]);
    expect(what({ pitchMm: 2 * one.pitchMm, rests: false })).toEqual([]);
  });

  it('tells the share that holds and the worst, and fails below 99 %', () => {
    const cell = (off: number | null): SweptCell => ({
      name: `off by ${off}`,
      ms: 5,
      rests: true,
      ofForm: 1,
      broken: off === null ? [] : [{ what: 'it moves', off }],
    });
    const good = Array.from({ length: 199 }, () => cell(null));
    expect(told([...good, cell(0.3)])).toMatch(/200 cells, of 99.5 %.*\n {2}off by 0.3: it moves \(30 %\)/);
    expect(() => told([...good, cell(0.3), cell(0.5), cell(0.4)])).toThrow(
      /off by 0.5.*\n.*off by 0.4.*\n.*off by 0.3/,
    );
  });
});
