import { vi } from 'vitest';
import { openMemory, type Database } from '@/data/database';
import { migrate } from '@/data/migrate';
import { theWorkspace } from '@/data/workspaces';
import { sql } from 'drizzle-orm';

/** A database in memory in the place of the installation’s, emptied for every test. */
export async function testBench() {
  const database: Database = await openMemory();
  await migrate(database);
  return {
    database,
    /** Empties it, and answers with the id of a fresh workspace. */
    async fresh(): Promise<string> {
      await database.db.execute(sql`truncate workspace cascade`);
      const { id } = await theWorkspace(database.db);
      Object.assign(globalThis, { ivyloom: Promise.resolve({ database, workspaceId: id }) });
      return id;
    },
    close: () => database.close(),
  };
}

/** Collects what the program writes to its log. */
export function logged(): string[] {
  const lines: string[] = [];
  vi.spyOn(process.stderr, 'write').mockImplementation((text) => (lines.push(String(text)), true));
  return lines;
}
