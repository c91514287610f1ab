// npm run layouts: solves the layouts that ship with the program, for the usual materials, and writes them.
// `-- --keep` solves only those that are missing; `-- --progress` tells each.
import { readdirSync, writeFileSync } from 'node:fs';
import type { CellLayout, LayoutRequest } from '@/core/layout/cellLayout';
import { solveLayout } from '@/core/layout/solveLayout';
import { BEADS } from '@/core/materials/catalogue';
import { newPart } from '@/core/piece/newPiece';
import { partOf, type PartOfPiece } from '@/core/piece/partOfPiece';
import type { NoPlan, Plan } from '@/core/plan/plan';
import { shippedLayouts } from '@/core/layout/shipped';
import { planPart } from '@/core/plan/shipped';
import { misfit } from '@/core/structures/parts';
import { STRUCTURES } from '@/core/structures/registry';
import type { Structure } from '@/core/structures/structure';
import { examplePiece } from '@/demo/choir';
import { speak } from './speak';

const FILE = 'src/core/layout/shipped.json';

/** A stitch as it starts, in every bead that can play its first role. */
function inEveryBead({ id, bind, defaults }: Structure): PartOfPiece[] {
  const piece = newPart('Layout', id, null);
  const part = bind(defaults).parts.find(({ role }) => role === 'A');
  return BEADS.filter((bead) => part && misfit(part, bead) !== 'holes').map((bead) => ({
    ...piece,
    beads: { ...piece.beads, A: { ...piece.beads.A, ...bead } },
  }));
}

/** A stitch in its usual beads, with each of its choices. */
function withEveryChoice({ id, fields }: Structure): PartOfPiece[] {
  const piece = newPart('Layout', id, null);
  return fields.flatMap((field) =>
    (field.kind === 'choice' ? field.options.map(({ value }) => value) : []).map((value) => ({
      ...piece,
      structure: { id, params: { ...piece.structure.params, [field.key]: value } },
    })),
  );
}

/** A piece planned by its closed form; what goes wrong says in which stitch. */
function planned(piece: PartOfPiece): Plan | NoPlan {
  try {
    return planPart(piece, { layouts: () => undefined });
  } catch (error) {
    const { id, params } = piece.structure;
    throw new Error(`${id} ${JSON.stringify(params)}: ${(error as Error).message}`, { cause: error });
  }
}

/** The usual pieces, with and without their optional passes, and the examples. */
function usualPieces(): PartOfPiece[] {
  const examples = readdirSync('examples').map((file) => partOf(examplePiece(file.replace('.json', ''))));
  const plain = STRUCTURES.flatMap((structure) => [...inEveryBead(structure), ...withEveryChoice(structure)]);
  return [...plain, ...examples].flatMap((piece) => {
    const plan = planned(piece);
    const optional = plan.ok ? plan.optionalPasses.map(({ name }) => name) : [];
    return [piece, ...(optional.length > 0 ? [{ ...piece, without: optional }] : [])];
  });
}

await speak(() => {
  const requests = new Map<string, LayoutRequest>();
  for (const piece of usualPieces()) {
    const plan = planned(piece);
    if (plan.ok && plan.toLayOut) requests.set(plan.toLayOut.key, plan.toLayOut);
  }
  const kept = process.argv.includes('--keep') ? shippedLayouts : () => undefined;
  const solved = [...requests].sort().map(([key, request], i): [string, CellLayout] => {
    const start = Date.now();
    const layout = kept(key) ?? solveLayout(request);
    if (process.stderr.isTTY || process.argv.includes('--progress'))
      console.error(
        `${i + 1} of ${requests.size}: ${request.cell.beads.length} beads, ${Date.now() - start} ms`,
      );
    return [key, layout];
  });
  writeFileSync(FILE, `${JSON.stringify(Object.fromEntries(solved))}\n`);
  const loose = solved.filter(([, layout]) => !layout.settled);
  return `Wrote ${solved.length} layouts to ${FILE}${loose.length > 0 ? `; not settled: ${loose.map(([key]) => key).join(', ')}` : ''}`;
});
