import { createHash } from 'node:crypto';
import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { sql } from 'drizzle-orm';
import * as z from 'zod';
import type { Database } from './database';
import { DataProblem, wordsOfServer } from './problem';

export const MIGRATIONS = join(process.cwd(), 'src/data/migrations');

const journalSchema = z.object({
  entries: z.array(z.object({ idx: z.number(), when: z.number(), tag: z.string() })),
});

/** The migrations that ship, in order, each with the hash that the migrator records. */
export function shippedMigrations(folder = MIGRATIONS): { tag: string; hash: string }[] {
  const { entries } = journalSchema.parse(
    JSON.parse(readFileSync(join(folder, 'meta/_journal.json'), 'utf8')),
  );
  entries.forEach((entry, i) => {
    const before = entries[i - 1];
    if (entry.idx !== i || (before && before.when >= entry.when))
      throw new DataProblem(
        `The migrations are out of order at ${entry.tag}. Install this version of Ivy Loom afresh.`,
      );
  });
  return entries.map(({ tag }) => ({
    tag,
    hash: createHash('sha256')
      .update(readFileSync(join(folder, `${tag}.sql`)))
      .digest('hex'),
  }));
}

/**
 * Compares what was applied to a database with what ships. Throws, in words, where the database was made by
 * a newer version or its history differs: going on could damage it.
 */
export function checkHistory(
  applied: readonly string[],
  shipped: readonly { tag: string; hash: string }[],
): void {
  if (applied.length > shipped.length)
    throw new DataProblem(
      'This data was last used by a newer version of Ivy Loom. Start that version; nothing was changed.',
    );
  applied.forEach((hash, i) => {
    if (hash !== shipped[i]?.hash)
      throw new DataProblem(
        `This data has another history than this version of Ivy Loom (at ${shipped[i]?.tag}). Nothing was changed. ` +
          'Start the version it came from, or restore a backup: npm run restore.',
      );
  });
}

/** The hashes of the migrations a database has had, in order; none for a fresh one. */
export async function appliedMigrations({ db }: Database): Promise<string[]> {
  const there = await db.execute(
    sql`select to_regclass('drizzle.__drizzle_migrations') is not null as there`,
  );
  if (!there.rows[0]?.there) return [];
  const rows = await db.execute(sql`select hash from drizzle.__drizzle_migrations order by id`);
  return rows.rows.map((row) => String(row.hash));
}

/** Brings a database up to date, once its history is seen to be ours. */
export async function migrate(database: Database): Promise<void> {
  try {
    checkHistory(await appliedMigrations(database), shippedMigrations());
    await database.applyMigrations(MIGRATIONS);
  } catch (error) {
    throw (database.kind === 'server' ? wordsOfServer(error) : null) ?? error;
  }
}
