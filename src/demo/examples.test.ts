import { readdirSync } from 'node:fs';
import { describe, expect, it } from 'vitest';
import { planPiece } from '@/core/plan/shipped';
import { planReport } from '@/core/plan/report';
import { STRUCTURES } from '@/core/structures/registry';
import { bookOf } from '@/core/records/swatches';
import { CHOIR, DEMO_PIECES, demoSwatches, examplePiece } from './choir';
import { partOf } from '@/core/piece/partOfPiece';

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

  it('the demo’s swatches are of one of its pieces, and agree with what its beads make', () => {
    const piece = examplePiece('slack-water');
    const plan = planPiece(piece, { swatches: bookOf(demoSwatches()) });
    if (!plan.ok) throw new Error(plan.problem.code);
    expect(plan.gauge.swatches?.count).toBe(demoSwatches().length);
    expect(plan.warnings.map(({ code }) => code)).not.toContain('gauge-differs');
  });

  it('are worn by singers of the choir, with the girths they have', () => {
    for (const name of files) {
      const { wearer } = examplePiece(name);
      const singer = CHOIR.find(({ name }) => name === wearer?.name);
      expect(singer?.girths).toMatchObject(wearer?.girths ?? { nobody: 0 });
    }
  });

  it('hold one of every structure, and the demo shows some of every sort', () => {
    const used = new Set(files.map((name) => partOf(examplePiece(name)).structure.id));
    expect(STRUCTURES.filter((s) => !used.has(s.id))).toEqual([]);
    expect(new Set(DEMO_PIECES.map((name) => examplePiece(name).kind)).size).toBeGreaterThanOrEqual(3);
    expect(CHOIR).toHaveLength(5);
  });
});
