import { Follower, holeEndOf } from './follow';
import { isTraversal, type Bead, type Bridge, type End, type HoleEnd, type Move, type Path } from './path';

/** More holes than any bead has. */
const MOST_HOLES = 8;

/** A number for each hole of each bead. */
export const holeKey = (bead: Bead, hole: number): number => bead.id * MOST_HOLES + hole;
/** A number for each end of each hole. */
export const endKey = ({ bead, hole, end }: HoleEnd): number => holeKey(bead, hole) * 2 + end;

/** How often each hole is gone through, by its key. */
export function tripsThrough(moves: readonly Move[]): Map<number, number> {
  const trips = new Map<number, number>();
  for (const move of moves) {
    if (!isTraversal(move)) continue;
    const key = holeKey(move.bead, move.hole);
    trips.set(key, (trips.get(key) ?? 0) + 1);
  }
  return trips;
}

/** A link from one hole end to another, and when thread last made it. */
interface Link {
  readonly to: HoleEnd;
  made: number;
}

/**
 * Which hole ends bare thread links, gathered from the moves as they are written. Thread that follows a
 * link again lies hidden beside what is there.
 */
export class Links {
  private readonly next = new Map<number, Link[]>();
  private readonly passesOf = new Map<number, number>();
  private readonly travelsOf = new Map<number, number>();
  private readonly moves: readonly Move[];
  private readonly follower: Follower;
  private read = 0;

  constructor({ moves, threads }: Pick<Path, 'moves' | 'threads'>) {
    this.moves = moves;
    this.follower = new Follower(threads);
  }

  /** Hole ends that thread links to this one, each once. */
  neighbours(end: HoleEnd): readonly HoleEnd[] {
    this.catchUp();
    return (this.next.get(endKey(end)) ?? []).map((link) => link.to);
  }

  /**
   * The newest bare thread between two beads; undefined where there is none. `at` is the end of `a` that it
   * leaves from: thread can run between two beads on either side of the row.
   */
  bridge(a: Bead, b: Bead, at?: End): Bridge | undefined {
    this.catchUp();
    let newest: (Bridge & { made: number }) | undefined;
    for (let hole = 0; hole < MOST_HOLES; hole++)
      for (const end of at === undefined ? BOTH_ENDS : [at]) {
        const from: HoleEnd = { bead: a, hole, end };
        for (const { to, made } of this.next.get(endKey(from)) ?? [])
          if (to.bead === b && made > (newest?.made ?? -1)) newest = { from, to, made };
      }
    return newest && { from: newest.from, to: newest.to };
  }

  /** How often a hole has been gone through so far. */
  traversals(bead: Bead, hole: number): number {
    this.catchUp();
    return this.passesOf.get(holeKey(bead, hole)) ?? 0;
  }

  /** How many of those trips were hidden ways. */
  travels(bead: Bead, hole: number): number {
    this.catchUp();
    return this.travelsOf.get(holeKey(bead, hole)) ?? 0;
  }

  /**
   * The hole end that a needle last came out of; null where something else than a bead came after. An end of thread
   * that has not been anywhere hangs out of the bead that its other end went into first.
   */
  lastOut(needle: string): HoleEnd | null {
    this.catchUp();
    const out = holeEndOf(this.follower.lastOut(needle));
    return out && bare(out);
  }

  private catchUp(): void {
    for (; this.read < this.moves.length; this.read++) this.take(this.moves[this.read] as Move);
  }

  private take(move: Move): void {
    const { from, into } = this.follower.take(move);
    const [a, b] = [holeEndOf(from), holeEndOf(into)];
    if (a && b && holeKey(a.bead, a.hole) !== holeKey(b.bead, b.hole)) {
      this.link(a, b);
      this.link(b, a);
    }
    if (!isTraversal(move)) return;
    const key = holeKey(move.bead, move.hole);
    this.passesOf.set(key, (this.passesOf.get(key) ?? 0) + 1);
    if (move.as === 'travel') this.travelsOf.set(key, (this.travelsOf.get(key) ?? 0) + 1);
  }

  private link(from: HoleEnd, to: HoleEnd): void {
    const key = endKey(from);
    const links = this.next.get(key);
    const kept = links?.find((link) => endKey(link.to) === endKey(to));
    if (kept) kept.made = this.read;
    else if (links) links.push({ to: bare(to), made: this.read });
    else this.next.set(key, [{ to: bare(to), made: this.read }]);
  }
}

/** A hole end and nothing else: it is kept in the moves that go under its thread. */
const bare = ({ bead, hole, end }: HoleEnd): HoleEnd => ({ bead, hole, end });

const BOTH_ENDS: readonly End[] = [0, 1];
