// Diagonals over the gaps of a line that has holes along both edges: from one edge to the other by turns, and back across them.
import type { Pose } from '../layout/layout';
import type { Needle } from '../weave/needle';
import type { Bead } from '../weave/path';
import type { Field } from './field';
import { at, runningSum, sequenceSchema } from './structure';
import type { RoleLetter } from './roles';

/** A run of beads with one in its middle, which two that cross share. */
export const oddSequence = (most: number, roles: readonly RoleLetter[]) =>
  sequenceSchema(most, roles).refine(
    (over) => over.length % 2 === 1,
    'A diagonal has a bead in its middle where two cross: give it an odd number of beads.',
  );

/** On which face it lies. */
export const faceField: Field = {
  key: 'face',
  kind: 'choice',
  label: 'On the',
  help: 'Which face it lies on. Wedges are strung with their curved face to the front.',
  options: [
    { value: 'front', label: 'front' },
    { value: 'back', label: 'back' },
  ],
};

const middleOf = (over: readonly RoleLetter[]) => Math.floor(over.length / 2);

/** A line, as diagonals are laid over it: so many gaps between its stations, each with a hole at either edge. */
interface Line {
  readonly over: readonly RoleLetter[];
  readonly gaps: number;
  /** Works in the place of a gap, that after the station of the same number. */
  readonly inGap: (gap: number, work: () => void) => void;
  /** Through the hole of a station at an edge, towards the end or the start. */
  readonly through: (station: number, edge: 0 | 1, onward: boolean) => void;
  /** How many stations before the first of the line it began at the first edge: 0, or 1 where it begins at the other. */
  readonly before?: Before;
  /** Which of several ways to lay it, where its beads tell. */
  readonly run?: number;
}

export type Before = 0 | 1;

/** The edge at which a diagonal of the first trip meets a station; one of the second meets it at the other. */
export const edgeAt = (station: number, trip: 'first' | 'second', before: Before = 0): 0 | 1 =>
  ((station + before) % 2 === 0) === (trip === 'first') ? 0 : 1;

const inTurn = (gaps: number, onward: boolean) =>
  Array.from({ length: gaps }, (_, i) => (onward ? i : gaps - 1 - i));

/** The first trip, from the first station or the last. Returns the middle bead of each gap. */
export function layDiagonals(
  t: Needle,
  { over, gaps, inGap, through, before, run }: Line,
  onward = true,
): Bead[] {
  const middles: Bead[] = [];
  for (const gap of inTurn(gaps, onward))
    inGap(gap, () => {
      middles[gap] = at(t.string(over, 'over', { run }), middleOf(over));
      const next = onward ? gap + 1 : gap;
      through(next, edgeAt(next, 'first', before), onward);
    });
  return middles;
}

/** The second trip, which crosses the first through its middle beads. */
export function crossDiagonals(
  t: Needle,
  { over, gaps, inGap, through, before, run }: Line,
  middles: readonly Bead[],
  onward: boolean,
): void {
  const half = over.slice(0, middleOf(over));
  for (const gap of inTurn(gaps, onward))
    inGap(gap, () => {
      t.string(half, 'across', { run });
      t.back(at(middles, gap));
      t.string(half.toReversed(), 'beyond', { run });
      const next = onward ? gap + 1 : gap;
      through(next, edgeAt(next, 'second', before), onward);
    });
}

/**
 * How far along a diagonal a bead lies that was strung as its k-th, from −½ to ½ of it; `after` its middle bead, where the halves of a
 * second one are counted anew.
 */
export function partAlong(lengthsMm: readonly number[], k: number, after: boolean): number {
  const { starts, total } = runningSum(lengthsMm);
  const part = (i: number) => (at(starts, i) + at(lengthsMm, i) / 2) / total - 0.5;
  return after ? -part(Math.floor(lengthsMm.length / 2) - 1 - k) : part(k);
}

/**
 * Where a bead of a diagonal lies, from the middle of its gap.
 * @param reachMm how far along the piece a diagonal reaches
 * @param apartMm how far apart both edges are
 * @param z which face it lies on, and how far out
 * @param onward whether its trip led towards the end
 * @param before as of its line
 */
export function overlayPose(
  { slot: { of, index }, place: { row } }: Pick<Bead, 'slot' | 'place'>,
  { reachMm, apartMm, z, lengthsMm }: OverlayForm,
  onward: boolean,
  before: Before = 0,
): Pose {
  const along = partAlong(lengthsMm, index, of === 'beyond');
  const rises = (edgeAt(row, of === 'over' ? 'first' : 'second', before) === 0 ? 1 : -1) * (onward ? 1 : -1);
  const x = (onward ? 1 : -1) * reachMm;
  const size = Math.hypot(reachMm, apartMm);
  return {
    centre: [along * x, along * rises * apartMm, z],
    axis: [x / size, (rises * apartMm) / size, 0],
  };
}

/** How diagonals lie, mm. */
interface OverlayForm {
  readonly reachMm: number;
  readonly apartMm: number;
  readonly z: number;
  readonly lengthsMm: readonly number[];
}
