// One part of the sweep over every layout, in a process of its own: a line of JSON for each cell.
//   node scripts/run-ts.mjs bench/soak/layoutShard.ts <part> <of> <cells drawn at random> <seed>
import { brokenOf, cellName, drawnCells, everyCell, laid } from '@/core/testing/layoutCells';
import type { SweptCell } from './layouts';
import { randoms } from './random';

const [part = 0, of = 1, drawn = 0, seed = 1] = process.argv.slice(2).map(Number);
const cells = [...everyCell(), ...drawnCells(drawn, randoms(seed))].filter((_, i) => i % of === part);
for (const cell of cells) {
  const one = laid(cell);
  const swept: SweptCell = {
    name: cellName(cell),
    ms: one.ms,
    rests: one.rests,
    ofForm: one.pitchMm / one.form.pitchMm,
    broken: brokenOf(cell, one),
  };
  console.log(JSON.stringify(swept));
}
