// The solver's part of the benchmark: time and pitch error per case, and two cases beside a general engine.
import { repeatCell } from '@/core/layout/solver/cell';
import { solveClosed } from '@/core/layout/solver/closed';
import { rests } from '@/core/layout/solver/settled';
import { solidOf } from '@/core/layout/solver/solid';
import { solveCell, type SolveOptions } from '@/core/layout/solver/solve';
import { BEADS, byId } from '@/core/materials/catalogue';
import * as paths from '@/core/testing/paths';
import type { Path } from '@/core/weave/path';
import { engineLadder, engineRightAngle, type EngineRun } from './rigidBodies';
import { line, section } from './timing';

const bead = (id: string) => byId(BEADS, id);

interface Case {
  readonly name: string;
  readonly path: Path;
  readonly beads: Readonly<Record<string, string>>;
  /** The closed form, mm a unit; null where there is none. */
  readonly pitchMm: number | null;
  readonly mostMs: number;
}

const plain = 1000;
const hard = 5000;
const CASES: readonly Case[] = [
  { name: 'strung', path: paths.strung(12), beads: { A: 'seed-11' }, pitchMm: 1.4, mostMs: plain },
  {
    name: 'ladder',
    path: paths.ladder(14, 'A', { without: new Set(['picots']) }),
    beads: { A: 'seed-8' },
    pitchMm: 3.05,
    mostMs: plain,
  },
  { name: 'ladder of tiles', path: paths.tileLadder(14), beads: { T: 'tile' }, pitchMm: 5, mostMs: plain },
  {
    name: 'flat herringbone',
    path: paths.herringbone(14),
    beads: { A: 'seed-11' },
    pitchMm: 1.4,
    mostMs: plain,
  },
  {
    name: 'tubular herringbone',
    path: paths.herringboneTube(14),
    beads: { A: 'seed-11' },
    pitchMm: 1.4,
    mostMs: plain,
  },
  { name: 'flat peyote', path: paths.peyote(14), beads: { A: 'cylinder-11' }, pitchMm: 0.8, mostMs: plain },
  {
    name: 'tubular peyote',
    path: paths.peyoteTube(14),
    beads: { A: 'cylinder-11' },
    pitchMm: 0.8,
    mostMs: plain,
  },
  { name: 'brick', path: paths.brick(14), beads: { A: 'cylinder-11' }, pitchMm: 1.3, mostMs: plain },
  {
    name: 'right-angle weave',
    path: paths.rightAngle(14),
    beads: { A: 'pressed-4' },
    pitchMm: 4 * Math.SQRT2,
    mostMs: plain,
  },
  {
    name: 'cross-weave',
    path: paths.crossWeave(14),
    beads: { A: 'pressed-4' },
    pitchMm: 4 * Math.SQRT2,
    mostMs: plain,
  },
  {
    name: 'cross-weave of bicones',
    path: paths.crossWeave(14),
    beads: { A: 'bicone-4' },
    pitchMm: null,
    mostMs: plain,
  },
  {
    name: 'spiral rope',
    path: paths.spiralRope(14),
    beads: { C: 'seed-11', O: 'seed-11' },
    pitchMm: null,
    mostMs: plain,
  },
  {
    name: 'herringbone of cubes and seeds',
    path: paths.herringbone(12, ['C', 'S']),
    beads: { C: 'cube-4', S: 'seed-8' },
    pitchMm: 6,
    mostMs: hard,
  },
  {
    name: 'right-angle weave of bugles',
    path: paths.rightAngle(14, 'B', 'S'),
    beads: { B: 'bugle-3', S: 'seed-11' },
    pitchMm: null,
    mostMs: hard,
  },
];

function cells(): void {
  section('Layout of a repeat, cold: milliseconds, and pitch error against the closed form');
  for (const { name, path, beads, pitchMm, mostMs } of CASES) {
    const cell = repeatCell(path);
    if (!cell) throw new Error(`${name} does not repeat.`);
    const solids = cell.beads.map(({ role }) => solidOf(bead(beads[role] ?? '')));
    const start = performance.now();
    const [best] = solveCell(cell, solids);
    const ms = performance.now() - start;
    if (!best) throw new Error(`${name} has no layout.`);
    const found = best.periodMm / cell.units;
    line(`${name}: ms`, ms, ms < mostMs, `below ${mostMs}`);
    if (pitchMm === null) line(`${name}: mm a unit, at rest`, found, rests(best, solids), 'no closed form');
    else {
      const error = 100 * (found / pitchMm - 1);
      line(`${name}: pitch error, %`, error, Math.abs(error) < 3, 'within 3');
    }
  }
}

/** Whole pieces whose layout the solver does not settle yet. */
const UNSETTLED = new Set(['rosette of 13, three rounds']);

function pieces(): void {
  section('Whole pieces, in stages, cold: milliseconds');
  const whole: readonly [string, Path, Readonly<Record<string, string>>][] = [
    ['ring of 10 right-angle units', paths.rightAngleRing(10), { A: 'pressed-4' }],
    ['frame of 20 rows round a ball', paths.framedBall(20), { A: 'seed-11', Z: 'pressed-8' }],
    ['capsule round a stone', paths.capsule(8), { A: 'seed-11', B: 'seed-11', Z: 'pressed-4' }],
    ['rosette of 8, three rounds', paths.rosette(8), { A: 'seed-11', B: 'seed-11', C: 'seed-11' }],
    ['rosette of 13, three rounds', paths.rosette(13), { A: 'seed-11', B: 'seed-11', C: 'seed-11' }],
  ];
  for (const [name, path, beads] of whole) {
    const of = (role: string) => solidOf(bead(beads[role] ?? ''));
    const start = performance.now();
    const { settled, cell } = solveClosed(path, of, { starts: 1 });
    const ms = performance.now() - start;
    const still = rests(
      settled,
      cell.beads.map(({ role }) => of(role)),
    );
    const known =
      UNSETTLED.has(name) && ms < 30_000 ? 'it does not come to rest from a single start' : undefined;
    line(`${name}, ${cell.beads.length} beads`, ms, ms < 30_000 && still, 'below 30,000, at rest', known);
  }
}

async function besideAnEngine(): Promise<void> {
  section('Beside a general rigid-body engine, brought to the same pitch error: ratio of times');
  const beside: readonly [string, Path, string, number, () => Promise<EngineRun>][] = [
    ['right-angle weave of balls', paths.rightAngle(14), 'pressed-4', 4 * Math.SQRT2, engineRightAngle],
    [
      'ladder of seeds',
      paths.ladder(14, 'A', { without: new Set(['picots']) }),
      'seed-8',
      3.05,
      engineLadder,
    ],
  ];
  for (const [name, path, id, pitchMm, engine] of beside) {
    const cell = repeatCell(path);
    if (!cell) throw new Error(`${name} does not repeat.`);
    const start = performance.now();
    const [best] = solveCell(
      cell,
      cell.beads.map(() => solidOf(bead(id))),
    );
    const ms = performance.now() - start;
    const error = Math.abs((best?.periodMm ?? 0) / cell.units / pitchMm - 1);
    const other = await engine();
    line(`${name}: ours, ms`, ms, true, `pitch error ${(100 * error).toFixed(2)} %`);
    line(
      `${name}: the engine, ms`,
      other.ms,
      true,
      `pitch error ${(100 * other.error).toFixed(2)} %, of a finished start`,
    );
    line(`${name}: ours over the engine's`, ms / other.ms, ms / other.ms < 20, 'a ratio in one run');
  }
}

/** What was chosen, and what it does to the pitch: the table of docs/layout.md. */
function choices(): void {
  section('What pull, rounding, slack and thread do to the pitch, mm a unit');
  const names = [
    'flat herringbone',
    'right-angle weave',
    'herringbone of cubes and seeds',
    'right-angle weave of bugles',
    'spiral rope',
  ];
  for (const { name, path, beads } of CASES.filter((one) => names.includes(one.name))) {
    const cell = repeatCell(path);
    if (!cell) throw new Error(`${name} does not repeat.`);
    const pitch = (options: SolveOptions, rounding = 1) => {
      const solids = cell.beads.map(({ role }) => solidOf(bead(beads[role] ?? ''), rounding));
      return ((solveCell(cell, solids, options)[0]?.periodMm ?? NaN) / cell.units).toFixed(3);
    };
    const pulls = [0.02, 0.05, 0.1, 0.2].map((pull) => pitch({ pull }));
    const edges = [0.6, 1, 1.4].map((rounding) => pitch({}, rounding));
    const slacks = [0.15, 0.3].map((slack) => pitch({ slack }));
    const threads = [0, 0.075].map((threadMm) => pitch({ threadMm }));
    console.log(`  ${name}`);
    console.log(`    pull 0.02, 0.05, 0.1, 0.2: ${pulls.join(' ')}`);
    console.log(`    edges × 0.6, 1, 1.4: ${edges.join(' ')}; slack 0.15, 0.3 mm: ${slacks.join(' ')}`);
    console.log(`    thread through beads, 0.15 mm thick on them: ${threads.join(' ')}`);
  }
}

export async function benchLayouts(): Promise<void> {
  cells();
  choices();
  pieces();
  await besideAnEngine();
}
