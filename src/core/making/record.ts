import { partOf } from '../piece/partOfPiece';
import type { PieceRecord } from '../records/experience';
import { swatchOf, type Swatch } from '../records/swatches';
import { skipKey, type Making } from './making';
import { lastPart, type Mat } from './mat';
import { workload } from './progress';
import { threadGone } from './threadLeft';

/** A finished length farther from its plan than this was not of this piece, or not of all of it (from memory). */
const LIKELY_LENGTH = [0.75, 1.33] as const;

/**
 * What was made on a mat tells those that come after it, as far as it is known by now.
 * @param matId under which its measures may be kept as swatches too
 */
export function recordOf(mat: Mat, state: Making, matId: string | null = null): PieceRecord {
  const own = partOf(mat.piece);
  const { trips, spentMs } = workload(mat, state);
  return {
    structure: own.structure.id,
    trips,
    spentMs,
    thread: threadGone(mat, state),
    shrink: shrinkOf(mat, state),
    swatch: swatchIn(mat, state, matId),
  };
}

const leftOut = (mat: Mat, { skipped }: Pick<Making, 'skipped'>): string[] => {
  const { id, steps } = lastPart(mat);
  return [...new Set(steps.map(({ pass }) => pass))].filter((pass) => skipped.has(skipKey(id, pass)));
};

/** How long the units came out together: what closes it takes what it was planned to take. Null where nobody measured it. */
function wovenMm(
  { planned: { woven, finishedMm } }: Pick<Mat, 'planned'>,
  { finished }: Pick<Making, 'finished'>,
): number | null {
  if (!woven || finished?.finalMm === null || finished?.finalMm === undefined) return null;
  const mm = finished.finalMm - (finishedMm - woven.mm);
  const likely = mm / woven.mm;
  return likely >= LIKELY_LENGTH[0] && likely <= LIKELY_LENGTH[1] ? mm : null;
}

/** The finished piece as a swatch tells it. */
function swatchIn(mat: Mat, state: Making, matId: string | null): Swatch | null {
  const lengthMm = wovenMm(mat, state);
  if (lengthMm === null || !mat.planned.woven || !state.finished) return null;
  const own = partOf(mat.piece);
  return swatchOf(own, {
    units: mat.planned.woven.units,
    lengthMm,
    without: [...new Set([...own.without, ...leftOut(mat, state)])],
    takenOn: state.finished.when.slice(0, 10),
    tension: 'medium',
    note: '',
    mat: matId,
  });
}

/** By what part the later passes drew in: units measured before them, and the finished piece. */
function shrinkOf(mat: Mat, state: Making): PieceRecord['shrink'] {
  const { woven } = mat.planned;
  const after = wovenMm(mat, state);
  const { id } = lastPart(mat);
  const before = state.measures.filter(({ part, finished }) => part === id && !finished);
  if (!woven || woven.drawnInBy.length === 0 || after === null || before.length === 0) return null;
  if (leftOut(mat, state).some((pass) => woven.drawnInBy.includes(pass))) return null;
  const units = before.reduce((sum, one) => sum + one.units, 0);
  const lengthMm = before.reduce((sum, one) => sum + one.lengthMm, 0);
  return { passes: woven.drawnInBy, by: 1 - after / woven.units / (lengthMm / units) };
}
