import type { Plan } from '../plan';
import { WOVEN, type WorkPlace } from './stretches';
import { placesToChange, type ThreadPlan } from './threadPlan';

type DivisionOf = ThreadPlan['divisions'][number];

/** A length of thread as it lies along one pass of the piece: from one edge of a unit to another. */
export interface LaneBar {
  /** Which pass of which needle, in the order of work. */
  readonly line: number;
  /** Which length, counted through the whole work. */
  readonly length: number;
  readonly fromUnit: number;
  readonly toUnit: number;
}

/** A change of thread on the lane, and where else it could be. */
export interface LaneChange {
  readonly line: number;
  /** The edge between units at which it stands. */
  readonly unit: number;
  readonly after: WorkPlace;
  readonly crowded: boolean;
  /** Other edges, in the order of work, between the change before and the one behind. */
  readonly others: readonly { readonly line: number; readonly unit: number; readonly after: WorkPlace }[];
}

export interface Lane {
  readonly lines: number;
  readonly bars: readonly LaneBar[];
  readonly changes: readonly LaneChange[];
}

/** Thread along the piece: a line for every pass, a bar for every length in it. */
export function lane({ thread }: Pick<Plan, 'thread'>): Lane {
  const bars: LaneBar[] = [];
  const changes: LaneChange[] = [];
  let lines = 0;
  let length = 0;
  for (const division of thread.divisions) {
    const lineOf = new Map<string, number>();
    for (const { section, pass } of division.stretches)
      if (section === WOVEN && !lineOf.has(passOf(pass))) lineOf.set(passOf(pass), lines++);
    for (const { from, to } of division.cuts) bars.push(...barsOf(division, from, to, length++, lineOf));
    changes.push(...changesOf(division, lineOf));
  }
  return { lines, bars, changes };
}

/** The start is the first row of the weave itself. */
const passOf = (pass: string): string => (pass === 'start' ? 'base' : pass);

function barsOf(
  { stretches }: DivisionOf,
  from: number,
  to: number,
  length: number,
  lineOf: ReadonlyMap<string, number>,
): LaneBar[] {
  const spans = new Map<number, { fromUnit: number; toUnit: number }>();
  for (const { section, pass, unit } of stretches.slice(from, to)) {
    const line = section === WOVEN ? lineOf.get(passOf(pass)) : undefined;
    if (line === undefined) continue;
    const span = spans.get(line);
    spans.set(line, {
      fromUnit: Math.min(span?.fromUnit ?? unit, unit),
      toUnit: Math.max(span?.toUnit ?? 0, unit + 1),
    });
  }
  return [...spans].map(([line, span]) => ({ line, length, ...span }));
}

function changesOf(division: DivisionOf, lineOf: ReadonlyMap<string, number>): LaneChange[] {
  const { stretches, changes } = division;
  const places = placesToChange(division);
  const edge = (at: number) => {
    const [before, behind] = [stretches[at - 1], stretches[at]];
    if (!before) throw new Error('A change stands between two stretches.');
    const { needle, pass, unit } = before;
    // A pass that comes back meets the edge on the near side of its unit.
    const back = behind && behind.pass === pass && behind.unit < unit;
    return {
      line: lineOf.get(passOf(pass)) ?? 0,
      unit: back ? unit : unit + 1,
      after: { needle, pass, unit },
    };
  };
  return changes.map(({ at, crowded }, k) => ({
    ...edge(at),
    crowded,
    others: places
      .filter((place) => place > (changes[k - 1]?.at ?? 0) && place < (changes[k + 1]?.at ?? Infinity))
      .map(edge),
  }));
}

/** The same changes with one of them elsewhere: what the maker then wants. */
export const moved = (changes: readonly LaneChange[], index: number, to: WorkPlace): WorkPlace[] =>
  changes.map(({ after }, i) => (i === index ? to : after));
