import { spawn, spawnSync, type ChildProcess } from 'node:child_process';
import { mkdtempSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';

/** Where a program keeps its data: a folder, and the database of a server where one is named. */
export interface Place {
  readonly folder: string;
  readonly databaseUrl?: string;
}

const envOf = ({ folder, databaseUrl }: Place): NodeJS.ProcessEnv => ({
  ...process.env,
  IVYLOOM_DATA: folder,
  ...(databaseUrl !== undefined && { DATABASE_URL: databaseUrl }),
});

/** The built program on its data. */
export interface Server {
  readonly url: string;
  /** What it has said so far. */
  readonly said: () => string;
  stop(signal?: NodeJS.Signals): Promise<number | null>;
}

export const freshFolder = (): string => mkdtempSync(join(tmpdir(), 'ivyloom-e2e-'));

/** Runs one of the command-line programs; returns what it said and how it ended. */
export function cli(program: string, args: string[], place: Place) {
  const { stdout, stderr, status } = spawnSync(
    process.execPath,
    ['--import', 'tsx', `src/cli/${program}.ts`, ...args],
    {
      env: envOf(place),
      encoding: 'utf8',
    },
  );
  return { stdout, stderr, status };
}

/** Starts the built program and waits until it answers; rejects with what it said when it stops instead. */
export async function startServer(place: Place, script = 'scripts/server.mjs', port = 0): Promise<Server> {
  const child = spawn(process.execPath, [script, String(port)], {
    env: { ...envOf(place), NEXT_TELEMETRY_DISABLED: '1' },
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
  return { url, said: () => text, stop: (signal = 'SIGTERM') => stop(child, signal) };
}

const stop = (child: ChildProcess, signal: NodeJS.Signals) =>
  new Promise<number | null>((resolve) => {
    child.on('exit', (code) => resolve(code));
    child.kill(signal);
  });
