import { answersOf, type Answers } from '@/core/answers';
import type { CellLayout } from '@/core/layout/cellLayout';
import { shippedLayouts } from '@/core/layout/shipped';
import type { Piece } from '@/core/piece';
import { planPiece, type Known } from '@/core/plan';

type Met = Record<string, CellLayout>;

/** Layouts that ship, each kept when it is asked for. */
const keeping = (met: Met) => (key: string) => {
  const layout = shippedLayouts(key);
  if (layout) met[key] = layout;
  return layout;
};

/** The layouts that the plans of some pieces ask for, so that a page has them from its first paint on. */
export function laidOut(docs: readonly Piece[]): Readonly<Met> {
  const met: Met = {};
  for (const doc of docs) planPiece(doc, { layouts: keeping(met) });
  return met;
}

/** What a piece's plan answers first, null where it has none, and the layouts that it asks for. */
export function firstAnswers(
  piece: Piece,
  known: Omit<Known, 'layouts'>,
): { readonly answers: Answers | null; readonly laidOut: Readonly<Met> } {
  const met: Met = {};
  const plan = planPiece(piece, { ...known, layouts: keeping(met) });
  return { answers: plan.ok ? answersOf(plan) : null, laidOut: met };
}
