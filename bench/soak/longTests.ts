// Unit tests that are too long for `npm test`, and properties tried with more cases, and other ones every time.
import { spawnSync } from 'node:child_process';
import { readdirSync, readFileSync } from 'node:fs';

/** The files of tests that have properties, or long tests. */
const FILES = readdirSync('src', { recursive: true, encoding: 'utf8' })
  .map((file) => `src/${file}`)
  .filter((file) => file.endsWith('.test.ts'))
  .filter((file) => /'fast-check'|testing\/thorough'/.test(readFileSync(file, 'utf8')));

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

/**
 * Runs the files that have properties or long tests.
 * @param seed what the properties are tried with
 * @throws with what was said where one failed, or one was not run
 */
export function longTests(seed = Date.now() % 2 ** 31): string {
  const { status, stdout, stderr } = spawnSync('npx', ['vitest', 'run', '--reporter=json', ...FILES], {
    env: { ...process.env, IVYLOOM_SOAK: '1', IVYLOOM_SEED: String(seed) },
    encoding: 'utf8',
    maxBuffer: 1 << 26,
  });
  const { numPassedTests, numPendingTests, testResults } = JSON.parse(stdout) as Told;
  const failed = testResults
    .flatMap(({ assertionResults }) => assertionResults)
    .filter((test) => test.status === 'failed')
    .map(({ fullName, failureMessages }) => `${fullName}\n${failureMessages.join('\n')}`);
  if (status !== 0 || numPendingTests > 0) throw new Error([`seed ${seed}`, ...failed, stderr].join('\n'));
  return `long unit tests, seed ${seed}: ${numPassedTests} passed in ${FILES.length} files`;
}
