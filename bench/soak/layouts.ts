// Every stitch with every option in every bead, laid out, and what must hold of each; so many more drawn at random.
import { spawn } from 'node:child_process';
import { createInterface } from 'node:readline';
import type { Broken } from '@/core/testing/layoutCells';

/** What became of one cell. */
export interface SweptCell {
  readonly name: string;
  readonly ms: number;
  readonly rests: boolean;
  /** Its unit, as a part of the closed form's. */
  readonly ofForm: number;
  readonly broken: readonly Broken[];
}

const PARTS = 2;
const WORST = 20;
/** It takes a quarter of an hour: every so many cells it says how far it is. */
const PROGRESS = 200;
/** The part of all cells of which everything holds. */
const HOLDS = 0.99;

/** Sweeps over all of them. Throws, with the worst of them, where too many do not hold. */
export async function sweptLayouts(drawn: number, seed = 2026): Promise<string> {
  const parts = await Promise.all(Array.from({ length: PARTS }, (_, part) => shard(part, drawn, seed)));
  return told(parts.flat());
}

/** The share that holds, the worst, and the times, in words. */
export function told(cells: readonly SweptCell[]): string {
  const broken = cells.filter((cell) => cell.broken.length > 0);
  const worst = [...broken].sort((a, b) => offOf(b) - offOf(a)).slice(0, WORST);
  const restless = cells.filter(({ rests }) => !rests);
  const times = cells.map(({ ms }) => ms).sort((a, b) => a - b);
  const at = (part: number) => (times[Math.floor(part * (times.length - 1))] ?? 0).toFixed(0);
  const share = 1 - broken.length / cells.length;
  const lines = [
    `layouts: ${cells.length} cells, of ${(100 * share).toFixed(1)} % all holds; ${restless.length} did not come to rest and say so; ${at(0.5)} ms half of them, ${at(0.95)} ms 95 %, ${at(1)} ms at most`,
    ...worst.map(({ name, broken }) => {
      return `  ${name}: ${broken.map(({ what, off }) => `${what} (${(100 * off).toFixed(0)} %)`).join('; ')}`;
    }),
  ];
  if (!(share >= HOLDS)) throw new Error(lines.join('\n'));
  return lines.join('\n');
}

const offOf = ({ broken }: SweptCell) => Math.max(...broken.map(({ off }) => off));

/** One part, in a process of its own. */
function shard(part: number, drawn: number, seed: number): Promise<SweptCell[]> {
  const args = ['scripts/run-ts.mjs', 'bench/soak/layoutShard.ts', part, PARTS, drawn, seed].map(String);
  const child = spawn(process.execPath, args, { stdio: ['ignore', 'pipe', 'inherit'] });
  const cells: SweptCell[] = [];
  createInterface({ input: child.stdout }).on('line', (line) => {
    if (!line.startsWith('{')) return;
    cells.push(JSON.parse(line) as SweptCell);
    if (cells.length % PROGRESS === 0) console.error(`layouts: part ${part + 1}, ${cells.length} cells`);
  });
  return new Promise((resolve, reject) => {
    child.on('error', reject);
    child.on('close', (code) => {
      if (code === 0) resolve(cells);
      else reject(new Error(`Part ${part} of the sweep ended with ${code}.`));
    });
  });
}
