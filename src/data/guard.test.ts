import { spawn, spawnSync } from 'node:child_process';
import { existsSync, mkdtempSync, readFileSync, rmSync, utimesSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { afterEach, beforeEach, describe, expect, it } from 'vitest';
import { FolderInUse, holdFolder } from './guard';

let folder: string;
const file = () => join(folder, 'in-use.json');
const lock = (part: object) =>
  writeFileSync(file(), JSON.stringify({ token: 'other', started: '', ...part }));
const here = () => (JSON.parse(readFileSync(file(), 'utf8')) as { space: string; started: string }).space;

/** The number of a process that has ended. */
const ended = () => spawnSync('true').pid;

beforeEach(() => {
  folder = mkdtempSync(join(tmpdir(), 'ivyloom-guard-'));
});
afterEach(() => {
  rmSync(folder, { recursive: true, force: true });
});

/** What this process space is called, as a hold writes it. */
async function space(): Promise<string> {
  const hold = await holdFolder(folder);
  const name = here();
  hold.release();
  return name;
}

// The socket is Linux’s; everything else must hold by the lock file alone.
describe.each([
  ['by socket and lock file', true],
  ['by the lock file alone', false],
])('a data folder held %s', (_, bySocket) => {
  const take = (watchMs?: number) => holdFolder(folder, { bySocket, watchMs });

  it('is held by one at a time, and free again afterwards', async () => {
    const hold = await take();
    await expect(take()).rejects.toThrow(FolderInUse);
    expect(existsSync(file())).toBe(true);
    hold.release();
    expect(existsSync(file())).toBe(false);
    (await take()).release();
  });

  it.each([
    ['in the past', 0],
    ['ahead', 4_000_000_000],
  ])('a lock dated %s is decided by its process: dead', async (_, time) => {
    lock({ pid: ended(), space: await space() });
    utimesSync(file(), time, time);
    (await take()).release();
  });

  it('a lock of a living process holds, whatever its date', async () => {
    const child = spawn('sleep', ['30']);
    const stat = readFileSync(`/proc/${child.pid}/stat`, 'utf8');
    const started = stat.slice(stat.lastIndexOf(')') + 2).split(' ')[19];
    const known = await space();
    lock({ pid: child.pid, space: known, started });
    utimesSync(file(), 0, 0);
    await expect(take()).rejects.toThrow(`process ${child.pid}`);
    // Its number was given to another program since.
    lock({ pid: child.pid, space: known, started: '1' });
    (await take()).release();
    child.kill();
  });

  it('a number that this process has now, and another had before, does not hold', async () => {
    lock({ pid: process.pid, space: await space() });
    (await take()).release();
  });

  it('a holder elsewhere, of whom only the beat is seen, holds while that goes on', async () => {
    lock({ pid: 1, space: 'another machine' });
    utimesSync(file(), 4_000_000_000, 4_000_000_000);
    let beat = 0;
    const heart = setInterval(() => utimesSync(file(), ++beat, beat), 20);
    await expect(take(200)).rejects.toThrow(FolderInUse);
    clearInterval(heart);
    (await take(50)).release();
  });

  it('a lock that cannot be read has no holder', async () => {
    writeFileSync(file(), 'half a lo');
    (await take()).release();
  });

  it('of many that start at once one gets it', async () => {
    lock({ pid: ended(), space: await space() });
    const all = await Promise.allSettled(Array.from({ length: 8 }, () => take()));
    const held = all.filter((one) => one.status === 'fulfilled');
    expect(held).toHaveLength(1);
    for (const one of held) one.value.release();
  });
});
