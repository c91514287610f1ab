import { getTableName, is, sql } from 'drizzle-orm';
import { PgTable } from 'drizzle-orm/pg-core';
import { damaged } from './damaged';
import { dataFolder, openConfigured, type Database } from './database';
import { migrate } from './migrate';
import { DataProblem } from './problem';
import * as schema from './schema';

/** Reads every row of every table once: damage that opening does not show comes to light here. Throws what reading throws. */
export async function checkedThrough({ db }: Database): Promise<void> {
  for (const table of Object.values(schema)) {
    if (!is(table, PgTable)) continue;
    const name = sql.identifier(getTableName(table));
    // Each row as text is read whole, its long values too.
    await db.execute(sql`select coalesce(sum(length(${name}::text)), 0) from ${name}`);
  }
}

/** The database this installation is set to use: opened, brought up to date, and read through once. */
export async function openReady(): Promise<Database> {
  const database = await openConfigured();
  try {
    await migrate(database);
    if (database.kind === 'folder') await checkedThrough(database);
    return database;
  } catch (error) {
    await database.close().catch(() => undefined);
    if (error instanceof DataProblem || database.kind !== 'folder') throw error;
    throw damaged(dataFolder(), String(error), error);
  }
}
