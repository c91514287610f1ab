// npm run layouts: solves the layouts that ship with the program, for the usual materials, and writes them.
// `-- --keep` solves only those that are missing; `-- --progress` tells each.
import { readdirSync, writeFileSync } from 'node:fs';
import { isDressed, type KeptLayout, type Layouts, type ToLayOut } from '@/core/layout/kept';
import { solveKept } from '@/core/layout/solveKept';
import { BEADS } from '@/core/materials/catalogue';
import { withMotif } from '@/core/piece/assembly';
import { newPart, newPiece } from '@/core/piece/newPiece';
import { partOf, type PartOfPiece } from '@/core/piece/partOfPiece';
import type { NoPlan, Plan } from '@/core/plan/plan';
import { shippedLayouts } from '@/core/layout/shipped';
import { toLayOutFirst } from '@/core/plan/madeApart';
import { planPart } from '@/core/plan/plan';
import { misfit } from '@/core/structures/parts';
import { STRUCTURES } from '@/core/structures/registry';
import type { Structure } from '@/core/structures/structure';
import { examplePiece } from '@/demo/choir';
import { speak } from './speak';

const OPTIONS = ['--keep', '--progress'];
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

const beadsOf = (request: ToLayOut): number =>
  isDressed(request) ? request.units * request.sizes.length : request.cell.beads.length;

/** A piece planned with these layouts, by its closed form where there are none; what goes wrong says in which stitch. */
function planned(piece: PartOfPiece, layouts: Layouts = () => undefined): Plan | NoPlan {
  try {
    return planPart(piece, { layouts });
  } catch (error) {
    const { id, params } = piece.structure;
    throw new Error(`${id} ${JSON.stringify(params)}: ${(error as Error).message}`, { cause: error });
  }
}

/** The usual pieces, with and without their optional passes, and the examples. */
function usualPieces(): PartOfPiece[] {
  const examples = readdirSync('examples').map((file) => partOf(examplePiece(file.replace('.json', ''))));
  const plain = STRUCTURES.flatMap((structure) => [...inEveryBead(structure), ...withEveryChoice(structure)]);
  const motifs = partOf(withMotif(newPiece('Layout', 'joined-motifs', null)).piece);
  return [...plain, ...examples, motifs].flatMap((piece) => {
    const plan = planned(piece);
    const optional = plan.ok ? plan.optionalPasses.map(({ name }) => name) : [];
    return [piece, ...(optional.length > 0 ? [{ ...piece, without: optional }] : [])];
  });
}

await speak(() => {
  const unknown = process.argv.slice(2).find((option) => !OPTIONS.includes(option));
  if (unknown) return `There is no ${unknown} here: it takes ${OPTIONS.join(' and ')}. Nothing was solved.`;
  const kept = process.argv.includes('--keep') ? shippedLayouts : () => undefined;
  const solved = new Map<string, KeptLayout>();
  const solve = (request: ToLayOut) => {
    const start = Date.now();
    solved.set(request.key, kept(request.key) ?? solveKept(request));
    if (process.stderr.isTTY || process.argv.includes('--progress'))
      console.error(`${solved.size}: ${beadsOf(request)} beads, ${Date.now() - start} ms`);
  };
  for (const piece of usualPieces()) {
    // How a frame lies depends on how many rows it has, and what strings it on how it lies: one after another.
    const missing = () => {
      const plan = planned(piece, (key) => solved.get(key));
      return plan.ok ? toLayOutFirst(plan) : null;
    };
    for (let next = missing(); next; next = missing()) solve(next);
  }
  const sorted = [...solved].sort(([a], [b]) => (a < b ? -1 : 1));
  writeFileSync(FILE, `${JSON.stringify(Object.fromEntries(sorted))}\n`);
  const loose = sorted.filter(([, layout]) => !layout.settled);
  return `Wrote ${sorted.length} layouts to ${FILE}${loose.length > 0 ? `; not settled: ${loose.map(([key]) => key).join(', ')}` : ''}`;
});
