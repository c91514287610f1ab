import type { Weave } from './builder';
import { backOutOf, outOf, type Needle, type Passage } from './needle';
import { otherEnd, type Bead, type End, type HoleEnd, type Manner } from './path';
import type { Target } from './route';

/** The ends of a part that runs from a start to an end. */
export const EDGE_NAMES = ['start', 'end'] as const;
export type EdgeName = (typeof EDGE_NAMES)[number];
export const isEdgeName = (name: string): name is EdgeName => EDGE_NAMES.some((edge) => edge === name);

/** One way in which a post holds what hangs from it. */
export interface Hold {
  /** Where thread comes out to what hangs here. */
  readonly out: Target;
  /** How the needle gets there from where it has come out along this edge, over a half hitch where it has one; by a hidden way where nothing is said. */
  readonly reach?: { readonly through: (from: HoleEnd) => readonly HoleEnd[]; readonly hitched?: boolean };
  /** The holes by which it goes back in, each with the end that it enters. */
  readonly into: readonly HoleEnd[];
  /**
   * How it comes round for once more: through these, over a half hitch where it has one. Where nothing is said it is there
   * already, or comes by a hidden way.
   */
  readonly round?: { readonly through: readonly HoleEnd[]; readonly hitched?: boolean };
}

/** A place of an edge at which something can hang, with the ways to hold it, the usual first. */
export type Post = readonly Hold[];

/** How an edge is sewn to the beginning, so that the part is a ring. */
export interface Meeting {
  readonly through: readonly HoleEnd[];
  readonly as?: Manner;
  readonly knotted?: boolean;
}

/** An end of a part: where something can hang, in the order worked. */
export interface Edge {
  readonly posts: readonly Post[];
  /** The side of the work on which the first of its posts is, as the sign of y; all round where nothing is said. */
  readonly from?: 1 | -1;
  /** The post that holds what hangs alone; the middle one where nothing is said. */
  readonly alone?: Post;
  /** What sews it to the start in a ring; a part that closes itself as it is woven has none. */
  readonly meeting?: Meeting;
  /** The beads round the opening of a tube, by which it is drawn shut, from the post that holds what hangs alone back to it. */
  readonly mouth?: readonly HoleEnd[];
  /** Its beads where each stands in a gap of an edge that it can be zipped to, from one side to the other. */
  readonly zips?: readonly HoleEnd[];
}

/** Where an end of thread is fastened off, a few beads into the work: between two half hitches. */
export interface Anchor {
  /** Through these before the first hitch, such as round by the edge into another hole. */
  readonly first?: { readonly through: (from: HoleEnd) => readonly HoleEnd[]; readonly as?: Manner };
  /** The first hitch lies over the thread beside it, and is not pulled into the bead that the thread came out of. */
  readonly over?: boolean;
  /** By a hidden way to whichever of these is nearest, or straight through holes from where it stands. */
  readonly way:
    | {
        readonly to: readonly Target[];
        /** Where no way leads to any of them it is hitched where it stands. */
        readonly orStay?: boolean;
      }
    | { readonly along: (from: HoleEnd) => readonly HoleEnd[] };
}

/** An end of thread when all is woven, and where it is fastened off; null where it only has to be woven in. */
export type ThreadEnd = readonly [needle: Needle, anchor: Anchor | null];

/** What a structure hands back when it has woven: what others can be joined to, and the thread that is left. */
export interface Made {
  readonly edges: Readonly<Record<EdgeName, Edge>>;
  /** In the order in which they are fastened off. */
  readonly ends: readonly ThreadEnd[];
}

/**
 * What a structure weaves on. It is told of a ring, for later passes lie over its join; what hangs at an edge it leaves to
 * the loom.
 */
export interface Loom {
  readonly w: Weave;
  /** Whether its end will be sewn to its start. */
  readonly ring: boolean;
  /** The far end of the first thread, on a needle of its own: it is threaded when it is first asked for. */
  readonly tail: Needle;
  /** How many things will hang at an edge, side by side. */
  hangs(edge: EdgeName): number;
  /** The needle has come to an edge: what hangs there is hung now, before anything else is woven. Returns the edge. */
  reached(name: EdgeName, edge: Edge, needle: Needle): Edge;
  /** Takes the foreign stop bead off, where one is on: thread comes to the start. */
  release(needle: Needle): void;
  /** Strings the first beads of all on a cord whose middle holds what hangs at the start. */
  fromMiddle(needle: Needle, string: () => Bead[]): Bead[];
}

const entry = (p: Passage, end: End): HoleEnd => ('bead' in p ? { ...p, end } : { bead: p, hole: 0, end });

/** Through beads the way they were strung. */
export const forth = (...run: readonly Passage[]): HoleEnd[] => run.map((p) => entry(p, 0));
/** Through beads against the way they were strung, in the order given. */
export const against = (...run: readonly Passage[]): HoleEnd[] => run.map((p) => entry(p, 1));
/** The same holes the other way. */
export const reversed = (way: readonly HoleEnd[]): HoleEnd[] =>
  way.map((one) => ({ ...one, end: otherEnd(one.end) })).reverse();

/** Where a needle comes out that has gone this way. Throws on a way of no holes. */
export function outOfWay(way: readonly HoleEnd[]): HoleEnd {
  const last = way.at(-1);
  if (!last) throw new Error('A way leads through one hole at least.');
  return { ...last, end: otherEnd(last.end) };
}

/** Fastened off by a hidden way to whichever of these is nearest. */
export const towards = (...to: readonly Target[]): Anchor => ({ way: { to } });
/** Fastened off in any of these beads, whichever is nearest. */
export const inside = (...beads: readonly Bead[]): Anchor =>
  towards(...beads.flatMap((bead) => [outOf(bead), backOutOf(bead)]));

/** Fastened off in a run of beads, by whichever end of it is nearest. Throws on a run of none. */
export function inRun(run: readonly Bead[]): Anchor {
  const [first, last] = [run[0], run.at(-1)];
  if (!first || !last) throw new Error('A run has one bead at least.');
  return towards(outOf(last), backOutOf(first));
}

/** An edge at which one thing can hang, with the ways to hold it, the usual first. */
export const onePost = (...holds: readonly Hold[]): Edge => ({ posts: [holds] });

/** Both ends of the first thread, and where each is fastened off: the needle's first. */
export const ownAndTail = (
  loom: Loom,
  needle: Needle,
  own: Anchor | null,
  tail: Anchor | null,
): ThreadEnd[] => [
  [needle, own],
  [loom.tail, tail],
];

/** Both ends of the first thread, each fastened off so many rows into the work from its own edge. */
export function bothEnds(
  loom: Loom,
  needle: Needle,
  rows: readonly (readonly Bead[])[],
  few: number,
): ThreadEnd[] {
  const into = Math.min(few, rows.length - 1);
  const row = (k: number) => inside(...(rows.at(k) ?? []));
  return ownAndTail(loom, needle, row(-1 - into), row(into));
}

/** The side on which a row begins that is worked there and back, the first from the upper edge. */
export const beginsAt = (row: number): 1 | -1 => (row % 2 === 0 ? -1 : 1);

/** What hangs at the end of a line: through its last bead and back, over a half hitch for each round. */
export const turnedAt = (out: HoleEnd, into: readonly HoleEnd[]): Post => [
  { out, into, round: { through: reversed(into), hitched: true } },
];

/** A run of beads that thread leaves by one end and enters by the other, straight through it. */
export const straight = (way: readonly HoleEnd[]): Hold => ({ out: outOfWay(way), into: way });
