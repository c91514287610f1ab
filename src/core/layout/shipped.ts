import { keptLayoutSchema, type KeptLayout, type Layouts } from './kept';
import kept from './shipped.json' with { type: 'json' };

/** What ships in another shape than this version's is left out, and solved again when it is needed. */
const shipped: ReadonlyMap<string, KeptLayout> = new Map(
  Object.entries(kept).flatMap(([key, value]): [string, KeptLayout][] => {
    const layout = keptLayoutSchema.safeParse(value);
    return layout.success ? [[key, layout.data]] : [];
  }),
);

/** Layouts of the usual materials, solved beforehand (`npm run layouts`). */
export const shippedLayouts: Layouts = (key) => shipped.get(key);
