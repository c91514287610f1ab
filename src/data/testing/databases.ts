import { sql } from 'drizzle-orm';
import { inject } from 'vitest';
import { openMemory, openServer, type Database } from '../database';
import { migrate } from '../migrate';

let empty: Promise<Blob> | null = null;

/** A migrated empty database as a file: opening a copy is many times quicker than making one. */
async function emptyDump(): Promise<Blob> {
  const database = await openMemory();
  await migrate(database);
  const dump = await database.dump();
  if (!dump) throw new Error('no dump');
  await database.close();
  return dump;
}

/** A database of its own on the server of the tests. */
async function fresh(server: string): Promise<string> {
  const name = `t_${crypto.randomUUID().replaceAll('-', '')}`;
  const database = openServer(server);
  await database.db.execute(sql.raw(`create database ${name}`));
  await database.close();
  return server.replace(/[^/]+$/, name);
}

/** An empty database to test on: the embedded one, in memory; where the tests have started a PostgreSQL server, one of that. */
export async function testDatabase(): Promise<Database> {
  const server = inject('postgres');
  if (!server) return openMemory(await (empty ??= emptyDump()));
  const database = openServer(await fresh(server));
  await migrate(database);
  return database;
}
