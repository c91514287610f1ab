/**
 * A piece of beadwork is its thread path: an ordered list of moves of one or more needles.
 * Everything else (counts, thread, steps, picture) is read off it; see `core/read` and `core/layout`.
 */

/** Which end of a hole the thread enters. 0 is the end that the needle met when the bead was strung. */
export type End = 0 | 1;

/** Where in the work a bead or a move belongs. `row` counts through the section, `unit` is one repeat. */
export interface Place {
  readonly section: string;
  readonly pass: string;
  readonly unit: number;
  readonly row: number;
}

/** One bead of the piece. `role` says which material it takes, `name` which bead of its row it is. */
export interface Bead {
  readonly id: number;
  readonly role: string;
  readonly name: string;
  readonly place: Place;
}

/** A thing the thread goes through that is not a bead: a clasp ring, a bar, a jump ring. */
export interface Finding {
  readonly id: number;
  readonly name: string;
}

export type Knot = 'half hitch' | 'overhand';

interface MoveBase {
  readonly needle: string;
  readonly place: Place;
}

export type Move =
  /** A new thread on this needle; a foreign stop bead comes off later. */
  | (MoveBase & { readonly kind: 'begin'; readonly stop: 'none' | 'foreign' })
  /** A new bead is strung. Its hole is entered at end 0, by definition of the ends. */
  | (MoveBase & { readonly kind: 'pick'; readonly bead: Bead; readonly hole: number; readonly enter: End })
  /** The needle goes once more through a bead already in the work. */
  | (MoveBase & { readonly kind: 'pass'; readonly bead: Bead; readonly hole: number; readonly enter: End })
  /** The thread goes through a finding. */
  | (MoveBase & { readonly kind: 'attach'; readonly finding: Finding })
  | (MoveBase & { readonly kind: 'knot'; readonly knot: Knot })
  /** The rest of this thread is woven in and trimmed. */
  | (MoveBase & { readonly kind: 'tail' });

/** The kinds of move that go through a bead. */
export type Traversal = Extract<Move, { kind: 'pick' | 'pass' }>;

export const isTraversal = (move: Move): move is Traversal => move.kind === 'pick' || move.kind === 'pass';

export interface Path {
  readonly beads: readonly Bead[];
  readonly findings: readonly Finding[];
  readonly moves: readonly Move[];
  /** Needles in the order they come into use. The first is the working end; a needle `tail` is the other
   * end of the same thread and sets out from where the working end began. */
  readonly needles: readonly string[];
}

/** The needle that sews with the tail of the first thread. */
export const TAIL = 'tail';
