'use server';

import { revalidatePath } from 'next/cache';
import * as z from 'zod';
import { settingsSchema, type Settings } from '@/core/settings';
import { setLengthUnit, setSettings, theWorkspace } from '@/data/workspaces';
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

/** Keeps what changed of one's habits; the rest stays. Pieces already begun keep what they have. */
export async function changeSettingsAction(change: Partial<Settings>): Promise<Answer<null>> {
  const { database, workspaceId } = await installation();
  const { settings } = await theWorkspace(database.db);
  const parsed = settingsSchema.safeParse({ ...settings, ...change });
  if (!parsed.success) return refused(firstMessage(parsed.error));
  await setSettings(database.db, workspaceId, parsed.data);
  revalidatePath('/', 'layout');
  return done(null);
}
