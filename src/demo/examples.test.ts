import { readdirSync, readFileSync } from 'node:fs';
import { describe, expect, it } from 'vitest';
import { pieceJsonSchema } from '@/core/pieceJsonSchema';
import { planPiece } from '@/core/plan';
import { planReport } from '@/core/report';
import { STRUCTURES } from '@/core/structures/registry';
import { CHOIR, DEMO_PIECES, examplePiece } from './choir';

const files = readdirSync('examples').map((file) => file.replace('.json', ''));

describe('the examples', () => {
  it.each(files)('%s is a piece that plans, and fits its singer', (name) => {
    const piece = examplePiece(name);
    const plan = planPiece(piece);
    if (!plan.ok) throw new Error(plan.problem.code);
    expect(plan.chosen.fits).toBe(true);
    const report = planReport(plan);
    expect(JSON.parse(JSON.stringify(report))).toEqual(report); // nothing undefined, not a number or endless
  });

  it('are worn by singers of the choir, with the girths they have', () => {
    for (const name of files) {
      const { wearer } = examplePiece(name);
      const singer = CHOIR.find(({ name }) => name === wearer?.name);
      expect(singer?.girths).toMatchObject(wearer?.girths ?? { nobody: 0 });
    }
  });

  it('hold one of every structure, and the demo shows three', () => {
    const used = new Set(files.map((name) => examplePiece(name).structure.id));
    expect(STRUCTURES.filter((s) => !used.has(s.id))).toEqual([]);
    expect(DEMO_PIECES).toHaveLength(3);
    expect(CHOIR).toHaveLength(5);
  });
});

it('the published JSON Schema is the one the program checks with', () => {
  const published = JSON.parse(readFileSync('schemas/piece.schema.json', 'utf8'));
  expect(published).toEqual(JSON.parse(JSON.stringify(pieceJsonSchema())));
});
