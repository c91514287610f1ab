import { counted } from '../words/figures';
import { isTraversal, WOVEN, type Bead, type Move, type Path, type Traversal, slotKey } from '../weave/path';
import { head, list, runs } from './runs';
import { sectionWords } from '../words/sections';

/** What the maker calls one row of the work. */
export type RowWord = 'row' | 'round' | 'rung' | 'unit' | 'circle' | 'point' | 'drop';

export interface StepWords {
  /** What the maker calls a bead of this role. */
  readonly role: (role: string) => string;
  /** What she calls a row. */
  readonly row: RowWord;
  /** Steps are written for the right hand; for the left one the sides are named the other way round. */
  readonly hand: 'right' | 'left';
  /** Whether what stands in the place of a bead of two holes is a motif, held at two of its points. */
  readonly isMotif?: (role: string) => boolean;
  /** Whether thread is carried by a needle: cord and elastic go by themselves. */
  readonly needled?: boolean;
  /** The stroke of each pass, where the layout is known. */
  readonly strokes?: ReadonlyMap<Move, number>;
}

/** One stretch of moves as a sentence. */
export function sentence(path: Path, moves: readonly Move[], words: StepWords): string {
  const phrases = runs(moves, phraseKey).map((run) => phrase(path, run, words));
  const text = withRefrains(phrases).join(', then ').replaceAll(';, then ', '; then ');
  return `${text.charAt(0).toUpperCase()}${text.slice(1)}.`;
}

/** More phrases than this are not said in one breath. */
const LONGEST_REFRAIN = 4;

/** What is done several times running is told once: `3 times: pick up 1 A, go back through the B …`. */
function withRefrains(phrases: readonly string[]): string[] {
  const lines: string[] = [];
  for (let i = 0; i < phrases.length;) {
    const { length, times } = refrain(phrases, i);
    const once = phrases.slice(i, i + length).join(', ');
    lines.push(times > 1 ? `${times} times: ${once};` : once);
    i += length * times;
  }
  return lines.map((phrase, i) => (i === lines.length - 1 ? phrase.replace(/;$/, '') : phrase));
}

/** The refrain at a place that saves the most phrases; one phrase, once, where nothing repeats. */
function refrain(phrases: readonly string[], from: number): { length: number; times: number } {
  let best = { length: 1, times: 1 };
  for (let length = 1; length <= LONGEST_REFRAIN; length++) {
    let times = 1;
    while (phrases.slice(from, from + length).every((p, k) => phrases[from + times * length + k] === p))
      times++;
    if (length * (times - 1) > best.length * (best.times - 1)) best = { length, times };
  }
  return best;
}

/** Moves that are told together: picks in a run, passes of one manner and direction, a whole journey. */
function phraseKey(move: Move): string {
  if (!isTraversal(move)) return move.kind;
  return move.as === 'travel' ? 'travel' : `${move.kind}${move.enter}${move.as ?? ''}`;
}

function phrase(path: Path, run: readonly Move[], words: StepWords): string {
  const move = head(run);
  const bead = (b: Bead) => one(path, b, 0, move, words);
  switch (move.kind) {
    case 'begin':
      return BEGIN[move.stop];
    case 'pick':
      return `pick up ${list(pickGroups(run.filter(isTraversal), words))}`;
    case 'pass':
      return passes(path, run.filter(isTraversal), words);
    case 'attach':
      return `go through the ${move.finding.name}${ordinal(move.hole, move.finding.holes)}`;
    case 'under':
      return `go under the thread between ${bead(move.bridge.from.bead)} and ${bead(move.bridge.to.bead)}`;
    case 'around':
      return `go round the outside of ${bead(move.bead)}`;
    case 'between':
      return `go between ${bead(move.beads[0])} and ${bead(move.beads[1])} to the other face`;
    case 'enclose':
      return `set in ${list(run.flatMap((m) => (m.kind === 'enclose' ? [`1 ${words.role(m.bead.role)}`] : [])))}`;
    case 'knot':
      if (move.knot === 'square' && move.into)
        return 'tie a square knot with one more turn while it is stretched, and let it slip into the bead';
      return `make a ${move.knot}${move.into ? ' and pull it into the bead' : ''}`;
    case 'skip':
      return `skip ${list(run.flatMap((m) => (m.kind === 'skip' ? [bead(m.bead)] : [])))}`;
    case 'turn':
      return move.how === 'over' ? 'turn the work over' : 'turn the work end for end';
    case 'release':
      return 'take off the stop bead';
    case 'tail':
      return 'weave in the rest of this thread and trim it away from any knot';
  }
}

const BEGIN = {
  none: 'leave the tail hanging',
  foreign: 'put on a stop bead that comes off later, leaving the tail',
  pattern: 'leave the tail; the first bead is the stop bead, and stays',
} as const;

/** `2 A and 1 B`, with the hole that is strung where a bead has several. */
const pickGroups = (picks: readonly Traversal[], words: StepWords): string[] =>
  runs(picks, (m) => `${m.bead.role}/${m.hole}`).map((same) => {
    const { bead, hole } = head(same);
    const role = words.role(bead.role);
    // A letter stands for one or many; a word has its plural.
    const several = same.length > 1 && role.length > 1 ? 's' : '';
    const by = words.isMotif?.(bead.role) ? ' by one of its points' : ordinal(hole, bead.holes);
    return `${same.length} ${role}${several}${by}`;
  });

function passes(path: Path, run: readonly Traversal[], words: StepWords): string {
  const first = head(run);
  const last = run[run.length - 1] as Traversal;
  if (first.as === 'travel') {
    const where = one(path, last.bead, last.hole, last, words);
    return `weave on, hidden, through ${counted(run.length, 'bead')} to come out of ${where}`;
  }
  const beads = passed(path, run, words);
  const stroke = run.length > 1 && sameStroke(run, words) ? ', all on the needle at once' : '';
  switch (first.as) {
    case 'step-up':
      return `step up through ${beads}`;
    case 'close':
      return `close up: go through ${beads}${stroke}`;
    case 'turn':
      if (words.isMotif?.(first.bead.role))
        return `weave on, hidden, inside it to come out of ${beads}${stroke}`;
      return `turn at the edge and go ${first.enter === 1 ? 'back ' : ''}through ${beads}${stroke}`;
    case 'reinforce':
      return `go once more through ${beads}${stroke}`;
    default:
      return `go ${first.enter === 1 ? 'back ' : ''}through ${beads}${stroke}`;
  }
}

function sameStroke(run: readonly Traversal[], { strokes }: StepWords): boolean {
  const stroke = strokes?.get(head(run));
  return stroke !== undefined && run.every((move) => strokes?.get(move) === stroke);
}

/** The same bead of one row after another, up to the newest: `the last 4 core C, the new one included`. */
function climbing(run: readonly Traversal[], words: StepWords): string | null {
  const { bead, place } = run[run.length - 1] as Traversal;
  const climbs = run.every(
    (m, i) =>
      slotKey(m.bead.slot) === slotKey(bead.slot) &&
      m.bead.role === bead.role &&
      m.bead.place.section === place.section &&
      m.bead.place.row === place.row - (run.length - 1 - i),
  );
  if (!climbs || run.length < 3) return null;
  return `the last ${run.length} ${side(bead, words)}${words.role(bead.role)}, the new one included`;
}

/** The beads gone through, by the part they stand in. */
const passed = (path: Path, run: readonly Traversal[], words: StepWords): string =>
  climbing(run, words) ??
  list(
    runs(run, (m) => where(path, m.bead, m, words)).map((same) => {
      const place = where(path, head(same).bead, head(same), words);
      if (same.length > 2) return `the ${same.length} beads ${place}`;
      return `${list(same.map((m) => named(m.bead, m.hole, words)))} ${place}`;
    }),
  );

/** One bead with where it stands: `the left A of the row before`. */
const one = (path: Path, bead: Bead, hole: number, from: Move, words: StepWords): string =>
  `${named(bead, hole, words)} ${where(path, bead, from, words)}`;

function named(bead: Bead, hole: number, words: StepWords): string {
  const nth = words.isMotif?.(bead.role)
    ? (POINTS[hole] ?? 'other point')
    : `${ORDINALS[hole] ?? `${hole + 1}th`} hole`;
  const which = bead.holes > 1 ? `the ${nth} of ` : '';
  return `${which}the ${side(bead, words)}${words.role(bead.role)}`;
}

/** Where a motif is held: at the point that it was taken up by, and at that opposite. */
const POINTS = ['point', 'opposite point'] as const;
const ORDINALS = ['first', 'second', 'third', 'fourth'] as const;
const ordinal = (hole: number, holes: number): string =>
  holes > 1 ? ` by its ${ORDINALS[hole] ?? hole + 1} hole` : '';

/** Which row or part a bead stands in, seen from where the needle works. */
function where(path: Path, bead: Bead, { place }: Move, words: StepWords): string {
  const { section, row } = bead.place;
  if (section !== place.section) return section === WOVEN ? 'of the work' : `of the ${sectionWords(section)}`;
  const folds = path.parts.get(section.part)?.folds ?? null;
  if (section !== WOVEN && folds === null)
    return `of the ${sectionWords(section).replace(/^(start|end) /, '')}`;
  const back = place.row - row;
  if (folds !== null)
    return back === 0 ? 'just picked up' : back === 1 ? 'of the part before' : `of part ${row + 1}`;
  const nearby = NEARBY.get(back);
  if (nearby) return nearby(words.row);
  const count = COUNTS[Math.abs(back)];
  if (!count) return `of ${words.row} ${row + 1}`;
  return `${count} ${words.row}s ${back > 0 ? 'back' : 'on'}`;
}

/** How far away a row lies, where there is a word for it. */
const NEARBY = new Map<number, (row: string) => string>([
  [0, (row) => `of this ${row}`],
  [1, (row) => `of the ${row} before`],
  [-1, (row) => `of the next ${row}`],
]);
const COUNTS = ['no', 'one', 'two', 'three', 'four', 'five', 'six'] as const;

/** A bead's own name where it is a word; numbers in a run say nothing to the maker. */
function side({ name }: Bead, { hand }: StepWords): string {
  if (/\d/.test(name)) return '';
  return `${hand === 'left' ? mirrored(name) : name} `;
}

/** The same side in a mirror. */
const mirrored = (name: string): string =>
  name.replace(/left|right/g, (word) => (word === 'left' ? 'right' : 'left'));
