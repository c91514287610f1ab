import { cellOf } from '../weave/cell';
import type { Path } from '../weave/path';

/** Builds the path of a number of units. */
export type Build = (units: number) => Path;

/** Below this many units a path is simply built and read. */
const SHORT = 24;
/** Units, beyond the fewest, of the short path in which the period is looked for. */
export const SAMPLE = 16;

/** A path and the units that it has. */
export interface Built {
  readonly path: Path;
  readonly units: number;
}

/** Where to read a path: built as it is, or from shorter paths with the same remainder. */
export type Reading =
  | { readonly kind: 'whole'; readonly at: Built }
  | {
      readonly kind: 'short';
      /** Fewer units, alike at the start, in the cell and at the end. */
      readonly at: Built;
      /** The same with one period more. */
      readonly longer: Built;
      /** Periods that the short path lacks. */
      readonly periods: number;
    };

/**
 * Reads a long path off two short ones: totals for n units are those for n₀ plus a whole number of periods,
 * n₀ ≡ n modulo the period. So what a reading costs does not grow with the piece. Paths whose middle does not
 * repeat are built whole.
 * @param fewest the least number of units that can be built
 */
export function reading(build: Build, units: number, fewest: number): Reading {
  const built = (n: number): Built => ({ path: build(n), units: n });
  if (units <= SHORT + fewest) return { kind: 'whole', at: built(units) };
  const sample = built(SAMPLE + fewest);
  const period = cellOf(sample.path)?.period ?? null;
  if (period === null || period * 2 > SAMPLE) return { kind: 'whole', at: built(units) };
  const short = sample.units + ((units - sample.units) % period);
  return {
    kind: 'short',
    at: short === sample.units ? sample : built(short),
    longer: built(short + period),
    periods: (units - short) / period,
  };
}

/** A figure of the whole piece that grows by the same with each period: a length, a weight. */
export function total(from: Reading, figure: (built: Built) => number): number {
  const short = figure(from.at);
  return from.kind === 'whole' ? short : short + from.periods * (figure(from.longer) - short);
}

/** A count for each key, of the whole piece. */
export function totals<K>(from: Reading, count: (path: Path) => ReadonlyMap<K, number>): Map<K, number> {
  const short = count(from.at.path);
  if (from.kind === 'whole') return new Map(short);
  const { periods } = from;
  const at = (key: K) => short.get(key) ?? 0;
  return new Map(
    [...count(from.longer.path)].map(([key, more]) => [key, at(key) + periods * (more - at(key))]),
  );
}
