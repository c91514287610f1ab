import { WOVEN } from '../weave/path';
import { type Stretch, type WorkPlace } from './stretches';

/**
 * Thread in the hand at each end, for the last knots and the trimming. With the few beads that it is woven
 * through, a tail that sews nothing comes to 10 to 15 cm (common practice).
 */
export const END_MM = 110;
/** A typical wingspan, about the height (memory). */
export const TYPICAL_WINGSPAN_MM = 1650;
/** Longest thread people like to work with, in wingspans (practice). */
const HANDY_WINGSPANS = 1.5;

/** How one likes to cut thread. */
export interface ThreadHabits {
  /** Fingertip to fingertip; null takes a typical one. */
  readonly wingspanMm: number | null;
  /** Added to the thread in the work for pulling, drawing out and mending, as a part of it. */
  readonly threadMargin: number;
  /** What the maker’s hands make of the limits of a hole: 1 as they are told, less where beads went sooner. */
  readonly holeFactor: number;
}

const handyMm = ({ wingspanMm }: ThreadHabits): number =>
  HANDY_WINGSPANS * (wingspanMm ?? TYPICAL_WINGSPAN_MM);

/** What one needle, or one arm of a folded cord, lays. */
export interface Laid {
  readonly stretches: readonly Stretch[];
  /** Whether the hole that a stretch comes out of last has room for the two ends of a change. */
  readonly hasRoom: (stretch: Stretch) => boolean;
}

/** A place where one length ends and the next begins. */
export interface ThreadChange {
  /** The last unit of the old length, in its pass. */
  readonly after: WorkPlace;
  /** Its place among the stretches: the new length begins with this one. */
  readonly at: number;
  /** The ends must be woven into holes that are full already. */
  readonly crowded: boolean;
}

/** One length of thread as it is cut. */
export interface Cut {
  readonly mm: number;
  /** Stretches that it lays: from the first to one before the last. */
  readonly from: number;
  readonly to: number;
}

/** How the thread of one needle is shared out among lengths. */
export interface Division {
  readonly cuts: readonly Cut[];
  readonly changes: readonly ThreadChange[];
  /** Some length is longer than is handy: there is no place to change in between. */
  readonly tooLong: boolean;
}

interface Cutting {
  readonly handyMm: number;
  readonly margin: number;
  /** Thread at the very start, beside what lies in the work: the tail. */
  readonly headMm: number;
  /** What is held and woven in at each end. */
  readonly endMm: number;
  /** Where the maker wants to change; null leaves it to the plan. */
  readonly wanted: readonly WorkPlace[] | null;
  /** It cannot be joined on the way: elastic, whose every knot may slip. */
  readonly whole: boolean;
}

/** Between two units of the weave: not at a clasp, not in the start, not within a repeat. */
const betweenUnits = (before: Stretch, after: Stretch): boolean =>
  before.section === WOVEN && after.section === WOVEN && before.pass !== 'start';

const placeOf = ({ needle, pass, unit }: Stretch): WorkPlace => ({ needle, pass, unit });

export const isSamePlace = (one: WorkPlace, other: WorkPlace): boolean =>
  one.needle === other.needle && one.pass === other.pass && one.unit === other.unit;

/** Places where a length may end, whatever is in the holes. */
export const placesToChange = ({ stretches }: Laid): number[] =>
  stretches.flatMap((after, i) => {
    const before = stretches[i - 1];
    return before && betweenUnits(before, after) ? [i] : [];
  });

/**
 * Shares the thread of a needle out: fewest lengths, then the shortest longest, then the latest changes. Changes fall
 * between units, and where holes have room for the ends, as long as that is to be had.
 */
export function divide(laid: Laid, cutting: Cutting): Division {
  const { stretches, hasRoom } = laid;
  const places = cutting.whole ? [] : placesToChange(laid);
  const before = (i: number) => stretches[i - 1] as Stretch;
  const cost = costs(stretches, cutting);
  const end = stretches.length;
  const roomy = () => places.filter((i) => hasRoom(before(i)));
  const wanted = cutting.wanted?.filter(({ needle }) => needle === stretches[0]?.needle) ?? null;
  const own = wanted && chosen(wanted, places, before);
  // A change after a unit that is there no more says nothing of where the others were to be.
  const at =
    own && own.length === wanted.length
      ? own
      : (best(roomy(), cost, end, cutting.handyMm) ??
        best(places, cost, end, cutting.handyMm) ??
        latest(places, cost, end, cutting.handyMm, 'next') ??
        []);
  const edges = [0, ...at, stretches.length];
  const cuts = edges.slice(1).map((to, k): Cut => {
    const from = edges[k] as number;
    return { from, to, mm: cost(from, to) };
  });
  return {
    cuts,
    changes: at.map((i) => ({ after: placeOf(before(i)), at: i, crowded: !hasRoom(before(i)) })),
    tooLong: cuts.some(({ mm }) => mm > cutting.handyMm + 1e-9),
  };
}

/** What a length costs that lays the stretches from one to before another: its ends are counted in. */
function costs(stretches: readonly Stretch[], { margin, headMm, endMm }: Cutting) {
  const sums = [0];
  for (const { mm } of stretches) sums.push((sums.at(-1) as number) + mm);
  return (from: number, to: number): number =>
    ((sums[to] as number) - (sums[from] as number)) * (1 + margin) + (from === 0 ? headMm : endMm) + endMm;
}

type Cost = ReturnType<typeof costs>;

/**
 * As few changes as can be, each as late as can be, with no length longer than `mostMm`. Where there is no such place
 * it takes the next there is, or gives up.
 */
function latest(
  places: readonly number[],
  cost: Cost,
  end: number,
  mostMm: number,
  otherwise: 'next' | 'give up',
): number[] | null {
  const at: number[] = [];
  let passed = 0; // places that lie behind
  let from = 0;
  while (cost(from, end) > mostMm) {
    // A longer stretch costs more: the furthest place that is not too far is found by halving.
    let [least, most] = [passed, places.length];
    while (least < most) {
      const middle = (least + most) >> 1;
      if (cost(from, places[middle] as number) <= mostMm) least = middle + 1;
      else most = middle;
    }
    if (least === passed && otherwise === 'give up') return null;
    passed = Math.max(least, passed + 1);
    const next = places[passed - 1];
    if (next === undefined) break;
    at.push(next);
    from = next;
  }
  return at;
}

const longest = (at: readonly number[], cost: Cost, end: number): number =>
  [...at, end].reduce((most, to, k) => Math.max(most, cost(at[k - 1] ?? 0, to)), 0);

/** Lengths nearer to each other than this are alike, mm. */
const ALIKE_MM = 0.01;

/** Fewest lengths, then the shortest longest, then the latest changes; null where some length cannot but be longer. */
function best(places: readonly number[], cost: Cost, end: number, mostMm: number): number[] | null {
  let at = latest(places, cost, end, mostMm, 'give up');
  if (!at || at.length === 0) return at;
  const changes = at.length;
  for (let [low, high] = [0, longest(at, cost, end)]; high - low > ALIKE_MM;) {
    const middle = (low + high) / 2;
    const tried = latest(places, cost, end, middle, 'give up');
    if (tried && tried.length <= changes) [at, high] = [tried, longest(tried, cost, end)];
    else low = middle;
  }
  return at;
}

/** What the maker wants, as far as the work has such places. */
const chosen = (wanted: readonly WorkPlace[], places: readonly number[], before: (i: number) => Stretch) =>
  places.filter((i) => wanted.some((place) => isSamePlace(place, placeOf(before(i)))));

/** How far a thread on the needle reaches: the last place for a change before it is used up. */
export interface Reach {
  /** Null where it does not reach any place, or reaches to the end. */
  readonly stopAfter: WorkPlace | null;
  readonly reachesTheEnd: boolean;
}

/**
 * With so much thread on the needle, from a change (or the start, at 0) on: where to stop.
 * @param haveMm thread on the needle, what is held at its end included
 */
export function reach(
  laid: Laid,
  { margin, from, haveMm }: { margin: number; from: number; haveMm: number },
): Reach {
  const { stretches } = laid;
  let left = haveMm - END_MM;
  let stopAfter: WorkPlace | null = null;
  const places = new Set(placesToChange(laid));
  for (let i = from; i < stretches.length; i++) {
    const stretch = stretches[i] as Stretch;
    if (i > from && places.has(i)) {
      stopAfter = placeOf(stretches[i - 1] as Stretch);
    }
    left -= stretch.mm * (1 + margin);
    if (left < 0) return { stopAfter, reachesTheEnd: false };
  }
  return { stopAfter: null, reachesTheEnd: true };
}

export interface ThreadPlan {
  /** Thread that lies in the work: through holes, across gaps, in knots. */
  readonly inWorkMm: number;
  /** Of that, what the tail sews. */
  readonly tailSewsMm: number;
  /** How long a tail to leave at the start. */
  readonly tailMm: number;
  readonly endsMm: number;
  /** Thread to spare, as a part of what lies in the work, and what it comes to. */
  readonly margin: number;
  readonly marginMm: number;
  /** All of it, joins included. */
  readonly totalMm: number;
  readonly lengths: number;
  /** The longest of them. */
  readonly longestMm: number;
  /** Every length to cut, in the order in which it is used; the two arms of a folded cord are one length. */
  readonly cutsMm: readonly number[];
  /** For each needle how its thread is shared out. The tail’s goes with the first length. */
  readonly divisions: readonly (Division & Arm & { readonly folded: boolean })[];
}

/** A needle, and what it lays. */
export interface Arm extends Laid {
  readonly needle: string;
  /** The stretch that it works; null where it is the piece itself. */
  readonly of: string | null;
}

/** One thread of the work. */
export interface AskedThread {
  /** The needle beside the tail, or the two arms of a folded cord. */
  readonly arms: readonly Arm[];
  /** What its tail sews, mm. */
  readonly tailSewsMm: number;
}

export interface ThreadQuestion {
  readonly threads: readonly AskedThread[];
  /** Strands that go through the work together: 2 of a doubled thread, which is folded at the needle. */
  readonly strands: 1 | 2;
  readonly inWorkMm: number;
  readonly wanted: readonly WorkPlace[] | null;
  /** Worked in one length, however long. */
  readonly whole: boolean;
}

/**
 * What to cut. The tail at the start is as long as what it sews, with its margin, and the end that is woven in.
 * Each change weaves in two more ends.
 */
export function threadPlan(q: ThreadQuestion, habits: ThreadHabits): ThreadPlan {
  const { threads, strands, inWorkMm, wanted, whole } = q;
  const { threadMargin: margin } = habits;
  const endMm = END_MM * strands;
  const tailOf = (sewsMm: number) => sewsMm * (1 + margin) + endMm;
  const mostMm = handyMm(habits) * strands;
  const shared = threads.map(({ arms, tailSewsMm }) => {
    const folded = arms.length > 1;
    // A folded cord has no end in its middle: what each arm holds at its start is the other arm.
    const headMm = folded ? 0 : tailOf(tailSewsMm);
    const cutting = { handyMm: mostMm, margin, headMm, endMm, wanted, whole };
    return arms.map((arm) => ({ ...arm, ...divide(arm, cutting), folded }));
  });
  const divisions = shared.flat();
  const cutsMm = shared.flatMap((arms) => {
    const all = arms.map(({ cuts }) => cuts.map(({ mm }) => mm));
    return [sum(all.map(([first]) => first ?? 0)), ...all.flatMap((mm) => mm.slice(1))];
  });
  const tailSewsMm = sum(threads.map((thread) => thread.tailSewsMm));
  const totalMm = sum(cutsMm);
  const marginMm = inWorkMm * margin;
  return {
    inWorkMm,
    tailSewsMm,
    tailMm: tailOf(threads[0]?.tailSewsMm ?? 0),
    endsMm: totalMm - inWorkMm - marginMm,
    margin,
    marginMm,
    totalMm,
    lengths: cutsMm.length,
    longestMm: Math.max(...cutsMm),
    cutsMm,
    divisions,
  };
}

const sum = (values: readonly number[]): number => values.reduce((total, value) => total + value, 0);
