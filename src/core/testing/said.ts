// What is said of a plan, as its readers read it: every line that a screen tells, in words.
import { BEADS, CLASPS, FINDINGS, NEEDLES, THREADS } from '../materials/catalogue';
import type { LengthStyle } from '../length/length';
import { asPiece, type PartOfPiece } from '../piece/partOfPiece';
import { absorbers } from '../plan/absorbers';
import { cardOf } from '../plan/card';
import { apartFrom, compared } from '../plan/compare';
import type { NoPlan, Plan } from '../plan/plan';
import { planRows, planSteps } from '../plan/steps';
import { swatchPlan } from '../gauge/swatchPlan';
import { cutLines } from '../supplies/cutting';
import { lane } from '../supplies/lane';
import { needs } from '../supplies/needs';
import { remedies } from '../supplies/remedies';
import { wordCaution } from '../words/cautions';
import { wordProblem } from '../words/problems';
import { sectionWords } from '../words/sections';
import { wordWarning } from '../words/warnings';

/** Figures to six digits, so that no other machine finds others; plain data, in one line. */
const plain = (data: unknown): string =>
  JSON.stringify(data, (key, value: unknown) =>
    key === 'change'
      ? undefined
      : typeof value === 'number' && !Number.isInteger(value)
        ? Number(value.toPrecision(6)) + 0
        : value,
  );

/** Every line that is said of a piece as it is planned. */
export function said(
  piece: PartOfPiece,
  plan: Plan | NoPlan,
  before: PartOfPiece,
  style: LengthStyle,
): string[] {
  if (!plan.ok) return [`! ${wordProblem(plan.problem, style)}`];
  const line = (what: string, data: unknown) => `${what}: ${typeof data === 'string' ? data : plain(data)}`;
  const gears = { needles: NEEDLES, threads: THREADS, beads: BEADS };
  return [
    line('other than before', apartFrom(asPiece(piece), asPiece(before), style)),
    ...compared([plan], style).map(({ what, says }) => line(what, says[0] ?? null)),
    line('card', cardOf(plan)),
    ...plan.warnings.map((warning) => line('warning', wordWarning(warning, style))),
    ...plan.cautions.map((caution) => line('caution', wordCaution(caution))),
    ...cutLines(plan.thread).map((cut) => line('cut', cut)),
    ...needs(plan.thread).map(({ section, pass, mm }) =>
      line('thread for', [sectionWords(section), pass, mm]),
    ),
    line('lane', lane(plan)),
    ...absorbers(piece, plan, { clasps: CLASPS, findings: FINDINGS, beads: BEADS }).map(
      ({ what, finishedMm, offMm, fits }) => line('would absorb', [what, finishedMm, offMm, fits]),
    ),
    ...remedies(piece, plan, gears).map((remedy) => line('would help', remedy)),
    line('swatch', swatchPlan(piece, plan, {})),
    ...planRows(plan).map(({ pass, rows, again }) =>
      line(
        `rows, ${pass}`,
        `${rows.map(({ from, words }) => `${from} ${words}`).join('; ')} ${plain(again)}`,
      ),
    ),
    ...planSteps(plan).map(({ section, pass, fromUnit, toUnit, times, stride, steps }) =>
      line(
        `${sectionWords(section)}, ${pass}, ${fromUnit}–${toUnit} × ${times}/${stride}`,
        steps.map(({ needle, text }) => `[${needle}] ${text}`).join(' '),
      ),
    ),
  ];
}
