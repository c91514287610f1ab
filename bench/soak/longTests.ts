// Unit tests that are too long for `npm test`, and properties tried with more cases.
import { spawnSync } from 'node:child_process';

const FILES = [
  'src/core/layout/solver/solver.test.ts',
  'src/core/layout/drawing.test.ts',
  'src/core/structures/structures.test.ts',
  'src/core/fit/fit.test.ts',
];

/** Runs the files that have long tests, those among them. Throws with what was said where one failed, or none was run. */
export function longTests(): string {
  const { status, stdout, stderr } = spawnSync('npx', ['vitest', 'run', '--reporter=json', ...FILES], {
    env: { ...process.env, IVYLOOM_SOAK: '1' },
    encoding: 'utf8',
    maxBuffer: 1 << 26,
  });
  const { numPassedTests, numPendingTests } = JSON.parse(stdout) as {
    numPassedTests: number;
    numPendingTests: number;
  };
  if (status !== 0 || numPendingTests > 0) throw new Error(`${stdout}\n${stderr}`);
  return `long unit tests: ${numPassedTests} passed`;
}
