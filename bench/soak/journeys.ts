// The long journeys, and those of planning, play and records on a processor six times as slow: no key, drag or pick is lost.
import { spawnSync } from 'node:child_process';

/** Runs all that `npm test` leaves out (playwright.config.ts). Throws with what was said where one failed. */
export function journeys(): string {
  const { status, stdout, stderr } = spawnSync('npx', ['playwright', 'test', '--reporter=list'], {
    env: { ...process.env, IVYLOOM_SOAK: '1' },
    encoding: 'utf8',
    maxBuffer: 1 << 26,
  });
  if (status !== 0) throw new Error(`${stdout}\n${stderr}`);
  return `journeys, long ones and at a sixth of the speed: ${/(\d+ passed.*)/.exec(stdout)?.[1] ?? 'none was run'}`;
}
