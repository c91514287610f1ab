'use server';

import { revalidatePath } from 'next/cache';
import * as z from 'zod';
import { putAway, type Shelf } from '@/data/archive';
import { done, refused, type Answer } from '../answer';
import { installation } from '../installation';

export type { Shelf } from '@/data/archive';

/** What each is called where it cannot be found. */
const NAMES: Readonly<Record<Shelf, string>> = {
  measure: 'measure',
  pattern: 'pattern',
  person: 'person',
  piece: 'piece',
  swatch: 'swatch',
  variant: 'version',
};

const askedSchema = z.object({
  shelf: z.enum(['measure', 'pattern', 'person', 'piece', 'swatch', 'variant']),
  id: z.uuid(),
  away: z.boolean(),
});

/** Puts a thing away, so that nothing shows it or stands on it, or brings it back. */
export async function putAwayAction(shelf: Shelf, id: string, away: boolean): Promise<Answer<null>> {
  const parsed = askedSchema.safeParse({ shelf, id, away });
  if (!parsed.success) return refused('There is no such thing to put away. Reload the page.');
  const { database, workspaceId } = await installation();
  const found = await putAway(database.db, workspaceId, parsed.data.shelf, id, away);
  revalidatePath('/', 'layout');
  return found ? done(null) : refused(`That ${NAMES[shelf]} is gone already. Reload the page.`);
}
