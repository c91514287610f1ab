import { describe, expect, it } from 'vitest';
import { GLOSSARY, withWords, type GlossaryEntry } from './glossary';
import { newPart } from '../piece/newPiece';
import { planPart } from '../plan/shipped';
import { STRUCTURES, structureById } from '../structures/registry';

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
      const piece = newPart('Example', structureId, null);
      const own = { id: structureId, params: { ...piece.structure.params, ...params } };
      const plan = planPart({ ...piece, structure: own });
      if (!plan.ok) throw new Error(JSON.stringify(plan.problem));
      const drawn = plan.quantities.map(({ role }) => role);
      expect(roles.filter((role) => !drawn.includes(role))).toEqual([]);
    },
  );
});

describe('words of the craft in a text', () => {
  it('are set apart the first time they occur, in the plural too, and nothing is lost', () => {
    const text = 'Picots stand on the rungs; a picot more. Stepping-up is no step-up.';
    expect(withWords(text)).toEqual([
      { word: 'picot', as: 'Picots' },
      ' stand on the ',
      { word: 'rung', as: 'rungs' },
      '; a picot more. Stepping-up is no ',
      { word: 'step-up', as: 'step-up' },
      '.',
    ]);
    for (const { about, watch } of STRUCTURES)
      for (const line of [about, ...watch]) {
        const parts = withWords(line).map((part) => (typeof part === 'string' ? part : part.as));
        expect(parts.join('')).toBe(line);
      }
  });

  it('the longer word wins: right-angle weave is not woven apart', () => {
    expect(withWords('In right-angle weave and cross-weave.')).toEqual([
      'In ',
      { word: 'right-angle weave', as: 'right-angle weave' },
      ' and ',
      { word: 'cross-weave', as: 'cross-weave' },
      '.',
    ]);
    expect(withWords('')).toEqual([]);
  });
});
