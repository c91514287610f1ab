// The journeys of planning, play and records on a processor six times as slow: no key, drag or pick is lost.
import { spawnSync } from 'node:child_process';

/** Runs journeys throttled; `grep` chooses some of them by their names. */
export function slowJourneys(files: readonly string[], grep?: string): string {
  const { status, stdout, stderr } = spawnSync(
    'npx',
    ['playwright', 'test', ...files, '--reporter=list', ...(grep ? ['-g', grep] : [])],
    { env: { ...process.env, IVYLOOM_THROTTLE: '6' }, encoding: 'utf8', maxBuffer: 1 << 26 },
  );
  if (status !== 0) throw new Error(`${stdout}\n${stderr}`);
  return `journeys at a sixth of the speed: ${/(\d+ passed.*)/.exec(stdout)?.[1] ?? 'none was run'}`;
}
