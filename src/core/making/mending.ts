import { isTraversal, type Bead, type Move } from '../weave/path';

// A bead that breaks leaves its thread whole. What was joined through it alone comes apart; what is joined another way as well holds.

/** What can be done about a broken bead. */
export interface Mending {
  /** Whether the beads beside it hold together without it, so that another can be sewn into its place. */
  readonly holds: boolean;
  /** Trips of thread that went through it by now: so often a new one is gone through. */
  readonly trips: number;
  /** The beads that its thread came from and went to when it was strung; null where there was none. */
  readonly before: Bead | null;
  readonly after: Bead | null;
  /** The step that strung it, from 0: ripping back goes to there, and takes out so many beads. */
  readonly strungAt: number;
  readonly beadsOut: number;
}

/** Whatever thread goes through or round, by a name of its own. */
type Node = string;
const nodeOf = ({ id }: Bead): Node => `bead ${id}`;

/** What a move takes its thread to: several where it goes under a bridge, none where no thread moves. */
function reached(move: Move): readonly Node[] {
  switch (move.kind) {
    case 'pick':
    case 'pass':
    case 'around':
      return [nodeOf(move.bead)];
    case 'attach':
      return [`finding ${move.finding.id}`];
    case 'under':
      return [nodeOf(move.bridge.from.bead), nodeOf(move.bridge.to.bead)];
    default:
      return [];
  }
}

/** What thread goes from and to, move by move. */
function* links(moves: readonly Move[]): Generator<readonly [Node, Node]> {
  const at = new Map<string, readonly Node[]>();
  for (const move of moves) {
    if (move.kind === 'begin') at.delete(move.needle);
    const to = reached(move);
    if (to.length === 0) continue;
    for (const from of at.get(move.needle) ?? [])
      for (const node of to) if (node !== from) yield [from, node];
    at.set(move.needle, to);
  }
}

/** All that is joined to one of them, itself counted. */
function joinedTo(joined: ReadonlyMap<Node, ReadonlySet<Node>>, first: Node): ReadonlySet<Node> {
  const found = new Set([first]);
  for (const node of found) for (const next of joined.get(node) ?? []) found.add(next);
  return found;
}

/** Beads that can have broken: those of a unit that are strung by now, by the moves of the steps. */
export function strungIn(
  steps: readonly (readonly Move[])[],
  at: number,
  where: { readonly unit: number; readonly role: string },
): Bead[] {
  return steps
    .slice(0, at)
    .flat()
    .flatMap((move) =>
      move.kind === 'pick' && move.bead.role === where.role && move.place.unit === where.unit
        ? [move.bead]
        : [],
    );
}

/**
 * What can be done about a bead that broke, so many steps being done.
 * @param steps the moves of each step, in order
 * Throws where it is not strung by then.
 */
export function mending(steps: readonly (readonly Move[])[], at: number, broken: Bead): Mending {
  const done = steps.slice(0, at);
  const strungAt = done.findIndex((moves) =>
    moves.some((move) => move.kind === 'pick' && move.bead === broken),
  );
  if (strungAt < 0) throw new Error('This bead is not in the work yet.');
  const moves = done.flat();
  const node = nodeOf(broken);
  const beside = new Set<Node>();
  const without = new Map<Node, Set<Node>>();
  for (const [a, b] of links(moves)) {
    if (a === node || b === node) {
      beside.add(a === node ? b : a);
      continue;
    }
    without.set(a, (without.get(a) ?? new Set()).add(b));
    without.set(b, (without.get(b) ?? new Set()).add(a));
  }
  const [first] = beside;
  const together = first === undefined ? new Set<Node>() : joinedTo(without, first);
  const trips = moves.filter(isTraversal);
  const its = trips.findIndex(({ bead }) => bead === broken);
  const { needle } = trips[its] as (typeof trips)[number];
  const own = trips.filter((trip) => trip.needle === needle);
  const i = own.findIndex(({ bead }) => bead === broken);
  return {
    holds: [...beside].every((other) => together.has(other)),
    trips: trips.filter(({ bead }) => bead === broken).length,
    before: own[i - 1]?.bead ?? null,
    after: own.slice(i + 1).find(({ bead }) => bead !== broken)?.bead ?? null,
    strungAt,
    beadsOut: done
      .slice(strungAt)
      .flat()
      .filter(({ kind }) => kind === 'pick').length,
  };
}
