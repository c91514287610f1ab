'use server';

import { revalidatePath } from 'next/cache';
import { swatchSchema } from '@/core/records/swatches';
import { addSwatch } from '@/data/swatches';
import { done } from '../answer';
import { action } from '../work';

/** Keeps a measured swatch; plans in the same stitch and beads stand on it from then on. */
export const addSwatchAction = action(
  swatchSchema,
  'This could not be read as a swatch. Say how many units you measured, and how long they are.',
  async (swatch, { db, workspaceId }) => {
    const { id } = await addSwatch(db, workspaceId, swatch);
    revalidatePath('/', 'layout');
    return done(id);
  },
);
