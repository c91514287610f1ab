import type { MakingEvent, Happening, Place } from './events';
import { lastPart, type Mat, type MatPart, type MatStep } from './mat';

type Told<D extends Happening['did']> = Extract<Happening, { did: D }>;
/** A happening with when it was told. */
export type At<D extends Happening['did']> = Told<D> & { readonly when: string };

/** Where the work is: how many of each part are done, and how far the one under way is. */
export interface Whereabouts {
  /** The part under way. */
  readonly part: string;
  /** By part: so many of it are done, and so many steps of the next. */
  readonly done: Readonly<Record<string, { readonly made: number; readonly at: number }>>;
}

/** A place that a window says the work is at, and the event that said so. */
export interface Head {
  readonly id: string | null;
  readonly window: string | null;
  readonly where: Whereabouts;
}

/** All that has happened at a mat, folded. */
export interface Making {
  /** Where the work is; where windows went apart, where this one says, or else the first of them. */
  readonly where: Whereabouts;
  /** The last change of place: what is told next is told after it. */
  readonly after: string | null;
  /** Several where windows went on from the same place and differ: the maker is asked which is so. */
  readonly heads: readonly Head[];
  /** Steps that were taken apart, in all. */
  readonly ripped: number;
  readonly threads: readonly At<'thread'>[];
  readonly measures: readonly At<'measure'>[];
  readonly counts: readonly At<'count'>[];
  readonly wastes: readonly At<'waste'>[];
  readonly notes: readonly At<'note'>[];
  readonly photos: readonly At<'photo'>[];
  /** Optional passes that are left out, as `part pass`. */
  readonly skipped: ReadonlySet<string>;
  readonly finished: At<'finish'> | null;
  /** When it was worked on, by the changes of place, ms. */
  readonly times: readonly number[];
}

const start = (mat: Mat): Whereabouts => ({
  part: (mat.parts[0] as MatPart).id,
  done: Object.fromEntries(mat.parts.map(({ id }) => [id, { made: 0, at: 0 }])),
});

const sameWhere = (a: Whereabouts, b: Whereabouts): boolean =>
  a.part === b.part &&
  Object.keys(a.done).every(
    (id) => a.done[id]?.made === b.done[id]?.made && a.done[id]?.at === b.done[id]?.at,
  );

/** The same with one part elsewhere: no farther than it has steps, and than there are of it. */
function moved(mat: Mat, where: Whereabouts, to: Place): Whereabouts {
  const part = mat.parts.find(({ id }) => id === to.part);
  if (!part) return where;
  const made = Math.min(to.made, part.times);
  const at = made === part.times ? 0 : Math.min(to.at, part.steps.length);
  // The last step of one is the end of it.
  const whole = part.steps.length > 0 && at === part.steps.length;
  const done = { ...where.done, [part.id]: whole ? { made: made + 1, at: 0 } : { made, at } };
  return { part: part.id, done };
}

export const skipKey = (part: string, pass: string): string => `${part} ${pass}`;

/**
 * Folds what happened at a mat, in the order in which it arrived. An event that was told after another window had gone on from the
 * same place begins a way of its own: both are kept, until the maker says which of them is so. Those that arrive twice count once.
 * @param window the one that asks: until that is settled it goes on from where it was itself
 */
export function making(mat: Mat, events: readonly MakingEvent[], window?: string): Making {
  const origin = start(mat);
  const whereAt = new Map<string | null, Whereabouts>([[null, origin]]);
  let heads: Head[] = [{ id: null, window: null, where: origin }];
  const seen = new Set<string>();
  /** Of events that came to the same place, the one that stands for all. */
  const standIn = new Map<string, string>();
  const standing = (id: string | null): string | null =>
    id !== null && standIn.has(id) ? standing(standIn.get(id) as string) : id;
  const skipped = new Set<string>();
  const all: MakingEvent[] = [];
  let ripped = 0;
  for (const event of events) {
    if (seen.has(event.id)) continue;
    seen.add(event.id);
    all.push(event);
    const { what } = event;
    if (what.did === 'go' || what.did === 'rip') {
      const after = standing(event.after);
      const from = whereAt.get(after) ?? (heads[0] as Head).where;
      const where = moved(mat, from, what.to);
      whereAt.set(event.id, where);
      if (what.did === 'rip') ripped += Math.max(0, stepsDone(mat, from) - stepsDone(mat, where));
      heads = [...heads.filter(({ id }) => id !== after), { id: event.id, window: event.window, where }];
    } else if (what.did === 'choose') {
      const kept = heads.find(({ id }) => id === standing(what.keep));
      if (kept) heads = [kept];
    } else if (what.did === 'skip') {
      const key = skipKey(what.part, what.pass);
      if (what.on) skipped.add(key);
      else skipped.delete(key);
    }
    // Two that came to the same place agree: the later stands for both.
    heads = heads.filter((one, i) => {
      const later = heads.slice(i + 1).find((other) => sameWhere(one.where, other.where));
      if (later?.id && one.id) standIn.set(one.id, later.id);
      return !later;
    });
  }
  const head = heads.find((one) => one.window === window) ?? (heads[0] as Head);
  const of = <D extends Happening['did']>(did: D): At<D>[] =>
    all.flatMap(({ what, at }) => (what.did === did ? [{ ...(what as Told<D>), when: at }] : []));
  return {
    where: head.where,
    after: head.id,
    heads,
    ripped,
    threads: of('thread'),
    measures: of('measure'),
    counts: of('count'),
    wastes: of('waste'),
    notes: of('note'),
    photos: of('photo'),
    skipped,
    finished: of('finish').at(-1) ?? null,
    times: all.flatMap(({ what, at }) => (what.did === 'go' || what.did === 'rip' ? [Date.parse(at)] : [])),
  };
}

/** Steps of all parts that are done, each of them as often as it was made. */
export function stepsDone(mat: Mat, { done }: Whereabouts): number {
  return mat.parts.reduce((sum, { id, steps }) => {
    const { made = 0, at = 0 } = done[id] ?? {};
    return sum + made * steps.length + at;
  }, 0);
}

/** A step of the part under way, and which it is. */
export interface Here {
  readonly part: MatPart;
  /** How many of the part are done. */
  readonly made: number;
  /** Steps of it that are done; the step to do next is the one at this place. */
  readonly at: number;
  /** What is to be done; null where all is. */
  readonly step: MatStep | null;
}

/** The part that is to go on with: the one under way, or, where all of that is made, the first that is not. */
export function here(mat: Mat, { where, skipped }: Pick<Making, 'where' | 'skipped'>): Here {
  const left = (part: MatPart) => (where.done[part.id]?.made ?? 0) < part.times;
  const under = mat.parts.find(({ id }) => id === where.part);
  const part = under && left(under) ? under : (mat.parts.find(left) ?? lastPart(mat));
  const { made = 0, at = 0 } = where.done[part.id] ?? {};
  const next = nextOf(part, at, skipped);
  return { part, made, at: next, step: made < part.times ? (part.steps[next] ?? null) : null };
}

/** The first step from a place on that is not of a pass left out. */
function nextOf(part: MatPart, from: number, skipped: ReadonlySet<string>): number {
  let at = from;
  while (isSkipped(part, part.steps[at], skipped)) at++;
  return at;
}

/** Whether a step is of a pass that is left out. */
export const isSkipped = (
  part: Pick<MatPart, 'id'>,
  step: MatStep | undefined,
  skipped: ReadonlySet<string>,
): boolean => step !== undefined && step.optional && skipped.has(skipKey(part.id, step.pass));

/** Where the work is when the step before one is done. */
export const forward = (mat: Mat, state: Pick<Making, 'where' | 'skipped'>): Place => {
  const { part, made, at } = here(mat, state);
  // What is left out at the end is the end of it all the same.
  const to = nextOf(part, at + 1, state.skipped);
  return { part: part.id, made, at: to };
};

/** Whether two steps are of one unit, or of one stretch of work that is none. */
export const isSameUnit = (a: MatStep | undefined, b: MatStep | undefined): boolean =>
  a !== undefined && b !== undefined && a.title === b.title && a.unit === b.unit;

/** The step that the work is at when so many units before a place are taken out. */
export function ripped({ steps }: Pick<MatPart, 'steps'>, at: number, units: number): number {
  let to = at;
  for (let left = units; to > 0 && left > 0; left--) {
    const last = steps[to - 1];
    while (isSameUnit(steps[to - 1], last)) to--;
  }
  return to;
}

/** Counts that were made of what is under way, up to where it is, the last one last. */
export const countsOf = ({ counts }: Pick<Making, 'counts'>, { part, made, at }: Here): At<'count'>[] =>
  counts.filter((count) => count.at.part === part.id && count.at.made === made && count.at.at <= at);

/** To the end of the unit, or of the stretch of work, under way. */
export function forwardUnit(mat: Mat, state: Pick<Making, 'where' | 'skipped'>): Place {
  const { part, made, at, step } = here(mat, state);
  let to = at + 1;
  while (isSameUnit(part.steps[to], step ?? undefined)) to++;
  return { part: part.id, made, at: nextOf(part, to, state.skipped) };
}

/** One step back: of one that is whole, to its last step. */
export function back(mat: Mat, state: Pick<Making, 'where' | 'skipped'>): Place | null {
  const { part, made, at } = here(mat, state);
  const before = (of: MatPart, from: number) => {
    let to = from - 1;
    while (to >= 0 && isSkipped(of, of.steps[to], state.skipped)) to--;
    return to;
  };
  const { done } = state.where;
  const to = before(part, done[part.id]?.made === part.times ? part.steps.length : at);
  if (to >= 0 && made < part.times) return { part: part.id, made, at: to };
  if (made > 0) return { part: part.id, made: made - 1, at: Math.max(0, before(part, part.steps.length)) };
  const earlier = mat.parts[mat.parts.indexOf(part) - 1];
  if (!earlier) return null;
  return {
    part: earlier.id,
    made: earlier.times - 1,
    at: Math.max(0, before(earlier, earlier.steps.length)),
  };
}
