import type { KeptLayout } from '@/core/layout/kept';
import { shippedLayouts } from '@/core/layout/shipped';
import type { Piece } from '@/core/piece/piece';
import { USUAL_SETTINGS } from '@/core/records/settings';
import { planned } from './planner';

export type LaidOut = Readonly<Record<string, KeptLayout>>;

/** Layouts that ship, by their keys. */
export const layoutsOf = (keys: Iterable<string>): LaidOut =>
  Object.fromEntries(
    [...new Set(keys)].flatMap((key) => {
      const layout = shippedLayouts(key);
      return layout ? [[key, layout] as const] : [];
    }),
  );

/**
 * The layouts that the plans of some pieces ask for, so that a page has them from its first paint on. A piece that
 * cannot be planned asks for none.
 */
export async function laidOut(docs: readonly Piece[]): Promise<LaidOut> {
  const keys = await Promise.all(
    docs.map((doc) =>
      planned({ kind: 'plan', doc, swatches: [], records: [], habits: USUAL_SETTINGS }).then(
        ({ layoutKeys }) => layoutKeys,
        () => [],
      ),
    ),
  );
  return layoutsOf(keys.flat());
}

const samples = new Map<string, Promise<LaidOut>>();

/** The same for samples that never change, worked out once. */
export function laidOutOnce(name: string, docs: readonly Piece[]): Promise<LaidOut> {
  const known = samples.get(name) ?? laidOut(docs);
  samples.set(name, known);
  return known;
}
