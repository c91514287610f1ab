// npm run bench: speed, as ratios within this one run: to one another, and as times at the machine's full pace. Fails only
// when a figure is far off.
import { newPart } from '@/core/piece/newPiece';
import type { PartOfPiece } from '@/core/piece/partOfPiece';
import type { Plan } from '@/core/plan/plan';
import { planPart } from '@/core/plan/shipped';
import { tally } from '@/core/read/tally';
import { reading, totals } from '@/core/read/totals';
import { STRUCTURES } from '@/core/structures/registry';
import { holeFill } from '@/core/supplies/holeFill';
import { lane } from '@/core/supplies/lane';
import { outOf } from '@/core/weave/needle';
import { checkPath } from '@/core/weave/check';
import { Links } from '@/core/weave/links';
import { findRoute } from '@/core/weave/route';
import { benchBrowser } from './browser';
import { benchFits } from './fits';
import { benchLayouts } from './layouts';
import { benchLoad } from './load';
import { benchParts } from './parts';
import { paceTold } from './pace';
import { line, missed, quantile, section, time } from './timing';
import { WOVEN } from '@/core/weave/path';

/** One frame at 60 a second. */
const FRAME_MS = 1000 / 60;
const MANY = 3000;

const wearer = { personId: null, name: 'Maren', girths: { wrist: 159 }, typical: null };
const loop = { seedsEachSide: 3, passes: 2 };
const ends = { start: loop, end: loop };

function planned(piece: PartOfPiece): Plan {
  const plan = planPart(piece);
  if (!plan.ok) throw new Error(JSON.stringify(plan.problem));
  return plan;
}

// First, for a worker that lays out has done nothing before either.
await benchLayouts();

// A graduated line is one unit, whatever its count.
for (const { id, name, defaults, bind } of STRUCTURES.filter((s) => !s.bind(s.defaults).arrangement)) {
  section(name);
  const weaveable = bind(defaults);
  const piece = newPart('Bench', id, wearer);
  const perUnit = planned({ ...piece, units: 40 }).quantities.reduce((sum, q) => sum + q.perUnit, 0);
  const units = (beads: number) => Math.round(beads / perUnit);
  const build = (n: number) => weaveable.weave(n, ends);

  const long = { ...piece, units: Math.min(units(MANY), 5000) };
  const plan = quantile(
    time(() => planned(long)),
    0.95,
  );
  const within = plan < FRAME_MS;
  // Far off is another frame; between the two it is known of stitches that alternate and turn.
  const late =
    plan < 2 * FRAME_MS ? 'a second frame now and then, for collecting what is no longer used' : undefined;
  line('count, length, tally, thread, weight of 3,000 beads, p95 ms', plan, within, 'below 16.7', late);

  const work = quantile(
    time(() => planned(long).work()),
    0.95,
  );
  line(
    'the whole work, bead by bead, for picture and steps, p95 ms',
    work,
    work < 250,
    'aim 100; fails at 250',
  );

  const whole3000 = planned(long).work().path;
  const holes = quantile(
    time(() => [holeFill(whole3000, () => 0.85, planned(long).gear), lane(planned(long))]),
    0.95,
  );
  line('thread plan with its lane, every hole of 3,000 beads, p95 ms', holes, holes < 100, 'below 100');

  const sketch = quantile(
    time(() => planned(long).sketch('above')),
    0.95,
  );
  line('its picture, what repeats drawn once, p95 ms', sketch, sketch < 300, 'aim 100; fails at 300');
  const sample = quantile(
    time(() => planned({ ...piece, units: weaveable.minimumUnits + 12 }).sketch('above')),
    0.95,
  );
  line('a sample of the gallery, numbers and picture, p95 ms', sample, sample < 100, 'aim 50; fails at 100');

  // Reading a piece off its repeat.
  const read = (beads: number) =>
    quantile(
      time(() => totals(reading(build, units(beads), weaveable.minimumUnits), tally)),
      0.5,
    );
  const growth = read(30_000) / read(300) / 100;
  line('reading 300 → 30,000 beads, growth over linear', growth, growth < 1.2, 'at most 1.2');

  const whole = (beads: number) =>
    quantile(
      time(() => tally(build(units(beads))), { least: 15, ms: 500 }),
      0.5,
    );
  const built = whole(30_000) / whole(300) / 100;
  line('building all of 300 → 30,000 beads, growth over linear', built, built < 5, 'aim 1.2; fails at 5');

  const path = build(units(1000));
  const links = new Links(path);
  const first = path.moves.find((m) => m.kind === 'pick')?.bead;
  const far = path.beads.findLast((bead) => bead.place.section === WOVEN && bead.place.pass === 'base');
  if (!first || !far) throw new Error('The path has no beads.');
  const route = quantile(
    time(() => findRoute(links, outOf(first), [outOf(far)], () => true)),
    0.95,
  );
  line('a route from end to end of 1,000 beads, p95 ms', route, route < 10, 'below 10');
  const check = quantile(
    time(() => checkPath(path)),
    0.95,
  );
  line('checking 1,000 beads, p95 ms', check, check < 100, 'below 100');
}

benchParts();
await benchFits();
await benchBrowser();
await benchLoad();

console.log(`\n${paceTold()}`);
if (missed() > 0) {
  console.error(`\n${missed()} figures are far from what they should be.`);
  process.exitCode = 1;
}
