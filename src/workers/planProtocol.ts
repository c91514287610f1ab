import type { Answers } from '@/core/plan/answers';
import type { Card } from '@/core/plan/card';
import type { StitchKey, SwatchEntry } from '@/core/fit/swatchBook';
import type { Piece } from '@/core/piece/piece';
import type { PieceRecord } from '@/core/records/experience';
import type { Settings } from '@/core/records/settings';
import type { Swatch } from '@/core/records/swatches';

/** What the server asks of the planning thread: a piece planned, or what a swatch is kept under. */
export type PlanAsk =
  | {
      readonly kind: 'plan';
      readonly doc: Piece;
      readonly swatches: readonly SwatchEntry[];
      readonly records: readonly PieceRecord[];
      readonly habits: Settings;
    }
  | { readonly kind: 'stitch'; readonly swatch: Swatch };

/** A piece planned, as far as the server says anything of it. */
export interface PlannedPiece {
  readonly card: Card;
  /** What its plan answers first; null where it has none. */
  readonly answers: Answers | null;
  /** Layouts that ship and that its plan asks for. */
  readonly layoutKeys: readonly string[];
}

export type PlanAnswer<A extends PlanAsk> = A['kind'] extends 'plan' ? PlannedPiece : StitchKey | null;

export interface ToPlanner {
  readonly id: number;
  readonly ask: PlanAsk;
}

/** An answer, or why there is none. */
export type FromPlanner =
  | { readonly id: number; readonly ok: true; readonly value: PlannedPiece | StitchKey | null }
  | { readonly id: number; readonly ok: false; readonly why: string };
