import {
  existsSync,
  mkdirSync,
  openAsBlob,
  readdirSync,
  renameSync,
  rmSync,
  statSync,
  writeFileSync,
} from 'node:fs';
import { join } from 'node:path';
import { databaseFolder, openFolder, type Database } from './database';
import { migrate } from './migrate';

/** How many backups are kept; older ones go. */
export const KEEP = 12;
/** The least time between two automatic backups. */
export const EVERY_MS = 6 * 60 * 60 * 1000;

const NAME = /^ivyloom-\d{4}-\d{2}-\d{2}T\d{6}Z\.tar\.gz$/;
const stamp = (time: Date) => time.toISOString().replace(/[:]/g, '').replace(/\.\d+/, '');

export const backupFolder = (folder: string): string => join(folder, 'backups');

/** Backups of a data folder, newest first. */
export function backups(folder: string): string[] {
  const place = backupFolder(folder);
  if (!existsSync(place)) return [];
  return readdirSync(place)
    .filter((name) => NAME.test(name))
    .sort()
    .reverse()
    .map((name) => join(place, name));
}

/** Writes a backup whole or not at all, and drops the oldest beyond the number kept. Returns its path. */
export async function backUp(
  database: Database,
  folder: string,
  time: Date,
  keep = KEEP,
): Promise<string | null> {
  const dump = await database.dump();
  if (!dump) return null;
  const place = backupFolder(folder);
  mkdirSync(place, { recursive: true, mode: 0o700 });
  const file = join(place, `ivyloom-${stamp(time)}.tar.gz`);
  writeFileSync(`${file}.part`, Buffer.from(await dump.arrayBuffer()), { mode: 0o600 });
  renameSync(`${file}.part`, file);
  for (const old of backups(folder).slice(keep)) rmSync(old);
  return file;
}

/** A backup when the newest is old enough. */
export async function backUpWhenDue(database: Database, folder: string, time: Date): Promise<string | null> {
  const [newest] = backups(folder);
  if (newest && time.getTime() - statSync(newest).mtimeMs < EVERY_MS) return null;
  return backUp(database, folder, time);
}

/**
 * Puts a backup in the place of the present data, which is kept beside it. Throws FolderInUse while the
 * program runs; a backup that will not open leaves everything as it was. Returns where the old data is kept.
 */
export async function restore(folder: string, file: string, time: Date): Promise<string | null> {
  if (!existsSync(file))
    throw new Error(`There is no backup ${file}. The backups are in ${backupFolder(folder)}.`);
  const current = databaseFolder(folder);
  const had = existsSync(current);
  const aside = join(folder, `db-before-restore-${stamp(time)}`);
  if (had) {
    const open = await openFolder(folder); // refuses while another process is using it
    await open.close();
    renameSync(current, aside);
  }
  try {
    const database = await openFolder(folder, await openAsBlob(file));
    await migrate(database);
    await database.close();
  } catch (error) {
    rmSync(current, { recursive: true, force: true });
    if (had) renameSync(aside, current);
    throw new Error(`The backup ${file} could not be opened; your data is as it was. (${String(error)})`, {
      cause: error,
    });
  }
  return had ? aside : null;
}
