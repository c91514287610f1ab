import type { CellLayout } from '@/core/layout/cellLayout';
import { shippedLayouts } from '@/core/layout/shipped';
import type { Piece } from '@/core/piece';
import { planPiece } from '@/core/plan';

/** The layouts that the plans of some pieces ask for, so that a page has them from its first paint on. */
export function laidOut(docs: readonly Piece[]): Record<string, CellLayout> {
  const met: Record<string, CellLayout> = {};
  for (const doc of docs)
    planPiece(doc, {
      layouts: (key) => {
        const layout = shippedLayouts(key);
        if (layout) met[key] = layout;
        return layout;
      },
    });
  return met;
}
