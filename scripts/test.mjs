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
let failed = 0;

const execute = promisify(execFile);

/** One thing that holds or does not. Runs on after a failure, so that one run tells everything. */
async function gate(name, command, ...args) {
  const started = Date.now();
  try {
    await execute(command, args, { maxBuffer: 1 << 26 });
    passed++;
    console.log(`✓ ${name} (${Math.round((Date.now() - started) / 1000)} s)`);
  } catch (error) {
    failed++;
    console.error(`✗ ${name}\n${error.stdout ?? ''}${error.stderr ?? error.message}`);
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
    failed += result.failed;
    if (result.passed + result.failed === 0 || (broke && result.failed === 0))
      throw new Error('it ran no test, or stopped');
  } catch (error) {
    failed++;
    console.error(`✗ ${name}: ${error.message}`);
  }
}

const json = (file) => JSON.parse(readFileSync(`${OUT}/${file}`, 'utf8'));

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
  () => ({ passed: json('unit.json').numPassedTests, failed: json('unit.json').numFailedTests }),
);
suite(
  'the real interface in Chromium',
  () => run('npx', ['playwright', 'test'], { PLAYWRIGHT_JSON_OUTPUT_NAME: `${OUT}/e2e.json` }),
  () => ({
    passed: json('e2e.json').stats.expected,
    failed: json('e2e.json').stats.unexpected + json('e2e.json').stats.flaky,
  }),
);

console.log(`\n${passed} passed, ${failed} failed`);
process.exit(failed === 0 ? 0 : 1);
