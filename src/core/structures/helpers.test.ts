import { describe, expect, it } from 'vitest';
import { STRUCTURES } from './registry';
import { unsuited, misfit } from './parts';
import { cellOf, fittedTo, motifSchema, MOST_MOTIF_ROWS, rolesOfMotif, rowOf, startingMotif } from './motif';
import { besideMm, peyoteRows } from './peyoteRows';
import { extraSchema, extraWords, firstOf, ringed, endingSchema, extraOf, SECTION } from './extra';
import { at, distinct, partsOf, rolesOf, runningSum, sequenceSchema } from './structure';
import { fieldsThatCount, type MotifChart } from './field';
import { strungLine } from './strungLine';

describe('fields that mean something', () => {
  const keys = (params: Readonly<Record<string, unknown>>) =>
    fieldsThatCount(strungLine, params).map(({ key }) => key);
  it('a swag’s beads only where swags hang', () => {
    expect(keys({})).toEqual(['sequence', 'extra', 'trips', 'knots', 'swags']);
    expect(keys({ swags: 0 })).not.toContain('swag');
    expect(keys({ swags: 1 })).toEqual(['sequence', 'extra', 'trips', 'knots', 'swags', 'swag']);
    expect(keys({ knots: 'bead' })).toEqual(['sequence', 'extra', 'knots', 'swags']);
    expect(keys({ swags: 2, sequence: ['A'] })).toContain('swag');
  });
});

describe('small things that every stitch uses', () => {
  it('parts: each role of a run once, with its rule', () => {
    expect(partsOf(['A', 'B', 'A'], 'side')).toEqual([
      { holes: 1, role: 'A', part: 'side' },
      { holes: 1, role: 'B', part: 'side' },
    ]);
    expect(partsOf(['C'], 'tile', { holes: 2, shapes: ['tile'] })).toEqual([
      { holes: 2, shapes: ['tile'], role: 'C', part: 'tile' },
    ]);
    const parts = [...partsOf(['B', 'A'], 'side'), ...partsOf(['A', 'C'], 'rung')];
    expect(rolesOf({ parts } as never)).toEqual(['B', 'A', 'C']);
  });

  it('what does not suit its part, and why', () => {
    const [tile] = partsOf(['A'], 'tile', { holes: 2, shapes: ['tile'] });
    const bead = (shape: 'tile' | 'lens', holes: number) => ({ name: 'a bead', shape, holes });
    if (!tile) throw new Error('no part');
    expect(misfit(tile, bead('tile', 2))).toBeNull();
    expect(misfit(tile, bead('tile', 1))).toBe('holes');
    expect(misfit(tile, bead('lens', 2))).toBe('shape');
    expect(misfit({ ...tile, shapes: undefined } as never, bead('lens', 2))).toBeNull();
    expect(unsuited([tile], () => bead('lens', 2))).toEqual([
      { role: 'A', bead: 'a bead', part: tile, why: 'shape' },
    ]);
    expect(unsuited([tile], () => bead('tile', 2))).toEqual([]);
  });

  it('rows beyond the last unit: their length, their words, none in a ring', () => {
    expect(firstOf([2, 3], 0)).toBe(0);
    expect(firstOf([2, 3], 1)).toBe(2);
    expect(firstOf([2, 3], 5)).toBe(12);
    expect(extraWords({ extra: 0 }, 'row')).toBeNull();
    expect(extraWords({ extra: 1 }, 'row')).toBe('then one more row, like the first');
    expect(extraWords({ extra: 3 }, 'row')).toBe('then 3 more rows, like the first 3');
    expect(ringed({ extra: 2, n: 1 }, true)).toEqual({ extra: 0, n: 1 });
    expect(ringed({ extra: 2, n: 1 })).toEqual({ extra: 2, n: 1 });
    expect(extraOf({ sequence: ['A', 'A', 'B', 'A'], extra: SECTION })).toBe(2);
    expect(extraOf({ sequence: ['A', 'A'], extra: SECTION })).toBe(0);
    expect(extraOf({ sequence: ['A', 'A', 'B'], extra: 5 })).toBe(5);
    expect(endingSchema.safeParse(-1).success || endingSchema.safeParse('row').success).toBe(false);
    expect(endingSchema.parse(undefined)).toBe(0);
    expect(extraSchema.parse(undefined)).toBe(0);
    expect(extraSchema.safeParse(-1).success).toBe(false);
    expect(extraSchema.safeParse(24).success).toBe(true);
    expect(extraSchema.safeParse(25).success).toBe(false);
  });

  it('a sequence is of beads, some and not too many, in words', () => {
    const words = (value: unknown, ...rest: [number, ('B' | 'C')[]?]) =>
      sequenceSchema(...rest).safeParse(value).error?.issues[0]?.message;
    expect(words(['A'], 2)).toBeUndefined();
    expect(words([], 2)).toMatch(/no beads.*add/i);
    expect(words(['A', 'A', 'A'], 2)).toMatch(/at most 2.*take some out/i);
    expect(words(['A'], 2, ['B', 'C'])).toMatch(/named B to C/);
  });

  it('sums, values once, elements that are there', () => {
    expect(runningSum([2, 3, 4])).toEqual({ starts: [0, 2, 5], total: 9 });
    expect(runningSum([])).toEqual({ starts: [], total: 0 });
    expect(distinct(['b', 'a', 'b'])).toEqual(['b', 'a']);
    expect([at([1, 2, 3], 0), at([1, 2, 3], -1)]).toEqual([1, 3]);
    expect(() => at([1], 1)).toThrow(/no element 1 in a list of 1/i);
  });
});

describe('a small motif', () => {
  const chart: MotifChart = {
    cells: (row) => (row % 2 === 0 ? 3 : 2),
    inset: (row) => row % 2,
    step: 2,
    from: ['A', 'B', 'C'],
    word: 'row',
  };
  it('begins with the usual beads by turns, in whole steps, four rows at least', () => {
    expect(startingMotif(chart)).toEqual([
      ['A', 'A', 'A'],
      ['B', 'B'],
      ['C', 'C', 'C'],
      ['A', 'A'],
    ]);
    expect(startingMotif({ ...chart, from: ['A', 'B', 'C', 'D', 'E'] })).toHaveLength(6);
    expect(startingMotif({ ...chart, step: 1, from: ['A', 'B', 'C', 'D', 'E'] })).toHaveLength(5);
  });
  it('stands as its rows do: in peyote and brick each second half a bead lower, in circles all alike', () => {
    const insets = (id: string) => {
      const structure = STRUCTURES.find((s) => s.id === id);
      const field = structure?.fields.find((f) => f.kind === 'motif');
      if (!structure || field?.kind !== 'motif') throw new Error(`${id} has no motif`);
      return [0, 1, 2, 3].map((row) => field.chart(structure.defaults).inset(row));
    };
    expect(insets('flat-peyote')).toEqual([0, 1, 0, 1]);
    expect(insets('brick-stitch')).toEqual([0, 1, 0, 1]);
    expect(insets('right-angle-weave')).toEqual([0, 0, 0, 0]);
  });
  it('is read round and round, rows and columns', () => {
    const motif = [['A', 'B'], ['C']] as const;
    expect(cellOf(motif, 0, 3)).toBe('B');
    expect(cellOf(motif, 3, 7)).toBe('C');
    expect(
      rolesOfMotif([
        ['B', 'A'],
        ['B', 'C'],
      ]),
    ).toEqual(['B', 'A', 'C']);
    expect(rowOf(chart, 1, 'D')).toEqual(['D', 'D']);
  });
  it('is fitted to a chart that has become wider or narrower', () => {
    expect(
      fittedTo(
        [
          ['A', 'B'],
          ['C', 'D', 'E'],
        ],
        chart,
      ),
    ).toEqual([
      ['A', 'B', 'A'],
      ['C', 'D'],
    ]);
  });
  it('has no more rows than it can, and no empty one', () => {
    const rows = (n: number) => motifSchema.safeParse(Array.from({ length: n }, () => ['A']));
    expect(rows(MOST_MOTIF_ROWS).success).toBe(true);
    expect(rows(MOST_MOTIF_ROWS + 1).error?.issues[0]?.message).toMatch(/at most 24.*take some out/i);
    expect(motifSchema.safeParse([[]]).success).toBe(false);
    expect(motifSchema.parse(undefined)).toEqual([]);
  });
});

describe('rows of peyote along the piece, by hand', () => {
  it('of one girth: half of it a row, and half of it beyond', () => {
    for (const rows of [1, 2, 3, 5]) {
      const { pitchMm, extraMm, x } = peyoteRows(Array<number>(rows).fill(2));
      expect(pitchMm).toBeCloseTo(rows, 9);
      expect(extraMm).toBeCloseTo(1, 9);
      for (let row = 0; row < 9; row++) expect(x(row)).toBeCloseTo(1 + row, 9);
    }
  });
  it('thick and thin by turns: the thick column rules, the thin one stands between', () => {
    const { pitchMm, extraMm, x } = peyoteRows([3, 1]);
    expect(pitchMm).toBe(3);
    // Thick ones at 0 to 3, 3 to 6; thin ones in the middle of where they meet.
    expect([x(0), x(1), x(2), x(3)]).toEqual([1.5, 3, 4.5, 6]);
    expect(extraMm).toBeCloseTo(0.5, 9);
    expect(peyoteRows([1, 3]).pitchMm).toBe(3);
  });
  it('an odd sequence: half of all its girths, each column beside the other half a repeat on', () => {
    const { pitchMm, x } = peyoteRows([3, 1, 2]);
    expect(pitchMm).toBe(3);
    for (let row = 0; row < 9; row++) expect(x(row + 3) - x(row)).toBeCloseTo(3, 9);
    // No two beads of a column lie in each other: 3, 2, 1 in the one, 1, 3, 2 in the other.
    expect(x(2) - x(0)).toBeCloseTo(2.5, 9);
    expect(x(4) - x(2)).toBeCloseTo(1.5, 9);
    expect(x(6) - x(4)).toBeCloseTo(2, 9);
  });
  it('begins at its edge', () => {
    for (const girths of [[2], [3, 1], [1, 3], [3, 1, 2], [1, 2, 3, 4], [4, 1, 1]]) {
      const { x } = peyoteRows(girths);
      const edges = Array.from({ length: 12 }, (_, row) => x(row) - (girths[row % girths.length] ?? 0) / 2);
      expect(Math.min(...edges)).toBeCloseTo(0, 9);
    }
  });
  it('across, neighbours take the mean of their lengths, the longest pair rules', () => {
    expect(besideMm([2])).toBe(2);
    expect(besideMm([1, 3])).toBe(2);
    expect(besideMm([1, 1, 3])).toBe(2);
    expect(besideMm([3, 3, 1])).toBe(3);
  });
});
