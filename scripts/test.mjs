// npm test: everything that gates. Sets up a fresh machine first; ends with "N passed, N failed".
import { mkdirSync, readFileSync, rmSync } from 'node:fs';
import { build, chromium, packages, run } from './setup.mjs';

packages();
process.env.CHROMIUM = chromium();

const OUT = '.ci-out';
rmSync(OUT, { recursive: true, force: true });
mkdirSync(OUT, { recursive: true });

let passed = 0;
let failed = 0;

/** One thing that holds or does not. Runs on after a failure, so that one run tells everything. */
function gate(name, work) {
  const started = Date.now();
  try {
    work();
    passed++;
    console.log(`✓ ${name} (${Math.round((Date.now() - started) / 1000)} s)`);
  } catch (error) {
    failed++;
    console.error(`✗ ${name}: ${error.message}`);
  }
}

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

gate('types of pages', () => run('npx', ['next', 'typegen']));
gate('types', () => run('npx', ['tsc', '--noEmit']));
gate('lint', () => run('npx', ['eslint', '.', '--max-warnings', '0']));
gate('format', () => run('npx', ['prettier', '--check', '--log-level', 'warn', '.']));
gate('layers', () => run('node', ['scripts/layers.mjs']));
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
gate('build', () => build());
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
