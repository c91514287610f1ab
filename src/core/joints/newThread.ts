import { holeKey, Links, tripsThrough } from '../weave/links';
import {
  finishOf,
  isTraversal,
  otherEnd,
  type HoleEnd,
  type Knot,
  type Move,
  type Path,
  type Place,
  type Traversal,
} from '../weave/path';

/** The pass in which a thread that runs short is woven in, and a new one begun; its unit is the one after which that is. */
export const NEW_THREAD = 'new thread';

/** Beads that either end of a change is woven through (common practice: "three or four beads"). */
const WOVEN_IN = 3;

/** Moves that lead no thread, and leave nothing on it. */
const IDLE: ReadonlySet<Move['kind']> = new Set(['skip', 'turn', 'release'] as const);

/** A path whose thread is changed: before each of these moves its needle weaves the old thread in and takes up a new one. */
interface Changed {
  /** Places among the moves. */
  readonly before: readonly number[];
  /** Trips that a hole of a role takes. */
  readonly room: (role: string) => number;
  /** What holds an end of its thread on the thread beside it. */
  readonly knot: Knot;
}

/**
 * The same path with its thread changed where it runs short. The old end is hitched and woven in: on along thread that is there,
 * or back the way it came; the new one follows the last beads that the old one came through, so that it comes out of the same
 * hole the same way. Both keep to holes with room, but for the one that they share.
 */
export function withNewThreads(path: Path, { before, room, knot }: Changed): Path {
  if (before.length === 0) return path;
  const at = new Set(before);
  const moves: Move[] = [];
  const links = new Links({ moves, threads: path.threads });
  const holes = new Holes(path.moves, room);
  path.moves.forEach((move, i) => {
    if (at.has(i)) moves.push(...changeOf(move.needle, { moves, links, holes, knot }));
    moves.push(move);
  });
  return { ...path, moves };
}

/** Trips that the finished work makes through holes, and what is left. */
class Holes {
  private readonly trips: Map<number, number>;

  constructor(
    moves: readonly Move[],
    private readonly room: (role: string) => number,
  ) {
    this.trips = tripsThrough(moves);
  }

  take(way: readonly HoleEnd[]): void {
    for (const { bead, hole } of way) {
      const key = holeKey(bead, hole);
      this.trips.set(key, (this.trips.get(key) ?? 0) + 1);
    }
  }

  has({ bead, hole }: HoleEnd): boolean {
    return (this.trips.get(holeKey(bead, hole)) ?? 0) < this.room(bead.role);
  }

  /** The first of these that have room one after another. */
  roomy(way: readonly HoleEnd[]): HoleEnd[] {
    const full = way.findIndex((end) => !this.has(end));
    return full < 0 ? [...way] : way.slice(0, full);
  }
}

/** The work as far as it has come. */
interface SoFar extends Pick<Changed, 'knot'> {
  readonly moves: readonly Move[];
  readonly links: Links;
  readonly holes: Holes;
}

/** What a needle does where its thread is changed, after the moves so far. */
function changeOf(needle: string, { moves, links, holes, knot }: SoFar): Move[] {
  const last = moves.findLast((one) => one.needle === needle);
  if (!last) return [];
  const place = { ...last.place, section: finishOf(last.place.section.part), pass: NEW_THREAD };
  const base: Base = { needle, place };
  const hitch: Move = { ...base, kind: 'knot', knot, into: null };
  const out = links.lastOut(needle);
  const came = out ? cameThrough(moves, needle) : [];
  // The new one comes out by the hole that the old one came out by, whatever room that has.
  const [shared, ...earlier] = came.toReversed();
  const lead = holes.roomy(earlier).reverse();
  const newEnd = shared ? [...lead, shared] : [];
  holes.take(newEnd);
  const on = out ? wayOn(links, out, holes) : [];
  // Where no thread leads on it goes back the way it came.
  const back = came.toReversed().map((end): HoleEnd => ({ ...end, end: otherEnd(end.end) }));
  const oldEnd = on.length > 0 ? on : [...back.slice(0, 1), ...holes.roomy(back.slice(1))];
  holes.take(oldEnd);
  return [
    ...(oldEnd.length > 0 ? [hitch] : []),
    ...oldEnd.map((end) => travel(base, end)),
    ...(oldEnd.length > 1 ? [hitch] : []),
    { ...base, kind: 'tail' },
    { ...base, kind: 'begin', stop: 'none' },
    ...lead.map((end) => travel(base, end)),
    ...(lead.length > 0 ? [hitch] : []),
    ...(shared ? [travel(base, shared)] : []),
  ];
}

interface Base {
  readonly needle: string;
  readonly place: Place;
}

/** Through a hole by one of its ends, by a hidden way. */
const travel = (base: Base, { bead, hole, end }: HoleEnd): Move => ({
  ...base,
  kind: 'pass',
  bead,
  hole,
  enter: end,
  as: 'travel',
});

/** Holes that a needle came through last in one go, each by the end it went in; the newest last. */
function cameThrough(moves: readonly Move[], needle: string): HoleEnd[] {
  const way: HoleEnd[] = [];
  const seen = new Set<number>();
  for (const move of moves.toReversed()) {
    if (move.needle !== needle || IDLE.has(move.kind)) continue;
    if (!isTraversal(move) || seen.has(holeKey(move.bead, move.hole)) || way.length === WOVEN_IN) break;
    seen.add(holeKey(move.bead, move.hole));
    way.unshift(enteredBy(move));
  }
  return way;
}

const enteredBy = ({ bead, hole, enter }: Traversal): HoleEnd => ({ bead, hole, end: enter });

/** A way on from where thread comes out, along thread that is there and through holes with room: as long as is wanted, or as can be. */
function wayOn(links: Links, out: HoleEnd, holes: Holes): HoleEnd[] {
  let best: HoleEnd[] = [];
  const seen = new Set([holeKey(out.bead, out.hole)]);
  const go = (from: HoleEnd, way: HoleEnd[]): void => {
    if (way.length > best.length) best = way;
    for (const into of links.neighbours(from)) {
      if (best.length === WOVEN_IN) return;
      const key = holeKey(into.bead, into.hole);
      if (seen.has(key) || !holes.has(into)) continue;
      seen.add(key);
      go({ ...into, end: otherEnd(into.end) }, [...way, into]);
    }
  };
  go(out, []);
  return best;
}
