import * as z from 'zod';
import { rawRow, ROW_SHELVES } from '@/data/archive';
import { route, says } from './work';

const askedSchema = z.object({ shelf: z.enum(ROW_SHELVES), id: z.uuid() });

/** A row as it stands, whether or not it can be read, as a file: what is lost to this version is not lost. */
export const getRow = route(async (request, { db, workspaceId }) => {
  const asked = askedSchema.safeParse(Object.fromEntries(new URL(request.url).searchParams));
  const raw = asked.success ? await rawRow(db, workspaceId, asked.data.shelf, asked.data.id) : null;
  if (raw === null || !asked.success)
    return says(404, { message: 'There is no such thing. Reload the page.' });
  const { shelf, id } = asked.data;
  return new Response(raw, {
    headers: {
      'content-type': 'application/json; charset=utf-8',
      'content-disposition': `attachment; filename="ivy-loom-${shelf}-${id}.json"`,
    },
  });
});
