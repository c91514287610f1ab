import { catalogueCsv } from '@/data/catalogueCsv';
import { catalogue } from '@/data/materials';
import { route } from './work';

/** The catalogue as a file to take along. */
export const getMaterialsCsv = route(
  async (_request, { db, workspaceId }) =>
    new Response(catalogueCsv(await catalogue(db, workspaceId)), {
      headers: {
        'content-type': 'text/csv; charset=utf-8',
        'content-disposition': 'attachment; filename="ivy-loom-materials.csv"',
      },
    }),
);
