import { loopEndOf } from '../closures/sewnLoop';
import type { Drawable, View } from '../layout/drawing';
import type { PieceLayout } from '../layout/pieceLayout';
import { repeatedSketch, wholeSketch, type Sketch } from '../layout/sketch';
import type { BeadSize } from '../materials/material';
import { threadMoves, type ThreadMove } from '../read/thread';
import type { Built, Reading } from '../read/totals';
import type { Form } from '../structures/structure';
import type { Path } from '../weave/path';

/** A piece worked out bead by bead. */
export interface Work {
  readonly path: Path;
  readonly layout: PieceLayout;
  readonly thread: readonly ThreadMove[];
  /** The beads of what is strung in the place of one, by its role. */
  readonly inner?: Drawable['inner'];
}

/** A built path, laid out, with its thread. */
export function workOf(built: Built, layOut: (built: Built) => PieceLayout): Work {
  const layout = layOut(built);
  return { path: built.path, layout, thread: threadMoves(built.path, layout) };
}

/** The same where nobody has told the path: only what sews the clasps on is known of its thread. */
export function withoutThread(built: Built, layOut: (built: Built) => PieceLayout): Work {
  const work = workOf(built, layOut);
  const isOfClasp = ({ move: { place } }: ThreadMove) => loopEndOf(place.section) !== null;
  return { ...work, thread: work.thread.filter(isOfClasp) };
}

/** A piece as it is seen: from a short one where its middle looks alike, from all of it where it does not. */
export function sketchOf(
  from: Reading,
  { pitchMm }: Form,
  workOfShort: (built: Built) => Work,
  work: () => Work,
  sizeOf: (role: string) => BeadSize,
  view: View,
): Sketch {
  if (from.kind === 'short') {
    const total = from.at.units + from.periods * (from.longer.units - from.at.units);
    // What alternates from unit to unit is drawn from the one that lacks an even number.
    for (const short of [from.at, from.longer]) {
      const missing = total - short.units;
      const sketch =
        missing > 0 &&
        repeatedSketch({ short: workOfShort(short), units: short.units, missing, pitchMm }, sizeOf, view);
      if (sketch) return sketch;
    }
  }
  return wholeSketch(work(), sizeOf, view);
}
