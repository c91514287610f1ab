// Checks the arrows between layers, and that the checker really saw the code: a parser that cannot read
// TypeScript would report "0 modules, no violations" and pass.
import { execFileSync } from 'node:child_process';
import { readdirSync } from 'node:fs';

const files = readdirSync('src', { recursive: true }).filter(
  (f) => /\.tsx?$/.test(f) && !f.endsWith('.d.ts'),
);

let output;
try {
  output = execFileSync(
    'npx',
    ['depcruise', 'src', '--config', '.dependency-cruiser.cjs', '--output-type', 'json'],
    {
      maxBuffer: 64 << 20,
      encoding: 'utf8',
    },
  );
} catch (error) {
  output = error.stdout;
}
const { summary, modules } = JSON.parse(output);
for (const v of summary.violations) console.error(`${v.rule.name}: ${v.from} -> ${v.to}`);
const seen = new Set(modules.map((m) => m.source).filter((s) => s.startsWith('src/')));
const missed = files.filter((f) => !seen.has(`src/${f}`));
if (missed.length) console.error(`the layer checker did not see: ${missed.join(', ')}`);
const arrows = modules
  .filter((m) => m.source.startsWith('src/'))
  .reduce((n, m) => n + m.dependencies.length, 0);
if (arrows < files.length / 2)
  console.error(`only ${arrows} imports seen in ${files.length} files: the checker is blind`);
if (summary.error > 0 || missed.length || arrows < files.length / 2) process.exit(1);
console.log(`layers hold: ${files.length} modules, ${arrows} imports`);
