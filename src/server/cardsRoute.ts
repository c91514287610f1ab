import * as z from 'zod';
import { moreCards } from './screens';
import { bodyOf, route, says } from './work';

const askedSchema = z.object({ ids: z.array(z.uuid()).max(50) });

/** Cards of the bench by the ids of their pieces. */
export const postCards = route(async (request, at) => {
  const { ids } = await bodyOf(request, askedSchema, 'These cards could not be asked for. Reload the page.');
  return says(200, await moreCards(at, ids));
});
