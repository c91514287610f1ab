// A PostgreSQL server of the tests' own: Debian's programs, a fresh folder, a free port of this machine, no root. Plain Node.
import { execFileSync, spawn } from 'node:child_process';
import { chownSync, existsSync, mkdtempSync, readdirSync, rmSync } from 'node:fs';
import { createServer } from 'node:net';
import { tmpdir } from 'node:os';
import { join } from 'node:path';

const HOME = '/usr/lib/postgresql';

/** The folder of Debian's newest PostgreSQL; null where it is not installed. */
export function postgresPrograms() {
  const [version] = (existsSync(HOME) ? readdirSync(HOME) : []).sort((a, b) => Number(b) - Number(a));
  const place = version && join(HOME, version, 'bin');
  return place && existsSync(join(place, 'initdb')) ? place : null;
}

/** PostgreSQL refuses to run as root: then it runs as the user that its package has made. */
function user() {
  if (process.getuid?.() !== 0) return {};
  const id = (what) => Number(execFileSync('id', [what, 'postgres'], { encoding: 'utf8' }));
  return { uid: id('-u'), gid: id('-g') };
}

const freePort = () =>
  new Promise((resolve) => {
    const probe = createServer().listen(0, '127.0.0.1', () => {
      const { port } = probe.address();
      probe.close(() => resolve(port));
    });
  });

/** Starts a server with nothing in it. `url` names one of its databases; `stop` ends it and leaves nothing behind. */
export async function startPostgres() {
  const programs = postgresPrograms();
  if (!programs) throw new Error('PostgreSQL is not installed. Install Debian’s package "postgresql".');
  const as = user();
  const folder = mkdtempSync(join(tmpdir(), 'ivyloom-pg-'));
  if (as.uid !== undefined) chownSync(folder, as.uid, as.gid);
  const data = join(folder, 'data');
  const options = { ...as, cwd: folder, stdio: 'pipe' };
  execFileSync(
    join(programs, 'initdb'),
    ['-D', data, '-U', 'weaver', '-A', 'trust', '-E', 'UTF8', '--locale=C.UTF-8', '--no-sync'],
    options,
  );
  const port = await freePort();
  const settings = {
    listen_addresses: '127.0.0.1',
    unix_socket_directories: folder,
    // What a test writes need not outlive the machine.
    fsync: 'off',
    max_connections: '400',
  };
  const child = spawn(
    join(programs, 'postgres'),
    ['-D', data, '-p', String(port), ...Object.entries(settings).flatMap(([k, v]) => ['-c', `${k}=${v}`])],
    options,
  );
  let said = '';
  child.stderr.on('data', (chunk) => (said += chunk));
  const ready = () => {
    try {
      execFileSync(join(programs, 'pg_isready'), ['-h', '127.0.0.1', '-p', String(port)], { stdio: 'pipe' });
      return true;
    } catch {
      return false;
    }
  };
  for (let tries = 0; !ready(); tries++) {
    if (child.exitCode !== null || tries > 200) throw new Error(`PostgreSQL did not start:\n${said}`);
    await new Promise((resolve) => setTimeout(resolve, 50));
  }
  return {
    url: (database = 'postgres') => `postgres://weaver@127.0.0.1:${port}/${database}`,
    stop: () =>
      new Promise((resolve) => {
        child.on('exit', () => {
          rmSync(folder, { recursive: true, force: true });
          resolve();
        });
        child.kill('SIGINT');
      }),
  };
}
