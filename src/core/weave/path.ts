/**
 * A piece of beadwork is its thread path: an ordered list of moves of one or more needles.
 * Everything else (counts, thread, steps, picture) is read off it; see `core/read` and `core/layout`.
 */
import { given } from '../tools/given';

/** A part of a piece: what is made by itself, or all of it where it is made in one. */
export type PartId = string;
/** The part that grows in number of units with the piece. */
export const MAIN: PartId = 'main';
/** Where two things meet: an end of the piece and what closes it, or two parts. */
export type JointId = string;

/** A stretch of the work by what it is for. Each is there once: two sections are the same where they are identical. */
export interface Section {
  readonly part: PartId;
  readonly zone: 'woven' | 'joint' | 'finish';
  /** The joint that is worked, or the end that it is woven at; null where it is none. */
  readonly joint: JointId | null;
}

const sections = new Map<string, Section>();

function section(zone: Section['zone'], part: PartId, joint: JointId | null): Section {
  const key = JSON.stringify([zone, part, joint]);
  let kept = sections.get(key);
  if (!kept) sections.set(key, (kept = { part, zone, joint }));
  return kept;
}

/** What is woven of a part. */
export const wovenOf = (part: PartId): Section => section('woven', part, null);
/** What is woven at an end of a part only, such as a turn. */
export const wovenAt = (joint: JointId, part: PartId = MAIN): Section => section('woven', part, joint);
/** What is worked at a joint of a part. */
export const jointOf = (joint: JointId, part: PartId = MAIN): Section => section('joint', part, joint);
/** The section whose units grow in number with the piece. */
export const WOVEN = wovenOf(MAIN);
/** What is done to the thread of a part when all is woven. */
export const finishOf = (part: PartId): Section => section('finish', part, null);
export const FINISH = finishOf(MAIN);

/** A section in words that are its own, to be a part of a key. */
export const sectionKey = ({ zone, part, joint }: Section): string =>
  ofPart(part, `${zone} ${joint ?? part}`);

/** A name within a part, as the whole path knows it: roles, passes and needles of two parts are never the same. */
export const ofPart = (part: PartId, name: string): string => (part === MAIN ? name : `${part}/${name}`);

/** The pass that weaves what grows, and the one that begins it. */
export const BASE = 'base';
export const START = 'start';
/** The pass that a pass belongs to: what is strung at one go before the first row is part of the rows that follow. */
export const rowsPass = (pass: string): string => (pass === START ? BASE : pass);

/** Which end of a hole the thread enters. 0 is the end that the needle met when the bead was strung. */
export type End = 0 | 1;
export const otherEnd = (end: End): End => (end === 0 ? 1 : 0);

/** Where in the work a bead or a move belongs. `row` counts through the section, `unit` is one repeat. */
export interface Place {
  readonly section: Section;
  readonly pass: string;
  readonly unit: number;
  readonly row: number;
  /** The row counted from the first of its unit. */
  readonly rowInUnit: number;
  /** Of a row that is told in several steps: which of them, from 0. */
  readonly step?: number;
}

/** Which bead of its row a bead is: what it is a part of, and which of those that were strung together, from 0. */
export interface Slot {
  readonly of: string;
  readonly index: number;
  /** Which of several such, as a column of a strip or a loop of an end; counted from 0. */
  readonly run?: number;
}

/** A slot in words that are its own, to be a part of a key. */
export const slotKey = ({ of, index, run }: Slot): string => `${of} ${index} ${run ?? ''}`;

/** One bead of the piece. `role` says which material it takes, `name` its slot in a word of its own. */
export interface Bead {
  readonly id: number;
  readonly role: string;
  /** How many holes it has. */
  readonly holes: number;
  readonly slot: Slot;
  readonly name: string;
  readonly place: Place;
}

/** A thing the thread goes through that is not a bead: a clasp ring, a bar, a jump ring. */
export interface Finding {
  readonly id: number;
  readonly name: string;
  readonly holes: number;
  /** The joint at which it is, and which of several there, from 0; null where it is none of a joint. */
  readonly at: { readonly joint: JointId; readonly nth: number } | null;
}

/** One end of one hole of a bead: where thread goes in or comes out. */
export interface HoleEnd {
  readonly bead: Bead;
  readonly hole: number;
  readonly end: End;
}

/** Whether two hole ends are one. */
export const isSameEnd = (one: HoleEnd | null, other: HoleEnd | null): boolean =>
  one !== null && one.bead === other?.bead && one.hole === other.hole && one.end === other.end;

/** Bare thread between two hole ends, under which a needle can go. */
export interface Bridge {
  readonly from: HoleEnd;
  readonly to: HoleEnd;
}

/** The last is an overhand knot that lies close between two beads, and keeps them apart. */
export type Knot = 'half hitch' | 'overhand' | 'square' | 'between beads';
/** A stop bead keeps the first beads on: a foreign one comes off again, one of the pattern stays. */
export const STOP_BEADS = ['foreign', 'pattern', 'none'] as const;
export type StopBead = (typeof STOP_BEADS)[number];
/** What a traversal is for, where that changes how it is told or judged. */
export type Manner = 'step-up' | 'turn' | 'close' | 'travel' | 'reinforce';

interface MoveBase {
  readonly needle: string;
  readonly place: Place;
}

interface ThroughBead extends MoveBase {
  readonly bead: Bead;
  readonly hole: number;
  readonly enter: End;
  readonly as: Manner | null;
}

export type Move =
  /** A new thread on this needle; after a `tail` of the same needle it is the next length of it. */
  | (MoveBase & { readonly kind: 'begin'; readonly stop: StopBead })
  /** A new bead is strung. Its hole is entered at end 0, by definition of the ends. */
  | (ThroughBead & { readonly kind: 'pick' })
  /** The needle goes once more through a bead already in the work. */
  | (ThroughBead & { readonly kind: 'pass' })
  /** The thread goes through a finding. */
  | (MoveBase & { readonly kind: 'attach'; readonly finding: Finding; readonly hole: number })
  /** Under bare thread, so that what comes next hangs from it. */
  | (MoveBase & { readonly kind: 'under'; readonly bridge: Bridge })
  /** Round the outside of a bead, to enter it again at the end it went in before. */
  | (MoveBase & { readonly kind: 'around'; readonly bead: Bead })
  /** Between two beads or rows, to the other face of the work. */
  | (MoveBase & { readonly kind: 'between'; readonly beads: readonly [Bead, Bead] })
  /** A body without thread is set in: a ball in a frame, a stone in a capsule. */
  | (MoveBase & { readonly kind: 'enclose'; readonly bead: Bead })
  /** `into` is the hole that the knot is pulled into, where it takes room; null where it stays outside. */
  | (MoveBase & { readonly kind: 'knot'; readonly knot: Knot; readonly into: HoleEnd | null })
  /** A bead that is easily gone through by mistake. No thread moves. */
  | (MoveBase & { readonly kind: 'skip'; readonly bead: Bead })
  /** The work is turned in the hand. No thread moves. */
  | (MoveBase & { readonly kind: 'turn'; readonly how: 'over' | 'end for end' })
  /** The foreign stop bead comes off. */
  | (MoveBase & { readonly kind: 'release' })
  /** The rest of this thread is woven in and trimmed. */
  | (MoveBase & { readonly kind: 'tail' });

/** The kinds of move that go through a bead. */
export type Traversal = Extract<Move, { kind: 'pick' | 'pass' }>;

export const isTraversal = (move: Move): move is Traversal => move.kind === 'pick' || move.kind === 'pass';

export type Tension = 'tight' | 'medium' | 'loose';

/** A side of the work: one that lies on it, or an edge that something hangs below or stands above. */
export type Face = 'front' | 'back' | 'below' | 'above';

/** Whether what is there lies beside the work, and not on it. */
export const isBeside = (face: Face | null): boolean => face === 'below' || face === 'above';

/** What holds for a whole pass. */
export interface PassInfo {
  readonly tension: Tension;
  /** A pass that can be left out; the maker switches it. */
  readonly optional: boolean;
  /** The side of the work that its beads lie on, or hang on; a path alone cannot say. */
  readonly face: Face | null;
  /** It goes the same way again as the pass before it. */
  readonly again: boolean;
  /** Why it is done, or must not be left out. */
  readonly why: string | null;
  /** By what part it draws in what is there already; null where it does not. */
  readonly shortens: { readonly least: number; readonly most: number } | null;
}

export const PLAIN_PASS: PassInfo = {
  tension: 'tight',
  optional: false,
  face: null,
  again: false,
  why: null,
  shortens: null,
};

/** One length of thread and its two ends: a cord folded in the middle with a needle on each, or a needle and its tail. */
export interface Thread {
  readonly needles: readonly [string, string];
  readonly folded: boolean;
  /** Used double: every trip takes two strands. */
  readonly doubled: boolean;
}

/** What a needle is called, and what it works beside the piece itself: a stretch of it, or a seam. */
export interface NeedleName {
  readonly of: string | null;
  readonly name: string;
}

/** Two edges of equal length sewn together bead by bead. */
export interface Zip {
  readonly place: Place;
  readonly edges: readonly [readonly Bead[], readonly Bead[]];
}

export interface PartInfo {
  /** A round of a motif repeats so many times about its middle; its last unit is a neighbour of its first. */
  readonly folds: number | null;
  /** The beads of the round lie end to end along its circle, so that their number must suit its girth. */
  readonly liesAlong: boolean;
  /** A component used the other way round. */
  readonly mirrored: boolean;
}

export interface Path {
  readonly beads: readonly Bead[];
  readonly findings: readonly Finding[];
  readonly moves: readonly Move[];
  readonly threads: readonly Thread[];
  readonly needles: ReadonlyMap<string, NeedleName>;
  readonly zips: readonly Zip[];
  readonly passes: ReadonlyMap<string, PassInfo>;
  readonly parts: ReadonlyMap<PartId, PartInfo>;
}

/** The needle that sews with the tail of the first thread. */
export const TAIL = 'tail';

/** Ends of a path's threads that are but tails; they can sew with a needle of their own. */
export const tailsOf = ({ threads }: Pick<Path, 'threads'>): ReadonlySet<string> =>
  new Set(threads.flatMap(({ needles: [, other], folded }) => (folded ? [] : [other])));

/** What holds for the pass that something is placed in. */
export const passInfo = ({ passes }: Pick<Path, 'passes'>, { section, pass }: Place): PassInfo =>
  passes.get(ofPart(section.part, pass)) ?? PLAIN_PASS;

/** Strands that one trip of a needle takes through a hole. Throws for a needle that carries no thread of the path. */
export function strandsOf({ threads }: Pick<Path, 'threads'>): (needle: string) => number {
  const strands = new Map(
    threads.flatMap(({ needles, doubled }) => needles.map((needle) => [needle, doubled ? 2 : 1] as const)),
  );
  return (needle) => given(strands.get(needle), `thread on the ${needle} needle`);
}
