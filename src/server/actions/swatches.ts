'use server';

import { revalidatePath } from 'next/cache';
import type * as z from 'zod';
import { swatchSchema } from '@/core/swatches';
import { addSwatch } from '@/data/swatches';
import { done, firstMessage, refused, type Answer } from '../answer';
import { installation } from '../installation';

/** Keeps a measured swatch; plans in the same stitch and beads stand on it from then on. */
export async function addSwatchAction(input: z.input<typeof swatchSchema>): Promise<Answer<string>> {
  const parsed = swatchSchema.safeParse(input);
  if (!parsed.success) return refused(firstMessage(parsed.error));
  const { database, workspaceId } = await installation();
  const { id } = await addSwatch(database.db, workspaceId, parsed.data);
  revalidatePath('/', 'layout');
  return done(id);
}
