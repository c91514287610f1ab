import { spawn, spawnSync, type ChildProcess } from 'node:child_process';
import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';

/** The built program on a data folder. */
export interface Server {
  readonly url: string;
  readonly folder: string;
  stop(signal?: NodeJS.Signals): Promise<void>;
}

export const freshFolder = () => mkdtempSync(join(tmpdir(), 'ivyloom-e2e-'));

/** Runs one of the command-line programs; returns what it said and how it ended. */
export function cli(program: string, args: string[], folder: string) {
  const { stdout, stderr, status } = spawnSync('npx', ['tsx', `src/cli/${program}.ts`, ...args], {
    env: { ...process.env, IVYLOOM_DATA: folder },
    encoding: 'utf8',
  });
  return { stdout, stderr, status };
}

/** Starts the built program and waits until it answers; rejects with what it said when it stops instead. */
export async function startServer(folder: string): Promise<Server> {
  const child = spawn(process.execPath, ['scripts/server.mjs'], {
    env: { ...process.env, IVYLOOM_DATA: folder, NEXT_TELEMETRY_DISABLED: '1' },
  });
  let text = '';
  const url = await new Promise<string>((resolve, reject) => {
    const hear = (chunk: Buffer) => {
      text += chunk.toString();
      const found = /http:\/\/127\.0\.0\.1:\d+/.exec(text);
      // It says "Ready" before it has opened its data: only an answer tells.
      if (found && text.includes('Ready'))
        fetch(found[0]).then(
          () => resolve(found[0]),
          () => undefined,
        );
    };
    child.stdout.on('data', hear);
    child.stderr.on('data', hear);
    child.on('close', () => reject(new Error(text)));
  });
  return { url, folder, stop: (signal = 'SIGTERM') => stop(child, signal) };
}

const stop = (child: ChildProcess, signal: NodeJS.Signals) =>
  new Promise<void>((resolve) => {
    child.on('exit', () => resolve());
    child.kill(signal);
  });

/** One server with the demo choir for all journeys. */
export default async function globalSetup() {
  const folder = freshFolder();
  const seeded = cli('seed', [], folder);
  if (seeded.status !== 0) throw new Error(seeded.stderr);
  const server = await startServer(folder);
  process.env.IVYLOOM_URL = server.url;
  process.env.IVYLOOM_FOLDER = folder;
  return async () => {
    await server.stop();
    rmSync(folder, { recursive: true, force: true });
  };
}
