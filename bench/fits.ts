// The fit's part of the benchmark: the search for a graduated line beside a general integer solver.
import loadHighs from 'highs';
import { absorbers } from '@/core/plan/absorbers';
import { arrange, type ArrangeQuestion } from '@/core/fit/arrange';
import { BEADS, CLASPS, FINDINGS } from '@/core/materials/catalogue';
import { newPart } from '@/core/piece/newPiece';
import { planPart } from '@/core/plan/shipped';
import { STRUCTURES } from '@/core/structures/registry';
import { programme } from '@/core/testing/programme';
import { line, quantile, section, time } from './timing';

/** Questions of three to five steps, set out evenly over what people ask. */
const QUESTIONS: readonly ArrangeQuestion[] = Array.from({ length: 30 }, (_, i) => ({
  stepsMm: [3.1, 4, 5.2, 6.1, 8].slice(0, 3 + (i % 3)),
  fixedMm: 20 + i,
  wishMm: 150 + 13 * i,
  least: 1,
  apart: 1 + (i % 3),
}));

export async function benchFits(): Promise<void> {
  section('Fits');
  const highs = await loadHighs();
  const programmes = QUESTIONS.map(programme);
  const own = quantile(
    time(() => QUESTIONS.forEach((q) => arrange(q))),
    0.5,
  );
  const solver = quantile(
    time(() => programmes.forEach((text) => highs.solve(text)), { least: 5, ms: 400 }),
    0.5,
  );
  line('30 graduated lines, ms', own, own < 20, 'below 20');
  line(
    'the same by an integer solver (highs): ratio of times',
    solver / own,
    solver / own >= 20,
    'at least 20',
  );

  const wearer = { personId: null, name: 'Osk', girths: { wrist: 192 }, typical: null };
  for (const { id, name } of STRUCTURES) {
    const piece = newPart('Bench', id, wearer);
    const plan = planPart(piece);
    if (!plan.ok) throw new Error(plan.problem.code);
    const parts = { clasps: CLASPS, findings: FINDINGS, beads: BEADS };
    const rest = quantile(
      time(() => absorbers(piece, plan, parts)),
      0.95,
    );
    line(
      `what would absorb the rest, ${name.toLowerCase()}, p95 ms`,
      rest,
      rest < 200,
      'aim 50; fails at 200',
    );
  }
}
