/** How much of the piece is in view: as suits its length, all of it, so many times closer, or as large as it is. */
export type Zoom =
  | { readonly kind: 'suited' }
  | { readonly kind: 'whole' }
  | { readonly kind: 'closer'; readonly times: number }
  | { readonly kind: 'true' };

/** Blank paper at either end of the tape, px. */
export const SIDE_PX = 20;
/** The piece takes at least so much height between the rules, and at most so much, px. */
const LEAST_ROOM_PX = 92;
const MOST_ROOM_PX = 230;
/** Below this many pixels for a millimetre beads cannot be told apart: then the tape is looked at in part. */
export const READABLE_PX_PER_MM = 2.4;
const SUITED_PX_PER_MM = 3.4;
const CLOSEST_PX_PER_MM = 28;
/** Steps of coming closer. */
export const CLOSER = 1.5;

export interface TapeQuestion {
  /** Along the tape, from the tip of the clasp to beyond wish and end, mm. */
  readonly lengthMm: number;
  readonly heightMm: number;
  readonly frameWidthPx: number;
  readonly zoom: Zoom;
  /** Pixels of this screen for a true millimetre. */
  readonly truePxPerMm: number;
}

export interface TapeScale {
  readonly pxPerMm: number;
  /** Height for the piece between the rules. */
  readonly roomPx: number;
  /** Width of the whole tape; wider than its frame where it has to be moved along. */
  readonly widthPx: number;
  readonly moves: boolean;
  /** How many times closer than the whole. */
  readonly closer: number;
}

/** How large a piece is drawn on the tape. */
export function tapeScale(q: TapeQuestion): TapeScale {
  const { lengthMm, heightMm, frameWidthPx } = q;
  const tallest = MOST_ROOM_PX / heightMm;
  const whole = Math.min((frameWidthPx - 2 * SIDE_PX) / lengthMm, LEAST_ROOM_PX / heightMm);
  const pxPerMm = asked(q, whole, tallest);
  const roomPx = Math.max(LEAST_ROOM_PX, Math.min(heightMm * pxPerMm + 6, MOST_ROOM_PX));
  const widthPx = Math.max(frameWidthPx, Math.ceil(lengthMm * pxPerMm + 2 * SIDE_PX));
  return { pxPerMm, roomPx, widthPx, moves: widthPx > frameWidthPx, closer: pxPerMm / whole };
}

function asked({ zoom, truePxPerMm }: TapeQuestion, whole: number, tallest: number): number {
  switch (zoom.kind) {
    case 'suited':
      return whole >= READABLE_PX_PER_MM ? whole : Math.max(whole, Math.min(SUITED_PX_PER_MM, tallest));
    case 'whole':
      return whole;
    case 'closer':
      return Math.max(whole, Math.min(whole * zoom.times, CLOSEST_PX_PER_MM, tallest));
    // True size is true, however high the piece.
    case 'true':
      return truePxPerMm;
  }
}

/** The same, a step closer (1) or further off (−1) than it is now. */
export function stepped({ closer }: Pick<TapeScale, 'closer'>, way: 1 | -1): Zoom {
  const times = closer * CLOSER ** way;
  return times <= 1 + 1e-6 ? { kind: 'whole' } : { kind: 'closer', times };
}
