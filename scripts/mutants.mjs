// npm run mutants: plants changes in the core, one by one, and runs the tests that reach each; tells which none noticed.
//   npm run mutants -- src/core/fit/*.ts      a part of it
import { packages, run } from './setup.mjs';

packages();
const parts = process.argv.slice(2);
try {
  run('npx', ['stryker', 'run', ...(parts.length > 0 ? ['--mutate', parts.join(',')] : [])]);
} catch (error) {
  process.exit(error.status ?? 1);
}
