import { holeKey } from '../weave/links';
import { isTraversal, strandsOf, type Bead, type Move, type Path } from '../weave/path';

/**
 * How full holes get. A hole is taken by the thread that lies in it, by knots pulled into it, and by the needle
 * with its thread folded at the eye while a trip is made. Circles do not fill a circle: a trip is easy up to 60 % of
 * the area, hard up to 75 %, not advised beyond (practice, from memory; theory stands in docs/holes.md).
 */
export const EASY = 0.6;
export const HARD = 0.75;
/** The eye is so much wider than the shaft, in one direction (from memory). */
const EYE = 1.3;
/** Room that a knot takes, in strands of its thread: three turns lie side by side in a half hitch (from memory). */
const KNOT_STRANDS = 3;

/** What goes through the holes. Diameters in mm. */
export interface Gear {
  readonly threadMm: number;
  /** Of the shaft; null where the cord goes through by itself. */
  readonly needleMm: number | null;
  /** What the maker’s own hands make of the limits: 1 as they are told, less where beads went sooner. */
  readonly factor: number;
}

/** What lies in a hole before a trip, and how many strands the trip adds. */
export interface Lying {
  readonly strands: number;
  readonly knots: number;
  readonly adds: number;
}

/**
 * A hole must be so many times as wide as a cord for 1, 2, 3 … round strands to lie in it side by side: the densest
 * packings of equal circles in a circle (S. Kravitz, Packing cylinders into cylindrical containers, 1967; from memory).
 */
export const PACKED = [1, 2, 2.1547, 2.4142, 2.7013, 3, 3, 3.3048, 3.6131, 3.813, 3.9238, 4.0296] as const;

/** Whether so many round strands fit side by side without being pressed. */
export function liesSideBySide(holeMm: number, strands: number, cordMm: number): boolean {
  const ratio = PACKED[strands - 1] ?? Math.sqrt(strands / EASY);
  return holeMm >= ratio * cordMm;
}

export type Going = 'easy' | 'hard' | 'no';

/** The part of a hole’s area that is taken while a trip is made. */
export function fillOf(
  holeMm: number,
  { strands, knots, adds }: Lying,
  { threadMm, needleMm }: Gear,
): number {
  const lying = (strands + KNOT_STRANDS * knots) * threadMm ** 2;
  // The thread is folded at the eye, so that twice as much of it goes through with the needle.
  const going = needleMm === null ? adds * threadMm ** 2 : needleMm ** 2 + 2 * adds * threadMm ** 2;
  return (lying + going) / holeMm ** 2;
}

const eyePasses = (holeMm: number, { needleMm }: Gear): boolean =>
  needleMm === null || EYE * needleMm <= holeMm;

/** How a trip goes. The eye must pass at all, whatever room there is beside it. */
export function goingOf(holeMm: number, lying: Lying, gear: Gear): Going {
  if (!eyePasses(holeMm, gear)) return 'no';
  const fill = fillOf(holeMm, lying, gear);
  // A cord is round and stiff: it is easy only as long as every strand has its own place.
  if (gear.needleMm === null) {
    const all = lying.strands + KNOT_STRANDS * lying.knots + lying.adds;
    if (liesSideBySide(holeMm * gear.factor, all, gear.threadMm)) return 'easy';
    return fill <= HARD * gear.factor ? 'hard' : 'no';
  }
  return fill <= EASY * gear.factor ? 'easy' : fill <= HARD * gear.factor ? 'hard' : 'no';
}

/** Trips of so many strands each that a hole takes before it will not go, up to `most`. */
export function tripsThatGo(holeMm: number, gear: Gear, adds = 1, most = 99): number {
  let trips = 0;
  while (trips < most && goingOf(holeMm, { strands: adds * trips, knots: 0, adds }, gear) !== 'no') trips++;
  return trips;
}

/** Less than this part of the limits is no limit but a broken bead (from memory). */
export const LEAST_FACTOR = 0.4;
/** So much below the fill at which a trip did not go lies the limit, that this trip is beyond it. */
const BEYOND = 0.99;

/** The factor that a trip which did not go tells of. */
export const factorFrom = (fill: number): number => Math.max(LEAST_FACTOR, Math.min(1, fill / HARD) * BEYOND);

/** One hole, after all the work. */
export interface HoleState {
  readonly bead: Bead;
  readonly hole: number;
  readonly trips: number;
  readonly strands: number;
  readonly knots: number;
  /** Of its fullest trip, the last. */
  readonly fill: number;
  readonly going: Going;
  /** False where the needle’s eye is wider than the hole. */
  readonly eyePasses: boolean;
  /** The trip, and its number, from which it will not go; the last trip where it goes to the end. */
  readonly at: { readonly trip: number; readonly move: Move; readonly fill: number };
}

export interface HoleReading {
  readonly holes: readonly HoleState[];
  /** For each role, the hole in which a trip goes hardest. */
  readonly byRole: ReadonlyMap<string, HoleState>;
  /** Where it first will not go, in the order of work; else the fullest hole. Null where there is no thread. */
  readonly bottleneck: HoleState | null;
}

type Counting = { -readonly [K in keyof HoleState]: HoleState[K] };

const WORSE: Readonly<Record<Going, number>> = { easy: 0, hard: 1, no: 2 };
const harder = (one: HoleState, other: HoleState): boolean =>
  WORSE[one.going] > WORSE[other.going] || (one.going === other.going && one.fill > other.fill);

/**
 * Follows every trip through every hole. `holeMm` is the hole of a bead by its role.
 * @param lies strands that lie in a hole of a role before any of these trips
 */
export function holeFill(
  path: Path,
  holeMm: (role: string) => number,
  gear: Gear,
  lies: (role: string, hole: number) => number = () => 0,
): HoleReading {
  const states = new Map<number, Counting>();
  const strands = strandsOf(path);
  let first: HoleState | null = null;
  for (const move of path.moves) {
    if (isTraversal(move)) {
      const { bead, hole } = move;
      const before = states.get(holeKey(bead, hole));
      const lying = {
        strands: before?.strands ?? lies(bead.role, hole),
        knots: before?.knots ?? 0,
        adds: strands(move.needle),
      };
      const going = goingOf(holeMm(bead.role), lying, gear);
      const fill = fillOf(holeMm(bead.role), lying, gear);
      const trips = (before?.trips ?? 0) + 1;
      const state: Counting = {
        bead,
        hole,
        trips,
        strands: lying.strands + lying.adds,
        knots: lying.knots,
        fill,
        going,
        eyePasses: eyePasses(holeMm(bead.role), gear),
        at: before?.going === 'no' ? before.at : { trip: trips, move, fill },
      };
      states.set(holeKey(bead, hole), state);
      if (going === 'no') first ??= state;
    } else if (move.kind === 'knot' && move.into) {
      const state = states.get(holeKey(move.into.bead, move.into.hole));
      if (state) state.knots++;
    }
  }
  const holes = [...states.values()];
  const byRole = new Map<string, HoleState>();
  for (const state of holes) {
    const hardest = byRole.get(state.bead.role);
    if (!hardest || harder(state, hardest)) byRole.set(state.bead.role, state);
  }
  const fullest = [...byRole.values()].reduce<HoleState | null>(
    (most, state) => (!most || harder(state, most) ? state : most),
    null,
  );
  return {
    holes,
    byRole,
    bottleneck: first ? (states.get(holeKey(first.bead, first.hole)) ?? first) : fullest,
  };
}
