import * as z from 'zod';
import { MATERIAL_SHELVES, rawMaterial, rawRow, ROW_SHELVES } from '@/data/archive';
import { route, says } from './work';

const rowSchema = z.object({ shelf: z.enum(ROW_SHELVES), id: z.uuid() });
/** Materials go by the key of their kind. */
const materialSchema = z.object({ shelf: z.enum(MATERIAL_SHELVES), id: z.string().regex(/^[\w-]{1,60}$/) });

/** A row as it stands, whether or not it can be read, as a file: what is lost to this version is not lost. */
export const getRow = route(async (request, { db, workspaceId }) => {
  const asked = Object.fromEntries(new URL(request.url).searchParams);
  const row = rowSchema.safeParse(asked).data;
  const material = materialSchema.safeParse(asked).data;
  const raw = row
    ? await rawRow(db, workspaceId, row.shelf, row.id)
    : material && (await rawMaterial(db, workspaceId, material.shelf, material.id));
  if (!raw) return says(404, { message: 'There is no such thing. Reload the page.' });
  const { shelf, id } = row ?? material ?? asked;
  return new Response(raw, {
    headers: {
      'content-type': 'application/json; charset=utf-8',
      'content-disposition': `attachment; filename="ivy-loom-${shelf}-${id}.json"`,
    },
  });
});
