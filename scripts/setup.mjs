// What every command needs before it can start on a fresh machine. Plain Node, no packages.
import { execFileSync, spawn } from 'node:child_process';
import { createHash } from 'node:crypto';
import { existsSync, mkdirSync, readdirSync, readFileSync, statSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { brotliCompressSync, gzipSync } from 'node:zlib';
import { postgresPrograms } from './postgres.mjs';

process.env.NEXT_TELEMETRY_DISABLED = '1';

const hash = (text) => createHash('sha256').update(text).digest('hex');

/** Runs a command with its output shown; throws when it fails. */
export const run = (command, args, env = {}) =>
  execFileSync(command, args, { stdio: 'inherit', env: { ...process.env, ...env } });

/** npm packages as the lock file says, installed again only when the lock file has changed. */
export function packages() {
  const stamp = 'node_modules/.ivyloom-lock';
  const lock = hash(readFileSync('package-lock.json'));
  if (!existsSync(stamp) || readFileSync(stamp, 'utf8') !== lock) {
    if (!existsSync('node_modules/.package-lock.json') || existsSync(stamp) || process.env.CI)
      run('npm', ['ci', '--no-audit', '--no-fund']);
    writeFileSync(stamp, lock);
  }
}

/** Packages of Debian, installed where what they bring is missing. Throws where it is missing still. */
function debian(name, isThere) {
  if (isThere()) return;
  const sudo = process.getuid?.() === 0 ? [] : ['sudo'];
  const apt = (...args) => {
    const [command, ...rest] = [...sudo, 'apt-get', ...args];
    run(command, rest, { DEBIAN_FRONTEND: 'noninteractive' });
  };
  apt('update');
  apt('install', '-y', '--no-install-recommends', name);
  if (!isThere()) throw new Error(`Install Debian's package "${name}" and try again.`);
}

/** Debian's Chromium, from its packages when it is missing. */
export function chromium() {
  const path = process.env.CHROMIUM ?? '/usr/bin/chromium';
  debian('chromium', () => existsSync(path));
  return path;
}

/** Debian's PostgreSQL, which the tests start for themselves. */
export const postgres = () => debian('postgresql', () => postgresPrograms() !== null);

function newest(folder) {
  let latest = 0;
  for (const entry of readdirSync(folder, { withFileTypes: true, recursive: true }))
    if (entry.isFile())
      latest = Math.max(latest, statSync(join(entry.parentPath ?? entry.path, entry.name)).mtimeMs);
  return latest;
}

/** The part of Ant Design's style that the program uses. */
export function sheet() {
  mkdirSync('public', { recursive: true });
  run('node', ['-e', "import('./scripts/antdSheet.mjs').then((m) => m.writeAntdSheet('public/antd.css'))"]);
}

/** The production build, made again only when a source is newer. */
export function build() {
  const stamp = '.next/BUILD_ID';
  const sources = Math.max(
    newest('src'),
    statSync('next.config.ts').mtimeMs,
    statSync('package-lock.json').mtimeMs,
  );
  sheet();
  if (existsSync('public/sw.js') && existsSync(stamp) && statSync(stamp).mtimeMs > sources) return;
  run('npx', ['next', 'build']);
  pack('.next/static');
  serviceWorker();
}

/** The program without its server: bundled with the names of all that the build made, which it keeps in the browser. */
function serviceWorker() {
  const files = readdirSync('.next/static', { withFileTypes: true, recursive: true })
    .filter((entry) => entry.isFile() && /\.(js|css|woff2)$/.test(entry.name))
    .map((entry) => join(entry.parentPath ?? entry.path, entry.name));
  const entries = [
    // Their names hold what is in them.
    ...files.map((file) => ({ url: file.replace(/^\.next/, '/_next'), revision: null })),
    ...['antd.css', 'not-here.html'].map((name) => ({
      url: `/${name}`,
      revision: hash(readFileSync(join('public', name))),
    })),
  ];
  run('npx', [
    'esbuild',
    'src/offline/serviceWorker.ts',
    '--bundle',
    '--minify',
    '--format=iife',
    '--log-level=warning',
    `--define:FILES_OF_THE_BUILD=${JSON.stringify(entries)}`,
    '--define:process.env.NODE_ENV="production"',
    '--outfile=public/sw.js',
  ]);
}

/** Scripts and styles packed once, beside themselves, as small as they go. */
function pack(folder) {
  for (const entry of readdirSync(folder, { withFileTypes: true, recursive: true })) {
    if (!entry.isFile() || !/\.(js|css)$/.test(entry.name)) continue;
    const file = join(entry.parentPath ?? entry.path, entry.name);
    const text = readFileSync(file);
    writeFileSync(`${file}.br`, brotliCompressSync(text));
    writeFileSync(`${file}.gz`, gzipSync(text, { level: 9 }));
  }
}

/** Runs a TypeScript file with the project's own paths. */
export const typescript = (file, args = [], env = {}) => run('npx', ['tsx', file, ...args], env);

/** Starts the server on 127.0.0.1 and resolves with the process and its address once it answers. */
export function serve({ port = 0, env = {}, mode = 'start', quiet = false } = {}) {
  // Not through npx: what is started must be what is stopped.
  const started =
    mode === 'start'
      ? ['scripts/server.mjs', String(port)]
      : ['node_modules/next/dist/bin/next', mode, '-H', '127.0.0.1', '-p', String(port)];
  const child = spawn(process.execPath, started, {
    env: { ...process.env, ...env },
    stdio: ['ignore', 'pipe', 'pipe'],
  });
  return new Promise((resolve, reject) => {
    let text = '';
    const hear = (chunk) => {
      text += chunk;
      if (!quiet) process.stderr.write(chunk);
      const found = /http:\/\/127\.0\.0\.1:(\d+)/.exec(text);
      // It says "Ready" before it has opened its data: only an answer tells.
      if (found && /Ready/.test(text))
        fetch(found[0]).then(
          () => resolve({ child, url: found[0] }),
          () => undefined,
        );
    };
    child.stdout.on('data', hear);
    child.stderr.on('data', hear);
    child.on('exit', (code) => reject(new Error(`the server stopped (exit ${code})\n${text}`)));
  });
}
