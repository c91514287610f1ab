import { describe, expect, it } from 'vitest';
import { GLOSSARY, type GlossaryEntry } from './glossary';
import { newPiece } from './piece';
import { planPiece } from './planShipped';
import { structureById } from './structures/registry';

const entries: readonly GlossaryEntry[] = GLOSSARY;

describe('the glossary', () => {
  it('has every word once, each with its meaning in a sentence', () => {
    expect(new Set(entries.map(({ word }) => word)).size).toBe(entries.length);
    for (const { meaning } of entries) expect(meaning).toMatch(/^[A-Z].{20,}\.$/);
  });

  it.each(entries.flatMap(({ word, example }) => (example ? [{ word, example }] : [])))(
    'draws “$word” from a stitch that there is, with the beads it speaks of',
    ({ example: { structureId, params, roles = [] } }) => {
      const structure = structureById(structureId);
      expect(structure).toBeDefined();
      const piece = newPiece('Example', structureId, null);
      const own = { id: structureId, params: { ...piece.structure.params, ...params } };
      const plan = planPiece({ ...piece, structure: own });
      if (!plan.ok) throw new Error(JSON.stringify(plan.problem));
      const drawn = plan.quantities.map(({ role }) => role);
      expect(roles.filter((role) => !drawn.includes(role))).toEqual([]);
    },
  );
});
