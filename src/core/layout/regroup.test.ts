import { describe, expect, it } from 'vitest';
import { flatHerringbone } from '../structures/flatHerringbone';
import { flatPeyote } from '../structures/flatPeyote';
import type { BeadSize } from '../materials/material';
import { all, eight, eleven, ends } from '../testing/woven';
import { isTraversal } from '../weave/path';
import { layoutRequest } from './cellLayout';
import { regrouped } from './regroup';

/** Rows of herringbone as they are to be laid out. */
function asked(sequence: string[], units: number, size: (role: string) => BeadSize) {
  const weaveable = flatHerringbone.bind({ sequence, extra: 0 });
  return layoutRequest(weaveable.weave(units, ends), size, weaveable.form(size, all));
}

describe('colours do not change a layout', () => {
  it('rows of one size in four colours are laid out as rows of one', () => {
    const one = asked(['A'], 20, () => eleven);
    const four = asked(['A', 'A', 'B', 'C'], 5, () => eleven);
    expect(four?.key).toBe(one?.key);
    expect(four).toMatchObject({ rows: 1, rowsOfUnit: 4 });
    expect(four?.cell.beads).toHaveLength(2);
  });

  it('rows of two sizes by turns are told by two, whatever their colours', () => {
    const size = (role: string) => (role === 'B' || role === 'D' ? eight : eleven);
    const told = asked(['A', 'B', 'C', 'D'], 6, size);
    expect(told).toMatchObject({ rows: 2, rowsOfUnit: 4 });
    expect(asked(['A', 'B'], 12, size)?.key).toBe(told?.key);
    expect(asked(['A', 'A', 'B', 'B'], 6, size)?.rows).toBe(4);
  });

  it('nothing of the path is lost: moves, beads and their links stay as they were', () => {
    const path = flatPeyote.bind({ sequence: ['A', 'B', 'C'], wide: 5 }).weave(6, ends);
    const { path: told } = regrouped(path, () => eleven);
    expect(told.moves).toHaveLength(path.moves.length);
    told.moves.forEach((move, i) => {
      const before = path.moves[i];
      if (before && isTraversal(move) && isTraversal(before)) {
        expect(move.bead.id).toBe(before.bead.id);
        expect(move.enter).toBe(before.enter);
        expect(told.beads[move.bead.id]).toBe(move.bead);
      }
    });
  });
});
