import { mkdirSync, rmSync } from 'node:fs';
import { join, resolve } from 'node:path';
import { PGlite } from '@electric-sql/pglite';
import { sql } from 'drizzle-orm';
import { drizzle as overPostgres } from 'drizzle-orm/node-postgres';
import { migrate as migratePostgres } from 'drizzle-orm/node-postgres/migrator';
import type { PgDatabase, PgQueryResultHKT } from 'drizzle-orm/pg-core';
import { drizzle as overPglite } from 'drizzle-orm/pglite';
import { migrate as migratePglite } from 'drizzle-orm/pglite/migrator';
import pg from 'pg';
import { damaged, USUAL_FOLDER } from './damaged';
import { markAsBegun, markAsHolding, stateOf } from './folder';
import { holdFolder, type Hold } from './guard';
import { wordsOfSystem } from './problem';
import * as schema from './schema';

/** What both kinds of database answer a raw query with. */
interface Answer extends PgQueryResultHKT {
  readonly type: { rows: Record<string, unknown>[] };
}

export type Db = PgDatabase<Answer, typeof schema>;

/** An open database: PGlite in a folder, PGlite in memory, or a PostgreSQL server. */
export interface Database {
  readonly db: Db;
  readonly kind: 'folder' | 'memory' | 'server';
  applyMigrations(folder: string): Promise<void>;
  /** A gzipped copy of everything; null where the server keeps its own backups. */
  dump(): Promise<Blob | null>;
  close(): Promise<void>;
}

/** Where data lives: `IVYLOOM_DATA`, or `.ivyloom/data` in the project. */
export const dataFolder = (): string =>
  resolve(/* turbopackIgnore: true */ process.env.IVYLOOM_DATA ?? USUAL_FOLDER);
export const databaseFolder = (folder: string): string => join(folder, 'db');

function pglite(client: PGlite, kind: 'folder' | 'memory', release: () => void): Database {
  const db = overPglite({ client, schema });
  return {
    db: db as unknown as Db,
    kind,
    applyMigrations: (migrationsFolder) => migratePglite(db, { migrationsFolder }),
    dump: () => client.dumpDataDir('gzip'),
    close: async () => {
      await client.close();
      release();
    },
  };
}

/** Opens the database in a place that exists, unguarded; filled from a backup where one is given. */
export const openPlace = async (place: string, from?: Blob, release = () => undefined): Promise<Database> =>
  pglite(await PGlite.create(place, from ? { loadDataDir: from } : {}), 'folder', release);

/**
 * Opens the database of a folder, made where there never was one. Throws FolderInUse where another process has it, and
 * a DataProblem where it is damaged or gone, which names the backups there are.
 */
export async function openFolder(folder: string): Promise<Database> {
  try {
    mkdirSync(folder, { recursive: true, mode: 0o700 });
    const hold = await holdFolder(folder);
    return await openHeld(folder, hold).catch((error: unknown) => {
      hold.release();
      throw error;
    });
  } catch (error) {
    throw wordsOfSystem(error, folder) ?? error;
  }
}

async function openHeld(folder: string, hold: Hold): Promise<Database> {
  const place = databaseFolder(folder);
  const state = stateOf(folder);
  if (state === 'emptied') throw damaged(folder, 'its files are gone');
  // Nothing was ever kept in a database whose making was cut short.
  if (state === 'begun') rmSync(place, { recursive: true, force: true });
  if (state !== 'database') markAsBegun(folder);
  mkdirSync(place, { recursive: true, mode: 0o700 });
  const database = await openPlace(place, undefined, () => void hold.release()).catch((error: unknown) => {
    throw wordsOfSystem(error, folder) ?? damaged(folder, String(error), error);
  });
  markAsHolding(folder);
  return database;
}

/** A database that is gone when it is closed, for tests. */
export const openMemory = async (from?: Blob): Promise<Database> =>
  pglite(await PGlite.create(from ? { loadDataDir: from } : {}), 'memory', () => undefined);

/** Any number that no other program on the server uses; it keeps two starts from migrating at once. */
const MIGRATION_LOCK = 4_850_211;

/** Connects to a PostgreSQL server. */
export function openServer(connectionString: string): Database {
  const pool = new pg.Pool({ connectionString });
  // A connection that waits for work and is broken off by the server; the next work opens another. Told in a line: what pg tells with it
  // may hold what was last asked.
  pool.on('error', ({ message }) =>
    process.stderr.write(`The database broke off a connection: ${message}\n`),
  );
  const db = overPostgres({ client: pool, schema });
  return {
    db: db as unknown as Db,
    kind: 'server',
    async applyMigrations(migrationsFolder) {
      const client = await pool.connect();
      try {
        const own = overPostgres({ client });
        await own.execute(sql`select pg_advisory_lock(${MIGRATION_LOCK})`);
        try {
          await migratePostgres(own, { migrationsFolder });
        } finally {
          await own.execute(sql`select pg_advisory_unlock(${MIGRATION_LOCK})`);
        }
      } finally {
        client.release();
      }
    },
    dump: () => Promise.resolve(null),
    close: () => pool.end(),
  };
}

/** The database this installation is set to use. */
export const openConfigured = (): Promise<Database> => {
  const url = process.env.DATABASE_URL;
  return url ? Promise.resolve(openServer(url)) : openFolder(dataFolder());
};
