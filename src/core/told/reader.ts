/**
 * Reads steps as a maker does who has nothing else: the beads as she strings them, where they lie, and the bare thread that
 * she has laid. It stops where nothing fits, or two things do. It shares no more than types with what writes steps.
 */
import type { Point } from '../layout/layout';
import { Hand, minus, times, type Vector } from './readersHand';
import {
  waysOf,
  type Act,
  type Corner,
  type Direction,
  type Held,
  type Leg,
  type Ref,
  type ToldStep,
} from './told';

/** A bead as it lies in the work: its middle, and both ends of each hole, the one by which it is strung first. */
export interface Lying {
  readonly middle: Point;
  readonly holes: readonly (readonly [Point, Point])[];
}

/** What has been done, move by move, in terms of beads by the order in which they came into the work. */
export type Done = string;

/** Where the reader stopped, and why. */
export class Stopped extends Error {
  override readonly name = 'Stopped';
}

type HoleEnd = readonly [bead: number, hole: number, end: 0 | 1];
const middleOf = ([a, b]: readonly [Vector, Vector]): Vector => [
  (a[0] + b[0]) / 2,
  (a[1] + b[1]) / 2,
  (a[2] + b[2]) / 2,
];

interface Strung {
  /** The needle that strung it. */
  readonly by: string;
  readonly role: string;
  readonly part: string | undefined;
  readonly section: ToldStep['section'];
  readonly row: number;
}

interface Needle {
  out: HoleEnd | null;
  /** Whether it has been anywhere. */
  used: boolean;
  began: number | null;
  added: number[];
}

/** One thing that is gone through on a way that may be gone again. */
type Round = { readonly through: HoleEnd } | { readonly finding: string; readonly hole: number };

/**
 * What the reader takes for leading a way, as parts of a hole's length: a thread that it follows must lead well that way; of two crossing
 * holes the one that leads more that way than across; through the one hole of a bead she only asks which end is nearer to it.
 */
const LEADS = { thread: 0.4, crossing: 0.5, hole: 0.1 } as const;
/** As far to a side are two beads that differ by less than this, mm: the eye sees none of it. */
const AS_FAR_MM = 0.02;

const keyOf = (end: HoleEnd): string => end.join();

class Reader {
  readonly done: Done[] = [];
  private readonly beads: Strung[] = [];
  private readonly threads = new Map<string, HoleEnd[]>();
  private readonly needles = new Map<string, Needle>();
  /** What each needle did in the last step of a section that was told in full, and what is added to it now. */
  private readonly inFull = new Map<string, readonly Round[]>();
  private round: Round[] | null = null;
  private step: ToldStep | null = null;
  private readonly hand: Hand;
  /** Where thread came out as the step began. */
  private from: HoleEnd | null = null;

  constructor(
    private readonly lies: (bead: number) => Lying,
    held: Held,
    /** The other end of the thread on each needle. */
    private readonly otherEnds: ReadonlyMap<string, string>,
  ) {
    this.hand = new Hand(held);
  }

  read(step: ToldStep): void {
    this.step = step;
    const told = step.acts.every(({ act }) => act !== 'again');
    const round: Round[] = [];
    const key = [step.needle, JSON.stringify(step.section)].join(' ');
    if (told) this.inFull.set(key, round);
    this.round = told ? round : null;
    const needle = this.needle(step.needle);
    this.from = needle.out;
    if (step.lies) this.seeThatItLies(step.needle, step.lies);
    needle.began = null;
    needle.added = [];
    for (const act of step.acts)
      if (act.act === 'again') this.again(step.needle, this.inFull.get(key) ?? []);
      else this.act(act, step);
  }

  /** A needle that is said to be on a side of the other end of its thread must be there. */
  private seeThatItLies(name: string, side: Direction): void {
    const [one, other] = [this.needle(name).out, this.needle(this.otherEnds.get(name) ?? name).out];
    const [here, there] = [one, other].map((end) => end && this.lies(end[0]).holes[end[1]]?.[end[2]]);
    if (!here || !there || times(this.hand.ways(here)[side], minus(here, there)) <= 0)
      throw new Stopped(`The needle does not lie ${side} of the other.`);
  }

  /** All that the last step did that was told in full; what was picked up there is gone through. */
  private again(name: string, all: readonly Round[]): void {
    if (all.length === 0) throw new Stopped('There is nothing to do again.');
    for (const one of all) {
      if ('finding' in one) {
        this.done.push([name, 'attach', one.finding, one.hole].join(' '));
        this.leave(name);
        continue;
      }
      this.done.push([name, 'pass', ...one.through].join(' '));
      this.through(name, one.through);
    }
  }

  private needle(name: string): Needle {
    let needle = this.needles.get(name);
    if (!needle) this.needles.set(name, (needle = { out: null, used: false, began: null, added: [] }));
    return needle;
  }

  private act(act: Exclude<Act, { act: 'again' }>, { needle: name, section, row }: ToldStep): void {
    const needle = this.needle(name);
    const note = (...what: readonly unknown[]) => this.done.push([name, ...what].join(' '));
    switch (act.act) {
      case 'pick': {
        needle.began = needle.out?.[0] ?? null;
        needle.added = [];
        for (const { role, part, back = 0, hole: side } of act.beads) {
          const bead = this.beads.length;
          this.beads.push({ by: name, role, part, section, row: row - back });
          needle.added.push(bead);
          const hole = this.holeOf(bead, side, null);
          note('pick', role, bead, hole);
          this.through(name, [bead, hole, 0]);
        }
        return;
      }
      case 'go':
        if (act.to.along) this.leg(name, { way: act.way, beads: 1 }, note);
        else this.go(name, this.find(act.to, name), act.way, act.hole, note);
        return;
      case 'weave':
        for (const leg of act.legs) this.leg(name, leg, note);
        if (act.asBefore && needle.out?.join() !== this.from?.join())
          throw new Stopped('It comes out somewhere else than the thread before it.');
        return;
      case 'attach':
        note('attach', act.finding, act.hole);
        this.round?.push({ finding: act.finding, hole: act.hole });
        this.leave(name);
        return;
      case 'under': {
        const [from, to] = this.bridge(
          act.between.map((ref) => this.find(ref, name)) as [number, number],
          act.on,
        );
        note('under', keyOf(from), keyOf(to));
        this.leave(name);
        return;
      }
      case 'between':
        note('between', ...act.beads.map((ref) => this.find(ref, name)));
        this.leave(name);
        return;
      case 'around':
        note('around', this.find(act.bead, name));
        return;
      case 'skip':
        note('skip', this.find(act.bead, name));
        return;
      case 'enclose':
        note('enclose', act.role, this.beads.length);
        this.beads.push({ by: name, role: act.role, part: undefined, section, row });
        return;
      case 'knot':
        note('knot', act.knot, act.pulledIn && needle.out ? needle.out.join() : '');
        return;
      case 'begin':
        note('begin', act.stop);
        return;
      case 'turn':
        note('turn', act.how);
        this.hand.turn(act.how);
        return;
      case 'tail':
        note('tail');
        this.leave(name);
        return;
      case 'release':
        note('release');
    }
  }

  private go(
    name: string,
    bead: number,
    way: Direction,
    side: Direction | undefined,
    note: (...what: readonly unknown[]) => void,
  ): void {
    const hole = this.holeOf(bead, side, way);
    const leads = this.leads(bead, hole, way);
    if (Math.abs(leads) < LEADS.hole) throw new Stopped(`No hole of it leads ${way}.`);
    const enter = leads > 0 ? 0 : 1;
    note('pass', bead, hole, enter);
    this.through(name, [bead, hole, enter]);
  }

  /** On from link to link. */
  private leg(
    name: string,
    { way, beads, to, hole }: Leg,
    note: (...what: readonly unknown[]) => void,
  ): void {
    for (let i = 0; i < beads; i++) {
      if (to) {
        this.go(name, this.find(to, name), way, hole, note);
        continue;
      }
      const out = this.needle(name).out;
      const on = (out ? (this.threads.get(keyOf(out)) ?? []) : []).filter(
        ([bead, hole, end]) => (end === 0 ? 1 : -1) * this.leads(bead, hole, way) > LEADS.thread,
      );
      const [only, ...more] = on;
      if (!only || more.length > 0) throw new Stopped(`${on.length} threads lead ${way}.`);
      note('pass', only[0], only[1], only[2]);
      this.through(name, only);
    }
  }

  /** The needle goes through a hole, and bare thread leads there from where it was. */
  private through(name: string, [bead, hole, enter]: HoleEnd): void {
    this.round?.push({ through: [bead, hole, enter] });
    const needle = this.needle(name);
    const into: HoleEnd = [bead, hole, enter];
    if (needle.out && (needle.out[0] !== bead || needle.out[1] !== hole)) this.lay(needle.out, into);
    if (!needle.used) this.setOut(name, into);
    needle.used = true;
    needle.out = [bead, hole, enter === 0 ? 1 : 0];
  }

  /** The other end of a thread hangs where the first went in. */
  private setOut(name: string, into: HoleEnd): void {
    const other = this.otherEnds.get(name);
    if (other === undefined || this.needle(name).out) return;
    const end = this.needle(other);
    if (!end.used && !end.out) end.out = into;
  }

  private lay(from: HoleEnd, to: HoleEnd): void {
    for (const [a, b] of [
      [from, to],
      [to, from],
    ] as const) {
      const all = this.threads.get(keyOf(a)) ?? [];
      if (!all.some((one) => keyOf(one) === keyOf(b))) all.push(b);
      this.threads.set(keyOf(a), all);
    }
  }

  private leave(name: string): void {
    const needle = this.needle(name);
    needle.used = true;
    needle.out = null;
  }

  /** The bare thread between two beads, on a side of the first where it is told. */
  private bridge([a, b]: readonly [number, number], on: Direction | undefined): [HoleEnd, HoleEnd] {
    const found = this.lies(a).holes.flatMap((_, hole) =>
      ([0, 1] as const).flatMap((end) => {
        const from: HoleEnd = [a, hole, end];
        if (on && this.aside(from, on) < 0) return [];
        return (this.threads.get(keyOf(from)) ?? []).flatMap((to): [HoleEnd, HoleEnd][] =>
          to[0] === b ? [[from, to]] : [],
        );
      }),
    );
    const [only, ...more] = found;
    if (!only || more.length > 0) throw new Stopped(`${found.length} threads between two beads.`);
    return only;
  }

  /** How far a hole's end lies to a side of its bead. */
  private aside([bead, hole, end]: HoleEnd, side: Direction): number {
    const { middle, holes } = this.lies(bead);
    return times(this.hand.ways(middle)[side], minus(holes[hole]?.[end] ?? middle, middle));
  }

  /** How far from its strung end on a hole leads a way, as a part of its length. */
  private leads(bead: number, hole: number, way: Direction): number {
    const { middle, holes } = this.lies(bead);
    const [from, to] = holes[hole] ?? [middle, middle];
    const along = minus(to, from);
    return times(this.hand.ways(middle)[way], along) / Math.max(1e-9, Math.hypot(...along));
  }

  /** The hole of a bead on a side of it, or the one that leads a way where they cross. */
  private holeOf(bead: number, side: Direction | undefined, way: Direction | null): number {
    const { middle, holes } = this.lies(bead);
    if (holes.length < 2) return 0;
    const fits = holes.flatMap((ends, hole) => {
      const aside = side ? times(this.hand.ways(middle)[side], minus(middleOf(ends), middle)) : 0;
      const there = side ? aside > 0 : way === null || Math.abs(this.leads(bead, hole, way)) > LEADS.crossing;
      return there ? [hole] : [];
    });
    const [only, ...more] = fits;
    if (only === undefined || more.length > 0) throw new Stopped(`${fits.length} holes fit.`);
    return only;
  }

  /** The one bead that all that is said fits. */
  private find(ref: Ref, name: string): number {
    const needle = this.needle(name);
    const step = this.step;
    if (!step) throw new Stopped('No step is being read.');
    const { back, of, role, part, side, next, strung } = ref;
    let all = this.beads.map((_, bead) => bead);
    if (ref.out) all = all.filter((bead) => needle.out?.[0] === bead);
    if (ref.began) all = all.filter((bead) => needle.began === bead);
    if (ref.added !== undefined) all = all.filter((bead) => needle.added[(ref.added ?? 0) - 1] === bead);
    if (ref.newest) all = all.slice(-1).filter((bead) => this.beads[bead]?.by !== name);
    const place = back === undefined ? of : { section: step.section, row: step.row - back };
    if (place)
      all = all.filter(
        (bead) => this.beads[bead]?.section === place.section && this.beads[bead]?.row === place.row,
      );
    else if (
      role !== undefined ||
      part !== undefined ||
      side !== undefined ||
      next !== undefined ||
      strung !== undefined
    )
      throw new Stopped('Nobody said of which row.');
    if (role !== undefined) all = all.filter((bead) => this.beads[bead]?.role === role);
    if (part !== undefined) all = all.filter((bead) => this.beads[bead]?.part === part);
    if (side !== undefined) all = this.farthest(all, side);
    if (next !== undefined) all = this.ahead(all, next, needle, step);
    if (strung !== undefined)
      all = all.filter((_, i) => i === (strung > 0 ? strung - 1 : all.length + strung));
    const [only, ...more] = all;
    if (only === undefined) throw new Stopped('Nothing fits.');
    if (more.length > 0) throw new Stopped(`${all.length} beads fit.`);
    return only;
  }

  /** Those that lie farthest to a side; several where that is not clear. */
  private farthest(all: readonly number[], side: Direction | Corner): number[] {
    const far = (bead: number) => {
      const { middle } = this.lies(bead);
      const ways = waysOf(side);
      return (
        ways.reduce((sum, way) => sum + times(this.hand.ways(middle)[way], middle), 0) /
        Math.sqrt(ways.length)
      );
    };
    const most = Math.max(...all.map(far));
    return all.filter((bead) => far(bead) > most - AS_FAR_MM);
  }

  /** The n-th ahead; none where there are not so many, several where it is not clear. */
  private ahead(
    all: readonly number[],
    next: number,
    { out, began, added }: Needle,
    step: ToldStep,
  ): number[] {
    const from = out && added.includes(out[0]) ? began : (out?.[0] ?? null);
    const { going } = step;
    if (from === null || !going) return [];
    const start = this.lies(from).middle;
    const on = (bead: number): number => {
      const { middle } = this.lies(bead);
      const way = this.hand.ways(start)[going];
      const [a, b] = [this.hand.offMiddle(start), this.hand.offMiddle(middle)];
      if (!a || !b || going === 'up' || going === 'down') return times(way, minus(middle, start));
      const angle = Math.atan2(a[0] * b[1] - a[1] * b[0], a[0] * b[0] + a[1] * b[1]);
      const round = this.hand.round(a);
      const turn = Math.sign(times(way, round)) * angle;
      return (turn < 0 ? turn + 2 * Math.PI : turn) * Math.hypot(...a);
    };
    const ahead = all.filter((bead) => bead !== from && on(bead) > 0).sort((a, b) => on(a) - on(b));
    const one = ahead[next - 1];
    return one === undefined ? [] : [one];
  }
}

/**
 * Rebuilds a path from its steps. Throws `Stopped` where nothing fits, or two things do.
 * @param lies where the n-th bead of the work lies
 * @param otherEnds of each needle, the other end of its thread
 */
export function rebuilt(
  steps: readonly ToldStep[],
  lies: (bead: number) => Lying,
  held: Held,
  otherEnds: ReadonlyMap<string, string>,
): Done[] {
  const reader = new Reader(lies, held, otherEnds);
  for (const step of steps) reader.read(step);
  return reader.done;
}
