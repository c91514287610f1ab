import type { Answers } from '../plan/answers';
import { counted } from '../words/figures';
import type { Candidate } from '../fit/candidates';
import type { Piece } from './piece';

/** The change that takes a count, or an arrangement; null leaves it to the fit again. */
export function choosing(piece: Piece, chosen: Pick<Candidate, 'units' | 'counts'> | null): Partial<Piece> {
  const { params } = piece.structure;
  const graduated = chosen ? chosen.counts !== null : Array.isArray(params.counts);
  if (!graduated) return { units: chosen?.units ?? null };
  const counts = chosen?.counts ?? [];
  return { structure: { ...piece.structure, params: { ...params, counts: [...counts] } } };
}

/** Whether the maker has chosen the count herself. */
export const hasChosen = (
  { units, structure: { params } }: Piece,
  { arrangement }: Pick<Answers, 'arrangement'>,
): boolean => (arrangement ? Array.isArray(params.counts) && params.counts.length > 0 : units !== null);

/** What is counted, in words: "21 units", "47 beads". */
export function countWords({ arrangement }: Pick<Answers, 'arrangement'>, units: number): string {
  if (arrangement) return `${units} beads`;
  return counted(units, 'unit');
}

/** A graduated line's steps: "5 A · 4 B · 4 C". */
export const stepsWords = (steps: readonly string[], counts: readonly number[]): string =>
  steps.map((role, i) => `${counts[i] ?? 0} ${role}`).join(' · ');
