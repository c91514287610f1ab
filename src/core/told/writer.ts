import type { Layout } from '../layout/layout';
import { runs } from '../read/runs';
import { Links } from '../weave/links';
import {
  isSameEnd,
  isTraversal,
  otherEnd,
  sectionKey,
  type Bead,
  type HoleEnd,
  type Move,
  type Path,
  type Section,
  type Traversal,
} from '../weave/path';
import { goesAgain } from './again';
import { Sight } from './sight';
import { CORNERS, type Act, type Direction, type Held, type Leg, type Ref, type ToldStep } from './told';

/** Where a needle is, for what is told of it. */
interface Stand {
  out: HoleEnd | null;
  began: Bead | null;
  added: readonly Bead[];
}

/** A reference that fits, and of which kind it is: rows that are told by the same kinds read alike. */
interface Fitting {
  readonly ref: Ref;
  readonly kind: string;
}

/** Where a step is worked. */
interface Here {
  readonly needle: string;
  readonly section: Section;
  readonly row: number;
  readonly going: Direction | null;
  readonly stand: Stand;
  /** Where thread comes out as the step begins. */
  readonly from: HoleEnd | null;
}

/** The work as far as it has come, and how its beads are told apart. */
class Teller {
  /** Beads of the work in the order strung, by section and row. */
  private readonly strung = new Map<string, Bead[]>();
  private newest: Extract<Move, { kind: 'pick' | 'enclose' }> | null = null;
  private readonly stands = new Map<string, Stand>();
  /** The moves of the last step of each needle in a section that was told in full. */
  private readonly inFull = new Map<string, readonly Move[]>();
  /** Needles whose thread has been woven in. */
  private readonly ended = new Set<string>();
  /** Of the two arms of a folded thread, the other. */
  private readonly otherArm = new Map<string, string>();
  private readonly moves: Move[] = [];
  private readonly links: Links;
  private sight: Sight;
  /** How often each kind of reference has been used: what was said before is said again. */
  private readonly used: Map<string, number>;

  constructor(
    path: Path,
    layout: Layout,
    held: Held,
    usual: ReadonlyMap<string, number>,
    private readonly seen: Seen,
  ) {
    this.links = new Links({ moves: this.moves, threads: path.threads });
    for (const { needles, folded } of path.threads)
      if (folded) for (const needle of needles) this.otherArm.set(needle, other(needles, needle));
    this.sight = Sight.of(path, layout, held);
    this.used = new Map(usual);
  }

  get kinds(): ReadonlyMap<string, number> {
    return this.used;
  }

  step(moves: readonly Move[]): ToldStep {
    const [first] = moves as [Move, ...Move[]];
    const { section, pass, unit, row } = first.place;
    const { needle } = first;
    const stand = this.standOf(needle);
    const lies = this.liesFromOther(needle);
    // What was picked up in another step is not new any more.
    stand.began = null;
    stand.added = [];
    const here: Here = { needle, section, row, going: this.going(moves), stand, from: stand.out };
    const told = (some: readonly Move[]) => runs(some, actKey).flatMap((run) => this.acts(run, here));
    const key = `${needle}|${sectionKey(section)}`;
    const before = this.inFull.get(key) ?? [];
    const lead = goesAgain(before, moves);
    if (lead === null) this.inFull.set(key, moves);
    const acts = told(lead === null ? moves : moves.slice(0, lead));
    if (lead !== null) {
      for (const move of moves.slice(lead, lead + before.length)) this.take(move);
      acts.push({ act: 'again' }, ...told(moves.slice(lead + before.length)));
    }
    return { needle, section, pass, unit, row, going: here.going, ...(lies && { lies }), acts };
  }

  /** The way that a step goes, as the work is held once it has been turned at its beginning. */
  private going(moves: readonly Move[]): Direction | null {
    let sight = this.sight;
    for (const move of moves) {
      if (move.kind !== 'turn') break;
      sight = sight.turned(move.how);
    }
    return sight.going(moves);
  }

  /** On which side of the other arm of its thread a needle lies; null where both lie side by side, or there is none. */
  private liesFromOther(needle: string): Direction | null {
    const other = this.otherArm.get(needle);
    const [here, there] = [this.standOf(needle).out, other === undefined ? null : this.standOf(other).out];
    return here && there && this.sight.sideFrom(here, there);
  }

  private standOf(needle: string): Stand {
    let stand = this.stands.get(needle);
    if (!stand) this.stands.set(needle, (stand = { out: null, began: null, added: [] }));
    // A tail that has not been anywhere hangs where its thread first went in.
    stand.out ??= this.links.lastOut(needle);
    return stand;
  }

  private acts(run: readonly Move[], here: Here): Act[] {
    const [move] = run as [Move, ...Move[]];
    const { stand } = here;
    switch (move.kind) {
      case 'pick': {
        const picks = run as Traversal[];
        stand.began = stand.out?.bead ?? null;
        const beads = picks.map((pick) => ({
          role: pick.bead.role,
          ...this.partOf(pick.bead),
          ...(pick.bead.place.row !== here.row && { back: here.row - pick.bead.place.row }),
          ...this.sight.holeOf(pick),
        }));
        for (const pick of picks) this.take(pick);
        stand.added = picks.map(({ bead }) => bead);
        return [{ act: 'pick', beads }];
      }
      case 'pass':
        if (move.as === 'travel') {
          const legs = this.legs(run as Traversal[], here);
          const asBefore = this.ended.has(here.needle) && isSameEnd(stand.out, here.from);
          return [{ act: 'weave', legs, ...(asBefore && { asBefore }) }];
        }
        return (run as Traversal[]).map((pass): Act => {
          const told: Act = {
            act: 'go',
            to: this.ref(pass.bead, here, this.sight.wayThrough(pass), pass),
            way: this.sight.wayThrough(pass),
            ...this.sight.holeOf(pass),
            ...(pass.as && { as: pass.as }),
            ...(this.together(pass) && { together: true }),
          };
          this.take(pass);
          return told;
        });
      default:
        return run.map((one): Act => {
          const told = this.other(one, here);
          this.take(one);
          return told;
        });
    }
  }

  private partOf(bead: Bead): { readonly part?: string } {
    const part = this.seen.partOf?.(bead);
    return part === undefined ? {} : { part };
  }

  private other(move: Move, here: Here): Act {
    switch (move.kind) {
      case 'begin':
        return { act: 'begin', stop: move.stop, ...(this.ended.has(move.needle) && { next: true }) };
      case 'attach':
        return { act: 'attach', finding: move.finding.name, hole: move.hole };
      case 'under': {
        const { from, to } = move.bridge;
        return {
          act: 'under',
          between: [this.ref(from.bead, here), this.ref(to.bead, here)],
          // Thread may run between two beads on either side of the row.
          ...(this.threadsBetween(from.bead, to.bead) > 1 && {
            on: this.sight.sideOf(from),
          }),
        };
      }
      case 'around':
        return { act: 'around', bead: this.ref(move.bead, here) };
      case 'between':
        return { act: 'between', beads: [this.ref(move.beads[0], here), this.ref(move.beads[1], here)] };
      case 'enclose':
        return { act: 'enclose', role: move.bead.role };
      case 'knot':
        return { act: 'knot', knot: move.knot, pulledIn: move.into !== null };
      case 'skip':
        return { act: 'skip', bead: this.ref(move.bead, here) };
      case 'turn':
        return { act: 'turn', how: move.how };
      case 'release':
        return { act: 'release' };
      case 'tail':
        return { act: 'tail' };
      default:
        throw new Error(`A ${move.kind} is told otherwise.`);
    }
  }

  /** Writes a move down: from now on it is a part of the work. */
  private take(move: Move): void {
    this.moves.push(move);
    if (move.kind === 'pick' || move.kind === 'enclose') {
      this.newest = move;
      const key = rowKey(move.bead.place.section, move.bead.place.row);
      const row = this.strung.get(key);
      if (row) row.push(move.bead);
      else this.strung.set(key, [move.bead]);
    }
    if (move.kind === 'turn') this.sight = this.sight.turned(move.how);
    const stand = this.standOf(move.needle);
    if (isTraversal(move)) stand.out = { bead: move.bead, hole: move.hole, end: otherEnd(move.enter) };
    else if (LEAVES.has(move.kind)) stand.out = null;
    if (move.kind === 'tail') this.ended.add(move.needle);
  }

  /** How many bare threads join two beads. */
  private threadsBetween(a: Bead, b: Bead): number {
    const ends = Array.from({ length: a.holes }, (_, hole) =>
      BOTH.map((end) => ({ bead: a, hole, end })),
    ).flat();
    return ends.reduce(
      (sum, end) => sum + this.links.neighbours(end).filter(({ bead }) => bead === b).length,
      0,
    );
  }

  /** Whether the needle goes through a bead in the stroke in which it goes through the one before. */
  private together(pass: Traversal): boolean {
    const before = this.moves.at(-1);
    const stroke = this.seen.strokes?.get(pass);
    return before?.kind === 'pass' && stroke !== undefined && this.seen.strokes?.get(before) === stroke;
  }

  /** A hidden way by its legs: on as long as one thread alone leads that way. */
  private legs(passes: readonly Traversal[], here: Here): Leg[] {
    const legs: Leg[] = [];
    for (const pass of passes) {
      const way = this.sight.wayThrough(pass);
      const last = legs.at(-1);
      if (!this.leadsOnce(here.stand.out, pass, way, SURELY))
        legs.push({ way, beads: 1, to: this.ref(pass.bead, here, way), ...this.sight.holeOf(pass) });
      else if (last && last.way === way && !last.to) legs[legs.length - 1] = { way, beads: last.beads + 1 };
      else legs.push({ way, beads: 1 });
      this.take(pass);
    }
    return legs;
  }

  /** Whether no other thread leads from where it comes out through a bead that way, nor nearly that way. */
  private leadsOnce(out: HoleEnd | null, pass: Traversal, way: Direction, surely: number): boolean {
    if (!out) return false;
    const leads = (end: HoleEnd): number => this.sight.leads(end, way);
    const [only, ...more] = this.links.neighbours(out).filter((into) => leads(into) > LIKELY);
    // Back into the hole that it came out of no thread leads, though one may lead round into the other hole of that bead.
    const into = { bead: pass.bead, hole: pass.hole, end: pass.enter };
    return only !== undefined && isSameEnd(only, into) && more.length === 0 && leads(only) > surely;
  }

  /**
   * A reference that fits this bead alone: of those that do the one that was said most often, else the plainest.
   * @param pass where the needle goes through it
   */
  private ref(bead: Bead, here: Here, way?: Direction, pass?: Traversal): Ref {
    const fitting = this.fitting(bead, here, way, pass);
    let best = fitting[0];
    let most = this.used.get(best.kind) ?? 0;
    for (const other of fitting) {
      const often = this.used.get(other.kind) ?? 0;
      if (often > most) [best, most] = [other, often];
    }
    this.used.set(best.kind, most + 1);
    return best.ref;
  }

  /** All references that fit a bead alone, the plainest first. */
  private fitting(
    bead: Bead,
    here: Here,
    way: Direction | undefined,
    pass: Traversal | undefined,
  ): [Fitting, ...Fitting[]] {
    const { stand, needle, section, row, going } = here;
    // What is ahead is plain where the way of the row is said, or where the needle goes through the bead that way.
    const aheadIsSaid = section.zone === 'woven' || going === way;
    const found: Fitting[] = [];
    const added = stand.added.indexOf(bead);
    if (added >= 0) found.push({ ref: { added: added + 1 }, kind: `added ${added}` });
    if (stand.began === bead) found.push({ ref: { began: true }, kind: 'began' });
    if (stand.out?.bead === bead) found.push({ ref: { out: true }, kind: 'out' });
    if (bead === this.newest?.bead && needle !== this.newest.needle)
      found.push({ ref: { newest: true }, kind: 'newest' });
    const { place, role } = bead;
    const own = place.section === section;
    const of: Ref = own ? { back: row - place.row } : { of: { section: place.section, row: place.row } };
    const all = this.strung.get(rowKey(place.section, place.row)) ?? [];
    const places = [{ ref: of, kind: own ? `back ${row - place.row}` : 'of', among: all }];
    const alike = all.filter((one) => one.role === role);
    // Where all of a row are of one role it says nothing.
    if (alike.length < all.length)
      places.push({ ref: { ...of, role }, kind: `${places[0]?.kind ?? ''} ${role}`, among: alike });
    const { part } = this.partOf(bead);
    const ofPart = all.filter((one) => this.partOf(one).part === part);
    if (part !== undefined && ofPart.length < all.length)
      places.push({ ref: { ...of, part }, kind: `${places[0]?.kind ?? ''} of the ${part}`, among: ofPart });
    for (const { ref, kind, among } of places) if (among.length === 1) found.push({ ref, kind });
    const ahead = places.flatMap(({ ref, kind, among }) => {
      const next = aheadIsSaid ? this.nextOf(bead, among, here) : null;
      return next === null ? [] : [{ ref: { ...ref, next }, kind: `${kind} next ${next}`, next }];
    });
    // The next A is plainer than the second bead ahead.
    found.push(...ahead.toSorted((a, b) => a.next - b.next));
    for (const { ref, kind, among } of places)
      for (const side of this.sight.sidesOf(bead, among, SIDES))
        found.push({ ref: { ...ref, side }, kind: `${kind} ${side}` });
    // What can be told by nothing else is at a corner, or where the thread leads, or has a number that is to be counted.
    if (found.length === 0)
      for (const { ref, kind, among } of places)
        for (const side of this.sight.sidesOf(bead, among, CORNERS))
          found.push({ ref: { ...ref, side }, kind: `${kind} ${side}` });
    const nth = all.indexOf(bead);
    // The first of a row is plain enough.
    if (found.length === 0 && nth > 0 && pass && way && this.leadsOnce(stand.out, pass, way, MOSTLY))
      return [{ ref: { along: true }, kind: 'along' }];
    found.push({ ref: { ...of, strung: nth + 1 }, kind: `strung ${nth}` });
    found.push({ ref: { ...of, strung: nth - all.length }, kind: `strung ${nth - all.length}` });
    return found as [Fitting, ...Fitting[]];
  }

  /** Which of several beads ahead one is; null where it is not ahead, or its place among them is not clear. */
  private nextOf(bead: Bead, among: readonly Bead[], { going, stand }: Here): number | null {
    const from = standsAt(stand);
    if (!going || !from) return null;
    const own = this.sight.ahead(from, bead, going);
    if (!own.is) return null;
    const others = among
      .filter((one) => one !== bead && one !== from)
      .map((one) => this.sight.ahead(from, one, going));
    // One that is hardly ahead, or as far ahead, may be counted or not.
    if (
      others.some(
        ({ on, clear }) =>
          Math.abs(on) < clear ||
          (this.sight.held.round && on > 2 * Math.PI - clear) ||
          Math.abs(on - own.on) < Math.max(clear, own.clear),
      )
    )
      return null;
    return 1 + others.filter(({ on }) => on > 0 && on < own.on).length;
  }
}

const other = ([one, two]: readonly [string, string], needle: string): string => (needle === one ? two : one);

/** The bead from which what is ahead is counted: of beads just picked up, the one before them. */
const standsAt = ({ out, began, added }: Stand): Bead | null =>
  out && added.includes(out.bead) ? began : (out?.bead ?? null);

const BOTH = [0, 1] as const;
/** Sides in the order in which they are plain. */
const SIDES: readonly Direction[] = ['left', 'right', 'up', 'down', 'towards', 'away'];
/** After these thread comes out of no bead. */
const LEAVES: ReadonlySet<Move['kind']> = new Set(['attach', 'under', 'between', 'tail'] as const);
/**
 * A thread that leads this much of a way, as a part of its hole's length, may be taken for it, and one that leads so much surely is: far
 * enough below and above what the reader asks that beads moved by a fifth of one change nothing (its test).
 */
const LIKELY = 0.2;
const SURELY = 0.8;
/** Where the needle goes on through one bead along its thread, this much of a way is enough: what lies slantwise is told by it too. */
const MOSTLY = 0.6;

const rowKey = (section: Section, row: number): string => `${sectionKey(section)}|${row}`;

/** Moves that are told together: picks in a run, a hidden way, others of a kind. */
const actKey = (move: Move): string => (move.kind === 'pass' && move.as === 'travel' ? 'weave' : move.kind);

/** Moves that are one step: of one needle in one row, or in what of it is told in one breath. */
const stepKey = ({ needle, place }: Move): string =>
  `${needle}|${sectionKey(place.section)}|${place.pass}|${place.unit}|${place.row}|${place.step ?? ''}`;

/** From so many steps it is learned how a stitch is best told: rows enough for a long repeat to come again. */
const LEARNED = 80;

/** A step, and the moves that it tells. */
export interface Told {
  readonly step: ToldStep;
  readonly moves: readonly Move[];
}

/** What is said beside the ways of thread. */
export interface Seen {
  /** Strokes of the needle, by pass, where they are to be said. */
  readonly strokes?: ReadonlyMap<Move, number>;
  /** What a bead is a part of, in the maker's word; undefined where that has none. */
  readonly partOf?: (bead: Bead) => string | undefined;
}

/**
 * The steps of a path as it lies. The first of them are told twice: what was said most often is preferred then.
 */
export function tell(path: Path, layout: Layout, held: Held, seen: Seen = {}): Told[] {
  const steps = runs(path.moves, stepKey);
  const first = new Teller(path, layout, held, new Map(), seen);
  for (const moves of steps.slice(0, LEARNED)) first.step(moves);
  const again = new Teller(path, layout, held, first.kinds, seen);
  return steps.map((moves) => ({ step: again.step(moves), moves }));
}
