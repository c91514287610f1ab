import {
  existsSync,
  mkdirSync,
  openAsBlob,
  readFileSync,
  renameSync,
  rmSync,
  statSync,
  writeFileSync,
} from 'node:fs';
import { gunzipSync } from 'node:zlib';
import { join } from 'node:path';
import { databaseFolder, openMemory, openPlace, type Database } from './database';
import { holdFolder } from './guard';
import { backupFolder, backups, lastNumber, madeOn } from './backups';
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

/** Opens a backup as it is told, brings it up to date, reads all of it, and closes it. Throws what any of that throws. */
async function readThrough(file: string, open: (backup: Blob) => Promise<Database>): Promise<void> {
  // A copy that is cut off is found here: the database would stop the program over it.
  gunzipSync(readFileSync(file));
  const database = await open(await openAsBlob(file));
  try {
    await migrate(database);
    await checkedThrough(database);
  } finally {
    await database.close();
  }
}

/** Whether a backup can be restored: it is opened apart, brought up to date and read through. Throws, in words, where it cannot. */
export async function proveRestorable(file: string): Promise<void> {
  try {
    await readThrough(file, openMemory);
  } catch (error) {
    throw new DataProblem(
      `The backup ${file} was made, and cannot be restored. Your data is untouched; take everything along as one file, under Files. (${String(error)})`,
      { cause: error },
    );
  }
}

/** Whether a backup is the first of its day: that one is tried. */
export function isFirstOfDay(folder: string, file: string): boolean {
  const dayOf = (one: string) => madeOn(one).slice(0, 10);
  return backups(folder).filter((one) => dayOf(one) === dayOf(file)).length === 1;
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
      await readThrough(file, (backup) => openPlace(fresh, backup));
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
