import { describe, expect, it } from 'vitest';
import { flatHerringbone } from '../structures/flatHerringbone';
import { flatPeyote } from '../structures/flatPeyote';
import { eight, eleven, ends } from '../testing/woven';
import { isTraversal } from '../weave/path';
import { layoutRequest } from './cellLayout';
import { regrouped } from './regroup';

const rows = (sequence: string[], units: number) =>
  flatHerringbone.bind({ sequence, extra: 0 }).weave(units, ends);

describe('colours do not change a layout', () => {
  it('rows of one size in four colours are laid out as rows of one', () => {
    const one = layoutRequest(rows(['A'], 20), () => eleven);
    const four = layoutRequest(rows(['A', 'A', 'B', 'C'], 5), () => eleven);
    expect(four?.key).toBe(one?.key);
    expect(four).toMatchObject({ rows: 1, rowsOfUnit: 4 });
    expect(four?.cell.beads).toHaveLength(2);
  });

  it('rows of two sizes by turns are told by two, whatever their colours', () => {
    const size = (role: string) => (role === 'B' || role === 'D' ? eight : eleven);
    const told = layoutRequest(rows(['A', 'B', 'C', 'D'], 6), size);
    expect(told).toMatchObject({ rows: 2, rowsOfUnit: 4 });
    expect(layoutRequest(rows(['A', 'B'], 12), size)?.key).toBe(told?.key);
    expect(layoutRequest(rows(['A', 'A', 'B', 'B'], 6), size)?.rows).toBe(4);
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
