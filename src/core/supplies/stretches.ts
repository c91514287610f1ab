import { WOVEN, type Section } from '../weave/path';
import type { Reading } from '../read/totals';
import type { ThreadMove } from '../read/thread';
import type { Bead, Path, Place } from '../weave/path';
import { isTraversal } from '../weave/path';

/** What one needle lays in one unit of one pass, in the order of work. */
export interface Stretch {
  readonly needle: string;
  readonly section: Section;
  readonly pass: string;
  readonly unit: number;
  /** Thread in it, all strands, mm. */
  readonly mm: number;
  /** The bead that it comes out of last; null where it goes through none. */
  readonly last: Bead | null;
}

/** A place in the work by the words that a maker has for it. */
export interface WorkPlace {
  readonly needle: string;
  readonly pass: string;
  readonly unit: number;
}

type Growing = { -readonly [K in keyof Stretch]: Stretch[K] };

const belongs = (
  stretch: Pick<Place, 'section' | 'pass' | 'unit'>,
  { section, pass, unit }: Place,
): boolean => stretch.section === section && stretch.pass === pass && stretch.unit === unit;

/** Where among the moves of a path each stretch of a needle begins. */
export function stretchStarts({ moves }: Pick<Path, 'moves'>, needle: string): number[] {
  let last: Place | null = null;
  return moves.flatMap(({ needle: by, place }, i) => {
    if (by !== needle) return [];
    const begins = !last || !belongs(last, place);
    last = place;
    return begins ? [i] : [];
  });
}

/** The thread of one needle, cut where its unit, pass or section changes. */
function stretchesOf(moves: readonly ThreadMove[], needle: string): Stretch[] {
  const all: Growing[] = [];
  for (const { move, holeMm, gapMm, strands } of moves) {
    if (move.needle !== needle) continue;
    let stretch = all.at(-1);
    if (!stretch || !belongs(stretch, move.place)) {
      const { section, pass, unit } = move.place;
      stretch = { needle, section, pass, unit, mm: 0, last: null };
      all.push(stretch);
    }
    stretch.mm += (holeMm + gapMm) * strands;
    if (isTraversal(move)) stretch.last = move.bead;
  }
  return all;
}

/**
 * Puts in the units that a short path lacks, where it repeats: in every pass along the piece, whichever way that
 * runs. `missing` is a multiple of `period`.
 */
function lengthened(
  stretches: readonly Stretch[],
  units: number,
  period: number,
  missing: number,
): Stretch[] {
  // Away from both ends every period is like the next.
  const from = Math.floor(units / 2 / period) * period;
  const shifted = (stretch: Stretch, by: number): Stretch => ({ ...stretch, unit: stretch.unit + by });
  const middle = (stretch: Stretch) =>
    stretch.section === WOVEN && stretch.unit >= from && stretch.unit < from + period;
  const all: Stretch[] = [];
  for (let i = 0; i < stretches.length; i++) {
    const first = stretches[i] as Stretch;
    if (!middle(first)) {
      all.push(first.section === WOVEN && first.unit >= from + period ? shifted(first, missing) : first);
      continue;
    }
    const run = [first];
    while (continues(first, stretches[i + 1]) && middle(stretches[i + 1] as Stretch))
      run.push(stretches[++i] as Stretch);
    const last = run.at(-1) as Stretch;
    const forward = run.length === 1 ? isForward(stretches, i) : last.unit >= first.unit;
    for (let k = 0; k <= missing; k += period)
      all.push(...run.map((stretch) => shifted(stretch, forward ? k : missing - k)));
  }
  return all;
}

const continues = (one: Stretch, next: Stretch | undefined): boolean =>
  next !== undefined && next.pass === one.pass && next.section === one.section;

/** Whether the pass that a stretch belongs to runs from the start of the piece to its end. */
function isForward(stretches: readonly Stretch[], i: number): boolean {
  const here = stretches[i] as Stretch;
  const beside = [stretches[i + 1], stretches[i - 1]];
  const [after, before] = beside.map((other) => (other && continues(here, other) ? other.unit : null));
  return after !== null && after !== undefined ? after >= here.unit : (before ?? 0) <= here.unit;
}

/** The thread of one needle over a whole piece, read off a short one where it repeats. */
export function stretches(
  from: Reading,
  movesOf: (built: Reading['at']) => readonly ThreadMove[],
  needle: string,
): Stretch[] {
  const short = stretchesOf(movesOf(from.at), needle);
  if (from.kind === 'whole') return short;
  const period = from.longer.units - from.at.units;
  return lengthened(short, from.at.units, period, from.periods * period);
}
