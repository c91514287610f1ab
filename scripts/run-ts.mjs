import { packages, run } from './setup.mjs';

const [file, ...args] = process.argv.slice(2);
packages();
try {
  run('npx', ['tsx', file, ...args]);
} catch (error) {
  process.exit(error.status ?? 1);
}
