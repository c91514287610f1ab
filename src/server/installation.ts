import { backUpWhenDue, EVERY_MS, isFirstOfDay, proveRestorable } from '@/data/backup';
import { dataFolder, type Database } from '@/data/database';
import { topUpCatalogue } from '@/data/materials';
import { openReady } from '@/data/ready';
import { theWorkspace } from '@/data/workspaces';

/** What this process works on: one database, one workspace. */
export interface Installation {
  readonly database: Database;
  readonly workspaceId: string;
}

// Kept on globalThis, as a promise: instrumentation, pages and hot reload are separate bundles, and each
// would open the folder for itself.
const held = globalThis as typeof globalThis & { ivyloom?: Promise<Installation> };

/** The open installation; opened, migrated and backed up on first use. */
export const installation = (): Promise<Installation> => (held.ivyloom ??= open());

async function open(): Promise<Installation> {
  const database = await openReady();
  const { id } = await theWorkspace(database.db);
  await topUpCatalogue(database.db, id);
  void tried(await backUpWhenDue(database, dataFolder(), new Date()));
  setInterval(() => void backUpInTime(database), EVERY_MS).unref();
  return { database, workspaceId: id };
}

async function backUpInTime(database: Database): Promise<void> {
  try {
    await tried(await backUpWhenDue(database, dataFolder(), new Date()));
  } catch (error) {
    process.stderr.write(`The automatic backup failed: ${String(error)}. Your data is untouched.\n`);
  }
}

/** Tries the first backup of a day; one that cannot be restored is told in the log. */
async function tried(file: string | null): Promise<void> {
  if (!file || !isFirstOfDay(dataFolder(), file)) return;
  try {
    await proveRestorable(file);
  } catch (error) {
    process.stderr.write(`${error instanceof Error ? error.message : String(error)}\n`);
  }
}
