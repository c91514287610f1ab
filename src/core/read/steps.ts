import { isTraversal, type Bead, type Move, type Path } from '../weave/path';

/** What one stretch of work asks of the maker. */
export interface Step {
  readonly needle: string;
  readonly text: string;
}

/** Steps of one unit, or of several neighbouring units in which they read the same. */
export interface StepGroup {
  readonly section: string;
  readonly pass: string;
  /** Units counted from 1, first and last. */
  readonly fromUnit: number;
  readonly toUnit: number;
  readonly steps: readonly Step[];
}

export interface StepWords {
  /** What the maker calls a bead of this role. */
  readonly role: (role: string) => string;
  readonly row: 'row' | 'unit';
}

/** The worded steps of a path. Equal neighbouring units are folded into one group. */
export function steps(path: Path, words: StepWords): StepGroup[] {
  const groups: StepGroup[] = [];
  for (const unit of runs(path.moves, (m) => `${m.place.section}|${m.place.pass}|${m.place.unit}`)) {
    const { section, pass, unit: number } = head(unit).place;
    const worded = runs(unit, (m) => `${m.needle}|${m.place.row}`).map((row) => ({
      needle: head(row).needle,
      text: sentence(row, words),
    }));
    const before = groups.at(-1);
    if (before && before.section === section && before.pass === pass && sameSteps(before.steps, worded)) {
      const from = Math.min(before.fromUnit, number + 1);
      groups[groups.length - 1] = { ...before, fromUnit: from, toUnit: Math.max(before.toUnit, number + 1) };
    } else groups.push({ section, pass, fromUnit: number + 1, toUnit: number + 1, steps: worded });
  }
  return groups;
}

const sameSteps = (a: readonly Step[], b: readonly Step[]) =>
  a.length === b.length && a.every((step, i) => step.text === b[i]?.text && step.needle === b[i].needle);

/** Splits a list into runs of neighbours with the same key. */
function runs<T>(items: readonly T[], key: (item: T) => string): T[][] {
  const found: T[][] = [];
  let last: string | null = null;
  for (const item of items) {
    const k = key(item);
    if (k === last) found.at(-1)?.push(item);
    else found.push([item]);
    last = k;
  }
  return found;
}

/** The first of a run, which is never empty. */
const head = <T>(run: readonly T[]): T => run[0] as T;

function sentence(moves: readonly Move[], words: StepWords): string {
  const kind = (m: Move) => (isTraversal(m) ? `${m.kind}${m.enter}` : m.kind);
  const phrases = runs(moves, kind).map((run) => phrase(run, words));
  const text = phrases.join(', then ');
  return `${text.charAt(0).toUpperCase()}${text.slice(1)}.`;
}

function phrase(run: readonly Move[], words: StepWords): string {
  const move = head(run);
  switch (move.kind) {
    case 'begin':
      return move.stop === 'foreign'
        ? 'put on a stop bead that comes off later, leaving the tail'
        : 'leave the tail hanging';
    case 'pick':
      return `pick up ${list(runs(beadsOf(run), (b) => b.role).map((beads) => count(beads.length, head(beads), words)))}`;
    case 'pass':
      return `go ${move.enter === 1 ? 'back ' : ''}through ${passed(run, words)}`;
    case 'attach':
      return `go through the ${move.finding.name}`;
    case 'knot':
      return `make a ${move.knot}`;
    case 'tail':
      return 'weave in the rest of this thread and trim it away from any knot';
  }
}

const beadsOf = (run: readonly Move[]): Bead[] => run.filter(isTraversal).map((m) => m.bead);

const count = (n: number, bead: Bead, words: StepWords) => `${n} ${words.role(bead.role)}`;

/** The beads gone through, by the part they stand in. */
function passed(run: readonly Move[], words: StepWords): string {
  const { place } = head(run);
  const where = (bead: Bead) => {
    if (bead.place.section !== place.section)
      return bead.place.section === 'body' ? 'at the edge' : `of the ${bead.place.section}`;
    if (bead.place.section !== 'body') return 'of the loop';
    const rows = place.row - bead.place.row;
    return rows === 0
      ? `of this ${words.row}`
      : rows === 1
        ? `of the ${words.row} before`
        : `of ${words.row} ${bead.place.row + 1}`;
  };
  return list(
    runs(beadsOf(run), where).map((beads) =>
      beads.length > 2
        ? `the ${beads.length} beads ${where(head(beads))}`
        : beads.map((b) => `the ${side(b)}${words.role(b.role)} ${where(b)}`).join(' and '),
    ),
  );
}

/** A bead's own name where it is a word; numbers in a run say nothing to the maker. */
const side = ({ name }: Bead) => (/\d/.test(name) ? '' : `${name} `);

const list = (parts: readonly string[]): string =>
  parts.length < 2 ? parts.join('') : `${parts.slice(0, -1).join(', ')} and ${parts.at(-1)}`;
