import { isTraversal, otherEnd, type Finding, type HoleEnd, type Move, type Path, type Thread } from './path';

/** Where thread is: at a hole end; midway between several, as under bare thread or between two beads; at a finding. */
export type Spot =
  | ({ readonly at: 'hole' } & HoleEnd)
  | { readonly at: 'midway'; readonly ends: readonly HoleEnd[] }
  | { readonly at: 'finding'; readonly finding: Finding };

/** One move, and where it leads its thread. */
export interface Trip {
  readonly move: Move;
  /**
   * Where the thread comes from: where this needle last came out. A needle that has not been anywhere sets out from
   * where the other end of its thread first went in; null where that has not been anywhere either, and after a thread is woven in.
   */
  readonly from: Spot | null;
  /** Where the move leads the thread in; null where it leads it nowhere. */
  readonly into: Spot | null;
  /** Where it comes out: the same spot, but for a move through a bead. */
  readonly out: Spot | null;
  /** Whether the needle has not been anywhere before, and sets out from where its thread's other end went in. */
  readonly first: boolean;
  /** What this needle did after it came out at `from` that led the thread nowhere: a knot, a new thread. */
  readonly since: readonly Move[];
}

const NOTHING: readonly Move[] = [];

/** A needle under way. */
interface Under {
  out: Spot | null;
  first: boolean;
  since: Move[] | null;
}

/** Follows every needle from move to move: the one reading of where thread goes, which all others build on. */
export class Follower {
  private readonly needles = new Map<string, Under>();

  /** @param threads those of the path, for which needles are two ends of one; may grow as it is written */
  constructor(private readonly threads: readonly Thread[]) {}

  /** Where a needle last came out; null where neither it nor the other end of its thread has been anywhere. */
  lastOut(needle: string): Spot | null {
    return this.needles.get(needle)?.out ?? null;
  }

  take(move: Move): Trip {
    const { needle } = move;
    let under = this.needles.get(needle);
    if (!under) this.needles.set(needle, (under = { out: null, first: true, since: null }));
    const { out: from, first, since } = under;
    const into = spotOf(move);
    if (!into) {
      // Thread that is woven in leads no further: the next length of this needle begins where it goes in.
      if (move.kind === 'tail') under.out = null;
      (under.since ??= []).push(move);
      return { move, from, into, out: null, first, since: NOTHING };
    }
    if (!from) this.setOut(needle, into);
    const out = isTraversal(move) ? at(move.bead, move.hole, otherEnd(move.enter)) : into;
    under.out = out;
    under.first = false;
    under.since = null;
    return { move, from, into, out, first, since: since ?? NOTHING };
  }

  /** The other end of a thread hangs where the first went in. */
  private setOut(needle: string, into: Spot): void {
    for (const { needles } of this.threads)
      if (needles.includes(needle))
        for (const other of needles)
          if (other !== needle && !this.lastOut(other))
            this.needles.set(other, { out: into, first: true, since: null });
  }
}

/** Every move of a path with where it leads its thread, in order. Walked once; a path never changes once written. */
export function follow(path: Path): readonly Trip[] {
  let trips = followed.get(path);
  if (!trips) {
    const follower = new Follower(path.threads);
    followed.set(path, (trips = path.moves.map((move) => follower.take(move))));
  }
  return trips;
}

const followed = new WeakMap<Path, readonly Trip[]>();

const at = (bead: HoleEnd['bead'], hole: number, end: HoleEnd['end']): Spot => ({
  at: 'hole',
  bead,
  hole,
  end,
});

/** Where a move leads the thread in; null where it leads it nowhere. */
function spotOf(move: Move): Spot | null {
  switch (move.kind) {
    case 'pick':
    case 'pass':
      return at(move.bead, move.hole, move.enter);
    case 'under':
      return { at: 'midway', ends: [move.bridge.from, move.bridge.to] };
    case 'between':
      return {
        at: 'midway',
        ends: move.beads.flatMap((bead) => ENDS.map((end) => ({ bead, hole: 0, end }))),
      };
    case 'attach':
      return { at: 'finding', finding: move.finding };
    default:
      return null;
  }
}

const ENDS = [0, 1] as const;

/** The hole ends that a spot lies at or midway between; none where it is at a finding. */
export const endsOf = (spot: Spot): readonly HoleEnd[] =>
  spot.at === 'hole' ? [spot] : spot.at === 'midway' ? spot.ends : [];

/** The one hole end that a spot is; null where it is none, or lies between several. */
export const holeEndOf = (spot: Spot | null): HoleEnd | null => (spot?.at === 'hole' ? spot : null);
