/**
 * Steps as data: which bead, which thread, which way. Every reference fits exactly one bead of the work as it then is, seen from
 * where the thread comes out; words and pictures are made from it, and a reader that knows nothing else rebuilds the path.
 */
import type { Knot, Manner, Section, StopBead } from '../weave/path';

/**
 * A direction as the work is held. On a tube it is that of whoever looks at the bead from outside, the tube held upright; on a motif
 * up leads outwards.
 */
export const DIRECTIONS = ['up', 'down', 'left', 'right', 'away', 'towards'] as const;
export type Direction = (typeof DIRECTIONS)[number];

/** Towards a corner of the work: halfway between two ways. */
export const CORNERS = ['up left', 'up right', 'down left', 'down right'] as const;
export type Corner = (typeof CORNERS)[number];

/** The ways that a side is between; one, where it is no corner. */
export const waysOf = (side: Direction | Corner): readonly Direction[] =>
  side.split(' ').filter((way): way is Direction => DIRECTIONS.some((one) => one === way));

/**
 * A bead by what is true of it alone: all that is said must hold. What is not said does not matter.
 */
export interface Ref {
  /** Thread comes out of it. */
  readonly out?: true;
  /** Thread came out of it before the last beads were picked up. */
  readonly began?: true;
  /** Which of the last beads picked up, from 1. */
  readonly added?: number;
  /** Thread leads to it from where the needle is, the way that it is gone through, and no other does. */
  readonly along?: true;
  /** The newest of the whole work, which another needle picked up. */
  readonly newest?: true;
  /** It is of the section of the step, so many rows back: 0 for the row of the step, ahead below 0. */
  readonly back?: number;
  /** It is of another section, in this row of it, from 0. */
  readonly of?: { readonly section: Section; readonly row: number };
  readonly role?: string;
  /** It is a part of such: a rung, a tip. */
  readonly part?: string;
  /** The farthest of all these to one side, or towards a corner, by half a bead at least. */
  readonly side?: Direction | Corner;
  /** Which of these ahead, the way the step goes, counted from where the thread is. */
  readonly next?: number;
  /** Which of these in the order in which they were strung: from 1, or from the newest back from -1. */
  readonly strung?: number;
}

/** Through so many beads on from link to link, each the same way: by the only thread that leads so. */
export interface Leg {
  readonly way: Direction;
  readonly beads: number;
  /** The bead, where thread leads so to several; then it is one bead. */
  readonly to?: Ref;
  readonly hole?: Direction;
}

/** A bead as it is picked up. */
export interface Picked {
  readonly role: string;
  /** What it is a part of, where that has a name: a rung, a tip. */
  readonly part?: string;
  /** So many rows back, where it is none of this row. */
  readonly back?: number;
  /** The hole by which it is strung, by its side, where it has several. */
  readonly hole?: Direction;
}

/** One thing to do. */
export type Act =
  /** Takes up a thread; after one that was woven in, the next length. */
  | { readonly act: 'begin'; readonly stop: StopBead; readonly next?: true }
  | { readonly act: 'pick'; readonly beads: readonly Picked[] }
  | {
      readonly act: 'go';
      readonly to: Ref;
      readonly way: Direction;
      readonly hole?: Direction;
      /** What it is for, where that is said. */
      readonly as?: Manner;
      /** In one stroke of the needle with the one before. */
      readonly together?: true;
    }
  /** By a hidden way, along threads that are there; for courtesy, that it comes out where the thread before it did. */
  | { readonly act: 'weave'; readonly legs: readonly Leg[]; readonly asBefore?: true }
  | { readonly act: 'attach'; readonly finding: string; readonly hole: number }
  /** Under the bare thread between two beads; on which side of them, where it runs on both. */
  | { readonly act: 'under'; readonly between: readonly [Ref, Ref]; readonly on?: Direction }
  /** Once more all that the last step of this needle in this section did that was told in full, through what it picked up. */
  | { readonly act: 'again' }
  | { readonly act: 'around'; readonly bead: Ref }
  | { readonly act: 'between'; readonly beads: readonly [Ref, Ref] }
  | { readonly act: 'enclose'; readonly role: string }
  | { readonly act: 'knot'; readonly knot: Knot; readonly pulledIn: boolean }
  | { readonly act: 'skip'; readonly bead: Ref }
  | { readonly act: 'turn'; readonly how: 'over' | 'end for end' }
  | { readonly act: 'release' }
  | { readonly act: 'tail' };

/** What one needle does in one row. */
export interface ToldStep {
  readonly needle: string;
  readonly section: Section;
  readonly pass: string;
  readonly unit: number;
  readonly row: number;
  /** The way it goes on the whole; null where it stays in its place. */
  readonly going: Direction | null;
  /** Of the two needles of one thread: on which side of the other it lies as the step begins, for courtesy. */
  readonly lies?: Direction;
  readonly acts: readonly Act[];
}

/** How the work is held while it is made. */
export interface Held {
  /** Where it grows to; null where it is turned in the hand, so that nothing is on a side. */
  readonly grows: 'up' | 'right' | 'left' | null;
  /**
   * Seen from outside all round, as a tube is; or turned on the mat about a middle so far along, so that up leads away from it. Null
   * where it lies still.
   */
  readonly round: 'tube' | { readonly aboutMm: number } | null;
  /** How it has been turned since it was begun: over, so that its other face is up, and end for end. */
  readonly turned?: { readonly over: boolean; readonly ends: boolean };
}

/** How work is held that is turned once more. */
export const heldAfter = (held: Held, how: 'over' | 'end for end'): Held => {
  const { over = false, ends = false } = held.turned ?? {};
  return { ...held, turned: how === 'over' ? { over: !over, ends } : { over, ends: !ends } };
};
