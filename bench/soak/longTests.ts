// Unit tests that are too long for `npm test`, and properties tried with more cases.
import { spawnSync } from 'node:child_process';

const FILES = [
  'src/core/layout/solver/solver.test.ts',
  'src/core/layout/drawing.test.ts',
  'src/core/structures/structures.test.ts',
  'src/core/fit/fit.test.ts',
];

/** What the test runner tells, as far as it is read here. */
interface Told {
  readonly numPassedTests: number;
  readonly numPendingTests: number;
  readonly testResults: readonly {
    readonly assertionResults: readonly {
      readonly fullName: string;
      readonly status: string;
      readonly failureMessages: readonly string[];
    }[];
  }[];
}

/** Runs the files that have long tests, those among them. Throws with what was said where one failed, or none was run. */
export function longTests(): string {
  const { status, stdout, stderr } = spawnSync('npx', ['vitest', 'run', '--reporter=json', ...FILES], {
    env: { ...process.env, IVYLOOM_SOAK: '1' },
    encoding: 'utf8',
    maxBuffer: 1 << 26,
  });
  const { numPassedTests, numPendingTests, testResults } = JSON.parse(stdout) as Told;
  const failed = testResults
    .flatMap(({ assertionResults }) => assertionResults)
    .filter((test) => test.status === 'failed')
    .map(({ fullName, failureMessages }) => `${fullName}\n${failureMessages.join('\n')}`);
  if (status !== 0 || numPendingTests > 0) throw new Error([...failed, stderr].join('\n'));
  return `long unit tests: ${numPassedTests} passed`;
}
