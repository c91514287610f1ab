import { head, list, runs } from '../read/runs';
import { needsNeedle, type ThreadMake } from '../materials/material';
import type { Act, Direction, Leg, Picked, Ref, ToldStep } from '../told/told';
import { WOVEN, type Knot, type Section } from '../weave/path';
import { counted, withCapital } from './figures';
import { inTurn, ordinal, plural, small } from './numbers';
import { withRefrains } from './refrain';
import { sectionWords } from './sections';
import type { StepWords } from './stepWords';
import { FARTHEST, HOLES, OUTMOST, OUTWARDS, WAYS } from './ways';

/** What a needle does in a row, in words. */
export function toldWords({ acts, going, row, section }: ToldStep, words: StepWords): string {
  const teller = new Wording(words, section.zone === 'woven' ? going : null, row);
  const phrases = runs(acts, actKey).flatMap((run) => teller.phrases(run));
  const text = withRefrains(phrases).join(', then ').replaceAll(';, then ', '; then ');
  return `${withCapital(text)}.`;
}

const TURNED = { over: 'turn the work over', 'end for end': 'turn the work end for end' } as const;

/** How the work is turned before anything else is done in a step, in words, and the step without that; null where it is not, or is all there is. */
export function turnedFirst(step: ToldStep): { readonly words: string; readonly step: ToldStep } | null {
  const [first, ...acts] = step.acts;
  return first?.act === 'turn'
    ? { words: `${withCapital(TURNED[first.how])}.`, step: { ...step, acts } }
    : null;
}

/** Acts that are told in one breath: passes of one manner. */
const actKey = (act: Act): string => (act.act === 'go' ? `go ${act.as ?? ''}` : act.act);

const BEGIN = {
  none: 'leave the tail hanging',
  foreign: 'put on a stop bead that comes off later, leaving the tail',
  pattern: 'leave the tail; the first bead is the stop bead, and stays',
} as const;

const KNOTS: Readonly<Record<Knot, string>> = {
  'half hitch': 'make a half hitch',
  overhand: 'make an overhand knot',
  square: 'tie a square knot',
  'between beads': 'make an overhand knot close against the bead',
};

/** How the rest of a thread is dealt with (common practice). */
const TAILS: Readonly<Record<ThreadMake, string>> = {
  'gel-spun': 'weave in the rest of this thread and trim it away from any knot',
  'waxed nylon': 'weave in the rest of this thread and trim it away from any knot, or melt its end',
  monofilament: 'trim the rest of this cord, not too near the knot',
  elastic: 'trim the rest of this elastic, not too near the knot',
};

/** `2 A`, `3 loop seeds`: a letter stands for one or many; a word has its plural. */
export function beadsWords(count: number, role: string, words: Pick<StepWords, 'role'>): string {
  const name = words.role(role);
  return `${count} ${count > 1 ? plural(name) : name}`;
}

/** What is gone through, in words; of a bead that is told by the number of its row without it. */
interface Stop {
  readonly way: string;
  readonly what: string;
  readonly row: number | null;
  readonly hole: string;
}

type Go = Extract<Act, { act: 'go' }>;

/** Rows before the first: the last of them, and those that lie further back. */
const ofTheStart = (row: number): string =>
  row === -1 ? 'the start' : `the start, ${small(-1 - row)} further back`;

class Wording {
  /** How many were picked up last. */
  private picked = 0;
  /** Whether a thread was begun that nothing holds yet. */
  private fresh = false;

  constructor(
    private readonly words: StepWords,
    /** The way that is said of the whole step. */
    private readonly going: Direction | null,
    private readonly row: number,
  ) {}

  phrases(run: readonly Act[]): string[] {
    const first = head(run);
    switch (first.act) {
      case 'go':
        return [this.go(run as readonly Go[])];
      case 'skip':
        return run.map((act) => (act.act === 'skip' ? this.skip(act.bead) : ''));
      case 'enclose':
        return [
          `set in ${list(run.flatMap((act) => (act.act === 'enclose' ? [`1 ${this.words.role(act.role)}`] : [])))}`,
        ];
      default:
        return run.map((act) => this.phrase(act));
    }
  }

  /** Whether thread is carried by a needle: cord and elastic go by themselves. */
  private get needled(): boolean {
    const { thread } = this.words;
    return thread === undefined || needsNeedle({ make: thread, name: '' });
  }

  private go(run: readonly Go[]): string {
    const holes = list(this.goes(run));
    const together = run.length > 1 && run.slice(1).every((go) => go.together);
    return `${this.manner(head(run))} ${holes}${together ? ', all on the needle at once' : ''}`;
  }

  private manner({ as }: Go): string {
    switch (as) {
      case 'step-up':
        return 'step up';
      case 'close':
        return 'close up: go';
      case 'turn':
        return this.words.motif ? 'weave on, hidden inside it,' : 'turn at the edge: go';
      case 'reinforce':
        return 'go once more';
      default:
        return 'go';
    }
  }

  private phrase(act: Act): string {
    switch (act.act) {
      case 'begin':
        this.fresh = act.next ?? false;
        if (!act.next) return BEGIN[act.stop];
        return this.needled ? 'thread the next length on the needle' : 'take up the next length';
      case 'pick':
        this.picked = act.beads.length;
        return `pick up ${this.picks(act.beads)}`;
      case 'weave': {
        const how = this.fresh ? 'weave it in,' : 'weave on, hidden,';
        return `${how} ${this.legs(act.legs)}${act.asBefore ? ', so that it comes out where the old thread did' : ''}`;
      }
      case 'attach':
        return `go ${act.hole === 0 ? '' : 'back '}through the ${act.finding}`;
      case 'under': {
        const which = act.on ? `the ${HOLES[act.on]} thread` : 'the thread';
        return `go under ${which} between ${this.pair(act.between)}`;
      }
      case 'around':
        return `go round the outside of ${this.bead(act.bead)}`;
      case 'between':
        return `go between ${this.bead(act.beads[0])} and ${this.bead(act.beads[1])} to the other face`;
      case 'again':
        return 'go round the same way again';
      case 'knot':
        if (act.knot === 'square' && this.words.thread === 'monofilament')
          return 'tie a square knot, and put a drop of glue on it';
        if (act.knot === 'square' && act.pulledIn)
          return 'tie a square knot with one more turn while it is stretched, and let it slip into the bead';
        return `${KNOTS[act.knot]}${act.pulledIn ? ' and pull it into the bead' : ''}`;
      case 'turn':
        return TURNED[act.how];
      case 'release':
        return 'take off the stop bead';
      case 'tail':
        return this.words.thread ? TAILS[this.words.thread] : TAILS['gel-spun'];
      default:
        throw new Error(`A ${act.act} is told in a run.`);
    }
  }

  /** A hidden way. */
  private legs(legs: readonly Leg[]): string {
    const stops = legs.map(({ way, beads, to, hole }): Stop => {
      if (to) return { way: this.way(way), ...this.stop(to, 1, hole) };
      return { way: this.way(way), what: counted(beads, 'bead'), row: null, hole: '' };
    });
    return list(this.throughAll(stops, true));
  }

  /** What is gone through, in words: one bead, or several in a run. */
  private stop(to: Ref, length: number, hole?: Direction): Omit<Stop, 'way'> {
    const { of, ...which } = to;
    const row = of && of.section === WOVEN && of.row >= 0 ? of.row : null;
    const ref = row === null ? to : which;
    const noun = hole ? this.words.motif : undefined;
    const what =
      length === 1
        ? this.bead(ref, noun)
        : to.along
          ? `the next ${small(length)} beads along the thread`
          : to.next === undefined
            ? this.several(ref, length)
            : `the next ${small(length)} ${this.called(ref).whats}${this.called(ref).of}`;
    return { what, row, hole: this.byHole(hole) };
  }

  /**
   * One after another, those told alike but for their rows together: `through the next bead of rows 5, 4 and 3 in turn`.
   * @param once whether a way is not said again while it stays the same
   */
  private throughAll(stops: readonly Stop[], once: boolean): string[] {
    const alike = runs(stops, (stop) =>
      stop.row === null ? `${stops.indexOf(stop)}` : [stop.way, stop.what, stop.hole].join('|'),
    );
    let before = '';
    return alike.map((run) => {
      const { way, what, row, hole } = head(run);
      const on = way === '' || (once && way === before) ? '' : `${way} `;
      before = way;
      const rows = inTurn(run.map((stop) => this.numberOf(stop.row ?? 0)));
      const word = this.words.row;
      const of =
        row === null
          ? ''
          : run.length === 1
            ? ` of ${this.numbered(row)}`
            : ` of ${plural(word)} ${rows}${this.within(row)} in turn`;
      return `${on}through ${what}${of}${hole}`;
    });
  }

  /** `1 A and 2 B`, and for which rows they are where they are for several. */
  private picks(beads: readonly Picked[]): string {
    const [first, ...more] = beads;
    // What several different ones are for is said once.
    const all = first?.part !== undefined && more.some(({ role }) => role !== first.role);
    if (all && more.every(({ part, back }) => part === first.part && back === first.back)) {
      const plain = beads.map(({ part: _part, back: _back, ...bead }) => bead);
      return `${this.picks(plain)}, all${this.isFor(first)}`;
    }
    const purposes = runs(beads, ({ part, back = 0 }) => `${part ?? ''}/${back}`);
    const mixed = (run: readonly Picked[]) =>
      head(run).part !== undefined && run.some(({ role }) => role !== head(run).role);
    if (purposes.length > 1 && purposes.some(mixed))
      return purposes.map((run) => this.picks(run)).join(', then ');
    const same = runs(beads, ({ role, part, hole, back = 0 }) => [role, part, hole, back].join('/'));
    return list(
      same.map((run) => {
        const bead = head(run);
        const lies = this.words.lies?.(bead.role);
        const facing = lies === undefined ? '' : ` (${lies})`;
        return `${beadsWords(run.length, bead.role, this.words)}${facing}${this.byHole(bead.hole)}${this.isFor(bead)}`;
      }),
    );
  }

  /** What a bead is picked up for: a part of this row, or another row. */
  private isFor({ part, back }: Pick<Picked, 'part' | 'back'>): string {
    const forPart = part === undefined ? '' : ` for the ${part}`;
    return back === undefined ? forPart : `${forPart} ${forPart ? 'of' : 'for'} ${this.rowBack(back)}`;
  }

  private byHole(hole: Direction | undefined): string {
    return hole ? ` by its ${HOLES[hole]} ${this.words.motif ? 'point' : 'hole'}` : '';
  }

  /** What several holes gone through one after another are called: those of beads in a run together. */
  private goes(run: readonly Go[]): string[] {
    const stops: Stop[] = [];
    for (let i = 0; i < run.length;) {
      const go = run[i] as Go;
      const length = Math.max(this.inARun(run, i), this.nextsInARun(run, i), 1);
      // Stepping up says that it leads up.
      const way = go.as === 'step-up' && go.way === 'up' ? '' : this.wayWords(go.way);
      stops.push({ way, ...this.stop(go.to, length, go.hole) });
      i += length;
    }
    return this.throughAll(stops, this.going === null);
  }

  /** The way is left out where it is the way that the row goes; up and down are always said. */
  private wayWords(way: Direction): string {
    if (this.words.ways === 'none' || (way === this.going && way !== 'up' && way !== 'down')) return '';
    return this.way(way);
  }

  private way(way: Direction): string {
    return (this.words.ways === 'outwards' && OUTWARDS[way]) || WAYS[way];
  }

  /** How many from here on are one after another of those just picked up, or of a row as it was strung. */
  private inARun(run: readonly Go[], from: number): number {
    const first = run[from] as Go;
    const { added, strung, ...place } = first.to;
    const start = added ?? strung;
    if (start === undefined || start < 0 || first.hole) return 1;
    const like = JSON.stringify(place);
    let length = 1;
    for (;;) {
      const next = run[from + length];
      if (!next || next.way !== first.way || next.hole) return length;
      const { added: nextAdded, strung: nextStrung, ...nextPlace } = next.to;
      const number = added === undefined ? nextStrung : nextAdded;
      if (number !== start + length || JSON.stringify(nextPlace) !== like) return length;
      length++;
    }
  }

  /** How many from here on are each the next of the same row, or along the thread. */
  private nextsInARun(run: readonly Go[], from: number): number {
    const first = run[from] as Go;
    if ((first.to.next !== 1 && !first.to.along) || first.hole) return 0;
    const like = JSON.stringify(first.to);
    let length = 1;
    const isLike = (go: Go | undefined) =>
      go?.way === first.way && !go.hole && JSON.stringify(go.to) === like;
    while (isLike(run[from + length])) length++;
    return length;
  }

  private several({ added, strung, ...place }: Ref, length: number): string {
    const from = added ?? strung ?? 1;
    const to = from + length - 1;
    const which =
      from === 1
        ? `the first ${small(length)}`
        : `the ${ordinal(from)} ${length === 2 ? 'and' : 'to'} the ${ordinal(to)}`;
    if (added === undefined) {
      const { whats, of } = this.called(place);
      return `${which} ${whats} strung${of}`;
    }
    if (from > 1 || length < this.picked) return `${which} new beads`;
    return length === 2 ? 'both new beads' : `all ${small(length)} new beads`;
  }

  /** Two beads that thread joins. */
  private pair([one, other]: readonly [Ref, Ref]): string {
    const { next, ...place } = one;
    const { next: on, ...otherPlace } = other;
    if (next !== undefined && on === next + 1 && JSON.stringify(place) === JSON.stringify(otherPlace)) {
      const { what, whats, of } = this.called(place);
      return next === 1
        ? `the next two ${whats}${of}`
        : `the ${ordinal(next)} and the ${ordinal(on)} ${what} ahead${of}`;
    }
    return `${this.bead(one)} and ${this.bead(other)}`;
  }

  private skip(ref: Ref): string {
    return ref.began ? 'let it sit on the bead that you came out of' : `skip ${this.bead(ref)}`;
  }

  /** One bead, by what is true of it alone. */
  private bead(
    { out, began, along, added, newest, side, next, strung, ...place }: Ref,
    noun = 'bead',
  ): string {
    if (out) return `the ${noun} that you are in`;
    if (began) return `the ${noun} that you came out of`;
    if (along) return `the next ${noun} along the thread`;
    if (newest) return `the ${noun} that the other ${this.needled ? 'needle' : 'end'} has just picked up`;
    if (added !== undefined)
      // Of motifs one is picked up at a time, between beads.
      return this.picked === 1 || noun !== 'bead' ? `the new ${noun}` : `the ${ordinal(added)} new bead`;
    const { what, of } = this.called(place, noun);
    const farthest = side && ((this.words.ways === 'outwards' && OUTMOST[side]) || FARTHEST[side]);
    if (farthest) return `the ${farthest} ${what}${of}`;
    if (next !== undefined)
      return next === 1 ? `the next ${what}${of}` : `the ${ordinal(next)} ${what} ahead${of}`;
    if (strung !== undefined)
      return strung > 0
        ? `the ${ordinal(strung)} ${what} strung${of}`
        : strung === -1
          ? `the last ${what} strung${of}`
          : `the ${ordinal(-strung)} ${what} from the last strung${of}`;
    return `the ${what}${of}`;
  }

  /** What a bead is called, and several of it, and of what row they are, where that does not say so already. */
  private called(
    { role, part, ...place }: Pick<Ref, 'role' | 'part' | 'back' | 'of'>,
    noun = 'bead',
  ): { readonly what: string; readonly whats: string; readonly of: string } {
    const row = this.rowOf(place);
    const of = row && ` ${row}`;
    if (role !== undefined) {
      const what = this.words.role(role);
      return { what, whats: plural(what), of };
    }
    if (part !== undefined) return { what: `${part} bead`, whats: `${part} beads`, of };
    const { back } = place;
    const own = noun === 'bead' && back !== undefined && this.row - back >= 0;
    const trade = own ? this.words.beadsBack?.[back] : undefined;
    return trade === undefined
      ? { what: noun, whats: plural(noun), of }
      : { what: trade, whats: plural(trade), of: '' };
  }

  private rowOf({ back, of }: Pick<Ref, 'back' | 'of'>): string {
    if (back !== undefined) return `of ${this.rowBack(back)}`;
    return of ? `of ${this.rowIn(of.section, of.row)}` : '';
  }

  private rowBack(back: number): string {
    const { row } = this.words;
    if (this.row - back < 0) return ofTheStart(this.row - back);
    // Of what goes round, far back is soon far ahead: that is told by its number.
    if (Math.abs(back) > 2 && (row === 'point' || row === 'circle')) return `${row} ${this.row - back + 1}`;
    if (back === 0) return `this ${row}`;
    if (back === 1) return `the ${row} before`;
    if (back === -1) return `the next ${row}`;
    return back > 0 ? `the ${row} ${small(back)} back` : `the ${row} ${small(-back)} on`;
  }

  /** A row of the work as the maker counts it, from 1. */
  private numberOf(row: number): number {
    return (this.words.rowWithin?.(row).row ?? row) + 1;
  }

  /** Of what it is, where rows begin anew on the way. */
  private within(row: number): string {
    const of = this.words.rowWithin?.(row).of;
    return of ? ` of ${of}` : '';
  }

  private numbered(row: number): string {
    return `${this.words.row} ${this.numberOf(row)}${this.within(row)}`;
  }

  private rowIn(section: Section, row: number): string {
    if (section === WOVEN && row < 0) return ofTheStart(row);
    return section === WOVEN
      ? this.numbered(row)
      : `the ${sectionWords(section)}${row === 0 ? '' : `, ${this.words.row} ${row + 1}`}`;
  }
}
