import { createHash } from 'node:crypto';
import {
  readFileSync,
  readlinkSync,
  realpathSync,
  rmSync,
  statSync,
  utimesSync,
  writeFileSync,
} from 'node:fs';
import { createServer, type Server } from 'node:net';
import { join } from 'node:path';

/** Another process has the folder open. Two on one folder would silently lose each other's rows. */
export class FolderInUse extends Error {
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

const BEAT_MS = 3000;
/** A lock file older than this has no living holder. */
const STALE_MS = 4 * BEAT_MS;

/**
 * Takes a data folder for this process, or throws FolderInUse. On Linux an abstract socket named from the
 * folder decides: the kernel frees it with the process, even on `kill -9`. It is seen only within one
 * network namespace, so a lock file with a heartbeat stands beside it.
 */
export async function holdFolder(folder: string): Promise<Hold> {
  const real = realpathSync(folder);
  const lock = join(real, 'in-use.json');
  const socket = process.platform === 'linux' ? await takeSocket(real, lock) : null;
  if (heldElsewhere(lock)) {
    socket?.close();
    throw new FolderInUse(real, holderOf(lock));
  }
  writeFileSync(lock, JSON.stringify({ pid: process.pid, space: pidSpace() }), { mode: 0o600 });
  const beat = setInterval(() => {
    const now = new Date();
    try {
      utimesSync(lock, now, now);
    } catch {
      // The folder was moved away, by a restore for instance; the socket still holds its name.
    }
  }, BEAT_MS);
  beat.unref();
  return {
    release() {
      clearInterval(beat);
      rmSync(lock, { force: true });
      socket?.close();
    },
  };
}

function takeSocket(real: string, lock: string): Promise<Server> {
  const name = `\0ivyloom-${createHash('sha256').update(real).digest('hex').slice(0, 40)}`;
  return new Promise((resolve, reject) => {
    const server = createServer();
    server.once('error', (error: NodeJS.ErrnoException) =>
      reject(error.code === 'EADDRINUSE' ? new FolderInUse(real, holderOf(lock)) : error),
    );
    server.listen({ path: name, exclusive: true }, () => {
      server.unref();
      resolve(server);
    });
  });
}

interface Lock {
  readonly pid: number;
  readonly space: string;
}

function readLock(lock: string): Lock | null {
  try {
    return JSON.parse(readFileSync(lock, 'utf8')) as Lock;
  } catch {
    return null;
  }
}

/** Process numbers mean something only within one such space. */
function pidSpace(): string {
  try {
    return readlinkSync('/proc/self/ns/pid');
  } catch {
    return process.platform;
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

function heldElsewhere(lock: string): boolean {
  const held = readLock(lock);
  if (!held || held.pid === process.pid) return false;
  if (Date.now() - statSync(lock).mtimeMs > STALE_MS) return false;
  return held.space !== pidSpace() || alive(held.pid);
}

const holderOf = (lock: string): string => {
  const held = readLock(lock);
  return held ? ` (process ${held.pid})` : '';
};
