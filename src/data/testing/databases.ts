import { openMemory, openServer, type Database } from '../database';
import { migrate } from '../migrate';

/** A migrated empty database as a file: opening a copy is many times quicker than making one. */
export async function emptyDump(): Promise<Blob> {
  const database = await openMemory();
  await migrate(database);
  const dump = await database.dump();
  if (!dump) throw new Error('no dump');
  await database.close();
  return dump;
}

/** The databases to test on, by name, each opened empty: the embedded one, and a server where `TEST_DATABASE_URL` names one. */
export function kindsOfDatabase(embedded: () => Promise<Database>): [string, () => Promise<Database>][] {
  const server = process.env.TEST_DATABASE_URL;
  if (!server) return [['PGlite', embedded]];
  const onServer = async () => {
    const database = openServer(server);
    await database.db.execute(
      'drop schema public cascade; create schema public; drop schema if exists drizzle cascade',
    );
    await migrate(database);
    return database;
  };
  return [
    ['PGlite', embedded],
    ['PostgreSQL', onServer],
  ];
}
