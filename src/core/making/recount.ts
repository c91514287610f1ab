import { BASE, START } from '../weave/path';
import type { MatPart } from './mat';

/** A row as it is strung: what beads, one after another, and the unit it is of. */
export interface Row {
  readonly unit: number;
  readonly beads: readonly string[];
}

/** The rows of a part that are strung when so many of its steps are done. */
export function rowsOf({ steps }: Pick<MatPart, 'steps'>, at: number): Row[] {
  const rows: { unit: number; row: number; beads: string[] }[] = [];
  for (const { woven, pass, unit, row, beads } of steps.slice(0, at)) {
    if (!woven || (pass !== BASE && pass !== START) || beads.length === 0) continue;
    const strung = beads.flatMap(({ role, shade, count }) =>
      Array.from({ length: count }, () => `${role}${shade === null ? '' : shade + 1}`),
    );
    const last = rows.at(-1);
    if (last?.row === row) last.beads.push(...strung);
    else rows.push({ unit, row, beads: strung });
  }
  return rows;
}

/** What may have gone wrong, once: in this row as it was told, counted from 0. */
export type Slip =
  | { readonly kind: 'none' }
  | {
      readonly kind: 'row left out' | 'row twice' | 'bead left out' | 'bead too many';
      readonly row: number;
      readonly bead?: string;
    };

/** What is asked of the maker, who has the work in her hand and does not see what it should be. */
export type Question =
  /** How many rows there are. */
  | { readonly ask: 'rows' }
  /** How many rows there are up to the nth that looks so, that one counted. */
  | { readonly ask: 'rows to'; readonly beads: readonly string[]; readonly nth: number }
  /** How many such beads there are from one row to another, both counted, from 1. */
  | { readonly ask: 'beads'; readonly bead: string; readonly from: number; readonly to: number };

const sameBeads = (a: readonly string[], b: readonly string[]): boolean =>
  a.length === b.length && a.every((bead, i) => bead === b[i]);

/** The rows that a maker has who slipped so. */
export function slipped(rows: readonly Row[], slip: Slip): Row[] {
  if (slip.kind === 'none') return [...rows];
  return rows.flatMap((row, i): Row[] => {
    if (i !== slip.row) return [row];
    switch (slip.kind) {
      case 'row left out':
        return [];
      case 'row twice':
        return [row, row];
      case 'bead left out': {
        const k = row.beads.indexOf(slip.bead ?? '');
        return [{ ...row, beads: row.beads.filter((_, j) => j !== k) }];
      }
      case 'bead too many':
        return [{ ...row, beads: [...row.beads, slip.bead ?? ''] }];
    }
  });
}

/** What she counts who has these rows. */
export function counted(rows: readonly Row[], question: Question): number {
  switch (question.ask) {
    case 'rows':
      return rows.length;
    case 'rows to': {
      let left = question.nth;
      const at = rows.findIndex(({ beads }) => sameBeads(beads, question.beads) && --left === 0);
      return at + 1;
    }
    case 'beads':
      return rows
        .slice(question.from - 1, question.to)
        .reduce((sum, { beads }) => sum + beads.filter((bead) => bead === question.bead).length, 0);
  }
}

/** Every way to slip once in these rows, from the row on up to which all was found right. */
function slips(rows: readonly Row[], from: number): Slip[] {
  const all = rows.flatMap(({ beads }, row): Slip[] =>
    row < from
      ? []
      : [
          { kind: 'row left out', row },
          { kind: 'row twice', row },
          ...[...new Set(beads)].flatMap((bead): Slip[] => [
            { kind: 'bead left out', row, bead },
            { kind: 'bead too many', row, bead },
          ]),
        ],
  );
  return [{ kind: 'none' }, ...all];
}

/** How likely it is before anything was counted that there was no slip; and that a count is wrong (both from memory). */
const NO_SLIP = 0.5;
const MISCOUNTED = 0.04;

/** Beads of a kind in the first rows, by how many rows. */
type Sums = ReadonlyMap<string, readonly number[]>;

function sumsOf(rows: readonly Row[]): Sums {
  const kinds = new Set(rows.flatMap(({ beads }) => beads));
  return new Map(
    [...kinds].map((kind) => {
      let sum = 0;
      const each = rows.map(({ beads }) => (sum += beads.filter((bead) => bead === kind).length));
      return [kind, [0, ...each]];
    }),
  );
}

/** Beads of a kind in the first so many rows of one who slipped: from the sums of one who did not. */
function beadsIn(sums: Sums, kind: string, slip: Slip, rows: number): number {
  const of = sums.get(kind) ?? [0];
  const upTo = (row: number) => of[Math.max(0, Math.min(row, of.length - 1))] as number;
  if (slip.kind === 'none' || rows <= slip.row) return upTo(rows);
  const own = upTo(slip.row + 1) - upTo(slip.row);
  switch (slip.kind) {
    case 'row left out':
      return upTo(rows + 1) - own;
    case 'row twice':
      return upTo(rows - 1) + own;
    case 'bead left out':
      return upTo(rows) - (slip.bead === kind ? 1 : 0);
    case 'bead too many':
      return upTo(rows) + (slip.bead === kind ? 1 : 0);
  }
}

/** What may be, and how likely each is. */
export interface Belief {
  readonly rows: readonly Row[];
  readonly sums: Sums;
  readonly slips: readonly { readonly slip: Slip; readonly chance: number; readonly work: readonly Row[] }[];
  readonly asked: readonly { readonly question: Question; readonly answer: number }[];
}

/** What may be at first: a slip is as likely in any row that nobody has found right since. */
export function beforeCounting(rows: readonly Row[], rightUpTo = 0): Belief {
  const all = slips(rows, Math.min(rightUpTo, rows.length));
  const each = all.length > 1 ? (1 - NO_SLIP) / (all.length - 1) : 1;
  return {
    rows,
    sums: sumsOf(rows),
    asked: [],
    slips: all.map((slip) => ({
      slip,
      chance: slip.kind === 'none' && all.length > 1 ? NO_SLIP : each,
      work: slipped(rows, slip),
    })),
  };
}

/** What may be after an answer (Bayes): a count is right, or it is one off, or anything. */
export function afterAnswer(belief: Belief, question: Question, answer: number): Belief {
  const weighed = belief.slips.map((one) => {
    const off = Math.abs(countedBy(belief, one, question) - answer);
    // Most who miscount are one off: to either side, or anywhere, it shares out what is left.
    const likely = off === 0 ? 1 - MISCOUNTED : off === 1 ? MISCOUNTED / 3 : MISCOUNTED / 30;
    return { ...one, chance: one.chance * likely };
  });
  const all = weighed.reduce((sum, { chance }) => sum + chance, 0);
  return {
    ...belief,
    asked: [...belief.asked, { question, answer }],
    slips: weighed.map((one) => ({ ...one, chance: one.chance / all })),
  };
}

const bits = (chances: Iterable<number>): number => {
  let sum = 0;
  for (const chance of chances) if (chance > 0) sum -= chance * Math.log2(chance);
  return sum;
};

/** What she counts who slipped so. */
const countedBy = ({ sums }: Belief, { slip, work }: Belief['slips'][number], question: Question): number =>
  question.ask === 'beads'
    ? beadsIn(sums, question.bead, slip, question.to) - beadsIn(sums, question.bead, slip, question.from - 1)
    : counted(work, question);

/** How much an answer would tell, bits: how far apart the counts are that it may be. */
function tells(belief: Belief, question: Question): number {
  const answers = new Map<number, number>();
  for (const one of belief.slips) {
    // What is all but ruled out moves no answer.
    if (one.chance < 1e-6) continue;
    const answer = countedBy(belief, one, question);
    answers.set(answer, (answers.get(answer) ?? 0) + one.chance);
  }
  return bits(answers.values());
}

/** What counting takes, by what is looked at one by one; to begin and to find the place takes as much as some more (from memory). */
const FIND = 6;
function effort(rows: readonly Row[], question: Question): number {
  switch (question.ask) {
    case 'rows':
      return FIND + rows.length;
    case 'rows to':
      return FIND + counted(rows, question);
    case 'beads':
      return FIND + counted(rows, question);
  }
}

/** Less than this a question is not worth asking, bits. */
const WORTH = 0.08;

/** Rows that share out what is likely: as much of it lies between any of them and the next. */
function shares({ rows, slips: all }: Belief): number[] {
  const byRow = rows.map(() => 0);
  for (const { slip, chance } of all)
    if (slip.kind !== 'none') byRow[slip.row] = (byRow[slip.row] ?? 0) + chance;
  const whole = byRow.reduce((sum, chance) => sum + chance, 0);
  const at = new Set([0, rows.length]);
  let sum = 0;
  byRow.forEach((chance, row) => {
    const before = Math.floor((sum / whole) * SHARES);
    sum += chance;
    if (Math.floor((sum / whole) * SHARES) > before) at.add(row).add(row + 1);
  });
  return [...at].sort((a, b) => a - b);
}
/** So many of them: fewer questions to weigh than rows, and each still halves what may be. */
const SHARES = 8;

function questions(belief: Belief): Question[] {
  const { rows } = belief;
  const at = shares(belief);
  const seen = new Map<string, number>();
  const marks = rows.flatMap(({ beads }, i): { row: number; question: Question }[] => {
    const key = beads.join();
    const nth = (seen.get(key) ?? 0) + 1;
    seen.set(key, nth);
    // A row like the one before it is no mark.
    const before = rows[i - 1];
    if (before && sameBeads(before.beads, beads)) return [];
    return [{ row: i, question: { ask: 'rows to', beads, nth } }];
  });
  const near = new Set(
    at.flatMap((row) => [marks.findLast((mark) => mark.row <= row), marks.find((mark) => mark.row >= row)]),
  );
  const kinds = [...new Set(rows.flatMap(({ beads }) => beads))];
  const stretches = kinds.flatMap((bead) =>
    at.flatMap((from, i) =>
      at.slice(i + 1).map((to): Question => ({ ask: 'beads', bead, from: from + 1, to })),
    ),
  );
  return [{ ask: 'rows' }, ...[...near].flatMap((mark) => (mark ? [mark.question] : [])), ...stretches];
}

/** What to ask next: what tells most for the trouble. Null where no count would tell more. */
export function nextQuestion(belief: Belief): Question | null {
  if (belief.asked.length === 0) return { ask: 'rows' };
  let best: { question: Question; worth: number } | null = null;
  for (const question of questions(belief)) {
    const told = tells(belief, question);
    if (told < WORTH) continue;
    const worth = told / effort(belief.rows, question);
    if (!best || worth > best.worth) best = { question, worth };
  }
  return best?.question ?? null;
}

/** Where the slip most likely is. */
export interface Verdict {
  readonly kind: Slip['kind'];
  /** Rows between which it is with this chance, from 0; null where there is none. */
  readonly rows: readonly [number, number] | null;
  readonly units: readonly [number, number] | null;
  readonly chance: number;
  /** All of those rows are alike: which of them it is makes no difference. */
  readonly alike: boolean;
}

/** As sure as this it is told. */
export const SURE = 0.85;

/** What is most likely, in as few rows as it can be said of. */
export function verdict({ rows, slips: all }: Belief): Verdict {
  const chances = new Map<Slip['kind'], number>();
  for (const { slip, chance } of all) chances.set(slip.kind, (chances.get(slip.kind) ?? 0) + chance);
  const [kind, chance] = [...chances].reduce((best, one) => (one[1] > best[1] ? one : best));
  if (kind === 'none') return { kind, rows: null, units: null, chance, alike: false };
  const own = all
    .flatMap(({ slip, chance: its, work }) =>
      slip.kind !== 'none' && slip.kind === kind ? [{ row: slip.row, its, work }] : [],
    )
    .sort((a, b) => b.its - a.its);
  const taken: number[] = [];
  let sum = 0;
  for (const { row, its } of own) {
    if (sum >= SURE * chance) break;
    taken.push(row);
    sum += its;
  }
  const [low, high] = [Math.min(...taken), Math.max(...taken)];
  const unitOf = (row: number) => rows[row]?.unit ?? 0;
  const works = own.filter(({ row }) => taken.includes(row)).map(({ work }) => work);
  const alike = works.every((work) =>
    work.every(({ beads }, i) => sameBeads(beads, works[0]?.[i]?.beads ?? [])),
  );
  return { kind, rows: [low, high], units: [unitOf(low), unitOf(high)], chance: sum, alike };
}
