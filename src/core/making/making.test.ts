import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { quantileSorted } from 'simple-statistics';
import { examplePiece } from '@/demo/choir';
import { NO_SWATCHES } from '../fit/swatchBook';
import { shippedLayouts } from '../layout/shipped';
import { seeded } from '../layout/solver/random';
import { planPiece } from '../plan/shipped';
import { newPart } from '../piece/newPiece';
import { asPiece, partOf } from '../piece/partOfPiece';
import { USUAL_SETTINGS } from '../records/settings';
import { ownUnit } from '../structures/ownUnit';
import { STRUCTURES } from '../structures/registry';
import { anyComposed } from '../testing/anyComposed';
import { anyPiece } from '../testing/anyPiece';
import { runs } from '../testing/thorough';
import { END_MM } from '../supplies/threadPlan';
import { given } from '../tools/given';
import { pieceSchema, type Piece } from '../piece/piece';
import type { Happening, MakingEvent, Place } from './events';
import { back, forward, forwardUnit, here, making, ripped, stepsDone, type Making } from './making';
import { lastPart, layOnMat, lookedUp, matSchema, sameChoices, workMark, type Mat } from './mat';
import { AWAY_MS, progress, spentMs, station } from './progress';
import { refit } from './refit';
import { threadLeft } from './threadLeft';

const LOOKUPS = { layouts: shippedLayouts, swatches: NO_SWATCHES, habits: USUAL_SETTINGS };

function onMat(piece: string | Piece): Mat {
  const laid = layOnMat(typeof piece === 'string' ? examplePiece(piece) : piece, LOOKUPS, 'this build');
  if (!laid.ok) throw new Error(laid.problem.code);
  return laid.mat;
}

let told = 0;
const uuid = (): string => `00000000-0000-4000-8000-${(++told).toString(16).padStart(12, '0')}`;
const event = (what: Happening, state: Making, window = 'one', at = 0): MakingEvent => ({
  id: uuid(),
  window,
  after: state.after,
  at: new Date(Date.UTC(2026, 5, 1) + at).toISOString(),
  what,
});

/** Works on so many steps, one by one. */
function worked(
  mat: Mat,
  steps: number,
  events: readonly MakingEvent[] = [],
  everyMs = 10_000,
): MakingEvent[] {
  let all = [...events];
  for (let i = 0; i < steps; i++) {
    const state = making(mat, all);
    all = [...all, event({ did: 'go', to: forward(mat, state) }, state, 'one', i * everyMs)];
  }
  return all;
}

describe('what lies on the mat', () => {
  it('is what the plan was: the count, the beads, every step; read back, the same work is planned again', () => {
    for (const name of ['slack-water', 'net-floats', 'tide-rope', 'wake-lines']) {
      const mat = onMat(name);
      const plan = planPiece(examplePiece(name));
      if (!plan.ok) throw new Error(plan.problem.code);
      const again = matSchema.parse(JSON.parse(JSON.stringify(mat)));
      expect(again).toEqual(mat);
      const beads = new Map<string, number>();
      for (const { beads: picked } of lastPart(mat).steps)
        for (const { role, count } of picked) beads.set(role, (beads.get(role) ?? 0) + count);
      for (const { role, total } of plan.quantities) expect(beads.get(role) ?? 0, role).toBe(total);
      const replanned = planPiece(again.piece, lookedUp(again));
      expect(replanned.ok && workMark(replanned)).toBe(mat.work);
    }
  });

  it('stays as it is when the piece is changed, or fits otherwise by what is learnt later', () => {
    const mat = onMat('slack-water');
    expect(partOf(mat.piece).units).not.toBeNull();
    const { piece } = mat;
    expect(planPiece({ ...piece, targetMm: 300 })).toMatchObject({
      chosen: { units: given(partOf(piece).units, 'count') },
    });
  });

  it('what nobody has told the path of is made unit by unit', () => {
    const part = newPart('Any', 'own-unit', null);
    const mat = onMat(asPiece(part));
    const { steps, units } = lastPart(mat);
    expect(steps.map(({ unit }) => unit)).toEqual(Array.from({ length: units }, (_, unit) => unit));
    expect(steps[0]?.text).toBe(`Make unit 1 of ${units}.`);
    expect(station(mat, making(mat, worked(mat, 3)))).toMatchObject({ unit: 4, steps: units });
  });
});

describe('where the work is', () => {
  it('goes forward to the last knot and back to the first bead; apart made parts come first, each as often as it is made', () => {
    const mat = onMat('net-floats');
    const [float, line] = mat.parts;
    const all =
      given(float, 'float').times * given(float, 'float').steps.length + given(line, 'line').steps.length;
    let events = worked(mat, all);
    let state = making(mat, events);
    expect(here(mat, state).step).toBeNull();
    expect(progress(mat, state).done).toBe(1);
    expect(progress(mat, state).left.every(({ count }) => count === 0)).toBe(true);
    for (let i = 0; i < all; i++) {
      const to = given(back(mat, state), 'step back');
      events = [...events, event({ did: 'go', to }, state)];
      state = making(mat, events);
      expect(stepsDone(mat, state.where)).toBe(all - 1 - i);
    }
    expect(back(mat, state)).toBeNull();
    expect(progress(mat, state).done).toBe(0);
  });

  it('four of seven floats are done: that is said, and the beads that are left are those of three and of the line', () => {
    const mat = onMat('net-floats');
    const float = given(mat.parts[0], 'float');
    const none = making(mat, []);
    const state = making(mat, [event({ did: 'go', to: { part: float.id, made: 4, at: 0 } }, none)]);
    expect(station(mat, state)).toMatchObject({ nth: 5, step: 1 });
    const one = float.steps.reduce((sum, { beads }) => sum + beads.reduce((s, { count }) => s + count, 0), 0);
    const left = progress(mat, state).left.filter(({ part }) => part === float.id);
    expect(left.reduce((sum, { count }) => sum + count, 0)).toBe(3 * one);
  });

  it('a whole unit at once, and an optional pass that is left out is passed over', () => {
    const mat = onMat('buoy-line');
    const state = making(mat, []);
    const to = forwardUnit(mat, state);
    const { steps, id } = lastPart(mat);
    expect(new Set(steps.slice(0, to.at).map(({ unit, title }) => `${unit} ${title}`)).size).toBe(1);
    const optional = given(
      steps.find((step) => step.optional),
      'optional step',
    );
    const at = steps.indexOf(optional);
    const events = [
      event({ did: 'skip', part: id, pass: optional.pass, on: true }, state),
      event({ did: 'go', to: { part: id, made: 0, at: at - 1 } }, state),
    ];
    const next = forward(mat, making(mat, events));
    expect(next.at).toBeGreaterThan(at);
    expect(steps[next.at]?.pass).not.toBe(optional.pass);
  });

  it('time at the mat leaves out the breaks; what is left goes by the pace so far', () => {
    const mat = onMat('slack-water');
    const events = worked(mat, 40, [], 12_000);
    const state = making(mat, events);
    expect(spentMs(state.times)).toBe(39 * 12_000);
    expect(spentMs([0, 1000, 1000 + AWAY_MS, 2000 + AWAY_MS])).toBe(2000);
    const { done, leftMs } = progress(mat, state);
    expect(given(leftMs, 'time left') / (39 * 12_000)).toBeCloseTo((1 - done) / done, 6);
  });
});

describe('whatever is planned can be made', () => {
  /** Through all steps, one by one, by what each says comes next; as many as there are. */
  function walked(mat: Mat): number {
    const none = making(mat, []);
    let [state, steps] = [none, 0];
    while (here(mat, state).step) {
      const to = forward(mat, state);
      // Folded onto where it was: every step from the first would take its square of the time.
      const where = making(mat, [event({ did: 'go', to }, none)]).where;
      state = {
        ...state,
        where: {
          part: where.part,
          done: { ...state.where.done, [to.part]: where.done[to.part] ?? { made: 0, at: 0 } },
        },
      };
      if (++steps > 100_000) throw new Error('no end');
    }
    return steps;
  }

  it.each([
    ['any piece', anyPiece([...STRUCTURES, ownUnit]).map(asPiece)],
    ['any piece of parts', anyComposed],
  ] as const)('%s: its beads are those of the plan, and forward leads to the end', (_, pieces) => {
    let laidOut = 0;
    fc.assert(
      fc.property(pieces, (piece) => {
        const plan = planPiece(piece);
        const laid = layOnMat(piece, LOOKUPS, 'this build');
        expect(laid.ok).toBe(plan.ok);
        if (!laid.ok || !plan.ok) return;
        laidOut++;
        const { mat } = laid;
        expect(matSchema.safeParse(JSON.parse(JSON.stringify(mat))).success).toBe(true);
        expect(sameChoices(piece, mat.piece)).toBe(true);
        if (!plan.weaveable.pathless) {
          const beads = lastPart(mat).steps.flatMap((step) => step.beads);
          for (const { role, total } of plan.quantities)
            expect(
              beads.reduce((sum, one) => sum + (one.role === role ? one.count : 0), 0),
              role,
            ).toBe(total);
        }
        const all = mat.parts.reduce((sum, { steps, times }) => sum + steps.length * times, 0);
        if (all <= 1500) expect(walked(mat)).toBe(all);
      }),
      { numRuns: runs(12), seed: 24 },
    );
    expect(laidOut).toBeGreaterThan(3);
  });

  it('what is left out is neither done nor left, and of units taken out the beads are left again', () => {
    const mat = onMat('buoy-line');
    const part = lastPart(mat);
    const none = making(mat, []);
    const optional = given(
      part.steps.find((step) => step.optional && step.beads.length > 0),
      'pass',
    );
    const beads = (state: Making) => progress(mat, state).left.reduce((sum, { count }) => sum + count, 0);
    const without = making(mat, [event({ did: 'skip', part: part.id, pass: optional.pass, on: true }, none)]);
    const own = part.steps.reduce(
      (sum, step) =>
        sum + (step.pass === optional.pass ? step.beads.reduce((n, { count }) => n + count, 0) : 0),
      0,
    );
    expect(beads(none) - beads(without)).toBe(own);
    const at = 20;
    const to = ripped(part, at, 2);
    expect(new Set(part.steps.slice(to, at).map(({ title, unit }) => `${title} ${unit}`)).size).toBe(2);
    expect(ripped(part, at, 10_000)).toBe(0);
  });
});

/** The simplest there is: a number of steps done, by each window, and whether they knew of each other. */
interface Model {
  readonly at: Record<'one' | 'two', number>;
  joins: number;
  measures: number;
  culled: number;
  ripped: number;
}

class Bench {
  /** What each window knows, and what the server has. */
  readonly known: Record<'one' | 'two', MakingEvent[]> = { one: [], two: [] };
  server: MakingEvent[] = [];
  constructor(readonly mat: Mat) {}
  state(window: 'one' | 'two'): Making {
    return making(this.mat, this.known[window], window);
  }
  tell(window: 'one' | 'two', what: Happening) {
    this.known[window] = [...this.known[window], event(what, this.state(window), window)];
  }
  /** All that one window told arrives, some of it twice; it hears what the server has. */
  meet(window: 'one' | 'two') {
    const own = this.known[window].filter(({ id }) => !this.server.some((one) => one.id === id));
    this.server = [...this.server, ...own, ...own.slice(0, 1)];
    this.known[window] = [...this.server];
  }
}

const MAT = onMat('capstan');
const ALL = MAT.parts.reduce((sum, { steps, times }) => sum + steps.length * times, 0);
const placeAt = (steps: number): Place => {
  let left = steps;
  for (const { id, times, steps: own } of MAT.parts) {
    if (left < times * own.length)
      return { part: id, made: Math.floor(left / own.length), at: left % own.length };
    left -= times * own.length;
  }
  const last = lastPart(MAT);
  return { part: last.id, made: last.times, at: 0 };
};

type Window = 'one' | 'two';
const other = (window: Window): Window => (window === 'one' ? 'two' : 'one');

/** A command on both: what it does to the model, and what to the bench. */
const command = (
  name: string,
  window: Window,
  run: (model: Model, bench: Bench) => void,
): fc.Command<Model, Bench> => ({
  check: () => true,
  run(model, bench) {
    run(model, bench);
    const state = bench.state(window);
    expect(stepsDone(MAT, state.where)).toBe(model.at[window]);
    expect(state.threads.length + state.measures.length + state.wastes.length).toBeLessThanOrEqual(
      model.joins + model.measures + model.culled,
    );
  },
  toString: () => `${name} (${window})`,
});

const anyWindow = fc.constantFrom<Window>('one', 'two');
const commands = [
  anyWindow.map((w) =>
    command('forward', w, (model, bench) => {
      if (model.at[w] === ALL) return;
      bench.tell(w, { did: 'go', to: forward(MAT, bench.state(w)) });
      model.at[w]++;
    }),
  ),
  anyWindow.map((w) =>
    command('back', w, (model, bench) => {
      const to = back(MAT, bench.state(w));
      expect(to === null).toBe(model.at[w] === 0);
      if (!to) return;
      bench.tell(w, { did: 'go', to });
      model.at[w]--;
    }),
  ),
  fc.tuple(anyWindow, fc.nat(12)).map(([w, steps]) =>
    command(`rip ${steps}`, w, (model, bench) => {
      const to = Math.max(0, model.at[w] - steps);
      bench.tell(w, { did: 'rip', to: placeAt(to) });
      model.ripped += model.at[w] - to;
      model.at[w] = to;
    }),
  ),
  anyWindow.map((w) =>
    command('measure', w, (model, bench) => {
      bench.tell(w, { did: 'measure', part: lastPart(MAT).id, units: 5, lengthMm: 20, finished: false });
      model.measures++;
    }),
  ),
  anyWindow.map((w) =>
    command('join', w, (model, bench) => {
      bench.tell(w, { did: 'thread', needle: 'working', mm: 1200, at: placeAt(model.at[w]), joined: true });
      model.joins++;
    }),
  ),
  anyWindow.map((w) =>
    command('cull', w, (model, bench) => {
      bench.tell(w, { did: 'waste', why: 'culled', part: lastPart(MAT).id, role: 'A', count: 2 });
      model.culled++;
    }),
  ),
  anyWindow.map((w) =>
    command('the windows meet', w, (model, bench) => {
      bench.meet(w);
      bench.meet(other(w));
      bench.meet(w);
      const [one, two] = [bench.state('one'), bench.state('two')];
      const apart = model.at.one !== model.at.two;
      // Nothing of either is lost; where both went on and differ, both are there.
      expect(one.measures).toHaveLength(model.measures);
      expect(one.threads).toHaveLength(model.joins);
      expect(one.wastes).toHaveLength(model.culled);
      const places = new Set(one.heads.map(({ where }) => stepsDone(MAT, where)));
      expect(one.heads).toEqual(two.heads);
      if (one.heads.length > 1) {
        expect(apart).toBe(true);
        expect(places).toEqual(new Set([model.at.one, model.at.two]));
        const keep = given(one.heads.find((head) => head.window === w) ?? one.heads[0], 'head');
        bench.tell(w, { did: 'choose', keep: given(keep.id, 'id') });
        bench.meet(w);
        bench.meet(other(w));
        const so = stepsDone(MAT, keep.where);
        model.at.one = so;
        model.at.two = so;
        expect(bench.state('one').heads).toHaveLength(1);
        expect(bench.state(other(w)).heads).toHaveLength(1);
      } else {
        // One of them had done nothing since they last met: it goes on from the other.
        const so = stepsDone(MAT, one.where);
        expect([model.at.one, model.at.two]).toContain(so);
        model.at.one = so;
        model.at.two = so;
      }
    }),
  ),
];

describe('the state of the work against a simple model', () => {
  it('forward, back, measure, rip, join, cull, in two windows: what each told is kept, and both know where the work is', () => {
    fc.assert(
      fc.property(fc.commands(commands, { maxCommands: 60, size: 'max' }), (all) =>
        fc.modelRun(
          () => ({
            model: { at: { one: 0, two: 0 }, joins: 0, measures: 0, culled: 0, ripped: 0 },
            real: new Bench(MAT),
          }),
          all,
        ),
      ),
      { numRuns: 150, seed: 24 },
    );
  });

  it('told twice, or in another order than it was made, it is the same', () => {
    const mat = MAT;
    const events = worked(mat, 12);
    const [first] = events;
    expect(making(mat, [...events, given(first, 'event')]).where).toEqual(making(mat, events).where);
  });
});

describe('thread left', () => {
  it('by hand: what was cut less what lies in the work and what is spared; it says after which unit to stop', () => {
    const mat = onMat('slack-water');
    const part = lastPart(mat);
    const at = 30;
    const laid = part.steps
      .slice(0, at)
      .reduce((sum, { needle, threadMm }) => sum + (needle === 'working' ? threadMm : 0), 0);
    const place = (to: number): Place => ({ part: part.id, made: 0, at: to });
    const none = making(mat, []);
    const events = (mm: number) => [
      event({ did: 'thread', needle: 'working', mm, at: place(0), joined: true }, none),
      event({ did: 'go', to: place(at) }, none),
    ];
    expect(threadLeft(mat, none)).toBeNull();
    const cut = 4000;
    const left = given(threadLeft(mat, making(mat, events(cut)), 'working'), 'thread');
    expect(left.leftMm).toBeCloseTo(cut - laid * (1 + mat.margin), 6);
    // Just enough for two units more, and for what is held in the hand.
    const unitAt = given(part.steps[at], 'step').unit;
    const ofUnit = (unit: number) =>
      part.steps.filter((step, i) => i >= at && step.woven && step.unit === unit);
    const two = [...ofUnit(unitAt), ...ofUnit(unitAt + 1)];
    const units = two.map(({ threadMm }) => threadMm);
    const short = laid * (1 + mat.margin) + END_MM + (1 + mat.margin) * units.reduce((a, b) => a + b, 0) + 1;
    const scarce = given(threadLeft(mat, making(mat, events(short)), 'working'), 'thread');
    expect(scarce.reaches).toBe(false);
    expect(scarce).toMatchObject({ units: 2, stopBefore: at + two.length });
  });

  it('measured again, it goes by how fast it went', () => {
    const mat = onMat('slack-water');
    const part = lastPart(mat);
    const place = (to: number): Place => ({ part: part.id, made: 0, at: to });
    const none = making(mat, []);
    const laid = part.steps
      .slice(0, 40)
      .reduce((sum, { needle, threadMm }) => sum + (needle === 'working' ? threadMm : 0), 0);
    const events = [
      event({ did: 'thread', needle: 'working', mm: 4000, at: place(0), joined: true }, none),
      event({ did: 'thread', needle: 'working', mm: 4000 - 1.3 * laid, at: place(40), joined: false }, none),
      event({ did: 'go', to: place(40) }, none),
    ];
    expect(threadLeft(mat, making(mat, events), 'working')).toMatchObject({ learned: true });
    expect(threadLeft(mat, making(mat, events), 'working')?.factor).toBeCloseTo(1.3, 6);
  });
});

describe('measured, and fitted anew', () => {
  it('by hand: ten units of 41 mm are 4.1 each, and the count follows', () => {
    const mat = onMat('slack-water');
    const part = lastPart(mat);
    const none = making(mat, []);
    const state = making(mat, [
      event(
        { did: 'measure', part: part.id, units: 10, lengthMm: part.pitchMm * 10.6, finished: true },
        none,
      ),
    ]);
    const found = refit(mat, state);
    if (!found || 'ok' in found) throw new Error('no refit');
    expect(found.pitchMm).toBeCloseTo(part.pitchMm * 1.06, 6);
    expect(found.now.units).toBe(part.units);
    expect(found.now.finishedMm).toBeGreaterThan(mat.planned.finishedMm);
    expect(found.best.units).toBeLessThan(part.units);
    expect(refit(mat, none)).toBeNull();
  });

  it('100 makers whose true pitch is known: it lies in the 95 % interval of at least 90', () => {
    const mat = onMat('slack-water');
    const part = lastPart(mat);
    const random = seeded(2411);
    const normal = () => Math.sqrt(-2 * Math.log(1 - random())) * Math.cos(2 * Math.PI * random());
    const none = making(mat, []);
    let within = 0;
    const off: number[] = [];
    const wide: number[] = [];
    for (let i = 0; i < 100; i++) {
      const truth = part.pitchMm * (1 + 0.03 * normal());
      const units = 8 + Math.floor(random() * 20);
      // Her units are uneven, and her ruler is read to the millimetre.
      const made = Array.from({ length: units }, () => truth * (1 + 0.015 * normal())).reduce(
        (a, b) => a + b,
        0,
      );
      const lengthMm = Math.round(made);
      const found = refit(
        mat,
        making(mat, [event({ did: 'measure', part: part.id, units, lengthMm, finished: true }, none)]),
      );
      if (!found || 'ok' in found) throw new Error('no refit');
      wide.push(found.betweenMm[1] / found.pitchMm - 1);
      off.push(Math.abs(found.pitchMm / truth - 1));
      if (truth >= found.betweenMm[0] && truth <= found.betweenMm[1]) within++;
    }
    expect(within).toBeGreaterThanOrEqual(90);
    // And it says something: half of them are less than 1 % off, and it is no more than 4 % wide on either side.
    expect(
      quantileSorted(
        off.toSorted((a, b) => a - b),
        0.5,
      ),
    ).toBeLessThan(0.01);
    expect(Math.max(...wide)).toBeLessThan(0.04);
    expect(pieceSchema.safeParse(mat.piece).success).toBe(true);
  });
});
