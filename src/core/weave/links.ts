import { isTraversal, otherEnd, type Bead, type Bridge, type End, type HoleEnd, type Move } from './path';

/** More holes than any bead has. */
const MOST_HOLES = 8;

/** A number for each hole of each bead. */
export const holeKey = (bead: Bead, hole: number): number => bead.id * MOST_HOLES + hole;
/** A number for each end of each hole. */
export const endKey = ({ bead, hole, end }: HoleEnd): number => holeKey(bead, hole) * 2 + end;

const pairKey = (a: Bead, b: Bead) => (a.id < b.id ? `${a.id}/${b.id}` : `${b.id}/${a.id}`);

/**
 * Which hole ends bare thread links, gathered from the moves as they are written. Thread that follows a
 * link again lies hidden beside what is there.
 */
export class Links {
  private readonly out = new Map<string, HoleEnd | null>();
  private readonly next = new Map<number, HoleEnd[]>();
  private readonly bridges = new Map<string, Bridge[]>();
  private readonly passesOf = new Map<number, number>();
  private read = 0;

  constructor(private readonly moves: readonly Move[]) {}

  /** Hole ends that thread links to this one, each once. */
  neighbours(end: HoleEnd): readonly HoleEnd[] {
    this.catchUp();
    return this.next.get(endKey(end)) ?? [];
  }

  /**
   * The newest bare thread between two beads; undefined where there is none. `at` is the end of `a` that it
   * leaves from: thread can run between two beads on either side of the row.
   */
  bridge(a: Bead, b: Bead, at?: End): Bridge | undefined {
    this.catchUp();
    return this.bridges
      .get(pairKey(a, b))
      ?.findLast(({ from, to }) => at === undefined || (from.bead === a ? from : to).end === at);
  }

  /** How often a hole has been gone through so far. */
  traversals(bead: Bead, hole: number): number {
    this.catchUp();
    return this.passesOf.get(holeKey(bead, hole)) ?? 0;
  }

  /** Where a needle last came out of a bead; null where it has not, or something else came between. */
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
    const into: HoleEnd = { bead, hole, end: enter };
    const from = this.out.get(move.needle);
    if (from && holeKey(from.bead, from.hole) !== holeKey(bead, hole)) this.link(from, into);
    this.out.set(move.needle, { bead, hole, end: otherEnd(enter) });
    const key = holeKey(bead, hole);
    this.passesOf.set(key, (this.passesOf.get(key) ?? 0) + 1);
  }

  private link(a: HoleEnd, b: HoleEnd): void {
    this.oneWay(a, b);
    this.oneWay(b, a);
    const key = pairKey(a.bead, b.bead);
    this.bridges.set(key, [...(this.bridges.get(key) ?? []), { from: a, to: b }]);
  }

  private oneWay(from: HoleEnd, to: HoleEnd): void {
    const key = endKey(from);
    const known = this.next.get(key);
    if (!known) this.next.set(key, [to]);
    else if (!known.some((one) => endKey(one) === endKey(to))) known.push(to);
  }
}
