import {
  TAIL,
  isTraversal,
  otherEnd,
  type Bead,
  type Bridge,
  type End,
  type HoleEnd,
  type Move,
} from './path';

/** More holes than any bead has. */
const MOST_HOLES = 8;

/** A number for each hole of each bead. */
export const holeKey = (bead: Bead, hole: number): number => bead.id * MOST_HOLES + hole;
/** A number for each end of each hole. */
export const endKey = ({ bead, hole, end }: HoleEnd): number => holeKey(bead, hole) * 2 + end;

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
  private readonly out = new Map<string, HoleEnd | null>();
  private readonly next = new Map<number, Link[]>();
  private readonly passesOf = new Map<number, number>();
  private readonly travelsOf = new Map<number, number>();
  private read = 0;

  constructor(private readonly moves: readonly Move[]) {}

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
   * Where a needle last came out of a bead; null where it has not, or something else came between. The tail
   * hangs out of the bead that the first thread went into first.
   */
  lastOut(needle: string): HoleEnd | null {
    this.catchUp();
    return this.out.get(needle) ?? null;
  }

  private catchUp(): void {
    for (; this.read < this.moves.length; this.read++) this.take(this.moves[this.read] as Move);
  }

  private take(move: Move): void {
    if (!isTraversal(move)) {
      // A knot or a skipped bead leaves the thread where it was; anything else leads it elsewhere.
      if (move.kind === 'under' || move.kind === 'attach' || move.kind === 'begin')
        this.out.set(move.needle, null);
      return;
    }
    const { bead, hole, enter } = move;
    if (!this.out.has(TAIL)) this.out.set(TAIL, { bead, hole, end: enter });
    const from = this.out.get(move.needle);
    if (from && holeKey(from.bead, from.hole) !== holeKey(bead, hole)) {
      const into: HoleEnd = { bead, hole, end: enter };
      this.link(from, into);
      this.link(into, from);
    }
    this.out.set(move.needle, { bead, hole, end: otherEnd(enter) });
    const key = holeKey(bead, hole);
    this.passesOf.set(key, (this.passesOf.get(key) ?? 0) + 1);
    if (move.as === 'travel') this.travelsOf.set(key, (this.travelsOf.get(key) ?? 0) + 1);
  }

  private link(from: HoleEnd, to: HoleEnd): void {
    const key = endKey(from);
    const links = this.next.get(key);
    const known = links?.find((link) => endKey(link.to) === endKey(to));
    if (known) known.made = this.read;
    else if (links) links.push({ to, made: this.read });
    else this.next.set(key, [{ to, made: this.read }]);
  }
}

const BOTH_ENDS: readonly End[] = [0, 1];
