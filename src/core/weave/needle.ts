import type { Links } from './links';
import {
  otherEnd,
  type Bead,
  type End,
  type Finding,
  type HoleEnd,
  type Knot,
  type Manner,
  type Move,
  type Place,
  type Slot,
  type StopBead,
} from './path';
import { findRoute, type Target } from './route';

/** A way through a bead: the bead itself means its first hole. */
export type Passage = Bead | { readonly bead: Bead; readonly hole: number };

/** The bead's hole number `n`, counted from 0. */
export const hole = (bead: Bead, n: number): Passage => ({ bead, hole: n });

/** Coming out of a bead the way it was strung. */
export const outOf = (bead: Bead, n = 0): Target => ({ bead, hole: n, end: 1 });
/** Coming out of a bead against the way it was strung. */
export const backOutOf = (bead: Bead, n = 0): Target => ({ bead, hole: n, end: 0 });

const passage = (p: Passage) => ('bead' in p ? p : { bead: p, hole: 0 });

/** What one pick hands back: its beads under the names they were picked with. */
export type Named<T extends Record<string, string>> = { readonly [K in keyof T]: Bead };

/** A path that cannot be written: the structure asks for something that is not there. */
export class PathError extends Error {
  override readonly name = 'PathError';
}

/** What a needle writes into, and may look up: the work as far as it has come. */
export interface Written {
  /** Where the moves being written belong. */
  readonly here: Place;
  readonly links: Links;
  /** How the maker keeps first beads on. */
  readonly stop: StopBead;
  /** Trips that a hole of a bead takes; travelling keeps to it. */
  room(bead: Bead): number;
  /** Trips that the finished work makes through a hole beside hidden ways, where that is known. */
  readonly fixed: (bead: Bead, hole: number) => number;
  add(move: Move): void;
  /** A new bead, in another row than the moves' own where one is given. */
  addBead(role: string, slot: Slot, name: string, row: number | undefined): Bead;
}

interface PickOptions {
  /** Places the beads in another row than the move's own. */
  readonly row?: number;
  /** The hole that is strung; the first where nothing is said. */
  readonly hole?: number;
}

interface StringOptions extends PickOptions {
  /** A knot close between beads, before each of these or before the first only; none where the thread has come through no bead yet. */
  readonly knotted?: 'each' | 'first' | undefined;
  /** Which of several such, from 0: a column of a strip, a loop of an end. */
  readonly run?: number;
}

/** The slot of a bead that is picked up by a name of its own. */
const alone = (of: string): Slot => ({ of, index: 0 });

/** One needle: each verb is one or more moves. */
export class Needle {
  constructor(
    private readonly work: Written,
    readonly name: string,
  ) {}

  /** Whether the next bead is a stop bead that stays: gone through once more round its outside. */
  private stopsFirst = false;

  /** Takes up a thread: with no stop bead, or with one in the maker's own way. A bead of the pattern is the first that is picked up. */
  begin(stop: 'none' | 'with a stop bead'): this {
    const how = stop === 'none' ? stop : this.work.stop;
    this.stopsFirst = how === 'pattern';
    this.work.add({ ...this.base(), kind: 'begin', stop: how });
    return this;
  }

  /** Picks up beads in the order given, name → role. */
  pick<const T extends Record<string, string>>(roles: T, options: PickOptions = {}): Named<T> {
    const picked: Record<string, Bead> = {};
    for (const name in roles) picked[name] = this.pickOne(roles[name] as string, alone(name), name, options);
    return picked as Named<T>;
  }

  /** Picks up beads of the given roles together, named by their place among them. */
  string(roles: readonly string[], of = '', { run, knotted, ...options }: StringOptions = {}): Bead[] {
    const named = run === undefined ? of : `${of}${run + 1}-`;
    return roles.map((role, index) => {
      const slot = run === undefined ? { of, index } : { of, index, run };
      const wanted = knotted === 'each' || (knotted === 'first' && index === 0);
      if (wanted && this.work.links.lastOut(this.name)) this.knot('between beads');
      return this.pickOne(role, slot, `${named}${index + 1}`, options);
    });
  }

  /** Through beads the way they were strung. */
  through(...passages: Passage[]): this {
    return this.go(passages, 0, null);
  }

  /** Through beads against the way they were strung. */
  back(...passages: Passage[]): this {
    return this.go(passages, 1, null);
  }

  /** Through holes, each by the end that is told. */
  enter(way: readonly HoleEnd[], as: Manner | null = null): this {
    for (const { bead, hole, end } of way) this.go([{ bead, hole }], end, as);
    return this;
  }

  /** Up into the first bead of the round just made, from which the next one starts. */
  stepUp(...passages: Passage[]): this {
    return this.go(passages, 0, 'step-up');
  }

  /** Through beads of the beginning, so that what was open closes. */
  close(...passages: Passage[]): this {
    return this.go(passages, 0, 'close');
  }

  /** Once more the way it was strung, for strength. */
  reinforce(...passages: Passage[]): this {
    return this.go(passages, 0, 'reinforce');
  }

  /** Round by the edge and into another hole: a longer piece of bare thread belongs there. */
  turnInto(end: { readonly bead: Bead; readonly hole?: number; readonly enter: End }): this {
    return this.go([{ bead: end.bead, hole: end.hole ?? 0 }], end.enter, 'turn');
  }

  /**
   * Travels by the shortest hidden way, through holes with room, to whichever of the targets is nearest.
   * Throws a PathError where no way leads there.
   */
  travel(...targets: Target[]): this {
    const route = this.routeTo(targets);
    if (!route)
      throw new PathError(`No hidden way with room leads the ${this.name} needle to where it is to go.`);
    for (const { bead, hole, end } of route.through) this.go([{ bead, hole }], otherEnd(end), 'travel');
    return this;
  }

  /** Travels to the nearest of the targets, or stays where no way with room leads to any. */
  travelOrStay(...targets: Target[]): this {
    return this.routeTo(targets) ? this.travel(...targets) : this;
  }

  /** The shortest hidden way with room to any of these; null where there is none. */
  private routeTo(targets: readonly Target[]): ReturnType<typeof findRoute> {
    const { links, fixed } = this.work;
    const from = links.lastOut(this.name);
    const taken = ({ bead, hole }: HoleEnd) =>
      Math.max(links.traversals(bead, hole), links.travels(bead, hole) + fixed(bead, hole));
    return from && findRoute(links, from, targets, (end) => taken(end) < this.work.room(end.bead));
  }

  /** Whether a hidden way leads to any of these, had every hole room. */
  reaches(...targets: readonly Target[]): boolean {
    const { links } = this.work;
    const from = links.lastOut(this.name);
    return from !== null && findRoute(links, from, targets, () => true) !== null;
  }

  attach(finding: Finding, hole = 0): this {
    this.work.add({ ...this.base(), kind: 'attach', finding, hole });
    return this;
  }

  /**
   * Under the newest bare thread between two beads, or the newest that leaves `a` at the end `at`.
   * Throws a PathError where there is none.
   */
  under(a: Bead, b: Bead, at?: End): this {
    const bridge = this.work.links.bridge(a, b, at);
    if (!bridge) throw new PathError(`There is no thread between ${a.name} and ${b.name} to go under.`);
    this.work.add({ ...this.base(), kind: 'under', bridge });
    return this;
  }

  around(bead: Bead): this {
    this.work.add({ ...this.base(), kind: 'around', bead });
    return this;
  }

  between(a: Bead, b: Bead): this {
    this.work.add({ ...this.base(), kind: 'between', beads: [a, b] });
    return this;
  }

  /** Sets in a body that no thread holds yet; later moves may go through its holes. */
  enclose(name: string, role: string): Bead {
    const bead = this.work.addBead(role, alone(name), name, undefined);
    this.work.add({ ...this.base(), kind: 'enclose', bead });
    return bead;
  }

  /** A knot; with `pullInto` it goes into the hole it came out of, and takes room there. */
  knot(knot: Knot, { pullInto = false } = {}): this {
    const into: HoleEnd | null = pullInto ? this.work.links.lastOut(this.name) : null;
    this.work.add({ ...this.base(), kind: 'knot', knot, into });
    return this;
  }

  skip(bead: Bead): this {
    this.work.add({ ...this.base(), kind: 'skip', bead });
    return this;
  }

  turnWork(how: 'over' | 'end for end'): this {
    this.work.add({ ...this.base(), kind: 'turn', how });
    return this;
  }

  release(): this {
    this.work.add({ ...this.base(), kind: 'release' });
    return this;
  }

  tail(): this {
    this.work.add({ ...this.base(), kind: 'tail' });
    return this;
  }

  private base() {
    return { needle: this.name, place: this.work.here };
  }

  private pickOne(role: string, slot: Slot, name: string, { row, hole = 0 }: PickOptions): Bead {
    const bead = this.work.addBead(role, slot, name, row);
    this.work.add({
      kind: 'pick',
      needle: this.name,
      place: this.work.here,
      bead,
      hole,
      enter: 0,
      as: null,
    });
    if (this.stopsFirst) {
      this.stopsFirst = false;
      this.around(bead).go([{ bead, hole }], 0, null);
    }
    return bead;
  }

  private go(passages: readonly Passage[], enter: End, as: Manner | null): this {
    for (const p of passages) {
      const { bead, hole } = passage(p);
      this.work.add({ kind: 'pass', needle: this.name, place: this.work.here, bead, hole, enter, as });
    }
    return this;
  }
}
