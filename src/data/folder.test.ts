import { existsSync, mkdirSync, mkdtempSync, readFileSync, rmSync, utimesSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { afterAll, describe, expect, it } from 'vitest';
import { newPiece } from '@/core/piece/newPiece';
import { backUp, backUpWhenDue, isFirstOfDay, proveRestorable, restore } from './backup';
import { backups, madeOn } from './backups';
import { openFolder, type Database } from './database';
import { markAsBegun, markAsHolding, stateOf } from './folder';
import { FolderInUse } from './guard';
import { checkHistory, migrate, shippedMigrations } from './migrate';
import { addPiece, pieceById, pieces } from './pieces';
import { DataProblem } from './problem';
import { checkedThrough } from './ready';
import { theWorkspace } from './workspaces';

const doc = (name: string) =>
  newPiece(name, 'strung-line', { personId: null, name: 'Maren', girths: { wrist: 159 }, typical: null });

/** A piece that is there and can be read. */
async function there(database: Database, ws: string, id: string) {
  const piece = await pieceById(database.db, ws, id);
  return piece?.ok ? piece.value : null;
}

describe('migrations', () => {
  const shipped = [
    { tag: '0000_a', hash: 'a' },
    { tag: '0001_b', hash: 'b' },
  ];

  it('are in order, each with a hash', () => {
    expect(shippedMigrations().length).toBeGreaterThan(0);
  });

  it('refuse data of a newer version or of another history, and take an older one', () => {
    expect(() => checkHistory(['a', 'b', 'c'], shipped)).toThrow(/newer version/);
    expect(() => checkHistory(['x'], shipped)).toThrow(/another history/);
    expect(() => checkHistory(['a'], shipped)).not.toThrow();
    expect(() => checkHistory([], shipped)).not.toThrow();
  });
});

describe('a data folder', () => {
  const folder = mkdtempSync(join(tmpdir(), 'ivyloom-test-'));
  afterAll(() => rmSync(folder, { recursive: true, force: true }));
  const hour = (h: number) => new Date(Date.UTC(2026, 5, 24, h));
  const newest = () => backups(folder)[0] ?? '';

  it('is held by one opener at a time, with words for the other, and keeps what was written', async () => {
    const first = await openFolder(folder);
    await migrate(first);
    const { id: ws } = await theWorkspace(first.db);
    const { id } = await addPiece(first.db, ws, doc('kept'));
    await expect(openFolder(folder)).rejects.toThrow(FolderInUse);
    await expect(openFolder(folder)).rejects.toThrow(/already using.*IVYLOOM_DATA/);
    await first.close();

    const second = await openFolder(folder);
    expect((await there(second, ws, id))?.doc.name).toBe('kept');
    await second.close();
  });

  it('is backed up to a number, by the order made, whatever the clock says', async () => {
    const database = await openFolder(folder);
    mkdirSync(join(folder, 'backups'));
    // As earlier versions named them; and dated ahead by a clock that was wrong.
    for (const old of ['2026-06-23T010000Z', '2096-01-01T000000Z'])
      writeFileSync(join(folder, 'backups', `ivyloom-${old}.tar.gz`), 'old');
    writeFileSync(join(folder, 'backups', 'notes.txt'), 'hers');
    for (const h of [1, 2, 3]) await backUp(database, folder, hour(h), 3);
    // The clock was set back: the last made is the last made.
    const last = await backUp(database, folder, hour(0), 3);
    expect(backups(folder).map((f) => f.slice(-32))).toEqual([
      '000004-2026-06-24T000000Z.tar.gz',
      '000003-2026-06-24T030000Z.tar.gz',
      '000002-2026-06-24T020000Z.tar.gz',
    ]);
    expect(newest()).toBe(last);
    expect(madeOn(newest())).toBe('2026-06-24 00:00 UTC');
    expect(existsSync(join(folder, 'backups', 'notes.txt'))).toBe(true);
    // Due after six hours, and where the age of the last cannot be told; with 0 to keep, the one just made stays.
    const minutes = (n: number) => new Date(Date.now() + n * 60_000);
    expect(await backUpWhenDue(database, folder, minutes(0))).toBeNull();
    expect(await backUpWhenDue(database, folder, minutes(359))).toBeNull();
    expect(await backUpWhenDue(database, folder, minutes(361))).toMatch(/000005/);
    utimesSync(newest(), minutes(9999), minutes(9999));
    expect(await backUpWhenDue(database, folder, minutes(0))).toMatch(/000006/);
    expect(await backUp(database, folder, hour(5), 0)).toMatch(/000007/);
    expect(backups(folder)).toHaveLength(1);
    await database.close();
  });

  it('the first backup of a day is tried: one that is sound passes, one that is not is told in words', async () => {
    const own = mkdtempSync(join(tmpdir(), 'ivyloom-test-'));
    const database = await openFolder(own);
    await migrate(database);
    const first = (await backUp(database, own, hour(1))) ?? '';
    expect(isFirstOfDay(own, first)).toBe(true);
    const second = (await backUp(database, own, hour(2))) ?? '';
    expect(isFirstOfDay(own, second)).toBe(false);
    const next = (await backUp(database, own, hour(26))) ?? '';
    expect(isFirstOfDay(own, next)).toBe(true);
    await database.close();
    await expect(proveRestorable(first)).resolves.toBeUndefined();
    const whole = readFileSync(first);
    writeFileSync(first, whole.subarray(0, Math.floor(whole.length / 2)));
    await expect(proveRestorable(first)).rejects.toThrow(/cannot be restored. Your data is untouched/);
    rmSync(own, { recursive: true, force: true });
  });

  it('a backup brings back what was, and what was there is kept beside it', async () => {
    const database = await openFolder(folder);
    const { id: ws } = await theWorkspace(database.db);
    await addPiece(database.db, ws, doc('after the backup'));
    await expect(restore(folder, newest(), hour(6))).rejects.toThrow(FolderInUse);
    await database.close();

    const broken = join(folder, 'broken.tar.gz');
    writeFileSync(broken, 'not a backup');
    await expect(restore(folder, broken, hour(6))).rejects.toThrow(/your data is as it was/);
    await expect(restore(folder, join(folder, 'nowhere'), hour(6))).rejects.toThrow(/no backup/i);

    const aside = await restore(folder, newest(), hour(6));
    expect(aside).toMatch(/db-before-restore/);
    const restored = await openFolder(folder);
    expect((await pieces(restored.db, ws)).found.map((p) => p.doc.name)).toEqual(['kept']);
    await restored.close();
    expect(stateOf(folder)).toBe('database');
  });

  it('damaged, it is not opened: the start names the backups and the command, and restoring mends it', async () => {
    const { id: ws } = await restoredWorkspace();
    rmSync(join(folder, 'db', 'global', 'pg_control'));
    await expect(openFolder(folder)).rejects.toThrow(
      new RegExp(`cannot be read, so nothing was changed.*npm run restore -- ${newest()}`, 's'),
    );
    // Twice in the same second: neither is written over.
    const asides = [await restore(folder, newest(), hour(7)), await restore(folder, newest(), hour(7))];
    expect(new Set(asides).size).toBe(2);
    expect(existsSync(join(asides[0] ?? '', 'global', 'pg_control'))).toBe(false);
    const restored = await openFolder(folder);
    expect((await pieces(restored.db, ws)).found.map((p) => p.doc.name)).toEqual(['kept']);
    await restored.close();
  });

  it('emptied, it is not begun anew without a word', async () => {
    const empty = mkdtempSync(join(tmpdir(), 'ivyloom-test-'));
    expect(stateOf(empty)).toBe('new');
    markAsBegun(empty);
    mkdirSync(join(empty, 'db'));
    writeFileSync(join(empty, 'db', 'PG_VERSION'), '18');
    // Cut short in its making it held nothing: it is begun anew.
    expect(stateOf(empty)).toBe('begun');
    markAsHolding(empty);
    expect(stateOf(empty)).toBe('database');
    for (const gone of [join(empty, 'db', 'PG_VERSION'), join(empty, 'db')]) {
      rmSync(gone, { recursive: true });
      expect(stateOf(empty)).toBe('emptied');
      await expect(openFolder(empty)).rejects.toThrow(/its files are gone/);
      await expect(openFolder(empty)).rejects.toThrow(/There is no backup.*move it away/);
    }
    rmSync(join(empty, 'holds-data'));
    mkdirSync(join(empty, 'backups'));
    expect(stateOf(empty)).toBe('new');
    writeFileSync(join(empty, 'backups', 'ivyloom-2026-06-23T010000Z.tar.gz'), 'old');
    expect(stateOf(empty)).toBe('emptied');
    writeFileSync(join(empty, 'db'), 'a file');
    await expect(openFolder(empty)).rejects.toThrow(DataProblem);
    rmSync(empty, { recursive: true, force: true });
  });

  async function restoredWorkspace() {
    const database = await openFolder(folder);
    const found = await theWorkspace(database.db);
    await checkedThrough(database);
    await database.close();
    return found;
  }
});
