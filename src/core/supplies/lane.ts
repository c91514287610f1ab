import { rowsPass, WOVEN } from '../weave/path';
import type { Plan } from '../plan/plan';
import { type WorkPlace } from './stretches';
import { placesToChange, type ThreadPlan } from './threadPlan';
import { given } from '../tools/given';

type DivisionOf = ThreadPlan['divisions'][number];

/** A length of thread as it lies along one pass of the piece: from one edge of a unit to another. */
export interface LaneBar {
  /** Which way along the piece, of which pass and needle, in the order of work. */
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

/** Thread along the piece: a line for every way along it that a pass makes, a bar for every length in it. */
export function lane({ thread }: Pick<Plan, 'thread'>): Lane {
  const bars: LaneBar[] = [];
  const changes: LaneChange[] = [];
  let lines = 0;
  let length = 0;
  for (const division of thread.divisions) {
    const { lineOf, next } = linesOf(division, lines);
    for (const { from, to } of division.cuts) bars.push(...barsOf(division, from, to, length++, lineOf));
    changes.push(...changesOf(division, lineOf));
    lines = next;
  }
  return { lines, bars, changes };
}

/** The line of a stretch by its index; none for what lies beside the woven part. */
type LineOf = ReadonlyMap<number, number>;

/** Lines in the order of work, from `first` on, and the one after them. */
function linesOf(
  { stretches }: DivisionOf,
  first: number,
): { readonly lineOf: LineOf; readonly next: number } {
  const ofPass = new Map<string, { readonly index: number; readonly unit: number }[]>();
  stretches.forEach(({ section, pass, unit }, index) => {
    if (section !== WOVEN) return;
    const units = ofPass.get(rowsPass(pass)) ?? [];
    units.push({ index, unit });
    ofPass.set(rowsPass(pass), units);
  });
  const ways = [...ofPass.values()].flatMap((all) =>
    waysAlong(all.map(({ unit }) => unit)).map(({ from, to }) =>
      all.slice(from, to).map(({ index }) => index),
    ),
  );
  ways.sort(([a = 0], [b = 0]) => a - b);
  // A turn at an end is no way along the piece: it goes with what comes before it.
  const isTurn = (way: readonly number[]) => new Set(way.map((index) => stretches[index]?.unit)).size === 1;
  const along = ways.filter((way) => !isTurn(way));
  const drawn = along.length > 0 ? along : ways;
  const lineOf = new Map(drawn.flatMap((way, k) => way.map((index) => [index, first + k] as const)));
  let last = first;
  for (const index of ways.flat().sort((a, b) => a - b)) {
    last = lineOf.get(index) ?? last;
    lineOf.set(index, last);
  }
  return { lineOf, next: first + drawn.length };
}

/** So many units back are a detail of the stitch; more, and the work has turned. */
const DETAIL = 2;

/** Splits the units that a pass visits where it turns at an end and comes back. */
function waysAlong(units: readonly number[]): { readonly from: number; readonly to: number }[] {
  const ways: { from: number; to: number }[] = [];
  let from = 0;
  let far = 0;
  let direction = 0;
  units.forEach((unit, i) => {
    const on = unit - (units[far] ?? unit);
    if (direction === 0 && Math.abs(on) > DETAIL) direction = Math.sign(on);
    if (on * direction < -DETAIL) {
      ways.push({ from, to: far + 1 });
      from = far + 1;
      direction = -direction;
      far = i;
    } else if (on * direction > 0 || (direction !== 0 && on === 0)) far = i;
  });
  return [...ways, { from, to: units.length }];
}

function barsOf(
  { stretches }: DivisionOf,
  from: number,
  to: number,
  length: number,
  lineOf: LineOf,
): LaneBar[] {
  const spans = new Map<number, { fromUnit: number; toUnit: number }>();
  stretches.slice(from, to).forEach(({ unit }, i) => {
    const line = lineOf.get(from + i);
    if (line === undefined) return;
    // What comes before the first unit lies on it.
    const at = Math.max(unit, 0);
    const span = spans.get(line);
    spans.set(line, {
      fromUnit: Math.min(span?.fromUnit ?? at, at),
      toUnit: Math.max(span?.toUnit ?? 0, at + 1),
    });
  });
  return [...spans].map(([line, span]) => ({ line, length, ...span }));
}

function changesOf(division: DivisionOf, lineOf: LineOf): LaneChange[] {
  const { stretches, changes } = division;
  const places = placesToChange(division);
  const edge = (at: number) => {
    const [before, behind] = [stretches[at - 1], stretches[at]];
    if (!before) throw new Error('A change stands between two stretches.');
    const { needle, pass, unit } = before;
    // A pass that comes back meets the edge on the near side of its unit.
    const back = behind && behind.pass === pass && behind.unit < unit;
    return {
      line: given(lineOf.get(at - 1), 'line of the lane'),
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
