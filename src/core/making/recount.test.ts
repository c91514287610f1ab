import { describe, expect, it } from 'vitest';
import { seeded } from '../layout/solver/random';
import { examplePiece } from '@/demo/choir';
import { at } from '../structures/structure';
import { onMat } from '../testing/atTheMat';
import { lastPart } from './mat';
import {
  afterAnswer,
  beforeCounting,
  counted,
  nextQuestion,
  rowsOf,
  slipped,
  SURE,
  verdict,
  type Question,
  type Row,
  type Slip,
  type Verdict,
} from './recount';

const rowsIn = (units: number, unit: readonly (readonly string[])[]): Row[] =>
  Array.from({ length: units * unit.length }, (_, i) => ({
    unit: Math.floor(i / unit.length),
    beads: [...at(unit, i % unit.length)],
  }));

/** The work of a maker who follows the rows one by one and slips once, bead by bead: as she has it in her hand. */
function madeBy(rows: readonly Row[], slip: Slip): string[] {
  const made: string[] = [];
  for (let i = 0; i < rows.length; i++) {
    const here = slip.kind !== 'none' && slip.row === i;
    let row = at(rows, i).beads.join('');
    if (here && slip.kind === 'row left out') continue;
    if (here && slip.kind === 'bead left out') row = row.replace(slip.bead ?? '', '');
    if (here && slip.kind === 'bead too many') row += slip.bead;
    made.push(row);
    if (here && slip.kind === 'row twice') made.push(row);
  }
  return made;
}

/** What she counts of it. */
function counts(work: readonly string[], question: Question): number {
  if (question.ask === 'rows') return work.length;
  if (question.ask === 'beads')
    return [...work.slice(question.from - 1, question.to).join('')].filter((one) => one === question.bead)
      .length;
  const like = question.beads.join('');
  const places = work.flatMap((row, i) => (row === like ? [i + 1] : []));
  return places[question.nth - 1] ?? 0;
}

/** Counts as a maker does, and now and then is one off; until all is as sure as it gets. */
function found(
  rows: readonly Row[],
  slip: Slip,
  misses: () => boolean,
  rightUpTo = 0,
): Verdict & { asked: number } {
  const work = madeBy(rows, slip);
  let belief = beforeCounting(rows, rightUpTo);
  for (let asked = 0; asked < 12; asked++) {
    const question = nextQuestion(belief);
    if (!question) break;
    belief = afterAnswer(belief, question, counts(work, question) + (misses() ? 1 : 0));
    const now = verdict(belief);
    if (now.chance > SURE && now.units && now.units[1] - now.units[0] <= 1) break;
  }
  return { ...verdict(belief), asked: belief.asked.length };
}

/** Rows of pieces of the demo world as they lie on the mat, with beads of one letter each. */
const EXAMPLES = ['tide-rope', 'slack-water', 'gangway-rail', 'mooring-rope', 'quay-wall', 'deck-planks'];
const rowsOfExample = (name: string): Row[] => {
  const part = lastPart(onMat(examplePiece(name)));
  return rowsOf(part, part.steps.length);
};

const AAAB = [
  ['A', 'A'],
  ['A', 'A'],
  ['A', 'A'],
  ['B', 'B'],
];

describe('from counts to where a slip is', () => {
  it('by hand: a row too few, and the third row of B comes a row too early: it lies before that', () => {
    const rows = rowsIn(6, AAAB);
    const slip: Slip = { kind: 'row left out', row: 9 };
    const work = slipped(rows, slip);
    expect(work.map(({ beads }) => beads.join(''))).toEqual(madeBy(rows, slip));
    expect(counted(work, { ask: 'rows' })).toBe(23);
    expect(counted(work, { ask: 'rows to', beads: ['B', 'B'], nth: 2 })).toBe(8);
    expect(counted(work, { ask: 'rows to', beads: ['B', 'B'], nth: 3 })).toBe(11);
    let belief = beforeCounting(rows);
    belief = afterAnswer(belief, { ask: 'rows' }, 23);
    expect(verdict(belief).kind).toBe('row left out');
    belief = afterAnswer(belief, { ask: 'rows to', beads: ['B', 'B'], nth: 3 }, 11);
    belief = afterAnswer(belief, { ask: 'rows to', beads: ['B', 'B'], nth: 2 }, 8);
    expect(verdict(belief)).toMatchObject({ kind: 'row left out', units: [2, 2] });
  });

  it('where all rows are alike, which of them it is makes no difference, and that is said', () => {
    const rows = rowsIn(20, [['A', 'A']]);
    let belief = afterAnswer(beforeCounting(rows), { ask: 'rows' }, 21);
    // Once more, in case she miscounted.
    expect(nextQuestion(belief)).toEqual({ ask: 'rows' });
    belief = afterAnswer(belief, { ask: 'rows' }, 21);
    expect(verdict(belief)).toMatchObject({ kind: 'row twice', alike: true });
    expect(nextQuestion(belief)).toBeNull();
  });

  it('counts that agree say that nothing is wrong', () => {
    const rows = rowsIn(8, AAAB);
    expect(found(rows, { kind: 'none' }, () => false)).toMatchObject({ kind: 'none', rows: null });
  });

  it('200 makers who slip, and miscount one time in fifty: the unit of the slip, or the one beside it, in 90 of 100', () => {
    const random = seeded(24);
    const pick = <T>(of: readonly T[]): T => at(of, Math.floor(random() * of.length));
    const works = EXAMPLES.map(rowsOfExample);
    let [right, questions] = [0, 0];
    for (let i = 0; i < 200; i++) {
      const all = at(works, i % works.length);
      const rows = all.slice(0, 12 + Math.floor(random() * (all.length - 12)));
      const kinds = new Set(rows.map(({ beads }) => beads.join('')));
      const row = Math.floor(random() * rows.length);
      // Of rows that are all alike it makes no difference which is missing: there a bead is.
      const kind = pick(
        kinds.size > 1
          ? (['row left out', 'row twice', 'bead left out'] as const)
          : (['bead left out', 'bead too many'] as const),
      );
      const slip = { kind, row, bead: pick(at(rows, row).beads) };
      const told = found(rows, slip, () => random() < 0.02);
      questions += told.asked;
      const of = at(rows, row).unit;
      const [low, high] = told.units ?? [Infinity, -Infinity];
      // The unit, or the one beside it; or rows that are all alike, of which any will do.
      if (told.kind === kind && of >= low - 1 && of <= high + 1 && (told.alike || high - low <= 2)) right++;
    }
    expect(right).toBeGreaterThanOrEqual(180);
    // Few enough to be asked: each halves where it may be, and more.
    expect(questions / 200).toBeLessThan(8);
  });

  it('found right at the last count, two counts more say in which unit of ten it is', () => {
    const rows = rowsIn(30, AAAB);
    for (const row of [81, 92, 101, 117]) {
      const told = found(rows, { kind: 'row left out', row }, () => false, 80);
      expect(told.units?.[0]).toBeGreaterThanOrEqual(at(rows, row).unit - 1);
      expect(told.units?.[1]).toBeLessThanOrEqual(at(rows, row).unit + 1);
      expect(told.asked).toBeLessThanOrEqual(5);
    }
  });
});
