import { catalogueCsv } from '@/data/catalogueCsv';
import { catalogue } from '@/data/materials';
import { installation } from './installation';

/** The catalogue as a file to take along. */
export async function materialsCsv(): Promise<Response> {
  const { database, workspaceId } = await installation();
  return new Response(catalogueCsv(await catalogue(database.db, workspaceId)), {
    headers: {
      'content-type': 'text/csv; charset=utf-8',
      'content-disposition': 'attachment; filename="ivy-loom-materials.csv"',
    },
  });
}
