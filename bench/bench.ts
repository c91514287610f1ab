// npm run bench: speed, as times and as ratios within this one run. Fails only when a ratio is far off.
import { newBracelet, type Piece } from '@/core/piece';
import { planPiece, type Plan } from '@/core/plan';
import { tally } from '@/core/read/tally';
import { STRUCTURES } from '@/core/structures/registry';
import { quantile, time } from './timing';

/** One frame at 60 a second. */
const FRAME_MS = 1000 / 60;

const wearer = { personId: null, name: 'Maren', wristMm: 159 };
const withBeads = (structureId: string, beads: number): Piece => {
  const piece = newBracelet('Bench', structureId, wearer);
  const perUnit = planned({ ...piece, units: 40 }).quantities.reduce((sum, q) => sum + q.perUnit, 0);
  return { ...piece, units: Math.round(beads / perUnit) };
};

function planned(piece: Piece): Plan {
  const plan = planPiece(piece);
  if (!plan.ok) throw new Error(JSON.stringify(plan.problem));
  return plan;
}

const cache: Record<string, Piece> = {};
let missed = 0;
function line(name: string, value: string, holds: boolean, wanted: string): void {
  if (!holds) missed++;
  console.log(`${holds ? ' ' : '!'} ${name.padEnd(66)} ${value.padStart(12)}   ${wanted}`);
}

console.log('What a change of a choice costs, milliseconds\n');
for (const { id, name } of STRUCTURES) {
  const p95 = quantile(
    time(() => planPiece(withBeads3000(id))),
    0.95,
  );
  line(
    `${name}: whole plan of 3,000 beads, p95`,
    p95.toFixed(2),
    p95 < 100,
    'below 100 (thread and holes too)',
  );
}

console.log('\nCount and tally: build the path, fold it\n');
for (const { name, defaults, bind } of STRUCTURES) {
  const weaveable = bind(defaults);
  const loop = { seedsEachSide: 3, passes: 2 };
  const perUnit = 2;
  const cost = (beads: number) =>
    quantile(
      time(() => tally(weaveable.weave(Math.round(beads / perUnit), { start: loop, end: loop })), {
        least: 15,
        ms: 500,
      }),
      0.5,
    );
  const [few, many, most] = [cost(300), cost(3000), cost(30_000)];
  line(
    `${name}: 3,000 beads, median`,
    many.toFixed(2),
    many < FRAME_MS,
    `below ${FRAME_MS.toFixed(1)} (one frame)`,
  );
  const growth = most / few / 100;
  line(
    `${name}: 300 → 30,000 beads, growth over linear`,
    growth.toFixed(2),
    growth < 3,
    'aim 1.2; fails at 3',
  );
}

function withBeads3000(id: string): Piece {
  return (cache[id] ??= withBeads(id, 3000));
}

if (missed > 0) {
  console.error(`\n${missed} figures are far from what they should be.`);
  process.exitCode = 1;
}
