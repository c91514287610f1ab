'use server';

import { revalidatePath } from 'next/cache';
import * as z from 'zod';
import { putAway, SHELF_NAMES, type Shelf } from '@/data/archive';
import { done, refused } from '../answer';
import { action } from '../work';

export type { Shelf } from '@/data/archive';

/** What each is called where it cannot be found. */
const NAMES: Readonly<Record<Shelf, string>> = {
  mat: 'work on the mat',
  measure: 'measure',
  pattern: 'pattern',
  person: 'person',
  piece: 'piece',
  swatch: 'swatch',
  variant: 'version',
};

/** Puts a thing away, so that nothing shows it or stands on it, or brings it back. */
export const putAwayAction = action(
  z.object({ shelf: z.enum(SHELF_NAMES), id: z.uuid(), away: z.boolean() }),
  'There is no such thing to put away. Reload the page.',
  async ({ shelf, id, away }, { db, workspaceId }) => {
    const found = await putAway(db, workspaceId, shelf, id, away);
    revalidatePath('/', 'layout');
    return found ? done(null) : refused(`That ${NAMES[shelf]} is gone already. Reload the page.`);
  },
);
