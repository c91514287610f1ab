import { Links } from './links';
import {
  BASE,
  MAIN,
  PLAIN_PASS,
  TAIL,
  finishOf,
  jointOf,
  ofPart,
  wovenOf,
  type Bead,
  type Finding,
  type HoleEnd,
  type JointId,
  type Knot,
  type Move,
  type NeedleName,
  type PassInfo,
  type Path,
  type Place,
  type PartId,
  type PartInfo,
  type Section,
  type Slot,
  type StopBead,
  type Thread,
  type Zip,
} from './path';
import { Needle, type Written } from './needle';
import { unitsOfRows, type RowOfUnit, type RowsPerUnit } from './units';

/** The rows of a repeat, for later passes to run along. */
export interface Units<T> {
  readonly items: readonly T[];
  /** The row number of the first item. */
  readonly fromRow: number;
  readonly first: T;
  readonly last: T;
}

/** How a later pass runs along the rows of an earlier one. */
export interface Along {
  readonly backwards?: boolean;
  /** Only every so many-th, from the first. */
  readonly every?: number;
  readonly from?: number;
  /** One past the last. */
  readonly to?: number;
}

/** The tail of a thread that is not the first. */
const tailOf = (needle: string): string => `${needle}, tail`;

/** Thread that is knotted where another is hitched. */
export type Tied = 'elastic' | 'cord';

export interface WeaveOptions {
  /** Rows that make one unit (one repeat of the weave). */
  readonly rowsPerUnit?: RowsPerUnit;
  /** Holes of the bead of a role, where it has not one. */
  readonly holes?: Readonly<Record<string, number>>;
  /** Optional passes to leave out. */
  readonly without?: ReadonlySet<string>;
  /** Trips that a hole of this role takes; travelling keeps to it. */
  readonly room?: (role: string) => number;
  /** Trips that the finished work makes through a hole beside hidden ways, where that is known: they keep their room. */
  readonly fixed?: (bead: Bead, hole: number) => number;
  /** What its thread is where it is knotted and not hitched: no hitch holds on elastic, nor well on cord. */
  readonly tied?: Tied | null;
  /** How the first beads are kept on where a stitch asks for a stop bead: the maker's school. */
  readonly stop?: StopBead;
  /** Whether the work is turned over at the end of each row, so that all are worked the same way. */
  readonly turning?: boolean;
}

/** What all parts of a path are written into. */
class SharedPath {
  readonly beads: Bead[] = [];
  readonly findings: Finding[] = [];
  readonly moves: Move[] = [];
  readonly threads: Thread[] = [];
  readonly needles = new Map<string, NeedleName>();
  readonly zips: Zip[] = [];
  readonly passes = new Map<string, PassInfo>();
  readonly parts = new Map<PartId, PartInfo>();
  /** Each part by itself. */
  readonly scopes = new Map<PartId, Weave>();
  readonly links = new Links({ moves: this.moves, threads: this.threads });
}

/** Where a stretch of a part begins. */
interface Stretch {
  readonly row: number;
  readonly unit: number;
}

const AT_THE_START: Stretch = { row: 0, unit: 0 };

interface Whereabouts {
  readonly section?: Section;
  readonly pass?: string;
  readonly row?: number;
  readonly rowsPerUnit?: number;
  /** Which of several rows of a net, or of such, the beads strung here belong to. */
  readonly run?: number;
  /** Of a row too long to be told in one breath: which of its steps is worked here. */
  readonly step?: number;
}

/**
 * Writes a thread path the way a pattern is read aloud.
 *
 * ```ts
 * const w = new Weave();
 * const t = w.needle('working');
 * const base = t.pick({ left: 'A', right: 'A' });
 * w.repeat(1, rows, base, (previous) => {
 *   const row = t.pick({ left: 'A', right: 'A' });
 *   t.through(previous.right, previous.left, row.left);
 *   return row;
 * });
 * const path = w.path();
 * ```
 */
export class Weave implements Written {
  private readonly needles = new Map<string, Needle>();
  private readonly holes: Readonly<Record<string, number>>;
  private readonly without: ReadonlySet<string>;
  private unitAt: (row: number) => RowOfUnit;
  private run: number | undefined;
  private place: Place;
  /** The row as the structure counts it. */
  private row = 0;
  private readonly roomOf: (role: string) => number;

  /** @internal The bare links so far; read only when something asks. */
  readonly links: Links;
  /** @internal */
  readonly fixed: (bead: Bead, hole: number) => number;
  /** What its thread is where it is knotted and not hitched. */
  readonly tied: Tied | null;
  /** @internal */
  readonly stop: StopBead;
  private readonly turning: boolean;

  /**
   * @param part what is woven, of the path that it shares with others
   * @param from where along the part it begins: another stretch of it goes before
   * @param own what its needles are told apart by
   * @param works what they work beside the piece itself
   */
  constructor(
    {
      rowsPerUnit = 1,
      holes = {},
      without = new Set(),
      room = () => Infinity,
      fixed = () => 0,
      tied = null,
      stop = 'foreign',
      turning = false,
    }: WeaveOptions = {},
    readonly part: PartId = MAIN,
    private readonly shared: SharedPath = new SharedPath(),
    private readonly from: Stretch = AT_THE_START,
    private readonly own: string = part,
    private readonly works: string | null = null,
  ) {
    if (from === AT_THE_START) {
      if (shared.scopes.has(part)) throw new Error(`The part ${part} is woven already.`);
      shared.scopes.set(part, this);
    }
    this.unitAt = unitsOfRows(rowsPerUnit);
    this.holes = holes;
    this.without = without;
    this.roomOf = room;
    this.fixed = fixed;
    this.tied = tied;
    this.stop = stop;
    this.turning = turning;
    this.links = shared.links;
    this.place = { section: this.woven, pass: BASE, unit: from.unit, row: from.row, rowInUnit: 0 };
  }

  /**
   * Another part, woven into the same path: its needles, roles and passes are its own, its beads and links are all
   * one's. Throws for a part that is woven already.
   *
   * ```ts
   * const top = w.scope('top', { holes: { A: 2 } });
   * const t = top.needle('working');
   * ```
   */
  scope(part: PartId, options: WeaveOptions = {}): Weave {
    return new Weave(options, part, this.shared);
  }

  /**
   * A further stretch of the same part, that begins at such a row and unit: it has needles of its own, and its rows are
   * counted anew as it is woven.
   */
  stretch(name: string, from: Stretch, options: WeaveOptions = {}): Weave {
    return new Weave(options, this.part, this.shared, from, `${this.own}/${name}`, name);
  }

  /** What holds thread where it would run back: a hitch, or a knot where no hitch holds. */
  get hitch(): Knot {
    return this.tied ? 'overhand' : 'half hitch';
  }

  /** The section whose units grow in number with the part. */
  get woven(): Section {
    return wovenOf(this.part);
  }

  /** @internal Trips that a hole of a bead takes, whatever part it is of. */
  room(bead: Bead): number {
    // A component has no scope of its own: it is of the part that it is made in.
    const scope = this.shared.scopes.get(bead.place.section.part) ?? this;
    return scope.roomOf(bead.role.slice(ofPart(scope.part, '').length));
  }

  /** The needle of that name. One that is new carries a thread of its own, whose other end is its tail. */
  needle(name: string, { doubled = false } = {}): Needle {
    const kept = this.needles.get(name);
    if (kept) return kept;
    const own = this.named(name);
    const tail = this.named(this.needles.size === 0 ? TAIL : tailOf(name));
    if (!this.shared.threads.some((thread) => thread.needles.includes(own)))
      this.shared.threads.push({ needles: [own, tail], folded: false, doubled });
    return this.threaded(name);
  }

  /** One cord folded in the middle: a needle, or a cord end, on either side. */
  cord(one: string, other: string, { doubled = false } = {}): [Needle, Needle] {
    const needles = [this.named(one), this.named(other)] as const;
    this.shared.threads.push({ needles, folded: true, doubled });
    return [this.threaded(one), this.threaded(other)];
  }

  finding(name: string, holes = 1, at: Finding['at'] = null): Finding {
    const finding = { id: this.shared.findings.length, name, holes, at };
    this.shared.findings.push(finding);
    return finding;
  }

  /** Everything `work` does belongs to this part of the piece. */
  in<T>(part: Whereabouts, work: () => T): T {
    const { place, row, unitAt, run } = this;
    this.run = part.run ?? run;
    if (part.rowsPerUnit !== undefined) this.unitAt = unitsOfRows(part.rowsPerUnit);
    this.place = this.at(part);
    this.row = part.row ?? row;
    try {
      return work();
    } finally {
      this.place = place;
      this.row = row;
      this.unitAt = unitAt;
      this.run = run;
    }
  }

  /** A pass with what holds for all of it. Returns null where it is optional and left out. */
  pass<T>(name: string, info: Partial<PassInfo>, work: () => T): T | null {
    this.shared.passes.set(ofPart(this.part, name), { ...PLAIN_PASS, ...info });
    if (info.optional && this.without.has(name)) return null;
    return this.in({ pass: name }, work);
  }

  /** A component made apart, under its own name; the same program can be used again, and mirrored. */
  component<T>(name: PartId, work: () => T, { mirrored = false } = {}): T {
    this.shared.parts.set(name, { folds: null, liesAlong: false, mirrored });
    return this.in({ section: wovenOf(name), row: 0, rowsPerUnit: 1 }, work);
  }

  /** A pass of what is worked at a joint. */
  joint<T>(joint: JointId, pass: string, work: () => T): T {
    return this.in({ section: jointOf(joint, this.part), pass, row: 0, rowsPerUnit: 1 }, work);
  }

  /** A pass of what is done to the thread when all is woven. */
  finish<T>(pass: string, work: () => T): T {
    return this.in({ section: finishOf(this.part), pass, row: 0, rowsPerUnit: 1 }, work);
  }

  /**
   * One round of a motif: `folds` equal parts about its middle. Each is handed its number and what the one
   * before it returned. Returns the parts. `liesAlong`: its beads lie end to end along the circle.
   */
  round<T>(
    name: PartId,
    folds: number,
    work: (fold: number, previous: T | null) => T,
    { liesAlong = false } = {},
  ): T[] {
    this.shared.parts.set(name, { folds, liesAlong, mirrored: false });
    const parts: T[] = [];
    this.in({ section: wovenOf(name), row: 0, rowsPerUnit: 1 }, () => {
      for (let fold = 0; fold < folds; fold++)
        parts.push(this.in({ row: fold }, () => work(fold, parts[fold - 1] ?? null)));
    });
    return parts;
  }

  /**
   * Rows `from` to `to` − 1. Each is handed what the one before it returned, so that references stay
   * local and the path stays linear in its length. Returns the rows, for later passes to run along.
   */
  repeat<T>(from: number, to: number, first: T, work: (previous: T, row: number) => T): Units<T> {
    const items: T[] = [];
    let last = first;
    for (let row = from; row < to; row++) {
      last = this.in({ row }, () => work(last, row));
      items.push(last);
    }
    return { items, fromRow: from, first: items[0] ?? first, last };
  }

  /** Runs along the rows of an earlier pass, forward or back: each with the next and the one before on the way. */
  along<T>(
    units: Units<T>,
    { backwards = false, every = 1, from = 0, to = units.items.length }: Along,
    work: (
      unit: T,
      index: number,
      beside: { readonly next: T | undefined; readonly previous: T | undefined },
    ) => void,
  ): void {
    const step = backwards ? -every : every;
    const start = backwards ? to - 1 : from;
    for (let i = start; i >= from && i < to; i += step) {
      const ahead = backwards ? i - 1 : i + 1;
      const behind = backwards ? i + 1 : i - 1;
      this.in({ row: units.fromRow + i }, () =>
        work(units.items[i] as T, i, { next: units.items[ahead], previous: units.items[behind] }),
      );
    }
  }

  /** Two needles cross in one new bead: one strings it, the other goes through the opposite way. */
  cross(one: Needle, other: Needle, name: string, role: string): Bead {
    const bead = one.pick({ [name]: role })[name] as Bead;
    other.back(bead);
    return bead;
  }

  /**
   * Sews two edges together: through a bead of one, then of the other, in turn, each by the end that is told. The edges
   * must be of equal length; the checker names those that are not.
   */
  zip(needle: Needle, one: readonly HoleEnd[], other: readonly HoleEnd[]): void {
    const beads = (edge: readonly HoleEnd[]) => edge.map(({ bead }) => bead);
    this.shared.zips.push({ place: this.place, edges: [beads(one), beads(other)] });
    for (let i = 0; i < Math.min(one.length, other.length); i++)
      needle.enter([one[i] as HoleEnd, other[i] as HoleEnd]);
  }

  /** At the end of a row: the work is turned over, where that is the maker's way. */
  turnRow(needle: Needle): void {
    if (this.turning) needle.turnWork('over');
  }

  /** Whether a foreign stop bead is on the thread, to be taken off. */
  stopIsOn(): boolean {
    const own = new Set([...this.needles.values()].map(({ name }) => name));
    const last = this.shared.moves.findLast(
      ({ kind, needle }) => (kind === 'begin' || kind === 'release') && own.has(needle),
    );
    return last?.kind === 'begin' && last.stop === 'foreign';
  }

  /** The path, with all parts that are woven into it. */
  path(): Path {
    const { beads, findings, moves, threads, needles, zips, passes, parts } = this.shared;
    return { beads, findings, moves, threads, needles, zips, passes, parts };
  }

  /** @internal Where the moves being written belong. */
  get here(): Place {
    return this.place;
  }

  /** @internal */
  at(part: Whereabouts): Place {
    const section = part.section ?? this.place.section;
    const row = part.row ?? this.row;
    const { unit, rowInUnit } = this.unitAt(row);
    const from = section === this.woven ? this.from : AT_THE_START;
    return {
      section,
      pass: part.pass ?? this.place.pass,
      row: from.row + row,
      unit: from.unit + unit,
      rowInUnit,
      ...(part.step !== undefined && { step: part.step }),
    };
  }

  /** @internal */
  addBead(role: string, slot: Slot, name: string, row: number | undefined): Bead {
    const place = row === undefined ? this.place : this.at({ row });
    const of = this.run === undefined ? slot : { run: this.run, ...slot };
    const bead = {
      id: this.shared.beads.length,
      role: ofPart(this.part, role),
      holes: this.holes[role] ?? 1,
      slot: of,
      name,
      place,
    };
    this.shared.beads.push(bead);
    return bead;
  }

  /** @internal */
  add(move: Move): void {
    this.shared.moves.push(move);
  }

  /** A needle as the whole path knows it. */
  private named(name: string): string {
    return ofPart(this.own, name);
  }

  private threaded(name: string): Needle {
    this.shared.needles.set(this.named(name), { of: this.works, name });
    const needle = new Needle(this, this.named(name));
    this.needles.set(name, needle);
    return needle;
  }
}
