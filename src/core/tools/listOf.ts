import * as z from 'zod';

/** A longer list is looked through first, until as many things are found to be wrong as anybody is told of (`server/fileRoute.ts`). */
const LOOKED_THROUGH = 20;
const ENOUGH = 200;

/**
 * A list of items, as `z.array`, but for what nobody made by hand: of a list of which all is wrong only the first items are told of.
 * Zod tells every issue of every item, and a few megabytes of wrong items would keep a program busy for a minute, or use up its memory.
 */
export const listOf = <Item extends z.ZodType>(item: Item) =>
  z.preprocess(
    (raw) => (Array.isArray(raw) && raw.length > LOOKED_THROUGH ? untilEnough(raw, item) : raw),
    z.array(item),
  );

/** The list, or its beginning up to where enough was wrong. */
function untilEnough(items: readonly unknown[], item: z.ZodType): readonly unknown[] {
  let wrong = 0;
  for (const [i, one] of items.entries()) {
    const read = item.safeParse(one);
    if (read.success) continue;
    wrong += read.error.issues.length;
    if (wrong >= ENOUGH) return items.slice(0, i + 1);
  }
  return items;
}
