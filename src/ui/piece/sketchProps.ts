import type { Sketch, Stretch } from '@/core/layout/sketch';
import type { Piece } from '@/core/piece/piece';

/** What is drawn, or painted. */
export interface SketchProps {
  readonly piece: Pick<Piece, 'beads' | 'thread' | 'threadColour'> & {
    readonly colourings?: Piece['colourings'];
  };
  readonly sketch: Sketch;
  /** Beads of these roles stand out, the others step back; null where all are alike. */
  readonly lit?: readonly string[] | null;
  /** Only what reaches into this stretch need be drawn; all of it where nothing is said. */
  readonly within?: Stretch;
}
