// npm test: everything that gates. Sets up a fresh machine first; ends with "N passed, N failed".
import { execFile } from 'node:child_process';
import { mkdirSync, readFileSync, rmSync } from 'node:fs';
import { promisify } from 'node:util';
import { chromium, packages, postgres, run } from './setup.mjs';

packages();
process.env.CHROMIUM = chromium();
postgres();

const OUT = '.ci-out';
rmSync(OUT, { recursive: true, force: true });
mkdirSync(OUT, { recursive: true });

let passed = 0;
/** What failed, by name and first words: told once more at the end, where it is looked for. */
const failures = [];

const execute = promisify(execFile);

/** One thing that holds or does not. Runs on after a failure, so that one run tells everything. */
async function gate(name, command, ...args) {
  const started = Date.now();
  try {
    await execute(command, args, { maxBuffer: 1 << 26 });
    passed++;
    console.log(`✓ ${name} (${Math.round((Date.now() - started) / 1000)} s)`);
  } catch (error) {
    const said = `${error.stdout ?? ''}${error.stderr ?? error.message}`;
    failures.push(`${name}\n${said}`);
    console.error(`✗ ${name}\n${said}`);
  }
}

const types = () => gate('types', 'npx', 'tsc', '--noEmit');
const format = () => gate('format', 'npx', 'prettier', '--check', '--log-level', 'warn', '.');

async function sources() {
  await gate('lint', 'npx', 'eslint', '.', '--max-warnings', '0');
  await gate('layers', 'node', 'scripts/layers.mjs');
}

const BUILD = "import('./scripts/setup.mjs').then((m) => m.build())";

/** A test runner that counts its own tests; one that ran none has failed. */
function suite(name, work, count) {
  console.log(`\n${name}`);
  let broke = false;
  try {
    work();
  } catch {
    broke = true;
  }
  try {
    const result = count();
    passed += result.passed;
    failures.push(...result.failures);
    if (result.passed + result.failures.length === 0 || (broke && result.failures.length === 0))
      throw new Error('it ran no test, or stopped');
  } catch (error) {
    failures.push(`${name}: ${error.message}`);
  }
}

const json = (file) => JSON.parse(readFileSync(`${OUT}/${file}`, 'utf8'));

/** What Vitest's report holds. */
function unitTests() {
  const { numPassedTests, testResults } = json('unit.json');
  const failures = testResults.flatMap(({ name, status, message, assertionResults }) => {
    const red = assertionResults.filter((test) => test.status === 'failed');
    // A file that fails without a red test could not be read, or not be cleared up after.
    if (status === 'failed' && red.length === 0) return [`${name}\n${message}`];
    return red.map((test) => `${name} › ${test.fullName}\n${test.failureMessages.join('\n')}`);
  });
  return { passed: numPassedTests, failures };
}

/** What Playwright's report holds. One that passed only when tried again has failed. */
function browserTests() {
  const { stats, suites } = json('e2e.json');
  const specs = (suite) => [...suite.specs, ...(suite.suites ?? []).flatMap(specs)];
  const failures = suites.flatMap(specs).flatMap(({ file, line, title, tests }) =>
    tests
      .filter(({ status }) => status === 'unexpected' || status === 'flaky')
      .map(({ results }) => {
        const errors = results.flatMap((result) => result.errors.map((error) => error.message));
        return `${file}:${line} › ${title}\n${errors.join('\n')}`;
      }),
  );
  return { passed: stats.expected, failures };
}

await gate('types of pages', 'npx', 'next', 'typegen');
// A build takes the types of pages away for a while: they are checked before it begins.
await Promise.all([types(), format()]);
await Promise.all([sources(), gate('build', 'node', '-e', BUILD)]);
suite(
  'unit tests',
  () =>
    run('npx', [
      'vitest',
      'run',
      '--reporter=default',
      '--reporter=json',
      `--outputFile.json=${OUT}/unit.json`,
    ]),
  unitTests,
);
suite(
  'the real interface in Chromium',
  () => run('npx', ['playwright', 'test'], { PLAYWRIGHT_JSON_OUTPUT_NAME: `${OUT}/e2e.json` }),
  browserTests,
);

/** Of something long the beginning: what went wrong stands there. */
const MOST_LINES = 40;
for (const failure of failures) console.error(`\n✗ ${failure.split('\n').slice(0, MOST_LINES).join('\n')}`);

console.log(`\n${passed} passed, ${failures.length} failed`);
process.exit(failures.length === 0 ? 0 : 1);
