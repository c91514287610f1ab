'use server';

import { revalidatePath } from 'next/cache';
import { z } from 'zod';
import { settingsSchema } from '@/core/settings';
import { setLengthUnit, setSettings } from '@/data/workspaces';
import { done, firstMessage, refused, type Answer } from '../answer';
import { installation } from '../installation';

export async function setLengthUnitAction(unit: string): Promise<Answer<null>> {
  const parsed = z.enum(['in', 'cm']).safeParse(unit);
  if (!parsed.success) return refused('Lengths are shown in inches or in centimetres.');
  const { database, workspaceId } = await installation();
  await setLengthUnit(database.db, workspaceId, parsed.data);
  revalidatePath('/', 'layout');
  return done(null);
}

/** Keeps one's habits. Pieces already begun keep what they have. */
export async function setSettingsAction(input: z.input<typeof settingsSchema>): Promise<Answer<null>> {
  const parsed = settingsSchema.safeParse(input);
  if (!parsed.success) return refused(firstMessage(parsed.error));
  const { database, workspaceId } = await installation();
  await setSettings(database.db, workspaceId, parsed.data);
  revalidatePath('/', 'layout');
  return done(null);
}
