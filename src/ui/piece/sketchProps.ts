import type { Sketch, Stretch } from '@/core/layout/sketch';
import type { PartOfPiece } from '@/core/piece/partOfPiece';

/** What is drawn, or painted. */
export interface SketchProps {
  readonly piece: Pick<PartOfPiece, 'beads' | 'thread' | 'threadColour'> & {
    readonly colourings?: PartOfPiece['colourings'];
  };
  readonly sketch: Sketch;
  /** Beads of these roles stand out, the others step back; null where all are alike. */
  readonly lit?: readonly string[] | null;
  /** Only what reaches into this stretch need be drawn; all of it where nothing is said. */
  readonly within?: Stretch;
}
