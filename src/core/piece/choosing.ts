import type { Answers } from '../plan/answers';
import { counted } from '../words/figures';
import type { Candidate } from '../fit/candidates';
import { graduationOf } from '../structures/registry';
import type { PartOfPiece } from './partOfPiece';

/** The change that takes a count, or an arrangement; null leaves it to the fit again. */
export function choosing(
  piece: PartOfPiece,
  chosen: Pick<Candidate, 'units' | 'counts'> | null,
): Partial<PartOfPiece> {
  const graduation = graduationOf(piece.structure);
  if (!graduation || chosen?.counts === null) return { units: chosen?.units ?? null };
  return {
    structure: { ...piece.structure, params: { ...graduation.withCounts(chosen?.counts ?? []) } },
  };
}

/** Whether the maker has chosen the count herself. */
export function hasChosen({ units, structure }: PartOfPiece): boolean {
  const graduation = graduationOf(structure);
  return (graduation ? graduation.counts : units) !== null;
}

/** What is counted, in words: "21 units", "2 × 8 units" where they have a mirror image, "47 beads". */
export function countWords(
  { arrangement, weaveable: { sections } }: Pick<Answers, 'arrangement' | 'weaveable'>,
  units: number,
): string {
  if (arrangement) return counted(units, arrangement.of);
  const copies = sections?.copies ?? 1;
  return `${copies > 1 ? `${copies} × ` : ''}${counted(units, 'unit')}`;
}

/** The same without the number: "units", "units a side", "beads". */
export function countedWord(
  { arrangement, weaveable: { sections } }: Pick<Answers, 'arrangement' | 'weaveable'>,
  units: number,
): string {
  if (arrangement) return `${arrangement.of}s`;
  const word = units === 1 ? 'unit' : 'units';
  return (sections?.copies ?? 1) > 1 ? `${word} a side` : word;
}

/** A graduated line's steps: "5 A · 4 B · 4 C". */
export const stepsWords = (steps: readonly string[], counts: readonly number[]): string =>
  steps.map((role, i) => `${counts[i] ?? 0} ${role}`).join(' · ');
