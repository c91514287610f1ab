import { createHash, randomUUID } from 'node:crypto';
import {
  constants,
  copyFileSync,
  linkSync,
  readFileSync,
  readlinkSync,
  realpathSync,
  renameSync,
  rmSync,
  statSync,
  utimesSync,
  writeFileSync,
} from 'node:fs';
import { createServer, type Server } from 'node:net';
import { join } from 'node:path';
import { setTimeout as wait } from 'node:timers/promises';
import { DataProblem } from './problem';

/** Another process has the folder open. Two on one folder would silently lose each other's rows. */
export class FolderInUse extends DataProblem {
  constructor(folder: string, holder: string) {
    super(
      `Another Ivy Loom${holder} is already using the data folder ${folder}. Nothing was changed. ` +
        'Use that one, or stop it first, or start this one on another folder: IVYLOOM_DATA=/path/to/folder.',
    );
    this.name = 'FolderInUse';
  }
}

export interface Hold {
  release(): void;
}

/** Who has a folder. No clock is asked: clocks are set back and forth, and differ between machines. */
interface Lock {
  /** Of this hold alone. */
  readonly token: string;
  readonly pid: number;
  /** Process numbers mean something only within one such space. */
  readonly space: string;
  /** When the process was started, as its system tells: a number may have been given to another since. */
  readonly started: string;
}

const BEAT_MS = 2000;
/** A holder of whom nothing else is known is watched for so long: one that lives goes on beating (older versions every 3 s). */
const WATCH_MS = 7000;

/** The locks that this process holds. */
const own = new Set<string>();

/**
 * Takes a data folder for this process, or throws FolderInUse. On Linux an abstract socket named from the folder
 * decides: the kernel frees it with the process, even on `kill -9`. It is seen only within one network namespace, so a
 * lock file, made exclusively, stands beside it and decides everywhere else.
 */
export async function holdFolder(
  folder: string,
  { watchMs = WATCH_MS, bySocket = process.platform === 'linux' } = {},
): Promise<Hold> {
  const real = realpathSync(folder);
  const file = join(real, 'in-use.json');
  const socket = bySocket ? await takeSocket(real, file) : null;
  try {
    const lock = await takeLock(real, file, watchMs);
    return holding(file, lock, socket);
  } catch (error) {
    socket?.close();
    throw error;
  }
}

function holding(file: string, lock: Lock, socket: Server | null): Hold {
  let beat = 0;
  const heart = setInterval(() => {
    beat++;
    try {
      // Not the time of day: only that it goes on is looked at.
      utimesSync(file, beat, beat);
    } catch {
      // The folder was moved away, by a restore for instance; the socket still holds its name.
    }
  }, BEAT_MS);
  heart.unref();
  const release = () => {
    process.off('exit', release);
    clearInterval(heart);
    own.delete(lock.token);
    if (readLock(file)?.token === lock.token) rmSync(file, { force: true });
    socket?.close();
  };
  process.once('exit', release);
  return { release };
}

function takeSocket(real: string, file: string): Promise<Server> {
  const name = `\0ivyloom-${createHash('sha256').update(real).digest('hex').slice(0, 40)}`;
  return new Promise((resolve, reject) => {
    const server = createServer();
    server.once('error', (error: NodeJS.ErrnoException) =>
      reject(error.code === 'EADDRINUSE' ? new FolderInUse(real, holderOf(readLock(file))) : error),
    );
    server.listen({ path: name, exclusive: true }, () => {
      server.unref();
      resolve(server);
    });
  });
}

/** How often a lock is tried to be made; another start may be quicker each time, but not for ever. */
const TRIES = 5;
const SETTLE_MS = 60;

async function takeLock(real: string, file: string, watchMs: number): Promise<Lock> {
  const mine: Lock = {
    token: randomUUID(),
    pid: process.pid,
    space: pidSpace(),
    started: startOf(process.pid),
  };
  for (let i = 0; i < TRIES; i++) {
    if (makeExclusively(file, mine)) {
      own.add(mine.token);
      // Another start may have taken this for the dead lock it found, for a moment: it must still stand after that.
      await wait(SETTLE_MS);
      if (readLock(file)?.token === mine.token) return mine;
      own.delete(mine.token);
      continue;
    }
    const there = readLock(file);
    if (there && (await lives(file, there, watchMs))) throw new FolderInUse(real, holderOf(there));
    putAside(file, there);
  }
  throw new FolderInUse(real, holderOf(readLock(file)));
}

/** Makes the lock where there is none; false where there is one. It is there with all that it says, or not at all. */
function makeExclusively(file: string, lock: Lock): boolean {
  const whole = `${file}.${lock.token}`;
  writeFileSync(whole, JSON.stringify(lock), { mode: 0o600 });
  try {
    linkSync(whole, file);
    return true;
  } catch (error) {
    const { code } = error as NodeJS.ErrnoException;
    if (code === 'EEXIST') return false;
    // A file system without links: an exclusive copy is the next best.
    if (code !== 'EPERM' && code !== 'ENOSYS' && code !== 'ENOTSUP') throw error;
    return copyExclusively(whole, file);
  } finally {
    rmSync(whole, { force: true });
  }
}

function copyExclusively(whole: string, file: string): boolean {
  try {
    copyFileSync(whole, file, constants.COPYFILE_EXCL);
    return true;
  } catch (error) {
    if ((error as NodeJS.ErrnoException).code === 'EEXIST') return false;
    throw error;
  }
}

/** Takes a lock without a living holder away; one that another start has made meanwhile is put back. */
function putAside(file: string, dead: Lock | null): void {
  const aside = `${file}.${randomUUID()}`;
  try {
    renameSync(file, aside);
  } catch {
    return; // Another start was quicker.
  }
  const taken = readLock(aside);
  if (taken && taken.token !== dead?.token)
    try {
      linkSync(aside, file);
    } catch {
      // A third one stands there now; whoever was displaced sees that before it goes on.
    }
  rmSync(aside, { force: true });
}

function readLock(file: string): Lock | null {
  try {
    // An older version wrote fewer fields.
    const lock = JSON.parse(readFileSync(file, 'utf8')) as Partial<Lock>;
    if (typeof lock.pid !== 'number' || typeof lock.space !== 'string') return null;
    const { pid, space, token = '', started = '' } = lock;
    return { pid, space, token, started };
  } catch {
    return null;
  }
}

function pidSpace(): string {
  try {
    return readlinkSync('/proc/self/ns/pid');
  } catch {
    return process.platform;
  }
}

/** When a process was started, in ticks since its machine was (proc(5), field 22); empty where that is not told. */
function startOf(pid: number): string {
  try {
    const stat = readFileSync(`/proc/${pid}/stat`, 'utf8');
    // The name of the program, in brackets, may hold blanks.
    return stat.slice(stat.lastIndexOf(')') + 2).split(' ')[19] ?? '';
  } catch {
    return '';
  }
}

function alive(pid: number): boolean {
  try {
    process.kill(pid, 0);
    return true;
  } catch (error) {
    return (error as NodeJS.ErrnoException).code === 'EPERM';
  }
}

async function lives(file: string, { pid, space, started, token }: Lock, watchMs: number): Promise<boolean> {
  if (space === pidSpace()) {
    if (pid === process.pid) return own.has(token);
    if (!alive(pid)) return false;
    // The same number and the same start are the same process; another start is another program.
    if (started !== '') return startOf(pid) === started;
  }
  const before = beatOf(file);
  await wait(watchMs);
  return beatOf(file) !== before;
}

/** What changes with every beat of a holder, and when the file is another. */
function beatOf(file: string): string {
  try {
    const { mtimeMs, ino } = statSync(file);
    return `${mtimeMs}/${ino}`;
  } catch {
    return 'gone';
  }
}

const holderOf = (held: Lock | null): string => (held ? ` (process ${held.pid})` : '');
