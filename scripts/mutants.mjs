// npm run mutants: plants changes in the core, one by one, and runs the tests that reach each; tells which none noticed.
// All of them would take a day: a sample of lines, the same for a seed, tells the part that is noticed.
//   npm run mutants -- --lines 60 --seed 3        another sample
//   npm run mutants -- src/core/fit/rules.ts      everything in some files
import { readFileSync, readdirSync } from 'node:fs';
import { join } from 'node:path';
import { packages, run } from './setup.mjs';

const CORE = 'src/core';
const LEFT_OUT = /\.test\.ts$|\/testing\/|layout\/solver\/|solveLayout\.ts$|\.d\.ts$/;

packages();
const args = process.argv.slice(2);
const option = (name, usual) => {
  const at = args.indexOf(name);
  return at < 0 ? usual : Number(args.splice(at, 2)[1]);
};
const [lines, seed] = [option('--lines', 120), option('--seed', 1)];

/** Numbers that look random and are the same every time (Park and Miller, minimal standard generator). */
let state = seed;
const random = () => (state = (state * 48_271) % 2_147_483_647) / 2_147_483_647;

/** Every line of the core that says something, as a range that the tool reads. */
const everyLine = () =>
  readdirSync(CORE, { recursive: true, encoding: 'utf8' })
    .map((file) => join(CORE, file))
    .filter((file) => file.endsWith('.ts') && !LEFT_OUT.test(file))
    .sort()
    .flatMap((file) =>
      readFileSync(file, 'utf8')
        .split('\n')
        .flatMap((text, i) =>
          /[=<>+*/?]|return/.test(text) && !/^\s*(\/\/|\*|\/\*|import|export type|readonly|\|)/.test(text)
            ? [`${file}:${i + 1}:0-${i + 1}:${text.length}`]
            : [],
        ),
    );

const sample = () =>
  everyLine()
    .map((line) => ({ line, order: random() }))
    .sort((a, b) => a.order - b.order)
    .slice(0, lines)
    .map(({ line }) => line);

try {
  run('npx', ['stryker', 'run', '--mutate', (args.length > 0 ? args : sample()).join(',')]);
} catch (error) {
  process.exit(error.status ?? 1);
}
