import { describe, expect, it } from 'vitest';
import { usualRequest } from '../../testing/layoutCells';
import { baseInOneUnit, spread } from './likeUnits';
import { pitchIndex, PER_BEAD } from './state';

describe('a base of which only later passes differ from unit to unit', () => {
  const { cell, start } = usualRequest('bar-band');
  const base = baseInOneUnit(cell, start.state);
  if (!base) throw new Error('The base is not told in one unit.');

  it('is told in one of them, as long as its part of the whole', () => {
    expect(cell.units).toBe(2);
    const ofBase = cell.beads.filter(({ stage }) => stage === 0);
    expect(base.cell.beads).toHaveLength(ofBase.length / 2);
    expect(base.state[pitchIndex(base.cell.beads.length)]).toBeCloseTo(Number(start.state.at(-2)) / 2, 9);
    for (const { from, to } of base.cell.spans)
      for (const { bead } of [...from, ...to]) expect(bead).toBeLessThan(base.cell.beads.length);
  });

  it('lies alike in all of them when that one rests', () => {
    const rested = base.state.map((v, i) => v + 0.01 * Math.sin(i));
    const all = start.state.slice();
    spread(cell, base, rested, all);
    const pitchMm = Number(rested.at(-2));
    cell.beads.forEach(({ stage, word, unit }, i) => {
      if (stage > 0) return;
      const first = cell.beads.findIndex((bead) => bead.word === word && bead.unit === 0);
      for (let k = 0; k < PER_BEAD; k++)
        expect(all[i * PER_BEAD + k]).toBeCloseTo(
          Number(all[first * PER_BEAD + k]) + (k === 0 ? unit * pitchMm : 0),
          9,
        );
    });
    expect(all.at(-2)).toBeCloseTo(2 * pitchMm, 9);
  });

  it.each(['right-angle-weave', 'flower-band', 'tile-ladder'])(
    'but not where nothing is sewn on, or units are not alike: %s',
    (stitch) => {
      const request = usualRequest(stitch);
      expect(baseInOneUnit(request.cell, request.start.state)).toBeNull();
    },
  );
});
