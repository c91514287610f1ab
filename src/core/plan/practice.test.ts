import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { DEMO_PIECES, examplePiece } from '@/demo/choir';
import { differenceCiede2000, parse } from 'culori';
import { BEADS } from '../materials/catalogue';
import { MOST_LETTERS_OF_AN_ID } from '../materials/material';
import { shippedLayouts } from '../layout/shipped';
import { partOf, withPart } from '../piece/partOfPiece';
import { pieceSchema } from '../piece/piece';
import { cutTo, whyNotStorable } from '../records/storable';
import { runs } from '../testing/thorough';
import { planPiece } from './plan';
import { practiceOf } from './practice';

const LOOKUPS = { layouts: shippedLayouts };

function practised(name: string) {
  const piece = examplePiece(name);
  const made = practiceOf(piece, BEADS, LOOKUPS);
  if (!made.ok) throw new Error(`${name}: ${made.problem.code}`);
  const [before, after] = [planPiece(piece, LOOKUPS), planPiece(made.piece, LOOKUPS)];
  if (!before.ok || !after.ok) throw new Error(name);
  return { piece, practice: made.piece, before, after };
}

describe('a practice version', () => {
  it('of names as long as they may be can be kept, whatever characters stand at their end', () => {
    const own = examplePiece('lantern-line');
    for (let letters = 60; letters <= 80; letters++) {
      const name = `${'a'.repeat(letters % 2)}${'🧵'.repeat(letters / 2)}`;
      // Nothing like it is there twice as large: it is made from what it is.
      const large = { id: cutTo(name, MOST_LETTERS_OF_AN_ID), name, lengthMm: 6, diameterMm: 8 };
      const { beads } = partOf(own);
      const piece = withPart({ ...own, name }, { beads: { ...beads, A: { ...beads.A, ...large } } });
      const made = practiceOf(piece, BEADS, LOOKUPS);
      if (!made.ok) throw new Error(made.problem.code);
      expect(partOf(made.piece).beads.A.lengthMm).toBeGreaterThan(10);
      expect(whyNotStorable(made.piece)).toBeNull();
      expect(pieceSchema.safeParse(made.piece).success).toBe(true);
    }
  });

  it('of every example is a piece that can be planned: the same stitch, larger beads, for nobody', () => {
    fc.assert(
      fc.property(fc.constantFrom(...DEMO_PIECES), (name) => {
        const { piece, practice, before, after } = practised(name);
        expect(pieceSchema.parse(JSON.parse(JSON.stringify(practice)))).toEqual(practice);
        expect(practice.wearer).toBeNull();
        for (const { id } of piece.parts) {
          const [was, is] = [partOf(piece, id), partOf(practice, id)];
          expect(is.structure).toEqual(was.structure);
          for (const [role, bead] of Object.entries(is.beads)) {
            const own = was.beads[role as keyof typeof was.beads];
            expect(bead.shape).toBe(own?.shape);
            expect(bead.holes).toBe(own?.holes);
            // Twice as large, or what there is within a third of that.
            expect(bead.lengthMm / (own?.lengthMm ?? 0)).toBeGreaterThan(1.35);
            expect(bead.diameterMm / (own?.diameterMm ?? 0)).toBeLessThan(2.65);
          }
        }
        const whole = before.arrangement !== null || before.weaveable.sections !== undefined;
        if (!whole) expect(after.chosen.units).toBeLessThanOrEqual(Math.max(before.chosen.units, 14));
      }),
      { seed: 24, numRuns: runs(12) },
    );
  });

  it('library (culori): units beside each other, and roles among themselves, differ plainly in colour', () => {
    const { practice } = practised('slack-water');
    const own = partOf(practice);
    const colours = (['A', 'B'] as const).flatMap((role) => [
      own.beads[role].colour,
      ...(own.colourings[role]?.more ?? []).map(({ hex }) => hex),
    ]);
    expect(colours).toHaveLength(4);
    const apart = differenceCiede2000();
    for (const [i, a] of colours.entries())
      for (const b of colours.slice(i + 1))
        expect(apart(parse(a) as never, parse(b) as never)).toBeGreaterThan(20);
  });
});
