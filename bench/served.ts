import { execFileSync, spawn } from 'node:child_process';
import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';

/** A built app that answers. */
export interface Served {
  readonly url: string;
  readonly stop: () => void;
}

/** Starts a built app by its own command and waits until it answers. Rejects with what it said where it stops instead. */
export async function serve(
  args: readonly string[],
  env: Readonly<Record<string, string>> = {},
): Promise<Served> {
  const child = spawn(process.execPath, args, {
    env: { ...process.env, ...env, NEXT_TELEMETRY_DISABLED: '1' },
  });
  const url = await new Promise<string>((resolve, reject) => {
    let text = '';
    const hear = (chunk: Buffer) => {
      text += chunk.toString();
      const [found] = /http:\/\/127\.0\.0\.1:\d+/.exec(text) ?? [];
      if (found && text.includes('Ready'))
        fetch(found).then(
          () => resolve(found),
          () => undefined,
        );
    };
    child.stdout.on('data', hear);
    child.stderr.on('data', hear);
    child.on('close', () => reject(new Error(text)));
  });
  return { url, stop: () => child.kill() };
}

/** The production build, and Debian's Chromium, where they are missing. */
export const built = () =>
  execFileSync(
    'node',
    ['-e', "import('./scripts/setup.mjs').then(m=>{m.packages();m.chromium();m.build()})"],
    { stdio: 'inherit' },
  );

/** Runs something with the built program on a fresh folder with the demo choir. */
export async function withChoir<T>(
  work: (served: Served, folder: string) => Promise<T>,
  also: Readonly<Record<string, string>> = {},
): Promise<T> {
  const folder = mkdtempSync(join(tmpdir(), 'ivyloom-bench-'));
  const env = { ...also, IVYLOOM_DATA: folder };
  execFileSync('npx', ['tsx', 'src/cli/seed.ts'], { env: { ...process.env, ...env }, stdio: 'pipe' });
  const served = await serve(['scripts/server.mjs'], env);
  try {
    return await work(served, folder);
  } finally {
    served.stop();
    rmSync(folder, { recursive: true, force: true });
  }
}
