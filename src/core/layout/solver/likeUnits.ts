import { standard, type Anchor, type CellBead, type RepeatCell } from './cell';
import { only } from './grow';
import { beadsOf, partOf, pitchIndex, PER_BEAD } from './state';
import { given } from '../../tools/given';

/** Some beads of a cell as a cell of their own; `kept` are their numbers in the whole. */
export interface Part {
  readonly cell: RepeatCell;
  readonly state: Float64Array;
  readonly kept: readonly number[];
}

/** As near as this two beads lie alike, mm. */
const NEAR_MM = 1e-6;

/**
 * A part told in several units, told in its first one: every other is that one moved along, and turned by `twist` about x.
 * Null where one of them has a bead that is not of its kind.
 */
export function inOneUnit({ cell, state, kept }: Part, twist: number): Part | null {
  const { units } = cell;
  const first = cell.beads.flatMap(({ unit }, i) => (unit === 0 ? [i] : []));
  const byWord = new Map(first.map((i, k) => [cell.beads[i]?.word, k]));
  const like = ({ word }: CellBead) => byWord.get(word);
  const roleOf = (k: number | undefined) => cell.beads[first[k ?? -1] ?? -1]?.role;
  if (units < 2 || cell.beads.some((bead) => roleOf(like(bead)) !== bead.role)) return null;
  const inTheFirst = (anchors: readonly Anchor[]) =>
    anchors.map((anchor): Anchor => {
      const bead = cell.beads[anchor.bead] as CellBead;
      return { ...anchor, bead: given(like(bead), 'bead alike'), shift: units * anchor.shift + bead.unit };
    });
  const spans = cell.spans.map((span) => ({
    ...span,
    ...standard(inTheFirst(span.from), inTheFirst(span.to)),
  }));
  // A stretch that is drawn harder in one unit than in the others is drawn so in all.
  const byPull = spans.toSorted((a, b) => a.pull - b.pull);
  const once = [...new Map(byPull.map((span) => [JSON.stringify([span.from, span.to]), span])).values()];
  const one = partOf(state, first);
  one[pitchIndex(first.length)] = (state[pitchIndex(beadsOf(state))] as number) / units;
  one[pitchIndex(first.length) + 1] = twist;
  return {
    cell: { ...cell, beads: first.map((i) => cell.beads[i] as CellBead), spans: once, units: 1 },
    state: one,
    kept: first.map((i) => kept[i] as number),
  };
}

/**
 * The first stage of a strip by itself, told in one unit, where only what is sewn on later differs from unit to unit: a hand
 * draws each unit of a base as it drew the last. Null where nothing is sewn on, or the arrangement differs.
 */
export function baseInOneUnit(cell: RepeatCell, arranged: Float64Array): Part | null {
  const straight = cell.periodic && cell.folds === null && arranged.at(-1) === 0;
  if (!straight || cell.beads.every(({ stage }) => stage === 0)) return null;
  const { cell: base, kept } = only(cell, ({ stage }) => stage === 0);
  const part = { cell: base, state: partOf(arranged, kept), kept };
  const one = inOneUnit(part, 0);
  if (!one) return null;
  const again = arranged.slice();
  spread(cell, one, one.state, again);
  return again.every((v, i) => Math.abs(v - (arranged[i] as number)) < NEAR_MM) ? one : null;
}

/** Lays all units of a base, within the whole cell, as its one unit rests. */
export function spread(
  { beads, units }: RepeatCell,
  one: Pick<Part, 'cell'>,
  rested: Float64Array,
  all: Float64Array,
): void {
  const pitchMm = given(rested.at(-2), 'pitch');
  const byWord = new Map(one.cell.beads.map(({ word }, k) => [word, k]));
  for (const [i, { word, unit, stage }] of beads.entries()) {
    const k = byWord.get(word);
    if (stage > 0 || k === undefined) continue;
    all.set(rested.subarray(k * PER_BEAD, (k + 1) * PER_BEAD), i * PER_BEAD);
    all[i * PER_BEAD] = (all[i * PER_BEAD] as number) + unit * pitchMm;
  }
  all[pitchIndex(beads.length)] = units * pitchMm;
}
