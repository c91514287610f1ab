import { distance, type Layout, type Point } from '../layout/layout';
import { dot, mean, sub } from '../layout/solver/vectors';
import { runs } from '../read/runs';
import { Links } from '../weave/links';
import {
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
import { aboutMiddle, frameAt, holeIn, onRound, wayOf, type Frame } from './frame';
import type { Act, Direction, Held, Leg, Ref, ToldStep } from './told';

/**
 * What is told apart is farther by this part of the smallest bead: of two beads moved by a fifth of one either way, the nearer stays
 * nearer (twice a fifth, and a little).
 */
const CLEAR = 0.5;

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
}

/** The work as far as it has come, and how its beads are told apart. */
class Teller {
  /** Beads of the work in the order strung, by section and row. */
  private readonly strung = new Map<string, Bead[]>();
  private newest: Extract<Move, { kind: 'pick' | 'enclose' }> | null = null;
  private readonly stands = new Map<string, Stand>();
  /** The moves of the last step of each needle in a section that was told in full. */
  private readonly inFull = new Map<string, readonly Move[]>();
  private readonly moves: Move[] = [];
  private readonly links: Links;
  private readonly beadMm: number;
  /** How often each kind of reference has been used: what was said before is said again. */
  private readonly used: Map<string, number>;

  constructor(
    path: Path,
    private readonly layout: Layout,
    private readonly held: Held,
    usual: ReadonlyMap<string, number>,
    private readonly strokes: ReadonlyMap<Move, number>,
  ) {
    this.links = new Links({ moves: this.moves, threads: path.threads });
    const girths = path.beads.map(({ role }) => {
      const { lengthMm, diameterMm } = layout.body(role);
      return Math.min(lengthMm, diameterMm);
    });
    this.beadMm = Math.min(...girths);
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
    // What was picked up in another step is not new any more.
    stand.began = null;
    stand.added = [];
    const here: Here = { needle, section, row, going: this.going(moves), stand };
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
    return { needle, section, pass, unit, row, going: here.going, acts };
  }

  private standOf(needle: string): Stand {
    let stand = this.stands.get(needle);
    if (!stand) this.stands.set(needle, (stand = { out: null, began: null, added: [] }));
    // A tail that has not been anywhere hangs where its thread first went in.
    stand.out ??= this.links.lastOut(needle);
    return stand;
  }

  /** The way that a step leads on the whole; null where it stays about its place. */
  private going(moves: readonly Move[]): Direction | null {
    if (!this.held.grows) return null;
    const places = moves.filter(isTraversal).map(({ bead }) => this.centre(bead));
    const [first, last] = [places[0], places.at(-1)];
    if (!first || !last) return null;
    const frame = this.frame(first);
    const about = places.flatMap((place) => {
      const at = aboutMiddle(this.held, place);
      return at ? [at] : [];
    });
    const [start] = about;
    if (start) {
      const round = about.slice(1).reduce((sum, to, i) => sum + turned(about[i] ?? to, to), 0);
      if (Math.abs(round) * Math.hypot(...start) < this.beadMm) return null;
      // Which way round is right is told at any of its places.
      return dot(frame.right, onRound(this.held, start)) * round > 0 ? 'right' : 'left';
    }
    return distance(first, last) < this.beadMm ? null : wayOf(frame, sub(last, first));
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
          ...(pick.bead.place.row !== here.row && { back: here.row - pick.bead.place.row }),
          ...this.holeOf(pick),
        }));
        for (const pick of picks) this.take(pick);
        stand.added = picks.map(({ bead }) => bead);
        return [{ act: 'pick', beads }];
      }
      case 'pass':
        if (move.as === 'travel') return [{ act: 'weave', legs: this.legs(run as Traversal[], here) }];
        return (run as Traversal[]).map((pass): Act => {
          const told: Act = {
            act: 'go',
            to: this.ref(pass.bead, here),
            way: this.wayThrough(pass),
            ...this.holeOf(pass),
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

  private other(move: Move, here: Here): Act {
    switch (move.kind) {
      case 'begin':
        return { act: 'begin', stop: move.stop };
      case 'attach':
        return { act: 'attach', finding: move.finding.name, hole: move.hole };
      case 'under': {
        const { from, to } = move.bridge;
        return {
          act: 'under',
          between: [this.ref(from.bead, here), this.ref(to.bead, here)],
          // Thread may run between two beads on either side of the row.
          ...(this.threadsBetween(from.bead, to.bead) > 1 && {
            on: wayOf(this.frame(this.centre(from.bead)), this.asideOf(from)),
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
    const stand = this.standOf(move.needle);
    if (isTraversal(move)) stand.out = { bead: move.bead, hole: move.hole, end: otherEnd(move.enter) };
    else if (move.kind === 'attach' || move.kind === 'under' || move.kind === 'between') stand.out = null;
  }

  private centre(bead: Bead): Point {
    const pose = this.layout.poses[bead.id];
    if (!pose) throw new Error(`The layout has no place for bead ${bead.id}.`);
    return pose.centre;
  }

  private frame(at: Point): Frame {
    return frameAt(this.held, at);
  }

  /** The way that a needle goes through a hole. */
  private wayThrough({ bead, hole, enter }: Pick<Traversal, 'bead' | 'hole' | 'enter'>): Direction {
    const { along } = holeIn(this.layout, bead, hole);
    return wayOf(
      this.frame(this.centre(bead)),
      enter === 0 ? along : (along.map((v) => -v) as unknown as Point),
    );
  }

  /** From the middle of a bead to an end of its hole. */
  private asideOf({ bead, hole, end }: HoleEnd): Point {
    const { from, to } = holeIn(this.layout, bead, hole);
    return sub(end === 0 ? from : to, this.centre(bead));
  }

  /** On which side of its bead a hole lies; nothing of a bead of one hole. */
  private holeOf({ bead, hole }: Traversal): { readonly hole?: Direction } {
    if (bead.holes < 2) return {};
    const { from, to } = holeIn(this.layout, bead, hole);
    const aside = sub(mean([from, to]), this.centre(bead));
    // Holes that cross are told apart by the way through them.
    if (Math.hypot(...aside) < this.beadMm / 10) return {};
    return { hole: wayOf(this.frame(this.centre(bead)), aside) };
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
    const stroke = this.strokes.get(pass);
    return before?.kind === 'pass' && stroke !== undefined && this.strokes.get(before) === stroke;
  }

  /** A hidden way by its legs: on as long as one thread alone leads that way. */
  private legs(passes: readonly Traversal[], here: Here): Leg[] {
    const legs: Leg[] = [];
    for (const pass of passes) {
      const way = this.wayThrough(pass);
      const last = legs.at(-1);
      if (!this.leadsOnce(here.stand.out, pass, way))
        legs.push({ way, beads: 1, to: this.ref(pass.bead, here), ...this.holeOf(pass) });
      else if (last && last.way === way && !last.to) legs[legs.length - 1] = { way, beads: last.beads + 1 };
      else legs.push({ way, beads: 1 });
      this.take(pass);
    }
    return legs;
  }

  /** Whether no other thread leads from where it comes out through a bead that way, nor nearly that way. */
  private leadsOnce(out: HoleEnd | null, pass: Traversal, way: Direction): boolean {
    if (!out) return false;
    const leads = ({ bead, hole, end }: HoleEnd): number => {
      const { along } = holeIn(this.layout, bead, hole);
      return (end === 0 ? 1 : -1) * dot(this.frame(this.centre(bead))[way], along);
    };
    const [only, ...more] = this.links.neighbours(out).filter((into) => leads(into) > LIKELY);
    return only?.bead === pass.bead && more.length === 0 && leads(only) > SURELY;
  }

  /** A reference that fits this bead alone: of those that do the one that was said most often, else the plainest. */
  private ref(bead: Bead, here: Here): Ref {
    const fitting = this.fitting(bead, here);
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
  private fitting(bead: Bead, here: Here): [Fitting, ...Fitting[]] {
    const { stand, needle, section, row } = here;
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
    for (const { ref, kind, among } of places) if (among.length === 1) found.push({ ref, kind });
    for (const { ref, kind, among } of places) {
      const next = this.nextOf(bead, among, here);
      if (next !== null) found.push({ ref: { ...ref, next }, kind: `${kind} next ${next}` });
    }
    for (const { ref, kind, among } of places)
      for (const side of this.sidesOf(bead, among))
        found.push({ ref: { ...ref, side }, kind: `${kind} ${side}` });
    const nth = all.indexOf(bead);
    found.push({ ref: { ...of, strung: nth + 1 }, kind: `strung ${nth}` });
    found.push({ ref: { ...of, strung: nth - all.length }, kind: `strung ${nth - all.length}` });
    return found as [Fitting, ...Fitting[]];
  }

  /** Which of several beads ahead one is; null where it is not ahead, or its place among them is not clear. */
  private nextOf(bead: Bead, among: readonly Bead[], { going, stand }: Here): number | null {
    const from = standsAt(stand);
    if (!going || !from) return null;
    const own = this.ahead(from, bead, going);
    if (!own.is) return null;
    const others = among
      .filter((one) => one !== bead && one !== from)
      .map((one) => this.ahead(from, one, going));
    // One that is hardly ahead, or as far ahead, may be counted or not.
    if (
      others.some(
        ({ on, clear }) =>
          Math.abs(on) < clear ||
          (this.held.round && on > 2 * Math.PI - clear) ||
          Math.abs(on - own.on) < Math.max(clear, own.clear),
      )
    )
      return null;
    return 1 + others.filter(({ on }) => on > 0 && on < own.on).length;
  }

  /**
   * How far ahead of one bead another lies, the way the step goes, in mm, or where the work is turned in radians, for there all are
   * ahead, round and round; and from how far apart on that is clear.
   */
  private ahead(from: Bead, to: Bead, going: Direction): { on: number; clear: number; is: boolean } {
    const [a, b] = [this.centre(from), this.centre(to)];
    const [start, end] = [aboutMiddle(this.held, a), aboutMiddle(this.held, b)];
    const clearMm = CLEAR * this.beadMm;
    if (!start || !end || going === 'up' || going === 'down') {
      const on = dot(this.frame(a)[going], sub(b, a));
      return { on, clear: clearMm, is: on >= clearMm };
    }
    const sense = Math.sign(dot(this.frame(a)[going], onRound(this.held, start)));
    const angle = sense * turned(start, end);
    const on = angle < -1e-9 ? angle + 2 * Math.PI : angle;
    const clear = clearMm / Math.max(1e-9, Math.min(Math.hypot(...start), Math.hypot(...end)));
    return { on, clear, is: on >= clear && on <= 2 * Math.PI - clear };
  }

  /** The sides to which a bead lies clearly farther than all others. */
  private sidesOf(bead: Bead, among: readonly Bead[]): Direction[] {
    if (among.length < 2 || this.held.round || !this.held.grows) return [];
    const frame = this.frame(this.centre(bead));
    const clear = CLEAR * this.beadMm;
    return (['left', 'right', 'up', 'down', 'towards', 'away'] as const).filter((side) =>
      among.every(
        (one) => one === bead || dot(frame[side], sub(this.centre(bead), this.centre(one))) > clear,
      ),
    );
  }
}

/** The bead from which what is ahead is counted: of beads just picked up, the one before them. */
const standsAt = ({ out, began, added }: Stand): Bead | null =>
  out && added.includes(out.bead) ? began : (out?.bead ?? null);

const BOTH = [0, 1] as const;
/**
 * A thread that leads this much of a way, as a part of its hole's length, may be taken for it, and one that leads so much surely is: far
 * enough below and above what the reader asks that beads moved by a fifth of one change nothing (its test).
 */
const LIKELY = 0.2;
const SURELY = 0.8;

const rowKey = (section: Section, row: number): string => `${sectionKey(section)}|${row}`;

/** The angle about the middle from one place to another, from −π to π. */
const turned = ([a, b]: readonly [number, number], [c, d]: readonly [number, number]): number =>
  Math.atan2(a * d - b * c, a * c + b * d);

/** Moves that are told together: picks in a run, a hidden way, others of a kind. */
const actKey = (move: Move): string => (move.kind === 'pass' && move.as === 'travel' ? 'weave' : move.kind);

/** Moves that are one step: of one needle in one row. */
const stepKey = ({ needle, place }: Move): string =>
  `${needle}|${sectionKey(place.section)}|${place.pass}|${place.unit}|${place.row}`;

/** From so many steps it is learned how a stitch is best told: rows enough for a long repeat to come again. */
const LEARNED = 80;

/** A step, and the moves that it tells. */
export interface Told {
  readonly step: ToldStep;
  readonly moves: readonly Move[];
}

/**
 * The steps of a path as it lies. The first of them are told twice: what was said most often is preferred then.
 * @param strokes of the needle, by pass, where they are to be said
 */
export function tell(
  path: Path,
  layout: Layout,
  held: Held,
  strokes: ReadonlyMap<Move, number> = new Map(),
): Told[] {
  const steps = runs(path.moves, stepKey);
  const first = new Teller(path, layout, held, new Map(), strokes);
  for (const moves of steps.slice(0, LEARNED)) first.step(moves);
  const again = new Teller(path, layout, held, first.kinds, strokes);
  return steps.map((moves) => ({ step: again.step(moves), moves }));
}
