import * as z from 'zod';
import { settingsChangeSchema } from '@/core/records/settings';
import { changeWorkspace } from '@/data/workspaces';
import { bodyOf, route, says } from './work';

const changeSchema = z.object({
  lengthUnit: z.enum(['in', 'cm']).optional(),
  settings: settingsChangeSchema.optional(),
});
export type SettingsEdit = z.infer<typeof changeSchema>;

/** Keeps what is changed of unit and habits, and answers with all of them as they are now. */
export const patchSettings = route(async (request, { db, workspaceId }) => {
  const change = await bodyOf(request, changeSchema, 'This could not be read as settings. Choose again.');
  const { lengthUnit, settings, settingsRevision } = await changeWorkspace(db, workspaceId, change);
  return says(200, { lengthUnit, settings, settingsRevision });
});
