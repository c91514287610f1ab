import type { StitchKey, SwatchEntry } from '@/core/fit/swatchBook';
import { entriesOf } from '@/core/records/swatches';
import type { StoredSwatch } from '@/data/swatches';
import { planned } from './planner';

/** A swatch, and what it is kept under: found once here, not in every window. */
export interface KeyedSwatch extends StoredSwatch {
  readonly stitch: StitchKey | null;
}

const keys = new Map<string, Promise<StitchKey | null>>();

/** A swatch is never changed, so its key is found once. One that cannot be found is looked for again. */
function keyOf({ id, doc }: StoredSwatch): Promise<StitchKey | null> {
  const known = keys.get(id);
  if (known) return known;
  const key = planned({ kind: 'stitch', swatch: doc }).catch(() => {
    keys.delete(id);
    return null;
  });
  keys.set(id, key);
  return key;
}

/** Swatches with what they are kept under. */
export const keyed = (swatches: readonly StoredSwatch[]): Promise<KeyedSwatch[]> =>
  Promise.all(swatches.map(async (swatch) => ({ ...swatch, stitch: await keyOf(swatch) })));

/** What a plan needs to know of them. */
export const entriesOfKeyed = (swatches: readonly KeyedSwatch[]): SwatchEntry[] =>
  swatches.flatMap(({ doc, stitch }) => entriesOf(doc, stitch));
