// npm run layouts: solves the layouts that ship with the program, for the usual materials, and writes them.
import { readdirSync, writeFileSync } from 'node:fs';
import { solveLayout, type CellLayout, type LayoutRequest } from '@/core/layout/cellLayout';
import { BEADS, PALETTE } from '@/core/materials/catalogue';
import { inColour, newBracelet, type Piece } from '@/core/piece';
import { planPiece } from '@/core/plan';
import { STRUCTURES } from '@/core/structures/registry';
import { examplePiece } from '@/demo/choir';
import { speak } from './speak';

const FILE = 'src/core/layout/shipped.json';

/** Every structure in every bead of one hole, with and without its optional passes, and the examples. */
function usualPieces(): Piece[] {
  const [colour] = PALETTE;
  if (!colour) throw new Error('The palette is empty.');
  const plain = STRUCTURES.flatMap(({ id }) =>
    BEADS.filter((bead) => bead.holes === 1).flatMap((bead) => {
      const piece = newBracelet('Layout', id, null);
      return [{ ...piece, beads: { ...piece.beads, A: inColour(bead, colour) } }];
    }),
  );
  const examples = readdirSync('examples').map((file) => examplePiece(file.replace('.json', '')));
  return [...plain, ...examples].flatMap((piece) => {
    const plan = planPiece(piece, () => undefined);
    const optional = plan.ok ? plan.optionalPasses.map(({ name }) => name) : [];
    return [piece, ...(optional.length > 0 ? [{ ...piece, without: optional }] : [])];
  });
}

await speak(() => {
  const requests = new Map<string, LayoutRequest>();
  for (const piece of usualPieces()) {
    const plan = planPiece(piece, () => undefined);
    if (plan.ok && plan.toLayOut) requests.set(plan.toLayOut.key, plan.toLayOut);
  }
  const solved: [string, CellLayout][] = [...requests]
    .sort()
    .map(([key, request]) => [key, solveLayout(request)]);
  writeFileSync(FILE, `${JSON.stringify(Object.fromEntries(solved))}\n`);
  const loose = solved.filter(([, layout]) => !layout.settled);
  return `Wrote ${solved.length} layouts to ${FILE}${loose.length > 0 ? `; not settled: ${loose.map(([key]) => key).join(', ')}` : ''}`;
});
