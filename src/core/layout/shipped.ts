import { cellLayoutSchema, type CellLayout } from './cellLayout';
import kept from './shipped.json' with { type: 'json' };

/** Finds the layout that is kept under a key; undefined where there is none yet. */
export type Layouts = (key: string) => CellLayout | undefined;

/** What ships in another shape than this version's is left out, and solved again when it is needed. */
const shipped: ReadonlyMap<string, CellLayout> = new Map(
  Object.entries(kept).flatMap(([key, value]): [string, CellLayout][] => {
    const layout = cellLayoutSchema.safeParse(value);
    return layout.success ? [[key, layout.data]] : [];
  }),
);

/** Layouts of the usual materials, solved beforehand (`npm run layouts`). */
export const shippedLayouts: Layouts = (key) => shipped.get(key);
