// Damaged piece files: each is refused in words, or planned with figures, never anything else.
import { readdirSync } from 'node:fs';
import { z } from 'zod';
import { migratePiece, type Piece } from '@/core/piece/piece';
import { planPiece } from '@/core/plan/shipped';
import { planReport } from '@/core/plan/report';
import { whyNotStorable } from '@/core/records/storable';
import { faultsOf } from '@/data/records';
import { examplePiece } from '@/demo/choir';
import { damage, oneOf, randoms } from './random';

const EXAMPLES = readdirSync('examples').map((file) => file.replace('.json', ''));

/** Every place of a report that holds a number which is none; read before it becomes text, where such a number is null. */
function notFigures(value: unknown, path = 'plan'): string[] {
  if (typeof value === 'number') return Number.isFinite(value) ? [] : [path];
  if (typeof value !== 'object' || value === null) return [];
  return Object.entries(value).flatMap(([key, inner]) => notFigures(inner, `${path}.${key}`));
}

/** Damages the parameters of a piece's stitch. */
function damagedParams(file: unknown, random: () => number): unknown {
  const { parts, ...rest } = file as Piece;
  return {
    ...rest,
    parts: parts.map(({ structure, ...part }) => ({
      ...part,
      structure: { ...structure, params: damage(structure.params, random) },
    })),
  };
}

/** Damages so many of the examples, in one to three places. Throws for one that broke something. */
export function damagedFiles(count: number, seed = 42): string {
  const random = randoms(seed);
  let refused = 0;
  let planned = 0;
  let problems = 0;
  for (let i = 0; i < count; i++) {
    const name = oneOf(EXAMPLES, random);
    let file: unknown = examplePiece(name);
    // Parameters of a stitch are its own affair: the reader lets everything through to it.
    const inside = i % 2 === 0;
    for (let hits = 0; hits <= i % 3; hits++)
      file = inside ? damagedParams(file, random) : damage(file, random);
    const where = `file ${i} (${name}, seed ${seed})`;
    let piece;
    try {
      piece = migratePiece(JSON.parse(JSON.stringify(file)));
    } catch (error) {
      if (!(error instanceof z.ZodError)) throw new Error(`${where} broke the reader`, { cause: error });
      if (faultsOf(error) === '') throw new Error(`${where} was refused without words`, { cause: error });
      refused++;
      continue;
    }
    if (whyNotStorable(piece)) throw new Error(`${where} was read, and cannot be kept`);
    let wrong: string[];
    try {
      const plan = planPiece(piece);
      if (!plan.ok) {
        problems++;
        continue;
      }
      wrong = notFigures(planReport(plan));
    } catch (error) {
      throw new Error(`${where} broke the plan`, { cause: error });
    }
    if (wrong.length > 0) throw new Error(`${where} gave no figure: ${wrong.join(', ')}`);
    planned++;
  }
  return `${count} damaged files: ${refused} refused in words, ${problems} with a problem told, ${planned} planned`;
}
