import type { Stations } from '../layout/pieceLayout';
import { findingOf, type Seam } from '../structures/seam';
import { leadUnits, unitsOfRun } from '../structures/sectionRuns';
import type { LaidRun } from '../structures/structure';
import type { FittedPart } from './fitPart';

/** A section of the maker's as it lies along the piece, with what of it is beyond its whole units. */
export interface SectionSpan {
  /** Which it is of those that she listed, from 0. */
  readonly of: number;
  /** Whether it is of the half that comes back. */
  readonly back: boolean;
  /** Whether its count is fitted. */
  readonly fitted: boolean;
  /** Units of the path, the first and one past the last. */
  readonly fromUnit: number;
  readonly toUnit: number;
  readonly fromMm: number;
  readonly toMm: number;
}

/** Findings between two sections, where they lie. */
export interface FindingSpan extends NonNullable<Seam['finding']> {
  readonly fromMm: number;
}

/** The units of a piece, one after another along it. */
export interface Along {
  readonly units: number;
  /** Where a unit begins, mm from the tip of the clasp; the end of the work for one past the last. */
  readonly fromMm: (unit: number) => number;
  /** Empty where all units are alike. */
  readonly sections: readonly SectionSpan[];
  /** What joins sections that is no beadwork. */
  readonly findings: readonly FindingSpan[];
}

/** Where the units of a fitted part lie, and its sections. */
export function alongOf(
  { weaveable, form, units }: Pick<FittedPart, 'weaveable' | 'form' | 'units'>,
  { bodyStartMm, bodyEndMm }: Stations,
): Along {
  const clamped = (mm: number) => Math.min(Math.max(mm, bodyStartMm), bodyEndMm);
  // A graduated piece is one unit.
  if (weaveable.arrangement)
    return { ...ALIKE, units: 1, fromMm: (unit) => (unit < 1 ? bodyStartMm : bodyEndMm) };
  const runs = form.runs?.(units);
  if (!runs) return { ...ALIKE, units, fromMm: (unit) => clamped(bodyStartMm + unit * form.pitchMm) };
  const begins = runs.flatMap(({ run, fromMm, pitchMm }) =>
    Array.from(
      { length: unitsOfRun(run) },
      (_, i) => bodyStartMm + fromMm + Math.max(0, i - leadUnits(run)) * pitchMm,
    ),
  );
  const before = beforeFirst(runs);
  return {
    units: begins.length - before,
    fromMm: (unit) => clamped(begins[Math.max(0, unit) + before] ?? bodyEndMm),
    sections: spansOf(runs, bodyStartMm),
    findings: runs.flatMap(({ run, findingFromMm }) => {
      const finding = run.seam && findingOf(run.seam);
      return finding && findingFromMm !== null ? [{ ...finding, fromMm: bodyStartMm + findingFromMm }] : [];
    }),
  };
}

/** Of units that are all alike. */
const ALIKE: Pick<Along, 'sections' | 'findings'> = { sections: [], findings: [] };

/** Units before the first whole one of all; they are counted down from it. */
const beforeFirst = ([first]: readonly LaidRun[]): number => (first ? leadUnits(first.run) : 0);

/** Sections, each with what of it is beyond its whole units. */
function spansOf(runs: readonly LaidRun[], bodyStartMm: number): SectionSpan[] {
  const spans: SectionSpan[] = [];
  let unit = -beforeFirst(runs);
  for (const { run, fromMm, pitchMm } of runs) {
    const { of, back, fitted, times } = run;
    const before = spans.at(-1);
    const fresh = before?.of !== of || before.back !== back;
    const [fromUnit, from] = fresh
      ? [Math.max(0, unit), bodyStartMm + fromMm]
      : [before.fromUnit, before.fromMm];
    unit += unitsOfRun(run);
    const toMm = bodyStartMm + fromMm + times * pitchMm;
    const span = {
      of,
      back,
      fitted: fitted || (!fresh && before.fitted),
      fromUnit,
      toUnit: unit,
      fromMm: from,
      toMm,
    };
    if (fresh) spans.push(span);
    else spans[spans.length - 1] = span;
  }
  return spans;
}

/** The section that a unit of the path is of; undefined where all are alike. */
export const sectionAt = ({ sections }: Along, unit: number): SectionSpan | undefined =>
  sections.find(({ fromUnit, toUnit }) => unit >= fromUnit && unit < toUnit);

/** A unit amid those that are fitted; null where all units are alike. */
export function middleUnit({ weaveable, units }: Pick<FittedPart, 'weaveable' | 'units'>): number | null {
  if (!weaveable.sections) return null;
  const runs = weaveable.sections.runs(units);
  let first = runs[0] ? -leadUnits(runs[0]) : 0;
  for (const run of runs) {
    if (run.fitted) return first + leadUnits(run) + Math.floor(run.times / 2);
    first += unitsOfRun(run);
  }
  return null;
}
