import { existsSync, mkdirSync, openAsBlob, renameSync, rmSync, statSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { databaseFolder, openPlace, type Database } from './database';
import { holdFolder } from './guard';
import { backupFolder, backups, lastNumber } from './backups';
import { markAsHolding } from './folder';
import { migrate } from './migrate';
import { DataProblem } from './problem';
import { checkedThrough } from './ready';

/** How many backups are kept; older ones go. */
export const KEEP = 12;
/** The least time between two automatic backups. */
export const EVERY_MS = 6 * 60 * 60 * 1000;

const stamp = (time: Date) => time.toISOString().replace(/[:]/g, '').replace(/\.\d+/, '');

/** Writes a backup whole or not at all, and drops the first made beyond the number kept. Returns its path. */
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
  const number = String(lastNumber(folder) + 1).padStart(6, '0');
  const file = join(place, `ivyloom-${number}-${stamp(time)}.tar.gz`);
  const part = `${file}.part`;
  try {
    writeFileSync(part, Buffer.from(await dump.arrayBuffer()), { mode: 0o600 });
    renameSync(part, file);
  } catch (error) {
    rmSync(part, { force: true });
    throw error;
  }
  for (const old of backups(folder).slice(Math.max(keep, 1))) rmSync(old);
  return file;
}

/** A backup when the last made is old enough, or dated ahead, so that its age cannot be told. */
export async function backUpWhenDue(database: Database, folder: string, time: Date): Promise<string | null> {
  const [newest] = backups(folder);
  const ageMs = newest ? time.getTime() - statSync(newest).mtimeMs : Infinity;
  return ageMs >= 0 && ageMs < EVERY_MS ? null : backUp(database, folder, time);
}

/** A name that nothing has yet. */
function free(path: string): string {
  for (let n = 1; ; n++) {
    const name = n === 1 ? path : `${path}-${n}`;
    if (!existsSync(name)) return name;
  }
}

const RESTORING = 'db-restoring';

/**
 * Puts a backup in the place of the present data, which is kept beside it, damaged or not: it is not opened. Throws
 * FolderInUse while the program runs; a backup that will not open leaves everything as it was. Returns where what was
 * there is kept.
 */
export async function restore(folder: string, file: string, time: Date): Promise<string | null> {
  if (!existsSync(file))
    throw new DataProblem(`There is no backup ${file}. The backups are in ${backupFolder(folder)}.`);
  mkdirSync(folder, { recursive: true, mode: 0o700 });
  const hold = await holdFolder(folder);
  try {
    const fresh = join(folder, RESTORING);
    rmSync(fresh, { recursive: true, force: true });
    try {
      mkdirSync(fresh, { mode: 0o700 });
      const database = await openPlace(fresh, await openAsBlob(file));
      try {
        await migrate(database);
        await checkedThrough(database);
      } finally {
        await database.close();
      }
    } catch (error) {
      rmSync(fresh, { recursive: true, force: true });
      throw new DataProblem(
        `The backup ${file} could not be opened; your data is as it was. (${String(error)})`,
        { cause: error },
      );
    }
    const current = databaseFolder(folder);
    const aside = existsSync(current) ? free(join(folder, `db-before-restore-${stamp(time)}`)) : null;
    if (aside) renameSync(current, aside);
    renameSync(fresh, current);
    markAsHolding(folder);
    return aside;
  } finally {
    hold.release();
  }
}
